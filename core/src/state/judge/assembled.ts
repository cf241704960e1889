import {
  byId,
  GROUND,
  type Indicator,
  jointEnds,
  type Machine,
  USUAL_LUG_HOLE,
  type Wheel,
} from '../../document/machine/index.ts';
import { type Finding, finding, fix } from '../../ground/result/index.ts';
import { lugCircle, mostLugs } from '../../teeth/body/index.ts';
import { hubbed, type LayoutParts, linesOf, overlap } from '../../place/layout/index.ts';

type Parts = Pick<Machine, 'axes' | 'members' | 'wheels' | 'joints' | 'indicators' | 'drive' | 'aims'> & {
  readonly parts: LayoutParts;
};

/**
 * Whether the machine can stand: what is held still is fixed in something, a crank has an end to sit on, bores go over
 * their rods, bodies pass each other, and a crank's pin is on its wheel.
 */
export const assembledFindings = (machine: Parts): readonly Finding[] => [
  ...standFindings(machine),
  ...machine.members.flatMap(m => (m.kind === 'arbor' ? heldFinding(machine, m.id) : [])),
  ...ringFindings(machine),
  ...bodilessFindings(machine),
  ...seatFindings(machine),
  ...boreFindings(machine),
  ...bodyFindings(machine),
];

/** Without plates nobody has said what the arbors stand in, and nothing of it is judged. */
function standFindings({ wheels, members, parts }: Parts): Finding[] {
  if (wheels.length === 0 || parts.stack.back || parts.stack.front) return [];
  const held = members.filter(m => m.kind === 'arbor' && m.held === GROUND).map(m => m.id);
  return [finding('stands-in-nothing', 'note', 'plan', held)];
}

/** What is held against the ground must reach a plate in which it can be fixed. */
function heldFinding({ members, axes, parts }: Parts, id: string): Finding[] {
  const arbor = byId(members, id);
  if (arbor?.kind !== 'arbor' || arbor.held !== GROUND) return [];
  if (byId(axes, arbor.axis)?.frame !== GROUND) return [];
  const { stack, spans } = parts;
  const plates = [stack.back, stack.front].flatMap(p => p ?? []);
  const span = spans.of.get(id);
  if (plates.length === 0 || !span || plates.some(p => overlap(p, span.whole))) return [];
  return [finding('held-by-nothing', 'warn', 'plan', [id], { what: 'arbor' })];
}

/**
 * A ring has no hub: one that stands is joined to the plates by lugs or glued to one beside it, one that turns to its
 * arbor by a wall. Rings that planets or a disc alone hold are bearings: what neither stands nor turns anything.
 */
function ringFindings(machine: Parts): Finding[] {
  const { members, axes, wheels } = machine;
  return wheels.flatMap((w): Finding[] => {
    const arbor = byId(members, w.member);
    if (w.role !== 'ring' || arbor?.kind !== 'arbor' || byId(axes, arbor.axis)?.frame !== GROUND) return [];
    const crowded = lugsMeet(machine, w);
    if (crowded) return [crowded];
    return arbor.held === GROUND ? heldRing(machine, w) : turningRing(machine, w);
  });
}

/** An arbor of which nothing is made can carry nothing, be turned by nothing, and show nothing. */
const bodilessFindings = ({ members, wheels, drive, indicators, aims, joints }: Parts): Finding[] =>
  members.flatMap((m): Finding[] => {
    if (m.kind !== 'arbor' || !m.bodiless) return [];
    const serves =
      drive?.member === m.id ||
      [...indicators, ...aims].some(i => i.member === m.id) ||
      joints.some(j => j.kind !== 'mesh' && jointEnds(j).some(([, id]) => id === m.id)) ||
      new Set(wheels.flatMap(w => (w.member === m.id ? [w.layer] : []))).size > 1;
    return serves ? [finding('no-body', 'warn', 'plan', [m.id], {}, [fix('give-body', m.id)])] : [];
  });

/** More lugs than stand side by side. */
function lugsMeet({ parts }: Parts, { id, mount }: Wheel): Finding | undefined {
  const rim = parts.extents[id]?.outer;
  if (mount?.kind !== 'lugs' || rim === undefined) return undefined;
  const most = mostLugs(rim, mount.hole);
  return mount.number > most
    ? finding('lugs-meet', 'stop', 'plan', [id], { is: mount.number, most })
    : undefined;
}

function heldRing({ members, axes, wheels, parts }: Parts, w: Wheel): Finding[] {
  const plated = parts.stack.back !== undefined || parts.stack.front !== undefined;
  const glued = w.hold !== undefined && w.hold !== 'loose' && besidePlate(parts, w.layer);
  if (!plated || w.mount !== undefined || glued) return [];
  const circle = lugCircleOf(wheels, { members, axes }, parts, w.member);
  return [
    finding('held-by-nothing', 'warn', 'plan', [w.id], { what: 'ring' }, [fix('give-lugs', w.id, circle)]),
  ];
}

function turningRing({ axes, joints, wheels, drive, indicators, aims }: Parts, w: Wheel): Finding[] {
  const serves =
    drive?.member === w.member ||
    w.hold === 'one piece' ||
    [...indicators, ...aims].some(i => i.member === w.member) ||
    hubbed({ wheels }, w.member).length > 0 ||
    axes.some(a => a.frame === w.member) ||
    joints.some(j => j.kind !== 'mesh' && jointEnds(j).some(([, id]) => id === w.member));
  if (!serves || w.mount?.kind === 'wall') return [];
  const fixes = [fix('give-wall', w.id, 'front'), fix('give-wall', w.id, 'back')];
  return [finding('ring-off-arbor', 'warn', 'plan', [w.id], {}, fixes)];
}

/** Whether a layer lies next to a plate. */
function besidePlate({ stack, machine }: LayoutParts, layer: number): boolean {
  const band = stack.layers.get(layer);
  const gap = machine.stack.gap + 1e-9;
  return [stack.back, stack.front].some(
    p => band && p && Math.max(p.from - band.to, band.from - p.to) <= gap,
  );
}

/** The circle of lugs that all standing rings of one line can share: outside the largest, mm across. */
function lugCircleOf(
  wheels: Machine['wheels'],
  machine: Pick<Machine, 'members' | 'axes'>,
  { extents }: LayoutParts,
  member: string,
): number {
  const line = linesOf(machine).find(l => l.arbors.some(a => a.id === member));
  const on = new Set(line?.arbors.flatMap(a => (a.held === GROUND ? [a.id] : [])));
  const rims = wheels.flatMap(w =>
    w.role === 'ring' && on.has(w.member) ? (extents[w.id]?.outer ?? []) : [],
  );
  return Math.ceil(20 * lugCircle(Math.max(0, ...rims), USUAL_LUG_HOLE)) / 10;
}

/** A drive that a hand turns has an end beyond the plates for the crank. */
function seatFindings({ drive, parts }: Parts): Finding[] {
  if (drive?.by !== 'hand') return [];
  const span = parts.spans.of.get(drive.member);
  if (!span) return [];
  const { height } = parts.stack;
  if (span.whole.to > height + 1e-9 || span.whole.from < -1e-9) return [];
  return [finding('crank-no-seat', 'warn', 'plan', [drive.member], {}, [fix('reach-back', drive.member)])];
}

/** The bore that goes on a shaped arbor. */
const FOR = { hex: 'hex', square: 'square', flat: 'D', keyed: 'keyed' } as const;

const wrongBore = ({ id }: Wheel, section: keyof typeof FOR): Finding =>
  finding('bore-not-for-section', 'warn', 'plan', [id], { section }, [fix('bore-for-arbor', id)]);

/** Bores with flats on arbors that are round, and bores of another shape than their arbor has. */
function boreFindings({ wheels, members }: Parts): Finding[] {
  return wheels.flatMap(w => {
    const { bore } = w;
    const arbor = byId(members, w.member);
    if (!bore || arbor?.kind !== 'arbor' || bore.kind === 'none' || w.role === 'ring') return [];
    const section = arbor.section?.kind ?? 'rod';
    if (section !== 'rod' && section !== 'tube')
      return bore.kind === FOR[section] ? [] : [wrongBore(w, section)];
    if (bore.kind === 'round') return [];
    return [
      finding('bore-on-round', 'warn', 'plan', [w.id], { bore: bore.kind }, [fix('section-for-bore', w.id)]),
    ];
  });
}

type BodyIndicator = Extract<Indicator, { kind: 'body' }>;

/** Bodies that go round one line at radii at which they pass through each other. */
function bodyFindings({ indicators, axes, members }: Parts): Finding[] {
  const lines = linesOf({ axes, members });
  const lineOf = (i: BodyIndicator): string | undefined =>
    lines.find(l => l.arbors.some(a => a.id === i.member))?.id;
  const bodies = indicators.filter((i): i is BodyIndicator => i.kind === 'body' && i.distance > 0);
  return bodies.flatMap((a, i) =>
    bodies.slice(i + 1).flatMap(b => {
      if (a.member === b.member || lineOf(a) === undefined || lineOf(a) !== lineOf(b)) return [];
      const [inner, outer] = a.distance <= b.distance ? [a, b] : [b, a];
      const overlapBy = inner.distance + inner.radius - (outer.distance - outer.radius);
      if (overlapBy <= 1e-9) return [];
      const clear = Number((inner.distance + inner.radius + outer.radius + BODY_GAP).toFixed(2));
      return [
        finding('bodies-meet', 'warn', 'run', [inner.id, outer.id], { overlap: overlapBy }, [
          fix('body-out', outer.id, clear),
        ]),
      ];
    }),
  );
}

/** Between two bodies that pass each other, mm (common practice, no source). */
const BODY_GAP = 2;
