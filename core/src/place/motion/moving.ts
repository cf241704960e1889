import { type Point, polar } from '../../ground/geometry/index.ts';
import { arbors, GROUND, type Machine } from '../../document/machine/index.ts';
import type { Rational } from '../../ground/rational/index.ts';
import type { RackPlace } from '../layout/index.ts';
import type { TrainRates } from '../../trains/train/index.ts';
import { type DriveTurns, memberAngle, opposite } from './angle.ts';
import { type MemberCopy, memberCopies } from './copies.ts';
import { type MovingSlide, movingSlides } from './moving-slides.ts';
import type { Stance } from './stance.ts';
import { type MovingArbor, type Stands, standsOf } from './stands.ts';

/** Everything that the positions of one machine need, made once: arbors with what carries them, carriers first. */
export interface Moving {
  readonly machine: Pick<Machine, 'joints' | 'members'>;
  readonly train: Pick<TrainRates, 'rates' | 'responses'>;
  readonly arbors: readonly PlacedArbor[];
  readonly copies: readonly MemberCopy[];
  /** Slides on their lines, carried where an arm is their frame. */
  readonly slides: readonly MovingSlide[];
  /** Eyes of cords, by `eyePlace`, in the lines of their slides. */
  readonly eyes: readonly CordEye[];
  /** Rods between pins. */
  readonly links: readonly string[];
  /** The drive turns clockwise, seen from the front, and all else the other way round. */
  readonly clockwise: boolean;
}

interface CordEye {
  readonly id: string;
  readonly slide: string;
  readonly along: number;
  readonly aside: number;
}

/** The name of the place of a cord's eye. */
export const eyePlace = (joint: string): string => `eye ${joint}`;

interface PlacedArbor extends MovingArbor {
  readonly rate: Rational | undefined;
  readonly uneven: boolean;
}

/** Prepares positions: `rest` gives every axis at rest, mm. What stands on nothing known is left out. */
export function movingOf(
  machine: Pick<Machine, 'axes' | 'members' | 'wheels' | 'joints'>,
  train: Pick<TrainRates, 'rates' | 'responses'>,
  rest: Readonly<Record<string, Point>>,
  clockwise: boolean,
  racks: readonly RackPlace[],
): Moving {
  const axes = new Map(machine.axes.map(a => [a.id, a] as const));
  const axisOf = new Map(arbors(machine).map(m => [m.id, axes.get(m.axis)] as const));
  const ordered: PlacedArbor[] = [];
  const done = new Set<string>();
  const put = (id: string, depth: number): void => {
    const axis = axisOf.get(id);
    const at = axis && rest[axis.id];
    if (done.has(id) || !axis || !at || depth > machine.axes.length) return;
    const common = { id, rate: train.rates[id], uneven: train.responses[id] !== undefined };
    if (axis.frame === GROUND) ordered.push({ ...common, at, arm: undefined });
    else {
      put(axis.frame, depth + 1);
      const pivot = rest[axisOf.get(axis.frame)?.id ?? ''];
      if (!pivot || !done.has(axis.frame)) return;
      ordered.push({ ...common, at: { x: at.x - pivot.x, y: at.y - pivot.y }, arm: axis.frame });
    }
    done.add(id);
  };
  for (const id of axisOf.keys()) put(id, 0);
  const { joints, members } = machine;
  const slides = movingSlides(machine, rest, racks);
  return {
    machine: { joints, members },
    train,
    arbors: ordered,
    copies: memberCopies(machine),
    slides,
    eyes: joints.flatMap(j => (j.kind === 'cord' ? [{ id: eyePlace(j.id), slide: j.slide, ...j.eye }] : [])),
    links: members.flatMap(m => (m.kind === 'link' ? [m.id] : [])),
    clockwise,
  };
}

/**
 * Where every arbor, slide and rod stands and how far it is turned against the ground, by id; copies by `copyPlace`. A
 * slide with a rack stands where its rack does, another with its own point on its line; a rod by its first pin. Given
 * a map, fills it anew and makes no new places for those it has: a running picture asks for one every frame.
 */
export function stancesAt(
  moving: Moving,
  turns: DriveTurns,
  found: Map<string, Stance> = new Map<string, Stance>(),
): Map<string, Stance> {
  const driven = moving.clockwise ? opposite(turns) : turns;
  const stands = standsAt(moving, turns);
  for (const { id, rate, uneven, at, arm } of moving.arbors) {
    const own = uneven ? stands.coordinate(id) : rate ? memberAngle(rate, driven) : 0;
    const carried = arm === undefined ? undefined : found.get(arm);
    if (carried) putOnArm(found, id, carried.centre, carried.angle, at.x, at.y, carried.angle + own);
    else put(found, id, at.x, at.y, own);
  }
  for (const { id, rack, pitch } of moving.slides) {
    const stance = rack ? rackStance(stands, id, rack, pitch) : stands.stance(id);
    if (stance) put(found, id, stance.centre.x, stance.centre.y, stance.angle);
  }
  for (const { id, slide, along, aside } of moving.eyes) {
    const line = stands.line(slide);
    const on = line && polar(line.at, along, line.angle);
    if (!line || !on) continue;
    put(found, id, on.x - aside * Math.sin(line.angle), on.y + aside * Math.cos(line.angle), line.angle);
  }
  for (const id of moving.links) {
    const stance = stands.stance(id);
    if (stance) put(found, id, stance.centre.x, stance.centre.y, stance.angle);
  }
  for (let i = 0; i < moving.copies.length; i++) {
    const copy = moving.copies[i];
    const own = copy && found.get(copy.member);
    const arm = copy && found.get(copy.arm);
    if (!own || !arm) continue;
    const [dx, dy] = [own.centre.x - arm.centre.x, own.centre.y - arm.centre.y];
    putOnArm(found, copyPlace(copy.member, i), arm.centre, copy.turn, dx, dy, own.angle);
  }
  return found;
}

/** A rack: from where it stands in mesh at rest, so far along its line. */
function rackStance(
  stands: Stands,
  id: string,
  rack: NonNullable<MovingSlide['rack']>,
  pitch: number,
): Stance | undefined {
  const [line, turned] = [stands.line(id), stands.frameAngle(id)];
  const arm = stands.frame(id);
  if (!line || !arm) return undefined;
  const [c, s] = [Math.cos(turned), Math.sin(turned)];
  const at = {
    x: arm.centre.x + c * rack.at.x - s * rack.at.y,
    y: arm.centre.y + s * rack.at.x + c * rack.at.y,
  };
  return {
    centre: polar(at, (stands.coordinate(id) * pitch) / (2 * Math.PI), line.angle),
    angle: turned + rack.angle,
  };
}

const kept = new WeakMap<Moving, Stands>();

/**
 * What stands where at some turns of the drive, to be asked member by member. One for each machine: the next call turns
 * it on.
 */
export function standsAt(moving: Moving, turns: DriveTurns): Stands {
  const known = kept.get(moving);
  const stands = known ?? standsOf(moving);
  if (!known) kept.set(moving, stands);
  stands.to(moving.clockwise ? opposite(turns) : turns);
  return stands;
}

/** The name of a further place of a member: of the i-th copy of a machine. */
export const copyPlace = (member: string, i: number): string => `${member} ${i}`;

interface Place {
  centre: { x: number; y: number };
  angle: number;
}

function put(found: Map<string, Stance>, id: string, x: number, y: number, angle: number): void {
  const known = found.get(id) as Place | undefined;
  if (!known) {
    found.set(id, { centre: { x, y }, angle });
    return;
  }
  known.centre.x = x;
  known.centre.y = y;
  known.angle = angle;
}

/** Puts what stands so far from an arm's axis, the arm turned by an angle. */
function putOnArm(
  found: Map<string, Stance>,
  id: string,
  pivot: Point,
  turned: number,
  dx: number,
  dy: number,
  angle: number,
): void {
  const [c, s] = [Math.cos(turned), Math.sin(turned)];
  put(found, id, pivot.x + c * dx - s * dy, pivot.y + s * dx + c * dy, angle);
}
