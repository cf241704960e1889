import type { Derived } from '@tesseron/core/state';
import { type Folded, middleOf } from '@tesseron/core/layout';
import { axisOfWheel } from '@tesseron/core/machine';

/** A wheel of a folded train as a circle, y downwards. */
interface FoldedWheel {
  readonly id: string;
  readonly member: string;
  readonly x: number;
  readonly y: number;
  readonly radius: number;
}

/** One arrangement as it is drawn beside others. */
export interface FoldFigure {
  readonly fold: Folded;
  readonly number: number;
  /** Lowest layer first, larger before smaller. */
  readonly wheels: readonly FoldedWheel[];
  /** The view box: all at one scale. */
  readonly box: string;
}

/** Room left round the drawing. */
const ROOM = 1.05;

/** Arrangements at one scale, each about the middle of the envelope, or of itself where there is none. */
export function foldFigures(
  { machine, extents }: Pick<Derived, 'machine' | 'extents'>,
  folds: readonly Folded[],
): FoldFigure[] {
  const region = machine.layout.envelope?.region;
  const reach =
    region?.kind === 'circle'
      ? region.diameter / 2
      : region?.kind === 'rectangle'
        ? Math.hypot(region.width, region.height) / 2
        : 0;
  const half = ROOM * Math.max(reach, 1, ...folds.map(f => f.radius));
  return folds.map((fold, i) => {
    const wheels = machine.wheels
      .flatMap(w => {
        const at = fold.at[axisOfWheel(machine, w) ?? ''];
        const radius = extents[w.id]?.outer;
        if (!at || radius === undefined) return [];
        const layer = fold.layers.wheels[w.id] ?? w.layer;
        return [{ id: w.id, member: w.member, x: at.x, y: -at.y, radius, layer }];
      })
      .sort((a, b) => a.layer - b.layer || b.radius - a.radius);
    const xs = wheels.flatMap(w => [w.x - w.radius, w.x + w.radius]);
    const ys = wheels.flatMap(w => [w.y - w.radius, w.y + w.radius]);
    const own = { x: (Math.min(...xs) + Math.max(...xs)) / 2, y: -(Math.min(...ys) + Math.max(...ys)) / 2 };
    const middle = region ? middleOf(region) : own;
    const box = [middle.x - half, -middle.y - half, 2 * half, 2 * half].join(' ');
    return { fold, number: i + 1, wheels, box };
  });
}
