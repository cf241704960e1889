import { bounds, distance, type Point } from '../../../ground/geometry/index.ts';
import type { Layout } from '../../../document/machine/index.ts';
import { depthIn, middleOf } from '../region.ts';
import type { FoldNode } from './fold-plan.ts';

/** How an arrangement stands, before and after layers are known. */
export interface FoldCost {
  /** How far things stick out of the envelope, enter room kept free, or rods overlap, summed, mm; nought is wanted. */
  readonly wrong: number;
  /** Wheels that cover another line: layers must keep them apart from its arbors. */
  readonly covered: number;
  /** Pairs of wheels that overlap in the plan: they need layers of their own. */
  readonly crossed: number;
  /** Radius of a circle round everything, about the middle, mm. */
  readonly radius: number;
}

/** Where the whole is to be moved, so that it stands in the middle of its envelope, or where it is. */
export function centred(
  nodes: readonly FoldNode[],
  at: readonly Point[],
  region: NonNullable<Layout['envelope']>['region'],
): Point {
  const box = boxOf(nodes, at);
  const to = middleOf(region);
  return { x: to.x - (box.minX + box.maxX) / 2, y: to.y - (box.minY + box.maxY) / 2 };
}

/** The box round everything on the nodes. */
export function boxOf(nodes: readonly FoldNode[], at: readonly Point[]): ReturnType<typeof bounds> {
  return bounds(
    at.flatMap((p, i) => {
      const r = nodes[i]?.reach ?? 0;
      return [
        { x: p.x - r, y: p.y - r },
        { x: p.x + r, y: p.y + r },
      ];
    }),
  );
}

/** Weighs an arrangement. `least` is the gap wanted, mm; the wrong counts before everything. */
export function foldCost(
  nodes: readonly FoldNode[],
  at: readonly Point[],
  layout: Layout,
  least: number,
  fixedMiddle: boolean,
): FoldCost {
  let [wrong, covered, crossed] = [0, 0, 0];
  for (let i = 0; i < nodes.length; i++) {
    const [a, p] = [nodes[i] as FoldNode, at[i] as Point];
    if (layout.envelope) wrong += Math.max(0, a.reach - depthIn(layout.envelope.region, p));
    for (const k of layout.keepOuts) {
      const into = a.reach + depthIn(k.region, p);
      if (into > 0 && !k.layers) wrong += into;
    }
    for (let j = i + 1; j < nodes.length; j++) {
      const [b, q] = [nodes[j] as FoldNode, at[j] as Point];
      const d = distance(p, q);
      wrong += Math.max(0, a.rod + b.rod + least - d);
      if (a.reach + b.reach + least < d) continue;
      for (const w of a.wheels) {
        const over = w.inner === undefined ? w.outer + b.rod + least - d : 0;
        if (over > 0 && b.through) wrong += over;
        else if (over > 0) covered++;
        for (const v of b.wheels) if (d < w.outer + v.outer + least) crossed++;
      }
      for (const v of b.wheels) {
        const over = v.inner === undefined ? v.outer + a.rod + least - d : 0;
        if (over > 0 && a.through) wrong += over;
        else if (over > 0) covered++;
      }
    }
  }
  const box = boxOf(nodes, at);
  const middle =
    fixedMiddle && layout.envelope
      ? middleOf(layout.envelope.region)
      : { x: (box.minX + box.maxX) / 2, y: (box.minY + box.maxY) / 2 };
  const radius = Math.max(...at.map((p, i) => distance(p, middle) + (nodes[i]?.reach ?? 0)));
  return { wrong, covered, crossed, radius };
}

/** One figure to be made small: what is wrong weighs most; what makes layers costs some millimetres. */
export const weight = ({ wrong, covered, crossed, radius }: FoldCost): number =>
  100 * wrong + 4 * covered + 0.5 * crossed + radius;
