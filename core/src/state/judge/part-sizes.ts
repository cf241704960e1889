import { dividesInto, lugReach, pieceRoom } from '../../teeth/body/index.ts';
import { bounds, flatten, type Point } from '../../ground/geometry/index.ts';
import { indicatorFigure } from '../../place/indicator/index.ts';
import {
  armLayers,
  armWidth,
  baseOf,
  bracketOutline,
  bracketPart,
  carriedAxes,
  copyTurns,
  type Extent,
  type LayoutState,
  lugsIn,
  pillarsOf,
  standsFree,
  wallLayer,
  wheelThickness,
} from '../../place/layout/index.ts';
import {
  arbors,
  byId,
  circleCount,
  INDICATORS,
  type Machine,
  otherSide,
} from '../../document/machine/index.ts';
import { rackOf, type WheelState } from '../state/index.ts';
import { dividesFlat } from './split-findings.ts';

/** What a part measures as it lies: along and across it, and how high it stands; mm. */
export interface PartSize {
  /** By which its tool is known, and by which it is called. */
  readonly part: string;
  readonly called: string;
  readonly along: number;
  readonly across: number;
  readonly high: number;
  /** It is bought where no printer makes it: only a bed must hold it. */
  readonly body: boolean;
}

export type SizeParts = Pick<
  Machine,
  'wheels' | 'stack' | 'indicators' | 'members' | 'axes' | 'joints' | 'layout'
> & {
  readonly states: Readonly<Record<string, WheelState>>;
  readonly extents: Readonly<Record<string, Extent>>;
  readonly at: Readonly<Record<string, Point>>;
  readonly laid: Pick<LayoutState, 'plates' | 'brackets' | 'pieces' | 'sizes' | 'stack' | 'spans'>;
};

/** What every part measures that a tool has to hold: wheels, plates, arms, hands, dials, tubes, pillars. */
export const partSizes = (parts: SizeParts): PartSize[] => [
  ...wheelSizes(parts),
  ...parts.laid.plates.map(p => boxed(`plate ${p.side}`, flatten(p.outline, 0.1), p.band.to - p.band.from)),
  ...baseSizes(parts),
  ...bracketSizes(parts),
  ...armSizes(parts),
  ...leafSizes(parts),
  ...bodySizes(parts),
];

/** The board on which it stands. */
const baseSizes = ({ laid, layout }: SizeParts): PartSize[] => {
  const base = baseOf({ layout }, laid.stack);
  const high = base ? base.board.to - base.board.from : 0;
  return base
    ? [{ part: 'base', called: 'base', along: base.across, across: base.across, high, body: false }]
    : [];
};

/** Brackets, one for each arbor. */
const bracketSizes = ({ laid }: SizeParts): PartSize[] => {
  const depth = laid.stack.back ? laid.stack.back.to - laid.stack.back.from : 0;
  const first = new Map(laid.brackets.filter(standsFree).map(b => [b.arbor, b] as const));
  return [...first.values()].map(b =>
    boxed(bracketPart(b.arbor), flatten(bracketOutline(b, depth), 0.1), b.thickness),
  );
};

function boxed(part: string, points: readonly Point[], high: number): PartSize {
  const box = bounds(points);
  const [along, across] = [box.maxX - box.minX, box.maxY - box.minY];
  return { part, called: part, along, across, high, body: false };
}

const wheelSizes = ({ wheels, stack, states, extents }: SizeParts): PartSize[] =>
  wheels.flatMap((w): PartSize[] => {
    const state = states[w.id];
    if (!state?.figure.ok) return [];
    const common = { part: w.id, called: w.id, high: wheelThickness(stack, w), body: false };
    const rack = rackOf(state);
    if (rack) {
      const box = bounds(flatten(state.figure.value.outline, 0.1));
      return [{ ...common, along: box.maxY - box.minY, across: box.maxX - box.minX }];
    }
    const other = otherSide({ wheels }, w);
    if (other && w.role !== 'ring') return [];
    const rim = extents[other?.id ?? w.id]?.outer ?? state.dimensions.tipRadius;
    const lugged =
      w.mount?.kind === 'lugs' ? lugsIn(w.mount, rim, 0).circleRadius + lugReach(w.mount.hole) : rim;
    const wall =
      wallLayer(w) === undefined
        ? []
        : [{ ...common, part: `wall ${w.id}`, along: 2 * rim, across: 2 * rim }];
    const divides =
      w.divided && dividesFlat(state) && dividesInto(w, w.divided.pieces, other && circleCount(other));
    const pieces = w.divided && divides ? w.divided.pieces : 1;
    const size =
      pieces > 1
        ? pieceRoom(extents[w.id]?.inner ?? 0, lugged, pieces)
        : { along: 2 * lugged, across: 2 * lugged };
    return [{ ...common, ...size }, ...wall];
  });

/** Bars of arms with round ends at every axis that they carry. */
const armSizes = ({ laid, at, ...machine }: SizeParts): PartSize[] =>
  [...armLayers(machine).keys()].flatMap((id): PartSize[] => {
    const pivot = at[byId(arbors(machine), id)?.axis ?? ''];
    if (!pivot) return [];
    const ends = carriedAxes(machine, id).flatMap(axis => {
      const p = at[axis.id];
      if (!p) return [];
      const [dx, dy] = [p.x - pivot.x, p.y - pivot.y];
      return [0, ...copyTurns(axis)].map(t => ({
        x: Math.cos(t) * dx - Math.sin(t) * dy,
        y: Math.sin(t) * dx + Math.cos(t) * dy,
      }));
    });
    const width = armWidth(machine, laid.sizes, id);
    const bare = boxed(`arm ${id}`, [{ x: 0, y: 0 }, ...ends], machine.stack.thickness);
    return [{ ...bare, along: bare.along + width, across: bare.across + width }];
  });

/** Hands and dials. */
const leafSizes = ({ indicators, laid }: SizeParts): PartSize[] =>
  indicators.flatMap((i): PartSize[] => {
    if (!INDICATORS[i.kind].flat) return [];
    const { shapes } = indicatorFigure(i, laid.sizes.get(i.member)?.diameter);
    const points = shapes
      .filter(s => s.role === 'cut')
      .flatMap(s => s.paths)
      .flatMap(p => flatten(p, 0.1));
    return points.length === 0 ? [] : [boxed(i.id, points, 0)];
  });

/** Tubes, spacers and pillars, which a printer makes standing. */
const bodySizes = ({ laid, layout }: SizeParts): PartSize[] => [
  ...laid.pieces.flatMap((p, i): PartSize[] =>
    p.kind === 'rod' || p.kind === 'washers'
      ? []
      : [
          {
            part: `piece ${i}`,
            called: p.arbor,
            along: p.outside,
            across: p.outside,
            high: p.length,
            body: true,
          },
        ],
  ),
  ...pillarsOf({ layout }, laid.stack).map(p => ({
    ...{ part: `pillar ${p.diameter}`, called: p.id, along: p.shoulder, across: p.shoulder },
    ...{ high: p.whole.to - p.whole.from, body: true },
  })),
];
