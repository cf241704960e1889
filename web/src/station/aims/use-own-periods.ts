import { type KnownPeriod, PERIODS } from '@tesseron/core/period';
import { computed, type ComputedRef, shallowRef } from 'vue';
import { database, dropPeriod, keepPeriod, listPeriods } from '../../keep';

const own = shallowRef<readonly KnownPeriod[]>([]);
const refresh = async (): Promise<void> => void (own.value = await listPeriods(database));

/** The library of periods together with the maker's own, which are kept in this browser. */
export function useOwnPeriods(): {
  all: ComputedRef<readonly KnownPeriod[]>;
  add: (name: string, text: string, source: string) => Promise<void>;
  remove: (id: string) => Promise<void>;
} {
  void refresh();
  return {
    all: computed(() => [...own.value, ...PERIODS]),
    async add(name, text, source) {
      await keepPeriod(database, { id: crypto.randomUUID(), name, text, source });
      await refresh();
    },
    async remove(id) {
      await dropPeriod(database, id);
      await refresh();
    },
  };
}
