import { computed, type ComputedRef } from 'vue';

/** The choices of a list, the very same as before while they read the same: nothing is drawn anew for nothing. */
export function sameItems<T>(items: () => readonly T[]): ComputedRef<T[]> {
  let text = '';
  return computed<T[]>(before => {
    const now = [...items()];
    const written = JSON.stringify(now);
    if (before && written === text) return before;
    text = written;
    return now;
  });
}
