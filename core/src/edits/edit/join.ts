import { byId, GROUND, type Joint, type Machine, type Pin } from '../../document/machine/index.ts';
import { distance, type Point } from '../../ground/geometry/index.ts';
import { fail, ok, type Result } from '../../ground/result/index.ts';
import { builderOn } from '../planting/index.ts';
import type { Attempt } from '../change/index.ts';
import { freeName, type Made } from './drive-new.ts';
import { gone } from './sound.ts';

type Builder = ReturnType<typeof builderOn>;

/** A joint that can be made between members: what it is called, what it wants besides the one that leads it. */
export interface JoinKind {
  readonly kind:
    'crank' | 'yoke' | 'slot' | 'four-bar' | 'two rods' | 'universal' | 'friction' | 'slip' | 'clutch';
  readonly called: string;
  /** The other side: a new slide, an arbor that is new or is there, or one that is there. */
  readonly to: 'slide' | 'arbor, or a new one' | 'arbor' | 'pin';
  /** It leads by a pin, so far from its axis. */
  readonly pinned: boolean;
}

export const JOIN_KINDS: readonly JoinKind[] = [
  { kind: 'crank', called: 'Crank, rod and slide', to: 'slide', pinned: true },
  { kind: 'yoke', called: 'Scotch yoke', to: 'slide', pinned: true },
  { kind: 'four-bar', called: 'Rod to an arm: four-bar', to: 'arbor, or a new one', pinned: true },
  { kind: 'slot', called: 'Pin in a slotted arm', to: 'arbor, or a new one', pinned: true },
  { kind: 'two rods', called: 'Two rods that meet', to: 'pin', pinned: true },
  { kind: 'universal', called: 'Universal joint', to: 'arbor', pinned: false },
  { kind: 'friction', called: 'Friction drive', to: 'arbor', pinned: false },
  { kind: 'slip', called: 'Slipping joint', to: 'arbor', pinned: false },
  { kind: 'clutch', called: 'Clutch', to: 'arbor', pinned: false },
];

/** What a joint is made from: the member that leads it, the other side where it is there, and where axes stand, mm. */
export interface Join {
  readonly kind: JoinKind['kind'];
  readonly from: string;
  readonly to?: string;
  /** How far from its axis the leading pin stands, mm. */
  readonly radius: number;
  readonly at: Readonly<Record<string, Point>>;
}

/**
 * Makes a joint from a member, with rods, slide and arm in proportions that close all the way round and press well:
 * a rod of three cranks, a four-bar of 1 : 3.75 : 2.5 : 4, a slotted arm two cranks off. The joint is what was made.
 */
export function joinFrom(join: Join): Attempt<Made> {
  return machine => {
    const from = byId(machine.members, join.from);
    if (!from) return gone(join.from);
    if (join.to !== undefined && !byId(machine.members, join.to)) return gone(join.to);
    if (join.to === join.from) return fail('hand-one-member', { name: from.name });
    const kind = JOIN_KINDS.find(k => k.kind === join.kind);
    const turning = kind?.to === 'arbor' || join.kind === 'slot';
    if (turning && from.kind !== 'arbor') return fail('hand-needs-arbor', { name: from.name });
    if ((kind?.to === 'arbor' || kind?.to === 'pin') && join.to === undefined)
      return fail('hand-needs-second', { kind: kind.called });
    const b = builderOn(machine);
    const id = b.id('joint');
    const made = jointOf(machine, join, b, id);
    if (!made.ok) return made;
    b.joint(made.value);
    return ok({ machine: b.machine(), made: id });
  };
}

function jointOf(machine: Machine, join: Join, b: Builder, id: string): Result<Joint> {
  const pin: Pin = { member: join.from, radius: join.radius, angleDeg: 0 };
  const name = byId(machine.members, join.from)?.name ?? '';
  const [from, to] = [join.from, join.to ?? ''];
  switch (join.kind) {
    case 'crank': {
      const rod = addRod(b, `${name} rod`, 3 * join.radius);
      return ok({ kind: 'crank', id, pin, rod, slide: addSlide(b, machine, join, name) });
    }
    case 'yoke':
      return ok({ kind: 'yoke', id, pin, slide: addSlide(b, machine, join, name) });
    case 'slot':
      return slotOf(machine, join, b, { id, pin, name });
    case 'four-bar':
      return fourBarOf(machine, join, b, { id, pin, name });
    case 'two rods': {
      const second: Pin = { member: to, radius: join.radius, angleDeg: 0 };
      const apart = Math.max(join.radius, apartOf(machine, join, to) ?? 0);
      const [rodA, rodB] = [addRod(b, `${name} rod`, 1.5 * apart), addRod(b, `${name} rod`, 1.5 * apart)];
      return ok({ kind: 'two rods', id, a: pin, rodA, b: second, rodB });
    }
    case 'universal':
      return ok({ kind: 'universal', id, a: from, b: to, bendDeg: 20 });
    case 'friction': {
      const apart = apartOf(machine, join, to) ?? 2 * join.radius;
      return ok({
        ...{ kind: 'friction', id, a: { member: from, diameter: apart } },
        b: { member: to, diameter: apart },
      });
    }
    case 'slip':
      return ok({ kind: 'slip', id, a: from, b: to });
    case 'clutch':
      return ok({ kind: 'clutch', id, a: from, b: to });
  }
}

interface Begun {
  readonly id: string;
  readonly pin: Pin;
  readonly name: string;
}

/** An arm with a slot: there, or a new one two cranks below. It goes round where its axis lies in the pin's circle. */
function slotOf(machine: Machine, join: Join, b: Builder, { id, pin, name }: Begun): Result<Joint> {
  const apart = join.to === undefined ? 2 * join.radius : (apartOf(machine, join, join.to) ?? 0);
  if (apart < 1e-9) return fail('hand-one-axis', { a: name, b: byId(machine.members, join.to)?.name ?? '' });
  const driven =
    join.to ?? addArm(b, machine, join, { name: `${name} slotted arm`, radius: apart, angleDeg: -90 });
  const round = apart < join.radius ? { round: true as const } : {};
  return ok({ kind: 'slot', id, pin, driven, slotDeg: 90, ...round });
}

function fourBarOf(machine: Machine, join: Join, b: Builder, { id, pin, name }: Begun): Result<Joint> {
  const apart = join.to === undefined ? 4 * join.radius : (apartOf(machine, join, join.to) ?? 0);
  if (apart < 1e-9) return fail('hand-one-axis', { a: name, b: byId(machine.members, join.to)?.name ?? '' });
  const arm = join.to ?? addArm(b, machine, join, { name: `${name} rocker`, radius: apart, angleDeg: 0 });
  const rod = addRod(b, `${name} coupler`, (3.75 / 4) * apart);
  return ok({
    ...{ kind: 'four-bar', id, pin, rod },
    to: { member: arm, radius: (2.5 / 4) * apart, angleDeg: 90 },
  });
}

/** How far the axes of two members stand apart; undefined where one has none. */
function apartOf({ members }: Machine, { from, at }: Join, to: string): number | undefined {
  const [p, q] = [from, to].map(id => {
    const m = byId(members, id);
    return m?.kind === 'arbor' ? at[m.axis] : undefined;
  });
  return p && q && distance(p, q);
}

const shortened = (length: number): number => Math.round(length * 1e4) / 1e4;

function addRod(b: Builder, stem: string, length: number): string {
  const id = b.id('rod');
  b.edit(m => ({
    ...m,
    members: [...m.members, { kind: 'link', id, name: freeName(m, stem), length: shortened(length) }],
  }));
  return id;
}

/** A slide in line with the axis that leads it, upwards; beside no axis through the middle of its frame. */
function addSlide(b: Builder, machine: Machine, { from }: Join, name: string): string {
  const id = b.id('slide');
  const lead = byId(machine.members, from);
  const axis = lead?.kind === 'arbor' ? byId(machine.axes, lead.axis) : undefined;
  const frame = axis?.frame ?? (lead?.kind === 'slide' ? lead.frame : GROUND);
  b.edit(m => ({
    ...m,
    members: [
      ...m.members,
      {
        ...{ kind: 'slide', id, name: freeName(m, `${name} slide`), frame, x: 0, y: 0, directionDeg: 90 },
        ...(axis && { beside: { axis: axis.id, offset: 0 } }),
      },
    ],
  }));
  return id;
}

/** A new arbor on an axis of its own, so far from the axis that leads it; from the ground's middle where none does. */
function addArm(
  b: Builder,
  machine: Machine,
  { from }: Join,
  { name, radius, angleDeg }: { readonly name: string; readonly radius: number; readonly angleDeg: number },
): string {
  const lead = byId(machine.members, from);
  const axis = lead?.kind === 'arbor' ? byId(machine.axes, lead.axis) : undefined;
  const id = b.id('axis');
  const r = shortened(radius);
  b.edit(m => ({
    ...m,
    axes: [
      ...m.axes,
      {
        ...{ id, frame: axis?.frame ?? GROUND },
        place: axis
          ? { kind: 'polar', from: axis.id, radius: r, angleDeg }
          : { kind: 'given', x: r * Math.cos((angleDeg * Math.PI) / 180), y: 0 },
      },
    ],
  }));
  return b.arbor({ name: freeName(machine, name), axis: id });
}
