import type { Derived } from '../state/index.ts';
import { fixed, mm } from '../../ground/units/index.ts';
import type { Working } from './working.ts';

/** How the height of the pile is worked out: layers, the air between them, plates. */
export function heightWorking({ machine, layout }: Pick<Derived, 'machine' | 'layout'>): Working {
  const { stack } = layout;
  const thick = [...stack.layers.values()].map(b => b.to - b.from);
  const plates = [stack.back, stack.front].flatMap(p => (p ? [p.to - p.from] : []));
  const gaps = thick.length + plates.length - 1;
  const sum = (list: readonly number[]): number => list.reduce((s, x) => s + x, 0);
  return {
    title: 'Height of the pile',
    formula: 'H = Σ t + (n − 1) · g',
    values: [
      {
        symbol: 't',
        meaning: 'thickness of each layer: its thickest wheel',
        value: thick.map(x => fixed(x, 2)).join(', '),
      },
      {
        symbol: 't',
        meaning: 'thickness of each plate',
        value: plates.map(x => fixed(x, 2)).join(', ') || 'none',
      },
      { symbol: 'g', meaning: 'air between one and the next', value: mm(machine.stack.gap) },
      { symbol: 'n', meaning: 'layers and plates', value: String(thick.length + plates.length) },
    ],
    steps: [
      `Σ t = ${mm(sum(thick))} + ${mm(sum(plates))} = ${mm(sum(thick) + sum(plates))}`,
      `H = ${mm(sum(thick) + sum(plates))} + ${gaps} · ${mm(machine.stack.gap)}`,
    ],
    result: mm(stack.height),
    source: 'from the elevation',
  };
}
