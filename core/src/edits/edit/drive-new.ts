import { type Attempt, ownToothing } from '../change/index.ts';
import { builderOn } from '../planting/index.ts';
import { byId, GROUND, type Machine, type MeshJoint } from '../../document/machine/index.ts';
import { lineOf } from '../../trains/train/index.ts';
import { fail, ok } from '../../ground/result/index.ts';
import { gone } from './sound.ts';
import { takeToothing } from './tooth-form.ts';

/** What a change by hand made: the machine, and the arbor or wheel to look at next. */
export interface Made {
  readonly machine: Machine;
  readonly made: string;
}

/** The kinds of mesh that a wheel can be given to drive a new arbor by. */
export type NewMeshType = Extract<MeshJoint['type'], 'external' | 'internal' | 'bevel' | 'worm' | 'rack'>;

/**
 * Drives a new arbor from a wheel: a wheel of `count` teeth in mesh with it, in the same layer and toothing, on an
 * axis of its own in the frame of the wheel's axis. A ring (internal, more teeth than the wheel) keeps the sense; a
 * rack slides.
 */
export function driveNew(wheelId: string, count: number, type: NewMeshType = 'external'): Attempt<Made> {
  return machine => {
    const wheel = byId(machine.wheels, wheelId);
    if (!wheel) return gone(wheelId);
    const arbor = byId(machine.members, wheel.member);
    if (arbor?.kind !== 'arbor') return fail('hand-needs-arbor', { name: wheel.name });
    if (!Number.isInteger(count) || count < 1) return fail('hand-count', { count });
    const own = wheel.teeth.kind === 'count' ? wheel.teeth.count : undefined;
    if (type === 'internal' && own !== undefined && Math.abs(own - count) < 1)
      return fail('hand-ring-count', { count, own });
    const b = builderOn(machine);
    if (type === 'rack') return ok(withRack(b, machine, wheelId, count));
    const frame = byId(machine.axes, arbor.axis)?.frame ?? GROUND;
    const name = freeName(machine, `${arbor.name} onward`);
    const made = b.mesh({
      from: arbor.id,
      wheel: wheelId,
      to: { name, frame },
      counts: [own ?? 1, count],
      toothing: wheel.toothing,
      names: [wheel.name, `${name} wheel`],
      type,
    });
    return ok({ machine: b.machine(), made: made.arbor });
  };
}

function withRack(b: ReturnType<typeof builderOn>, machine: Machine, wheelId: string, count: number): Made {
  const wheel = byId(machine.wheels, wheelId);
  const slide = b.id('slide');
  const frame = framesArm(machine, wheelId);
  const name = freeName(machine, `${wheel?.name ?? ''} rack`.trim());
  b.edit(m => ({
    ...m,
    members: [...m.members, { kind: 'slide', id: slide, name, frame, x: 0, y: 0, directionDeg: 0 }],
  }));
  const layer = wheel?.layer;
  const rack = b.wheel({
    name,
    member: slide,
    teeth: count,
    toothing: wheel?.toothing ?? '',
    layer,
    role: 'rack',
  });
  b.joint({ kind: 'mesh', id: b.id('mesh'), type: 'rack', a: wheelId, b: rack });
  return { machine: b.machine(), made: slide };
}

const framesArm = (machine: Machine, wheelId: string): string => {
  const arbor = byId(machine.members, byId(machine.wheels, wheelId)?.member);
  return (arbor?.kind === 'arbor' ? byId(machine.axes, arbor.axis)?.frame : undefined) ?? GROUND;
};

/** A name that no arbor has yet: the stem, or the stem and a number. */
export function freeName(machine: Pick<Machine, 'members'>, stem: string): string {
  const base = stem.replace(/( onward)+/, ' onward').slice(0, 100);
  const taken = new Set(machine.members.map(m => m.name));
  if (!taken.has(base)) return base;
  for (let n = 2; ; n++) if (!taken.has(`${base} ${n}`)) return `${base} ${n}`;
}

/**
 * A further wheel of `count` teeth on an arbor, in the lowest free layer, with the teeth that are named, or those of
 * the first wheel there or of the machine; with `own`, with teeth of its own, as those were.
 */
export function addWheel(arborId: string, count: number, teeth?: string, own = false): Attempt<Made> {
  return machine => {
    const arbor = byId(machine.members, arborId);
    if (arbor?.kind !== 'arbor') return gone(arborId);
    const like = machine.wheels.find(w => w.member === arborId) ?? machine.wheels[0];
    const toothing = teeth ?? like?.toothing ?? machine.toothings[0]?.id;
    if (toothing === undefined || !byId(machine.toothings, toothing)) return fail('hand-no-toothing');
    const b = builderOn(machine);
    const made = b.wheel({ name: `${arbor.name} wheel`, member: arborId, teeth: count, toothing });
    const built = b.machine();
    return ok({ machine: own ? ownToothing(made)(built) : built, made });
  };
}

/** A new arbor on the axis of another: a tube round it, or a loose pair beside it. */
export function addOnAxis(arborId: string): Attempt<Made> {
  return machine => {
    const arbor = byId(machine.members, arborId);
    if (arbor?.kind !== 'arbor') return gone(arborId);
    const b = builderOn(machine);
    const made = b.arbor({ name: freeName(machine, `${arbor.name} tube`), axis: arbor.axis });
    return ok({ machine: b.machine(), made });
  };
}

/** Puts two wheels into mesh: they come to lie in one layer, and all that mesh with them take the first's teeth. */
export function meshWheels(aId: string, bId: string, type: MeshJoint['type'] = 'external'): Attempt<Made> {
  return machine => {
    const [a, b] = [byId(machine.wheels, aId), byId(machine.wheels, bId)];
    if (!a || !b) return gone(a ? bId : aId);
    const axes = new Map(machine.axes.map(x => [x.id, x] as const));
    const axisOf = (member: string): string | undefined => {
      const m = byId(machine.members, member);
      return m?.kind === 'arbor' ? lineOf(axes, m.axis) : undefined;
    };
    const line = axisOf(a.member);
    if (a.member === b.member || (line !== undefined && line === axisOf(b.member)))
      return fail('hand-one-axis', { a: a.name, b: b.name });
    const linked = machine.joints.some(
      j => j.kind === 'mesh' && [j.a, j.b].includes(aId) && [j.a, j.b].includes(bId),
    );
    if (linked) return fail('hand-meshes-already', { a: a.name, b: b.name });
    const builder = builderOn(machine);
    const id = builder.id('mesh');
    builder.edit(m => ({
      ...m,
      wheels: m.wheels.map(w => (w.id === bId ? { ...w, layer: a.layer } : w)),
    }));
    builder.joint({ kind: 'mesh', id, type, a: aId, b: bId });
    const alike =
      a.toothing === b.toothing ? ok(builder.machine()) : takeToothing([id], a.toothing)(builder.machine());
    return alike.ok ? ok({ machine: alike.value, made: id }) : alike;
  };
}
