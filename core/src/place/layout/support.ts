import {
  arbors,
  axisOfWheel,
  byId,
  GROUND,
  type Machine,
  type MeshJoint,
  meshes,
  type Wheel,
} from '../../document/machine/index.ts';
import { type Finding, finding, fix } from '../../ground/result/index.ts';
import type { Bracket } from './brackets.ts';
import { holdOf } from './pieces.ts';
import type { LayoutParts } from './solids.ts';

/** Meshes that push their arbors along or aside most: the wheels lean on one side only. */
const PUSHING: ReadonlySet<MeshJoint['type']> = new Set(['bevel', 'pegs', 'worm', 'crossed']);

/**
 * Arbors held on one side only at a mesh that pushes them away: where that is said, or where a wheel lies beyond both
 * plates, or, if it pushes most, on a plank. Pegs and bevels push most. And, where parts are sawn by hand, meshes for
 * which no bearing can be set.
 */
export function supportFindings(parts: LayoutParts, brackets: readonly Bracket[]): Finding[] {
  const wheels = new Map(parts.machine.wheels.map(w => [w.id, w] as const));
  const onArbor = new Map<string, [MeshJoint, Wheel][]>();
  for (const j of meshes(parts.machine))
    for (const id of [j.a, j.b]) {
      const wheel = wheels.get(id);
      if (wheel) onArbor.set(wheel.member, [...(onArbor.get(wheel.member) ?? []), [j, wheel]]);
    }
  const found = arbors(parts.machine).flatMap(m => {
    if (byId(parts.machine.axes, m.axis)?.frame !== GROUND) return [];
    const [meshing] = (onArbor.get(m.id) ?? []).find(([j, own]) => pushesOneSide(parts, own, m, j)) ?? [];
    if (!meshing) return [];
    const pushing = PUSHING.has(meshing.type);
    const fixes = m.support === undefined || m.support === 'both' ? [] : [fix('support-both', m.id)];
    const data = { type: meshing.type, side: m.support ?? 'beyond' };
    return [finding('held-one-side', pushing ? 'warn' : 'note', 'plan', [m.id, meshing.id], data, fixes)];
  });
  return [
    ...found,
    ...acrossFindings(parts, brackets),
    ...looseFindings(parts.machine),
    ...settingFindings(parts),
  ];
}

/** Arbors beyond crossing wheels for which no brackets are made. */
const acrossFindings = ({ machine, stack, crossing }: LayoutParts, brackets: readonly Bracket[]): Finding[] =>
  arbors(machine).flatMap(m =>
    stack.back &&
    crossing.has(m.axis) &&
    !brackets.some(b => b.arbor === m.id) &&
    byId(machine.axes, m.axis)?.frame === GROUND
      ? [finding('lies-across', 'warn', 'plan', [m.id])]
      : [],
  );

function pushesOneSide(
  { stack, spans }: LayoutParts,
  own: Wheel,
  arbor: ReturnType<typeof arbors>[number],
  { type }: MeshJoint,
): boolean {
  if (stack.back && !stack.front) return PUSHING.has(type);
  if (arbor.support === 'front' || arbor.support === 'back') return true;
  const [band, span] = [stack.layers.get(own.layer), spans.of.get(arbor.id)];
  const planted = span?.stands === 'in the plates' || span?.stands === 'free';
  if (arbor.support === 'both' || !band || !planted || !stack.back || !stack.front) return false;
  return band.to <= stack.back.from || band.from >= stack.front.to;
}

/** Wheels that nothing holds on an arbor which turns with them. */
function looseFindings(machine: Pick<Machine, 'wheels'>): Finding[] {
  return machine.wheels.flatMap(w => {
    const hold = holdOf(machine, w.id);
    return hold.how === 'nothing'
      ? [
          finding(
            'nothing-holds',
            'note',
            'plan',
            [w.id],
            { fit: w.bore && 'fit' in w.bore ? (w.bore.fit ?? '') : '' },
            [fix('press-bore', w.id)],
          ),
        ]
      : [];
  });
}

/**
 * Of meshes of sawn parts between plates the first whose bearings cannot be set: one slot is worth more than filing
 * teeth.
 */
function settingFindings({ machine, stack, crossing }: LayoutParts): Finding[] {
  if (!stack.back) return [];
  const sawn = byId(machine.processes, machine.process)?.kind === 'saw';
  const slotted = new Set(machine.axes.flatMap(a => (a.slot ? [a.slot.joint] : [])));
  const placed = new Set(
    machine.axes.flatMap(a => (a.place.kind === 'mesh' && !crossing.has(a.id) ? [a.place.joint] : [])),
  );
  const open = meshes(machine).filter(
    j => !slotted.has(j.id) && placed.has(j.id) && (sawn || j.type === 'pegs') && bothOnGround(machine, j),
  );
  const [first] = open;
  if (!first) return [];
  const mend = fix('slot-bearing', first.id, 1);
  return [finding('mesh-wants-setting', 'note', 'plan', [first.id], { more: open.length - 1 }, [mend])];
}

const bothOnGround = (machine: Pick<Machine, 'wheels' | 'members' | 'axes'>, j: MeshJoint): boolean =>
  [j.a, j.b].every(id => {
    const wheel = byId(machine.wheels, id);
    const axis = wheel && byId(machine.axes, axisOfWheel(machine, wheel));
    return axis?.frame === GROUND;
  });
