import { byId, freeId } from '../../document/machine/lookup.ts';
import type { Machine, Plan, Search } from '../../document/machine/types.ts';
import type { Edit } from './patch.ts';

/** Searches that are kept for one output. */
export const MOST_SEARCHES = 5;

/** Keeps what was searched for an output, in place of the same question asked before; the oldest go. */
export const keepSearch =
  (aim: string, search: Omit<Search, 'id' | 'aim'>): Edit =>
  machine => {
    if (!byId(machine.aims, aim)) return machine;
    const own = machine.searches.filter(s => s.aim === aim);
    const { found: _, ...asked } = search;
    const same = (s: Search): boolean => {
      const { id: __, aim: ___, found: ____, ...rest } = s;
      return JSON.stringify(rest) === JSON.stringify(asked);
    };
    const stay = own.filter(s => !same(s)).slice(1 - MOST_SEARCHES);
    const kept: Search = { ...search, id: freeId(machine, 'search'), aim };
    return { ...machine, searches: [...machine.searches.filter(s => s.aim !== aim), ...stay, kept] };
  };

/** Keeps plans for all outputs in place of those from before. */
export const keepPlans =
  (plans: readonly Omit<Plan, 'id'>[]): Edit =>
  (machine: Machine) => ({
    ...machine,
    plans: plans.map((plan, nth) => ({ ...plan, id: freeId(machine, `plan${nth}x`) })),
  });
