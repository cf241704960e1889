import { byId, GROUND, type Indicator, type Machine } from '../../document/machine/index.ts';
import { type Finding, finding, fix } from '../../ground/result/index.ts';
import { hubbed, type LayoutParts, linesOf, overlap } from '../../place/layout/index.ts';

type Parts = Pick<Machine, 'axes' | 'members' | 'wheels' | 'joints' | 'indicators' | 'drive'> & {
  readonly parts: LayoutParts;
};

/**
 * Whether the machine can stand: what is held still is fixed in something, a crank has an end to sit on, bores go over
 * their rods, bodies pass each other, and a crank's pin is on its wheel.
 */
export const assembledFindings = (machine: Parts): readonly Finding[] => [
  ...standFindings(machine),
  ...machine.members.flatMap(m => (m.kind === 'arbor' ? heldFinding(machine, m.id) : [])),
  ...seatFindings(machine),
  ...boreFindings(machine),
  ...bodyFindings(machine),
  ...pinFindings(machine),
];

/** Without plates nobody has said what the arbors stand in, and nothing of it is judged. */
function standFindings({ wheels, members, parts }: Parts): Finding[] {
  if (wheels.length === 0 || parts.stack.back || parts.stack.front) return [];
  const held = members.filter(m => m.kind === 'arbor' && m.held === GROUND).map(m => m.id);
  return [finding('stands-in-nothing', 'note', 'plan', held)];
}

/** What is held against the ground must reach a plate in which it can be fixed, or be a ring beside one. */
function heldFinding({ members, axes, parts, wheels }: Parts, id: string): Finding[] {
  const arbor = byId(members, id);
  if (arbor?.kind !== 'arbor' || arbor.held !== GROUND) return [];
  if (byId(axes, arbor.axis)?.frame !== GROUND) return [];
  const { stack, spans } = parts;
  const plates = [stack.back, stack.front].flatMap(p => p ?? []);
  if (plates.length === 0) return [];
  const span = spans.of.get(id);
  if (span && plates.some(p => overlap(p, span.whole))) return [];
  const rings = wheels.filter(w => w.member === id && w.role === 'ring');
  const beside = rings.some(w => {
    const band = stack.layers.get(w.layer);
    return (
      band && plates.some(p => Math.max(p.from - band.to, band.from - p.to) <= parts.machine.stack.gap + 1e-9)
    );
  });
  if (beside || (rings.length === 0 && !span)) return [];
  const what = rings.length > 0 && hubbed({ wheels }, id).length === 0 ? 'ring' : 'arbor';
  return [finding('held-by-nothing', 'warn', 'plan', [id], { what })];
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

/** Bores with flats on arbors that are round. */
function boreFindings({ wheels, members }: Parts): Finding[] {
  return wheels.flatMap(w => {
    const { bore } = w;
    const arbor = byId(members, w.member);
    if (!bore || arbor?.kind !== 'arbor' || bore.kind === 'round' || bore.kind === 'none') return [];
    const section = arbor.section?.kind ?? 'rod';
    if (section !== 'rod' && section !== 'tube') return [];
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

/** The pin of a crank lies within the rim of a wheel of its member. */
function pinFindings({ joints, wheels, parts }: Parts): Finding[] {
  return joints.flatMap(j => {
    if (j.kind !== 'crank') return [];
    const reach = wheels.flatMap(w => (w.member === j.pin.member ? (parts.extents[w.id]?.outer ?? []) : []));
    const most = Math.max(0, ...reach);
    return reach.length === 0 || j.pin.radius <= most
      ? []
      : [finding('pin-off-wheel', 'warn', 'plan', [j.id], { radius: j.pin.radius, most })];
  });
}
