import { byId, GROUND, processOf } from '../../document/machine/index.ts';
import {
  distanceToSegment,
  flatten,
  inside,
  type Path,
  type Point,
  polar,
} from '../../ground/geometry/index.ts';
import { type Finding, finding } from '../../ground/result/index.ts';
import { BRACKETS } from './crossing-axes.ts';
import { linesOf } from './lines.ts';
import { bearingAllowance } from './bearing-allowance.ts';
import type { LayoutParts } from './solids.ts';
import { inSpace, type SpaceFrame } from './space-frames.ts';
import { type Band, overlap, type Stack } from './stack.ts';

/** An upright in which an arbor at right angles to the plates turns, its tab through the back plate. Lengths in mm. */
export interface Bracket {
  readonly arbor: string;
  readonly axis: string;
  /** The middle of its tab in the plan, and the direction of its arbor there, radians. */
  readonly at: Point;
  readonly direction: number;
  /** From the upper face of the back plate to the middle of its hole. */
  readonly height: number;
  readonly hole: number;
  readonly width: number;
  readonly tab: number;
  readonly thickness: number;
  /** Along its arbor, in the frame of that. */
  readonly band: Band;
}

/** A tab is so much of its bracket’s width (our choice). */
const TAB = 0.5;
/** The least stock between a hole and the back plate, mm (common practice, no source). */
const UNDER = 2;

/** The part by which the brackets of an arbor are known. */
export const bracketPart = (arbor: string): string => `bracket ${arbor}`;

/** Two brackets for every arbor by itself on a level axis beyond crossing wheels, on the side away from these. */
export function bracketsOf(
  { machine, motion, stack, spans, sizes, crossing }: LayoutParts,
  frames: ReadonlyMap<string, SpaceFrame>,
): Bracket[] {
  const said = machine.layout.plates;
  const { back } = stack;
  if (!said || !back) return [];
  return linesOf(machine).flatMap((line): Bracket[] => {
    const [arbor, another] = line.arbors;
    const outboard = crossing.get(line.axis)?.outboard;
    const [frame, at] = [frames.get(line.axis), motion.at[line.axis]];
    const [span, size] = [spans.of.get(arbor?.id ?? ''), sizes.get(arbor?.id ?? '')];
    if (!arbor || another || !outboard || line.frame !== GROUND || !frame || !at || !span || !size) return [];
    const t = said.thickness;
    const fits = processOf(machine, bracketPart(arbor.id))?.fits;
    const hole = size.diameter + bearingAllowance(said.fit, size.diameter, fits);
    const width = hole + 2 * said.margin;
    return [0, 1].map(k => {
      const near = BRACKETS.gap + k * (t + BRACKETS.apart);
      const band =
        outboard < 0
          ? { from: span.own.from - near - t, to: span.own.from - near }
          : { from: span.own.to + near, to: span.own.to + near + t };
      const middle = inSpace(frame, at, (band.from + band.to) / 2);
      return {
        ...{ arbor: arbor.id, axis: line.axis, at: { x: middle.x, y: middle.y }, band, hole, width },
        ...{ direction: Math.atan2(frame.z.y, frame.z.x), height: middle.z - back.to },
        ...{ tab: TAB * width, thickness: t },
      };
    });
  });
}

/** Whether there is stock between the hole of a bracket and the back plate. */
export const standsFree = ({ height, hole }: Bracket): boolean => height - hole / 2 >= UNDER;

/** The outline of a bracket about the middle of its hole, upwards along y: round at its top, its tab so deep. */
export function bracketOutline({ width, tab, height }: Bracket, deep: number): Path {
  const [w, t, foot] = [width / 2, tab / 2, -height];
  const line = (x: number, y: number): Path['segments'][number] => ({ kind: 'line', to: { x, y } });
  return {
    start: { x: -w, y: foot },
    segments: [
      ...[
        line(-t, foot),
        line(-t, foot - deep),
        line(t, foot - deep),
        line(t, foot),
        line(w, foot),
        line(w, 0),
      ],
      { kind: 'arc', to: { x: -w, y: 0 }, centre: { x: 0, y: 0 }, ccw: true },
      line(-w, foot),
    ],
    closed: true,
  };
}

/** Brackets with no stock under their arbor, and those that stand in the way of a wheel or of the front plate. */
export function bracketFindings(
  parts: LayoutParts,
  brackets: readonly Bracket[],
  front: { readonly outline: Path; readonly band: Band } | undefined,
): Finding[] {
  const told = new Set<string>();
  const once = (key: string): boolean => !told.has(key) && told.add(key).has(key);
  return brackets.flatMap((b): Finding[] => {
    if (!standsFree(b)) {
      if (!once(b.arbor)) return [];
      return [
        finding('bracket-low', 'warn', 'plan', [b.arbor], { height: b.height, least: b.hole / 2 + UNDER }),
      ];
    }
    const struck = [
      ...inTheWay(parts, b),
      ...(front && throughPlate(b, parts.stack, front) ? ['plate front'] : []),
    ];
    return struck
      .filter(id => once(`${b.arbor} ${id}`))
      .map(id => finding('bracket-strikes', 'stop', 'plan', [b.arbor, id]));
  });
}

/** From the back plate up to the top of a bracket. */
const heightsOf = (b: Bracket, stack: Stack): Band => {
  const from = stack.back?.to ?? 0;
  return { from, to: from + b.height + b.width / 2 };
};

/** Where the foot of a bracket stands in the plan, along its middle. */
const footOf = (b: Bracket): [Point, Point] => [
  polar(b.at, b.width / 2, b.direction + Math.PI / 2),
  polar(b.at, -b.width / 2, b.direction + Math.PI / 2),
];

/** Whether a bracket goes up through a plate. */
function throughPlate(
  b: Bracket,
  stack: Stack,
  plate: { readonly outline: Path; readonly band: Band },
): boolean {
  if (!overlap(plate.band, heightsOf(b, stack))) return false;
  const border = flatten(plate.outline, 0.05);
  const foot = footOf(b);
  return (
    foot.some(p => inside(border, p)) || border.some(p => distanceToSegment(...foot, p) < b.thickness / 2)
  );
}

/** The upright wheels of the ground that a bracket stands in. */
function inTheWay({ machine, motion, stack, extents, crossing }: LayoutParts, b: Bracket): string[] {
  const band = heightsOf(b, stack);
  return machine.wheels.flatMap(w => {
    const member = byId(machine.members, w.member);
    const axis = member?.kind === 'arbor' ? member.axis : undefined;
    const [at, extent, own] = [motion.at[axis ?? ''], extents[w.id], stack.layers.get(w.layer)];
    if (axis === undefined || crossing.has(axis) || byId(machine.axes, axis)?.frame !== GROUND) return [];
    if (!at || !extent || !own || !overlap(own, band)) return [];
    return distanceToSegment(...footOf(b), at) < extent.outer + b.thickness / 2 ? [w.id] : [];
  });
}
