import { type Allowances, fitAllowance, fitLimits } from '../../teeth/body/index.ts';
import {
  circle,
  direction,
  distance,
  type Path,
  type Point,
  polar,
  polygon,
} from '../../ground/geometry/index.ts';
import { axesOfMesh, byId, GROUND, type Machine, processOf } from '../../document/machine/index.ts';
import { type Finding, finding } from '../../ground/result/index.ts';
import { hullRound } from './hull.ts';
import { linesOf } from './lines.ts';
import { cornersOf, depthIn } from './region.ts';
import type { LayoutParts } from './solids.ts';
import { type Band, overlap } from './stack.ts';
import { USUAL_TUBES } from './tubes.ts';

type PlatesSaid = NonNullable<Machine['layout']['plates']>;

/** A hole in a plate, mm. A slot runs from its middle so far both ways in a direction (radians). */
export interface PlateHole {
  /** A number from 1, the same in both plates. */
  readonly number: number;
  /** The arbor that turns or stands in it; of a pillar its id. */
  readonly for: string;
  readonly kind: 'bearing' | 'rod' | 'pillar';
  readonly at: Point;
  readonly diameter: number;
  readonly slot: { readonly travel: number; readonly direction: number } | undefined;
}

/** A plate: its outline in the plan, and its holes. */
export interface Plate {
  readonly side: 'back' | 'front';
  readonly band: Band;
  readonly outline: Path;
  readonly holes: readonly PlateHole[];
}

/**
 * Stock between two holes, or a hole and the edge, below which it is likely to break out, mm (common practice, no
 * source).
 */
export const LEAST_BRIDGE = 2;

/**
 * What a bearing hole is larger by than its arbor, mm across: as the plate's tool was measured to leave, or the
 * middle of what a fit of ISO 286 leaves.
 */
export function bearingAllowance(fit: PlatesSaid['fit'], diameter: number, says?: Allowances): number {
  if (fit === 'sliding' || fit === 'free') return fitAllowance(fit, says);
  const limits = fitLimits(fit, diameter);
  return limits ? (limits.clearance[0] + limits.clearance[1]) / 2 : fitAllowance('free', says);
}

/**
 * The two plates of a machine, or none. Every line that passes a plate has a hole there: for the outermost arbor
 * that passes, with its fit, or for a standing rod, which is pressed in. Axes with a slot have theirs lengthened
 * along the line of centres of the mesh that it sets. Pillars are pressed in.
 */
export function platesOf(parts: LayoutParts): Plate[] {
  const { machine, stack } = parts;
  const said = machine.layout.plates;
  if (!said) return [];
  const lines = linesOf(machine).filter(l => l.frame === GROUND);
  return (['back', 'front'] as const).flatMap(side => {
    const band = stack[side];
    if (!band) return [];
    const fits = processOf(machine, `plate ${side}`)?.fits;
    const bearings = lines.flatMap((line, i) => {
      const at = parts.motion.at[line.axis];
      const hole =
        at &&
        holeOf(
          parts,
          said,
          line.arbors.map(a => a.id),
          band,
          fits,
        );
      return at && hole
        ? [
            {
              ...hole,
              number: i + 1,
              at,
              slot: slotOf(
                parts,
                line.arbors.map(a => a.axis),
              ),
            },
          ]
        : [];
    });
    const pillars = said.pillars.map((p, i): PlateHole => ({
      ...{ number: lines.length + i + 1, for: p.id, kind: 'pillar', at: { x: p.x, y: p.y } },
      ...{ diameter: p.diameter + fitAllowance('press', fits), slot: undefined },
    }));
    const holes = [...bearings, ...pillars];
    return [{ side, band, holes, outline: outlineOf(machine, said, holes) }];
  });
}

function holeOf(
  { spans, sizes, machine }: LayoutParts,
  said: PlatesSaid,
  arbors: readonly string[],
  band: Band,
  fits: Allowances | undefined,
): Pick<PlateHole, 'for' | 'kind' | 'diameter'> | undefined {
  const passing = arbors.flatMap(id => {
    const [span, size] = [spans.of.get(id), sizes.get(id)];
    return span && size && overlap(span.whole, band) ? [size] : [];
  });
  const outermost = passing.reduce<(typeof passing)[number] | undefined>(
    (o, s) => (o && o.diameter >= s.diameter ? o : s),
    undefined,
  );
  if (outermost) {
    const { arbor, diameter } = outermost;
    return { for: arbor, kind: 'bearing', diameter: diameter + bearingAllowance(said.fit, diameter, fits) };
  }
  const onRod = arbors.find(id => spans.of.get(id)?.stands === 'on a standing rod');
  const rod = (machine.layout.tubes ?? USUAL_TUBES).rod;
  return onRod === undefined
    ? undefined
    : { for: onRod, kind: 'rod', diameter: rod + fitAllowance('press', fits) };
}

function slotOf({ machine, motion }: LayoutParts, axes: readonly string[]): PlateHole['slot'] {
  for (const id of axes) {
    const axis = byId(machine.axes, id);
    if (!axis?.slot) continue;
    const other = axesOfMesh(machine, axis.slot.joint).find(e => e !== id);
    const [here, there] = [motion.at[id], motion.at[other ?? '']];
    if (here && there) return { travel: axis.slot.travel, direction: direction(there, here) };
  }
  return undefined;
}

function outlineOf({ layout }: LayoutParts['machine'], said: PlatesSaid, holes: readonly PlateHole[]): Path {
  const region = said.shape === 'as the envelope' ? layout.envelope?.region : undefined;
  if (region?.kind === 'circle') return circle({ x: region.x, y: region.y }, region.diameter / 2);
  if (region) return polygon(cornersOf(region));
  const reach = Math.max(0, ...holes.map(h => h.diameter / 2)) + said.margin + LEAST_BRIDGE;
  return hullRound(holes.length > 0 ? holes.flatMap(slotEnds) : [{ x: 0, y: 0 }], reach);
}

/** The middles of the two ends of a slot; of a round hole its middle alone. */
export const slotEnds = ({ at, slot }: PlateHole): Point[] =>
  slot ? [polar(at, slot.travel, slot.direction), polar(at, -slot.travel, slot.direction)] : [at];

/** A slot with round ends, counter-clockwise. */
export function slotPath(hole: PlateHole): Path {
  const [head, tail] = slotEnds(hole) as [Point, Point];
  const [r, along] = [hole.diameter / 2, hole.slot?.direction ?? 0];
  const [left, right] = [along + Math.PI / 2, along - Math.PI / 2];
  return {
    start: polar(tail, r, right),
    segments: [
      { kind: 'line', to: polar(head, r, right) },
      { kind: 'arc', to: polar(head, r, left), centre: head, ccw: true },
      { kind: 'line', to: polar(tail, r, left) },
      { kind: 'arc', to: polar(tail, r, right), centre: tail, ccw: true },
    ],
    closed: true,
  };
}

/** The line of a hole as it is cut, round or a slot. */
export const holePath = (hole: PlateHole): Path =>
  hole.slot ? slotPath(hole) : circle(hole.at, hole.diameter / 2);

/** Holes that meet each other or the edge of their plate, and axes that an arm would carry through one. */
export function plateFindings(parts: LayoutParts, plates: readonly Plate[]): Finding[] {
  const found: Finding[] = [];
  const region = parts.machine.layout.envelope?.region;
  for (const plate of plates) {
    plate.holes.forEach((a, i) => {
      for (const b of plate.holes.slice(i + 1)) {
        const apart = Math.min(...slotEnds(a).flatMap(p => slotEnds(b).map(q => distance(p, q))));
        const bridge = apart - (a.diameter + b.diameter) / 2;
        if (bridge < LEAST_BRIDGE)
          found.push(
            finding('holes-meet', bridge < 0 ? 'stop' : 'warn', 'plan', [a.for, b.for], {
              bridge,
              least: LEAST_BRIDGE,
              plate: plate.side,
            }),
          );
      }
      if (parts.machine.layout.plates?.shape !== 'as the envelope' || !region) return;
      const edge = Math.min(...slotEnds(a).map(p => depthIn(region, p))) - a.diameter / 2;
      if (edge < LEAST_BRIDGE)
        found.push(
          finding('hole-at-edge', 'warn', 'plan', [a.for], { edge, least: LEAST_BRIDGE, plate: plate.side }),
        );
    });
    for (const span of parts.spans.of.values()) {
      const carried = span.line.split(' ')[0] !== GROUND;
      if (carried && overlap(span.whole, plate.band))
        found.push(finding('arm-through-plate', 'stop', 'plan', [span.arbor], { plate: plate.side }));
    }
  }
  return found;
}
