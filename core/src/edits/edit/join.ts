import { byId, GROUND, type Joint, type Machine, type Pin } from '../../document/machine/index.ts';
import { distance, type Point } from '../../ground/geometry/index.ts';
import type { Rational } from '../../ground/rational/index.ts';
import { fail, ok, type Result } from '../../ground/result/index.ts';
import { builderOn } from '../planting/index.ts';
import type { Attempt } from '../change/index.ts';
import { freeName, type Made } from './drive-new.ts';
import { usualMotion } from './cam-motion.ts';
import { gone } from './sound.ts';

type Builder = ReturnType<typeof builderOn>;

/** A joint that can be made between members: what it is called, what it wants besides the one that leads it. */
export interface JoinKind {
  readonly kind:
    | 'crank'
    | 'yoke'
    | 'slot'
    | 'four-bar'
    | 'two rods'
    | 'lever'
    | 'bell crank'
    | 'cord'
    | 'drum'
    | 'cam'
    | 'cam and arm'
    | 'universal'
    | 'friction'
    | 'slip'
    | 'clutch';
  readonly called: string;
  /** The other side: a new slide, an arbor that is new or is there, or one that is there. */
  readonly to: 'slide' | 'arbor, or a new one' | 'arbor' | 'pin';
  /** What its size is, where it leads by something of a size. */
  readonly sized?: 'Pin from the axis' | 'Radius at no lift' | 'Radius of the drum';
}

const PIN = 'Pin from the axis';
export const JOIN_KINDS: readonly JoinKind[] = [
  { kind: 'crank', called: 'Crank, rod and slide', to: 'slide', sized: PIN },
  { kind: 'yoke', called: 'Scotch yoke', to: 'slide', sized: PIN },
  { kind: 'four-bar', called: 'Rod to an arm: four-bar', to: 'arbor, or a new one', sized: PIN },
  { kind: 'slot', called: 'Pin in a slotted arm', to: 'arbor, or a new one', sized: PIN },
  { kind: 'two rods', called: 'Two rods that meet', to: 'pin', sized: PIN },
  { kind: 'lever', called: 'Lever to a slide', to: 'slide', sized: PIN },
  { kind: 'bell crank', called: 'Bell crank to a slide', to: 'slide', sized: PIN },
  { kind: 'cord', called: 'Cord through an eye to a slide', to: 'slide', sized: PIN },
  { kind: 'drum', called: 'Cord on a drum to a slide', to: 'slide', sized: 'Radius of the drum' },
  { kind: 'cam', called: 'Cam under a slide', to: 'slide', sized: 'Radius at no lift' },
  {
    kind: 'cam and arm',
    called: 'Cam under an arm that swings',
    to: 'arbor, or a new one',
    sized: 'Radius at no lift',
  },
  { kind: 'universal', called: 'Universal joint', to: 'arbor' },
  { kind: 'friction', called: 'Friction drive', to: 'arbor' },
  { kind: 'slip', called: 'Slipping joint', to: 'arbor' },
  { kind: 'clutch', called: 'Clutch', to: 'arbor' },
];

/** What a joint is made from: the member that leads it, the other side where it is there, and where axes stand, mm. */
export interface Join {
  readonly kind: JoinKind['kind'];
  readonly from: string;
  readonly to?: string;
  /** How far from its axis the leading pin stands, or a cam's rim at no lift, mm. */
  readonly radius: number;
  /** At what angle the leading pin stands, degrees; of a rod, at one of its points. */
  readonly angleDeg?: number;
  /** The wheel on whose face it stands. */
  readonly wheel?: string;
  /** The member turns clockwise, seen from the front; cams are laid out for that. */
  readonly clockwise?: boolean;
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
    const turning = kind?.to === 'arbor' || ['slot', 'cam', 'cam and arm', 'drum'].includes(join.kind);
    if (turning && from.kind !== 'arbor') return fail('hand-needs-arbor', { name: from.name });
    if ((kind?.to === 'arbor' || kind?.to === 'pin') && join.to === undefined)
      return fail('hand-needs-second', { kind: kind.called });
    const b = builderOn(machine);
    const id = b.id('joint');
    const made = jointOf(machine, join, b, id);
    if (!made.ok) return made;
    b.joint(made.value);
    return ok({ machine: b.machine(), made: made.value.id });
  };
}

/** Whether a member turns clockwise as it is driven, seen from the front. */
export function turnsClockwise(
  { drive }: Pick<Machine, 'drive'>,
  rates: Readonly<Record<string, Rational>>,
  member: string,
): boolean {
  const rate = rates[member];
  return rate !== undefined && rate.num < 0n !== (drive?.turns === 'clockwise');
}

function jointOf(machine: Machine, join: Join, b: Builder, id: string): Result<Joint> {
  const pin: Pin = {
    ...{ member: join.from, radius: join.radius, angleDeg: join.angleDeg ?? 0 },
    ...(join.wheel !== undefined && { wheel: join.wheel }),
  };
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
    case 'lever':
    case 'bell crank':
      return leverOf(machine, join, b, { id, pin, name });
    case 'cord': {
      const r = join.radius;
      const slide = addSlide(b, machine, join, name, -2 * r);
      return ok({ kind: 'cord', id, pin, eye: { along: 4 * r, aside: 0 }, length: shortened(7 * r), slide });
    }
    case 'drum': {
      const slide = addSlide(b, machine, join, name, -join.radius);
      return ok({ kind: 'drum', id, arbor: from, diameter: 2 * join.radius, slide });
    }
    case 'cam':
      return ok(camOf(machine, join, id, addSlide(b, machine, join, name)));
    case 'cam and arm':
      return camArmOf(machine, join, b, { id, pin, name });
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

/**
 * A rod to an arm of two sides, and a rod from its other side to a slide: opposite the first for a lever, which moves
 * its slide against the rod, a quarter turn on for a bell crank, which moves it across.
 */
function leverOf(machine: Machine, join: Join, b: Builder, { id, pin, name }: Begun): Result<Joint> {
  const apart = 4 * join.radius;
  const half = (2.5 / 4) * apart;
  const arm = addArm(b, machine, join, { name: `${name} ${join.kind}`, radius: apart, angleDeg: 0 });
  b.joint({
    ...{ kind: 'four-bar', id, pin, rod: addRod(b, `${name} coupler`, (3.75 / 4) * apart) },
    to: { member: arm, radius: half, angleDeg: 90 },
  });
  const across = join.kind === 'bell crank';
  const far: Pin = { member: arm, radius: half, angleDeg: across ? 0 : -90 };
  const slide = addSlide(b, b.machine(), { ...join, from: arm }, name, -half, across ? 90 : 0);
  return ok({ kind: 'crank', id: b.id('joint'), pin: far, rod: addRod(b, `${name} rod`, apart), slide });
}

/** What a cam lifts at first: half its radius under a slide, so many degrees of an arm. */
const SWUNG = 16;

/** A cam on the lowest layer above all wheels and cams that are there. */
function camOf(
  { wheels, joints }: Machine,
  { from, radius, clockwise }: Join,
  id: string,
  follower: string,
  stroke = radius / 2,
): Extract<Joint, { kind: 'cam' }> {
  const taken = [
    ...wheels.map(w => w.layer),
    ...joints.flatMap(j => (j.kind === 'cam' ? [j.layer + 1] : [])),
  ];
  return {
    ...{ kind: 'cam', id, cam: from, follower, motion: usualMotion(stroke), radius },
    ...(clockwise && { clockwise }),
    ...{ touch: { kind: 'roller', diameter: Math.max(2, Math.round(radius / 2.5)) } },
    ...{ kept: { kind: 'weight' }, layer: Math.max(-1, ...taken) + 1 },
  };
}

/** An arm four radii off, as long as puts its roller where the arm lies square to the way to the cam. */
function camArmOf(machine: Machine, join: Join, b: Builder, { id, name }: Begun): Result<Joint> {
  const apart = join.to === undefined ? 4 * join.radius : (apartOf(machine, join, join.to) ?? 0);
  const cam = camOf(machine, join, id, '', SWUNG);
  const pitch = join.radius + (cam.touch.kind === 'roller' ? cam.touch.diameter / 2 : 0);
  if (apart <= pitch) {
    const other = byId(machine.members, join.to)?.name ?? '';
    return apart < 1e-9
      ? fail('hand-one-axis', { a: name, b: other })
      : fail('hand-cam-too-near', { a: name, b: other, apart, radius: pitch });
  }
  const follower =
    join.to ?? addArm(b, machine, join, { name: `${name} follower`, radius: apart, angleDeg: 0 });
  const length = shortened(Math.sqrt(apart * apart - pitch * pitch));
  return ok({ ...cam, follower, arm: { length, angleDeg: 180 } });
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

/**
 * A slide in line with the axis that leads it, or so far to the left of it, upwards where nothing else is said; beside
 * no axis through the middle of its frame, or so far beside the slide that leads it.
 */
function addSlide(
  b: Builder,
  machine: Machine,
  { from }: Join,
  name: string,
  offset = 0,
  directionDeg = 90,
): string {
  const id = b.id('slide');
  const lead = byId(machine.members, from);
  const axis = lead?.kind === 'arbor' ? byId(machine.axes, lead.axis) : undefined;
  const frame = axis?.frame ?? (lead?.kind === 'slide' ? lead.frame : GROUND);
  b.edit(m => ({
    ...m,
    members: [
      ...m.members,
      {
        ...{ kind: 'slide', id, name: freeName(m, `${name} slide`), frame, directionDeg },
        ...(lead?.kind === 'slide' ? { x: lead.x - offset, y: lead.y } : { x: 0, y: 0 }),
        ...(axis && { beside: { axis: axis.id, offset } }),
        ...(lead?.kind === 'slide' &&
          lead.beside && { beside: { ...lead.beside, offset: lead.beside.offset + offset } }),
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
