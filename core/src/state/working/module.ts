import { moduleFromOutside } from '../../document/machine/index.ts';
import { figure, mm } from '../../ground/units/index.ts';
import type { Working } from './working.ts';

/** How a module follows from an outside diameter. */
export function moduleWorking(outside: number, count: number, addendum: number, shift: number): Working {
  const m = moduleFromOutside(outside, count, addendum, shift);
  return {
    title: 'Module from the outside diameter',
    formula: 'm = d_a / (z + 2 h_a + 2 x)',
    values: [
      { symbol: 'd_a', meaning: 'outside diameter', value: mm(outside, 3) },
      { symbol: 'z', meaning: 'teeth', value: String(count) },
      { symbol: 'h_a', meaning: 'addendum, in modules', value: figure(addendum, 3) },
      { symbol: 'x', meaning: 'profile shift, in modules', value: figure(shift, 3) },
    ],
    steps: [`m = ${figure(outside, 6)} / ${figure(count + 2 * addendum + 2 * shift, 6)}`],
    result: mm(m, 4),
    source: 'ISO 21771: d_a = m (z + 2 h_a + 2 x)',
  };
}
