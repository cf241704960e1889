import { onScopeDispose, type ShallowRef, shallowRef, watch } from 'vue';

/** Work in one slice, ms. */
const SLICE = 8;

/**
 * What takes longer than a frame: worked out in short slices after the frame, anew whenever what it is made from
 * changes. Undefined until it is there.
 */
export function useLater<S, T>(
  from: () => S,
  work: (from: S) => Generator<unknown, T>,
): ShallowRef<T | undefined> {
  const value: ShallowRef<T | undefined> = shallowRef();
  let timer: ReturnType<typeof setTimeout> | undefined;
  let frame = 0;
  const stop = (): void => {
    cancelAnimationFrame(frame);
    clearTimeout(timer);
  };
  watch(
    from,
    source => {
      stop();
      value.value = undefined;
      const running = work(source);
      const slice = (): void => {
        const end = performance.now() + SLICE;
        while (performance.now() < end) {
          const step = running.next();
          if (step.done) {
            value.value = step.value;
            return;
          }
        }
        timer = setTimeout(slice);
      };
      frame = requestAnimationFrame(() => (timer = setTimeout(slice)));
    },
    { immediate: true },
  );
  onScopeDispose(stop);
  return value;
}
