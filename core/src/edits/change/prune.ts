import { jointEnds, sizeMeasures } from '../../document/machine/kinds/index.ts';
import { byId } from '../../document/machine/lookup.ts';
import { placeHangsOn } from '../../document/machine/place.ts';
import { GROUND } from '../../document/machine/ground.ts';
import { moduleOf } from '../../document/machine/tooth-size.ts';
import { setWheels } from '../../document/machine/set-wheels.ts';
import { withPins } from './change-pins.ts';
import type { Machine, Pin, SetStage, Wheel } from '../../document/machine/types.ts';

type Ids = ReadonlySet<string>;

/**
 * Takes away whatever refers to something that is gone, again and again until nothing does, so that the document is
 * whole. An axis whose mesh is gone but on which arbors still stand becomes a given one at the origin. `before` is the
 * machine with all its wheels, from which sizes of teeth are kept.
 */
export function prune(machine: Machine, before: Machine): Machine {
  let current = machine;
  for (;;) {
    const next = pruneOnce(current, before);
    if (sameLength(current, next)) return next;
    current = next;
  }
}

function pruneOnce(machine: Machine, before: Machine): Machine {
  const frames: Ids = new Set([GROUND, ...machine.members.filter(m => m.kind === 'arbor').map(m => m.id)]);
  const axes = machine.axes.filter(a => frames.has(a.frame));
  const axisIds: Ids = new Set(axes.map(a => a.id));
  const members = machine.members
    .filter(m => m.kind === 'link' || (m.kind === 'slide' ? frames.has(m.frame) : axisIds.has(m.axis)))
    .map(m => (m.kind !== 'link' && m.held !== undefined && !frames.has(m.held) ? withoutHeld(m) : m));
  const memberIds: Ids = new Set(members.map(m => m.id));
  const wheels = machine.wheels.filter(w => memberIds.has(w.member)).map((w, _, all) => aroundLeft(w, all));
  const ends: Ids = new Set([...memberIds, ...wheels.map(w => w.id)]);
  const joints = machine.joints
    .map(j => withPins(j, pin => onArm(pin, wheels)))
    .filter(j => jointEnds(j).every(([, id]) => ends.has(id)));
  const jointIds: Ids = new Set(joints.map(j => j.id));
  const after = { ...machine, members, wheels, joints };
  return {
    ...after,
    layout: platesLeft(machine, axisIds),
    axes: axes
      .map(a => withoutSlot(a, jointIds))
      .map(a =>
        placeHolds(a.place, jointIds, axisIds) ? a : { ...a, place: { kind: 'given', x: 0, y: 0 } },
      ),
    toothings: machine.toothings.map(t => keepSize(t, before, after)),
    ...modesLeft(machine, memberIds),
    modes: machine.modes
      .filter(m => m.drive === undefined || memberIds.has(m.drive))
      .map(m => ({
        ...m,
        engaged: m.engaged.filter(id => jointIds.has(id)),
        held: m.held.filter(id => memberIds.has(id)),
      })),
    indicators: indicatorsLeft(machine.indicators, memberIds, axisIds),
    sets: setsLeft(machine, wheels, joints),
    parts: machine.parts.filter(p => p.wheels.every(id => ends.has(id))),
    making: makingLeft(machine, wheels),
    aims: machine.aims.map(a => withoutGone(a, memberIds, frames)),
    ...(machine.drive && !memberIds.has(machine.drive.member) ? { drive: undefined } : {}),
  };
}

/** A pin whose wheel is gone stands on an arm of its own. */
function onArm(pin: Pin, wheels: readonly Wheel[]): Pin {
  if (pin.wheel === undefined || byId(wheels, pin.wheel)) return pin;
  const { wheel: _, ...alone } = pin;
  return alone;
}

/** Teeth outside a ring that is gone are those of a wheel by itself. */
function aroundLeft(wheel: Wheel, wheels: readonly Wheel[]): Wheel {
  if (
    wheel.mount?.kind !== 'around' ||
    wheels.some(w => wheel.mount?.kind === 'around' && w.id === wheel.mount.ring)
  )
    return wheel;
  const { mount: _, ...alone } = wheel;
  return alone;
}

/** Sets keep the stages whose wheels and meshes are all there; one without any is gone. */
function setsLeft(
  { sets }: Pick<Machine, 'sets'>,
  wheels: Machine['wheels'],
  joints: Machine['joints'],
): Machine['sets'] {
  const stands = (stage: SetStage): boolean => {
    const meshing = (a: string, b: string): boolean =>
      joints.some(j => j.kind === 'mesh' && [j.a, j.b].includes(a) && [j.a, j.b].includes(b));
    return (
      setWheels(stage).every(id => byId(wheels, id)) &&
      meshing(stage.sun, stage.planet) &&
      meshing(stage.planet, stage.ring) &&
      (!stage.second || meshing(stage.second.planet, stage.second.ring))
    );
  };
  return sets.flatMap(s => {
    const stages = s.stages.filter(stands);
    if (stages.length === s.stages.length) return [s];
    return stages.length > 0 ? [{ ...s, stages }] : [];
  });
}

/** How parts are made that are still there; plates come and go with a setting and keep theirs. */
function makingLeft(machine: Machine, wheels: Machine['wheels']): Machine['making'] {
  const gone = new Set(machine.wheels.filter(w => !byId(wheels, w.id)).map(w => w.id));
  return machine.making.filter(m => !gone.has(m.part));
}

/** The mode the machine stands in, as long as the arbor that drives in it is there. */
function modesLeft({ mode, modes }: Machine, members: Ids): Pick<Machine, 'mode'> | object {
  const stands = byId(modes, mode);
  return stands && (stands.drive === undefined || members.has(stands.drive)) ? {} : { mode: undefined };
}

/** Hands stay on arbors that are there; a hand whose dial is gone is read without one. */
function indicatorsLeft(
  indicators: Machine['indicators'],
  members: Ids,
  axes: Ids,
): Machine['indicators'][number][] {
  const left = indicators.filter(
    i =>
      (members.has(i.member) || (i.kind === 'dial' && i.member === GROUND)) &&
      (i.kind !== 'dial' || i.axis === undefined || axes.has(i.axis)),
  );
  const dials: Ids = new Set(left.flatMap(i => (i.kind === 'dial' ? [i.id] : [])));
  return left.map(i => {
    if (i.kind !== 'hand' || i.dial === undefined || dials.has(i.dial)) return i;
    const { dial: _, ...rest } = i;
    return rest;
  });
}

const sameLength = (a: Machine, b: Machine): boolean =>
  a.axes.length === b.axes.length &&
  a.members.length === b.members.length &&
  a.joints.length === b.joints.length &&
  a.wheels.length === b.wheels.length;

function placeHolds(place: Machine['axes'][number]['place'], joints: Ids, axes: Ids): boolean {
  const on = placeHangsOn(place);
  return on.joints.every(j => joints.has(j)) && on.axes.every(a => axes.has(a));
}

/** A slot goes with the mesh it sets, and the plates are measured from an axis that is there. */
const withoutSlot = (axis: Machine['axes'][number], joints: Ids): Machine['axes'][number] => {
  const { slot, ...rest } = axis;
  return slot && !joints.has(slot.joint) ? rest : axis;
};

function platesLeft({ layout }: Machine, axes: Ids): Machine['layout'] {
  const { plates } = layout;
  if (plates?.datum === undefined || axes.has(plates.datum)) return layout;
  const { datum: _, ...rest } = plates;
  return { ...layout, plates: rest };
}

const withoutHeld = <T extends { readonly held?: string | undefined }>(member: T): T => {
  const { held: _, ...rest } = member;
  return rest as T;
};

function withoutGone(aim: Machine['aims'][number], members: Ids, frames: Ids): Machine['aims'][number] {
  const { member, ...rest } = aim;
  const kept = frames.has(aim.frame) ? rest : { ...rest, frame: GROUND };
  return member !== undefined && members.has(member) ? { ...kept, member } : kept;
}

/**
 * A toothing sized by a wheel or mesh that is gone keeps its size as a plain module; one that had no size yet gets
 * module 1.
 */
function keepSize(
  toothing: Machine['toothings'][number],
  before: Machine,
  after: Machine,
): Machine['toothings'][number] {
  const { wheel, joint } = sizeMeasures(toothing.size);
  const stands =
    (wheel === undefined || byId(after.wheels, wheel) !== undefined) &&
    (joint === undefined || byId(after.joints, joint) !== undefined);
  if (stands) return toothing;
  const module = moduleOf(toothing, before);
  return { ...toothing, size: { by: 'module', module: module.ok ? module.value : 1 } };
}
