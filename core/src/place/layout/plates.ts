import { type Allowances, fitAllowance } from '../../teeth/body/index.ts';
import { ballBearing } from '../../document/bought/index.ts';
import { direction, distance } from '../../ground/geometry/index.ts';
import { axesOfMesh, byId, GROUND, type Machine, processOf } from '../../document/machine/index.ts';
import { type Finding, finding, fix } from '../../ground/result/index.ts';
import { type Base, baseOf } from './base.ts';
import { bearingAllowance } from './bearing-allowance.ts';
import { type Bracket, standsFree } from './brackets.ts';
import { dialScrews } from './dial-screws.ts';
import { linesOf } from './lines.ts';
import { holeAcross, keyhole, LEAST_BRIDGE, type Plate, type PlateHole, slotEnds } from './plate-holes.ts';
import { edgeOf, plateOutline, plateRegion } from './plate-outline.ts';
import { pillarsOf } from './pillars.ts';
import type { LayoutParts } from './solids.ts';
import { type Band, overlap } from './stack.ts';
import { USUAL_TUBES } from './tubes.ts';

type PlatesSaid = NonNullable<Machine['layout']['plates']>;

/**
 * The two plates of a machine, or none. Every line that passes a plate has a hole there: for the outermost arbor
 * that passes, with its fit, or for a standing rod, which is pressed in. Axes with a slot have theirs lengthened
 * along the line of centres of the mesh that it sets. Pillars are pressed in, and so are ball bearings; a front plate
 * that lifts off slides on its pillars.
 */
export function platesOf(parts: LayoutParts, brackets: readonly Bracket[] = []): Plate[] {
  const { machine, stack } = parts;
  const said = machine.layout.plates;
  if (!said) return [];
  const lines = linesOf(machine).filter(l => l.frame === GROUND && !parts.crossing.has(l.axis));
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
    // What a plate that lifts off slides on is pressed into the other one.
    const standing = fitAllowance(side === 'front' && said.liftsOff ? 'sliding' : 'press', fits);
    const pillars = pillarsOf(machine, stack).map((p, i): PlateHole => ({
      ...{ number: lines.length + i + 1, for: p.id, kind: 'pillar', at: p.at },
      ...{ diameter: holeAcross(p.diameter, standing), slot: undefined },
    }));
    const lugs = parts.lugRods.map((r, i): PlateHole => ({
      ...{ number: lines.length + pillars.length + i + 1, for: r.id, kind: 'lug', at: r.at },
      ...{ diameter: holeAcross(r.diameter, standing), slot: undefined },
    }));
    const hangers = hangerOf(said, side, lines.length + pillars.length + parts.lugRods.length + 1);
    const before = lines.length + pillars.length + parts.lugRods.length + hangers.length;
    const tabs = (side === 'back' ? brackets : []).filter(standsFree).map((b, i): PlateHole => ({
      ...{ number: before + i + 1, for: b.arbor, kind: 'bracket', at: b.at },
      diameter: holeAcross(b.thickness, fitAllowance('press', fits)),
      slot: { travel: b.tab / 2, direction: b.direction + Math.PI / 2 },
    }));
    const base = side === 'back' ? baseOf(machine, stack) : undefined;
    const column = base ? [columnHole(base, before + tabs.length + 1, fits)] : [];
    const screws = (side === 'front' ? dialScrews(machine, parts.motion.at) : []).map((s, i): PlateHole => ({
      ...{ number: before + tabs.length + column.length + i + 1, for: s.dial, kind: 'screw', at: s.at },
      ...{ diameter: s.screw.drill, slot: undefined },
    }));
    const holes = [...bearings, ...pillars, ...lugs, ...hangers, ...tabs, ...column, ...screws];
    return [{ side, band, holes, outline: plateOutline(parts, said, holes) }];
  });
}

/** The hole into which the upper end of a column is pressed. */
const columnHole = (base: Base, number: number, fits: Allowances | undefined): PlateHole => ({
  ...{ number, for: 'column', kind: 'column', at: base.at, slot: undefined },
  diameter: holeAcross(base.spigot, fitAllowance('press', fits)),
});

function holeOf(
  { spans, sizes, machine }: LayoutParts,
  said: PlatesSaid,
  arbors: readonly string[],
  band: Band,
  fits: Allowances | undefined,
): Pick<PlateHole, 'for' | 'kind' | 'diameter' | 'seat'> | undefined {
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
    const member = byId(machine.members, arbor);
    const seat = member?.kind === 'arbor' ? ballBearing(member.bearing) : undefined;
    if (seat)
      return {
        for: arbor,
        kind: 'bearing',
        diameter: holeAcross(seat.outside, fitAllowance('press', fits)),
        seat,
      };
    return {
      for: arbor,
      kind: 'bearing',
      diameter: holeAcross(diameter, bearingAllowance(said.fit, diameter, fits)),
    };
  }
  const onRod = arbors.find(id => spans.of.get(id)?.stands === 'on a standing rod');
  const rod = (machine.layout.tubes ?? USUAL_TUBES).rod;
  return onRod === undefined
    ? undefined
    : { for: onRod, kind: 'rod', diameter: holeAcross(rod, fitAllowance('press', fits)) };
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

/** The keyhole by which the back plate hangs on the head of a screw. */
const hangerOf = ({ hanger }: PlatesSaid, side: Plate['side'], number: number): PlateHole[] =>
  hanger && side === 'back' ? [{ ...keyhole(hanger, hanger.screw), number }] : [];

/** Holes that meet each other or the edge of their plate, and axes that an arm would carry through one. */
export function plateFindings(parts: LayoutParts, plates: readonly Plate[]): Finding[] {
  const found: Finding[] = [];
  const region = plateRegion(parts.machine);
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
      if (!region && parts.machine.layout.plates?.shape !== 'bars') return;
      const edge = edgeOf(plate.outline, a);
      if (edge < LEAST_BRIDGE - 1e-6)
        found.push(
          finding(
            'hole-at-edge',
            edge < 0 ? 'stop' : 'warn',
            'plan',
            [a.for],
            {
              ...{ edge, least: LEAST_BRIDGE, plate: plate.side },
            },
            [fix('plates-round-holes', '')],
          ),
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
