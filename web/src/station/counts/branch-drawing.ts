import type { BranchPlan } from '@tesseron/core/branches';
import type { Stage } from '@tesseron/core/search';

/** A wheel of the drawing: a bar across its axis, as long as its count asks. */
interface DrawnWheel {
  readonly x: number;
  readonly y: number;
  readonly half: number;
  readonly count: number;
  readonly axis: 'centre' | 'lay';
}

/** One output with its wheels, and the tube or arbor that carries each. */
interface DrawnBranch {
  readonly output: string;
  readonly wheels: readonly DrawnWheel[];
  /** Height at which the output leaves, on the centre axis, and the left end of its wheel. */
  readonly y: number;
  readonly left: number;
  /** The compound pair or lay arbor between its two wheels on the lay axis. */
  readonly pair: { readonly x: number; readonly from: number; readonly to: number } | undefined;
}

export interface BranchDrawing {
  readonly width: number;
  readonly height: number;
  readonly centre: number;
  readonly lay: number;
  readonly first: readonly DrawnWheel[];
  readonly branches: readonly DrawnBranch[];
  readonly ground: number;
}

const ROW = 34;
const TOP = 26;
/** Room for the outputs’ names, and between two wheels in mesh, in pixels. */
const NAMES = 132;
const GAP = 1.5;

/**
 * Lays a plan out as an elevation: the drive's axis to the left, the lay axis to the right at their one centre
 * distance, layers from the bottom up as they are built. Wheels are bars to scale; meshing bars meet between the axes.
 */
export function drawBranches(plan: BranchPlan, width: number): BranchDrawing {
  const layers = layersOf(plan);
  const most = Math.max(...layers.flat()) + 1;
  const height = TOP + most * ROW + 30;
  const all = [...(plan.first ? [plan.first] : []), ...plan.branches.flatMap(b => b.stages)];
  const widest = Math.max(...all.flatMap(s => [s.driving, s.driven]));
  const scale = (width - NAMES - 24) / (plan.sum + 2 * widest);
  const centre = NAMES + widest * scale;
  const lay = centre + plan.sum * scale;
  const y = (layer: number): number => height - 30 - (layer + 0.5) * ROW;
  const mesh = (stage: Stage, layer: number, towards: 'lay' | 'centre'): DrawnWheel[] => {
    const [onCentre, onLay] =
      towards === 'lay' ? [stage.driving, stage.driven] : [stage.driven, stage.driving];
    return [
      { x: centre, y: y(layer), half: onCentre * scale - GAP, count: onCentre, axis: 'centre' },
      { x: lay, y: y(layer), half: onLay * scale - GAP, count: onLay, axis: 'lay' },
    ];
  };
  const branches = plan.branches.map((b, i): DrawnBranch => {
    const [low, high] = layers[i] as [number, number];
    const [one, two] = b.stages as [Stage, Stage | undefined];
    const last = mesh(two ?? one, high, 'centre');
    return {
      output: b.output,
      wheels: two ? [...mesh(one, low, 'lay'), ...last] : last,
      y: y(high),
      // Nested pairs are drawn beside one another.
      pair: two && { x: lay + 5 * (i - (plan.branches.length - 1) / 2), from: y(low), to: y(high) },
      left: centre - (last[0]?.half ?? 0),
    };
  });
  return {
    ...{ width, height, centre, lay, branches },
    first: plan.first ? mesh(plan.first, 0, 'lay') : [],
    ground: height - 30,
  };
}

/** Layers of each branch's first and second mesh, as the plan is built: see build/plant-branches. */
function layersOf({ school, branches, first }: BranchPlan): [number, number][] {
  return branches.map((_, i) => {
    if (first) return [0, 1 + i];
    if (school === 'loose pairs') return [branches.length - 1 - i, branches.length + i];
    return [2 * i, 2 * i + 1];
  });
}
