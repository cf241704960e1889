import type { Derived } from '@tesseron/core/state';
import type { Machine } from '@tesseron/core/machine';
import { computed, type ComputedRef } from 'vue';
import { useMachine } from './store';

/** The open machine for a station: stations are shown only while one is open. */
export function useOpen(): {
  derived: ComputedRef<Derived>;
  machine: ComputedRef<Machine>;
  change: ReturnType<typeof useMachine>['change'];
  attempt: ReturnType<typeof useMachine>['attempt'];
} {
  const store = useMachine();
  let last = store.derived;
  const derived = computed(() => {
    last = store.derived ?? last;
    if (!last) throw new Error('no machine is open');
    return last;
  });
  return {
    derived,
    machine: computed(() => derived.value.machine),
    change: store.change,
    attempt: store.attempt,
  };
}
