import type { Joint, Machine, Pin } from '../../document/machine/index.ts';
import { bisect, type Point, polar, rotate } from '../../ground/geometry/index.ts';
import { type Rational, toNumber } from '../../ground/rational/index.ts';
import { radians } from '../../ground/units/index.ts';
import { type Bar, lawOf, type SlideLine, type Standing, type TrainRates } from '../../trains/train/index.ts';
import { AT_REST, type DriveTurns, memberAngle, memberTurns } from './angle.ts';
import type { MovingSlide } from './moving-slides.ts';
import type { Stance } from './stance.ts';

/** An arbor that has a place: at rest, or the way to it from the axis of the arm that carries it. */
export interface MovingArbor {
  readonly id: string;
  readonly at: Point;
  readonly arm: string | undefined;
}

/** What positions follow from. */
export interface StandsParts {
  readonly machine: Pick<Machine, 'joints' | 'members'>;
  readonly train: Pick<TrainRates, 'rates' | 'responses'>;
  readonly arbors: readonly MovingArbor[];
  readonly slides: readonly MovingSlide[];
}

/** The machine as it stands at some turns: asked member by member, each worked out once. */
export interface Stands extends Standing {
  /** Turns the machine on; what was asked before is forgotten. */
  readonly to: (turns: DriveTurns) => void;
  readonly stance: (member: string) => Stance | undefined;
  /** The frame of an arbor or a slide as it stands. */
  readonly frame: (member: string) => Stance | undefined;
  /** Rods of a joint, as they lie. */
  readonly bars: (joint: Joint) => readonly Bar[];
  /** Joints each of which waits for where the other stands, seen so far. */
  readonly waiting: ReadonlySet<string>;
}

/** A turn to either side of the mean: no law is uneven by more. */
const WIDEST = 2 * Math.PI;
const GROUND_STANCE: Stance = { centre: { x: 0, y: 0 }, angle: 0 };

/** What has been worked out, and what is being worked out: asked for again before it is there, it waits for itself. */
interface Kept<T> {
  readonly made: Map<string, T>;
  readonly busy: Set<string>;
}
const nothing = <T>(): Kept<T> => ({ made: new Map(), busy: new Set() });

/** What is known beforehand, and what has been worked out at the turns that it stands at. */
interface Inner {
  readonly rates: StandsParts['train']['rates'];
  readonly responses: StandsParts['train']['responses'];
  readonly arbors: ReadonlyMap<string, MovingArbor>;
  readonly slides: ReadonlyMap<string, MovingSlide>;
  readonly joints: ReadonlyMap<string, Joint>;
  readonly lengths: ReadonlyMap<string, number>;
  /** The joint that carries each rod. */
  readonly carrying: ReadonlyMap<string, Joint>;
  /** What racks had of the laws of their slides at rest: they stand in mesh there. */
  readonly resting: Map<string, number>;
  readonly waiting: Set<string>;
  readonly coordinates: Kept<number>;
  readonly offs: Kept<number>;
  readonly lying: Kept<readonly Bar[]>;
  now: DriveTurns;
  /** What laws ask. */
  asked: Standing | undefined;
}

/** See Stands. The δ of every uneven law is taken where its leading members truly stand, uneven as they may be. */
export function standsOf({ machine, train, arbors, slides }: StandsParts): Stands {
  const lengths = new Map(
    machine.members.flatMap(m => (m.kind === 'link' ? [[m.id, m.length] as const] : [])),
  );
  const inner: Inner = {
    rates: train.rates,
    responses: train.responses,
    arbors: new Map(arbors.map(a => [a.id, a] as const)),
    slides: new Map(slides.map(s => [s.id, s] as const)),
    joints: new Map(machine.joints.map(j => [j.id, j] as const)),
    lengths,
    carrying: carriers(machine.joints, lengths),
    resting: new Map(),
    waiting: new Set(),
    coordinates: nothing(),
    offs: nothing(),
    lying: nothing(),
    now: AT_REST,
    asked: undefined,
  };
  const stands: Stands = {
    to: turns => {
      inner.now = turns;
      forget(inner);
    },
    coordinate: id => coordinate(inner, id),
    stance: id => stanceOf(inner, id),
    frame: id => frameOf(inner, id),
    bars: joint => bars(inner, joint),
    waiting: inner.waiting,
    pin: pin => pinOf(inner, pin),
    axis: id => axisOf(inner, id),
    frameAngle: id => frameOf(inner, id)?.angle ?? 0,
    angle: id => stanceOf(inner, id)?.angle ?? 0,
    line: id => lineOf(inner, id),
    pitch: id => inner.slides.get(id)?.pitch ?? 1,
    length: id => lengths.get(id),
  };
  inner.asked = stands;
  const racks = slides.filter(s => s.rack).map(s => [s.id, coordinate(inner, s.id)] as const);
  for (const [id, at] of racks) inner.resting.set(id, at);
  forget(inner);
  return stands;
}

function forget(inner: Inner): void {
  inner.coordinates.made.clear();
  inner.offs.made.clear();
  inner.lying.made.clear();
}

/** What is kept, or made now. Undefined, its joints noted as waiting, where it is asked for while it is being made. */
function begun<T>(
  inner: Inner,
  { made, busy }: Kept<T>,
  id: string,
  joints: readonly string[],
  make: () => T,
): T | undefined {
  const known = made.get(id);
  if (known !== undefined) return known;
  if (busy.has(id)) {
    for (const joint of joints) inner.waiting.add(joint);
    return undefined;
  }
  busy.add(id);
  const found = make();
  busy.delete(id);
  made.set(id, found);
  return found;
}

function offOf(inner: Inner, id: string): number {
  const joint = inner.joints.get(id);
  return joint ? (begun(inner, inner.offs, id, [id], () => lawOff(inner, joint)) ?? 0) : 0;
}

const lawOff = (inner: Inner, joint: Joint): number =>
  (inner.asked && lawOf(joint).off?.(joint, inner.asked)) ?? 0;

const coordinate = (inner: Inner, id: string): number =>
  begun(inner, inner.coordinates, id, sourcesOf(inner, id), () => {
    const [rate, slide] = [inner.rates[id], inner.slides.get(id)];
    if (slide) return slideCoordinate(inner, slide, rate);
    return driven(inner, id, rate ? memberAngle(rate, inner.now) : 0);
  }) ?? 0;

/** The uneven joints on which the place of a member hangs. */
const sourcesOf = (inner: Inner, id: string): readonly string[] =>
  inner.responses[id]?.map(([source]) => source) ?? [];

/** A slide goes on with every turn; a rack stands where it has run off its pinion. */
function slideCoordinate(inner: Inner, { id, rack, pitch }: MovingSlide, rate: Rational | undefined): number {
  const turns = rate && memberTurns(rate, inner.now);
  const mean = turns ? WIDEST * (Number(turns.whole) + turns.part) : 0;
  const found = driven(inner, id, mean - (inner.resting.get(id) ?? 0));
  if (!rack) return found;
  const [from, to] = rack.runs.map(way => (way / pitch) * WIDEST) as [number, number];
  return Math.max(from, Math.min(to, found));
}

/** The mean and what uneven joints add to it. */
function driven(inner: Inner, id: string, mean: number): number {
  let sum = mean;
  let own: readonly [Joint, number] | undefined;
  for (const [source, coefficient] of inner.responses[id] ?? []) {
    const joint = inner.joints.get(source);
    if (joint && lawOf(joint).leads(joint).includes(id)) own = [joint, toNumber(coefficient)];
    else sum += toNumber(coefficient) * offOf(inner, source);
  }
  return own ? inverse(inner, id, sum, ...own) : sum;
}

/** Where the leading member of a joint is itself driven through it: the angle that its law turns into the other's. */
function inverse(inner: Inner, id: string, mean: number, joint: Joint, coefficient: number): number {
  const away = (theta: number): number => {
    inner.coordinates.made.set(id, theta);
    inner.lying.made.clear();
    return theta - mean - coefficient * lawOff(inner, joint);
  };
  try {
    return bisect(away, mean - WIDEST, mean + WIDEST);
  } catch (error) {
    if (error instanceof RangeError) return mean;
    throw error;
  }
}

const frameOf = (inner: Inner, id: string): Stance | undefined =>
  carrierStance(inner, (inner.arbors.get(id) ?? inner.slides.get(id))?.arm);

const carrierStance = (inner: Inner, arm: string | undefined): Stance | undefined =>
  arm === undefined ? GROUND_STANCE : arborStance(inner, arm);

function arborStance(inner: Inner, id: string): Stance | undefined {
  const arbor = inner.arbors.get(id);
  const frame = arbor && carrierStance(inner, arbor.arm);
  return frame && { centre: carried(frame, arbor.at), angle: frame.angle + coordinate(inner, id) };
}

/** Where the axis of an arbor stands, however far the arbor has turned on it. */
function axisOf(inner: Inner, id: string): Point | undefined {
  const arbor = inner.arbors.get(id);
  const frame = arbor && carrierStance(inner, arbor.arm);
  return frame && carried(frame, arbor.at);
}

function lineOf(inner: Inner, id: string): SlideLine | undefined {
  const slide = inner.slides.get(id);
  const frame = slide && carrierStance(inner, slide.arm);
  return frame && { at: carried(frame, slide.at), angle: frame.angle + slide.angle };
}

/** Where its point stands: on its line, by its way from the line's own. */
function slideStance(inner: Inner, slide: MovingSlide): Stance | undefined {
  const on = lineOf(inner, slide.id);
  const turns = coordinate(inner, slide.id) + (inner.resting.get(slide.id) ?? 0);
  return on && { centre: polar(on.at, (turns * slide.pitch) / WIDEST, on.angle), angle: on.angle };
}

const bars = (inner: Inner, joint: Joint): readonly Bar[] =>
  begun(
    inner,
    inner.lying,
    joint.id,
    [joint.id],
    () => (inner.asked && lawOf(joint).bars?.(joint, inner.asked)) ?? [],
  ) ?? [];

function stanceOf(inner: Inner, id: string): Stance | undefined {
  if (inner.arbors.has(id)) return arborStance(inner, id);
  const slide = inner.slides.get(id);
  if (slide) return slideStance(inner, slide);
  const joint = inner.carrying.get(id);
  const bar = joint && bars(inner, joint).find(b => b.link === id);
  return bar && { centre: bar.centre, angle: bar.angle };
}

function pinOf(inner: Inner, pin: Pin): Point | undefined {
  const on = stanceOf(inner, pin.member);
  return on && polar(on.centre, pin.radius, on.angle + radians(pin.angleDeg));
}

/** A place of a frame's own, against the ground. */
function carried({ centre, angle }: Stance, at: Point): Point {
  const turned = angle === 0 ? at : rotate(at, angle);
  return { x: centre.x + turned.x, y: centre.y + turned.y };
}

/** The joint that carries each rod: the first that has it between its pins. */
function carriers(joints: readonly Joint[], links: ReadonlyMap<string, number>): ReadonlyMap<string, Joint> {
  const found = new Map<string, Joint>();
  for (const j of joints) {
    for (const rod of lawOf(j).rods?.(j) ?? []) if (links.has(rod) && !found.has(rod)) found.set(rod, j);
  }
  return found;
}
