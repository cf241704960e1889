import { computed, type ComputedRef, onScopeDispose, ref, watch } from 'vue';

/** Rows that stand in view at first, and that come with every step of scrolling. */
const SCREEN = 16;
/** What drawing a slice of rows may take, ms. */
const SLICE = 10;

/** The rows of a long list that are drawn, and how many are not yet. */
export interface Rows<T> {
  readonly shown: ComputedRef<readonly T[]>;
  readonly left: ComputedRef<number>;
  /** Draws another screen of them. */
  readonly more: () => void;
}

/**
 * A long list is drawn as far as it is read: a few rows at once, then slice by slice in frames of their own up to a
 * screen of them, and on when its end comes into view (see MoreRows). A drawing takes a screen of any size.
 */
export function useRows<T>(rows: () => readonly T[], screen = SCREEN): Rows<T> {
  const drawn = ref(2);
  let wanted = screen;
  let step = 1;
  let frame = 0;

  function grow(): void {
    cancelAnimationFrame(frame);
    if (drawn.value >= Math.min(wanted, rows().length)) return;
    frame = requestAnimationFrame(() => {
      const start = performance.now();
      drawn.value = Math.min(wanted, drawn.value + step);
      setTimeout(() => {
        step = performance.now() - start < SLICE ? Math.min(8, step * 2) : 1;
        grow();
      });
    });
  }
  watch(() => rows().length, grow, { immediate: true });
  // On paper a list is whole.
  const all = (): void => void (drawn.value = rows().length);
  window.addEventListener('beforeprint', all);
  onScopeDispose(() => {
    cancelAnimationFrame(frame);
    window.removeEventListener('beforeprint', all);
  });
  return {
    shown: computed(() => rows().slice(0, drawn.value)),
    left: computed(() => Math.max(0, rows().length - drawn.value)),
    more: () => {
      wanted = drawn.value + screen;
      grow();
    },
  };
}
