import { ref, type Ref } from 'vue';

/** Something that can be dragged: a wheel or an arbor, by its id. */
interface Dragged {
  readonly kind: 'wheel' | 'member';
  readonly id: string;
}

/** A drag under way: where it began and where the pointer is, within the drawing. */
interface Drag extends Dragged {
  readonly from: readonly [number, number];
  readonly at: readonly [number, number];
  readonly moved: boolean;
}

/** Where something was let go: on another thing, or at a place of the drawing. */
export interface Drop extends Dragged {
  readonly on: { readonly kind: string; readonly id: string } | undefined;
  readonly x: number;
  readonly y: number;
}

/** A pointer that moves less than this has clicked. */
const SLACK = 6;

/** Dragging within a scrolled holder: `click` where it did not move, `drop` where it did. */
export function useDrag(
  holder: Readonly<Ref<HTMLElement | null>>,
  click: (what: Dragged) => void,
  drop: (what: Drop) => void,
): {
  readonly drag: Readonly<Ref<Drag | undefined>>;
  readonly grab: (event: PointerEvent, what: Dragged) => void;
  readonly move: (event: PointerEvent) => void;
  readonly release: (event: PointerEvent) => void;
  readonly cancel: () => void;
} {
  const drag = ref<Drag>();
  const local = (event: PointerEvent): readonly [number, number] => {
    const box = holder.value?.getBoundingClientRect();
    const [left, top] = [holder.value?.scrollLeft ?? 0, holder.value?.scrollTop ?? 0];
    return [event.clientX - (box?.left ?? 0) + left, event.clientY - (box?.top ?? 0) + top];
  };
  return {
    drag,
    grab(event, what) {
      if (event.button !== 0) return;
      const at = local(event);
      drag.value = { ...what, from: at, at, moved: false };
      (event.currentTarget as Element).setPointerCapture(event.pointerId);
    },
    move(event) {
      const now = drag.value;
      if (!now) return;
      const at = local(event);
      const moved = now.moved || Math.hypot(at[0] - now.from[0], at[1] - now.from[1]) > SLACK;
      drag.value = { ...now, at, moved };
    },
    release(event) {
      const now = drag.value;
      drag.value = undefined;
      if (!now) return;
      const { kind, id } = now;
      if (!now.moved) {
        click({ kind, id });
        return;
      }
      const under = document
        .elementsFromPoint(event.clientX, event.clientY)
        .map(e => e.closest('[data-kind]'))
        .find(e => e && e.getAttribute('data-id') !== id);
      const [onKind, onId] = [under?.getAttribute('data-kind'), under?.getAttribute('data-id')];
      const [x, y] = local(event);
      drop({ kind, id, x, y, on: onKind && onId ? { kind: onKind, id: onId } : undefined });
    },
    cancel() {
      drag.value = undefined;
    },
  };
}
