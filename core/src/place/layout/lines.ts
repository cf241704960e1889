import { arbors, type Arbor, type Machine } from '../../document/machine/index.ts';
import { lineOf } from '../../trains/train/index.ts';

/** Arbors that turn about one line in one frame. */
export interface Line {
  readonly id: string;
  readonly frame: string;
  /** An axis of it; all of them stand in one place. */
  readonly axis: string;
  readonly arbors: readonly Arbor[];
}

/** The lines of a machine with the arbors on each, in the order of the document. */
export function linesOf(machine: Pick<Machine, 'axes' | 'members'>): Line[] {
  const axes = new Map(machine.axes.map(a => [a.id, a] as const));
  const found = new Map<string, { frame: string; axis: string; arbors: Arbor[] }>();
  for (const arbor of arbors(machine)) {
    const axis = axes.get(arbor.axis);
    if (!axis) continue;
    const id = `${axis.frame} ${lineOf(axes, axis.id)}`;
    const line = found.get(id) ?? { frame: axis.frame, axis: axis.id, arbors: [] };
    line.arbors.push(arbor);
    found.set(id, line);
  }
  return [...found].map(([id, line]) => ({ id, ...line }));
}
