import { onScopeDispose, type ShallowRef, shallowRef, watch } from 'vue';
import { inSlices } from './in-slices';

/**
 * What takes longer than a frame: worked out in short slices after the frame, anew whenever what it is made from
 * changes. Undefined until it is there.
 */
export function useLater<S, T>(
  from: () => S,
  work: (from: S) => Generator<unknown, T>,
): ShallowRef<T | undefined> {
  const value: ShallowRef<T | undefined> = shallowRef();
  let stop: (() => void) | undefined;
  watch(
    from,
    source => {
      stop?.();
      value.value = undefined;
      stop = inSlices(work(source), made => (value.value = made));
    },
    { immediate: true },
  );
  onScopeDispose(() => stop?.());
  return value;
}
