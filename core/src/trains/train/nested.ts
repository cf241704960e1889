import { arbors, type Machine } from '../../document/machine/index.ts';
import { absolute, compare, type Rational, sub } from '../../ground/rational/index.ts';
import { lineOf } from './frames.ts';

/**
 * Two arbors on one line, and how fast one turns in the other: turns of the second less the first's, per turn of
 * the drive.
 */
export interface NestedPair {
  readonly inner: string;
  readonly outer: string;
  readonly relative: Rational;
}

/**
 * The relative rates of all arbors that share a line in one frame: what a tube rubs on its neighbour. Arbors of one
 * line are taken in pairs that can lie next to each other, every one with every other, fastest against each other
 * first; held ones count as standing still.
 */
export function nestedPairs(
  machine: Pick<Machine, 'axes' | 'members'>,
  rates: Readonly<Record<string, Rational>>,
): NestedPair[] {
  const axes = new Map(machine.axes.map(a => [a.id, a] as const));
  const lines = new Map<string, string[]>();
  for (const arbor of arbors(machine)) {
    const axis = axes.get(arbor.axis);
    if (!axis) continue;
    const line = `${axis.frame} ${lineOf(axes, axis.id)}`;
    lines.set(line, [...(lines.get(line) ?? []), arbor.id]);
  }
  const pairs = [...lines.values()].flatMap(on =>
    on.flatMap((inner, i) =>
      on.slice(i + 1).flatMap(outer => {
        const [a, b] = [rates[inner], rates[outer]];
        return a && b ? [{ inner, outer, relative: sub(b, a) }] : [];
      }),
    ),
  );
  return pairs.sort((p, q) => compare(absolute(q.relative), absolute(p.relative)));
}
