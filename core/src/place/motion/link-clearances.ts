import { byId, type Pin } from '../../document/machine/index.ts';
import { distance, type Point, polar, segmentGap } from '../../ground/geometry/index.ts';
import { toNumber } from '../../ground/rational/index.ts';
import { radians } from '../../ground/units/index.ts';
import {
  type Band,
  type Clearance,
  type LayoutParts,
  linkPins,
  linkPlates,
  overlap,
  type Solid,
  solidsOf,
} from '../layout/index.ts';
import { type Course, courseOf, leadersOf } from './joint-course.ts';
import { linkPin, type LinkShape, linkShape } from './link-shapes.ts';
import { copyPlace, type Moving, stancesAt, standsAt } from './moving.ts';
import type { Stance } from './stance.ts';

/** Positions at which bodies are held against each other, for a turn of what leads fastest, and the most of all. */
const STEPS = 90;
const MOST_STEPS = 720;

/** Positions between two of those, about the nearest. */
const FINER = 8;
/** Gaps beyond this are not worth a line, mm. */
const FAR = 12;
/** How closely linkages are looked at, to be told. */
export const LINK_LOOKS = { turn: STEPS, most: MOST_STEPS, within: FAR } as const;

/** A strip of a body: a line and half its width, in the frame of its member. */
interface Stroke {
  readonly from: Point;
  readonly to: Point;
  readonly half: number;
}

/** What can come near something: strips that move with a member, or stand. */
interface Body {
  /** The id in the document by which it is named. */
  readonly subject: string;
  readonly place: string | undefined;
  /** Members that it may touch: its own, and what it is pinned to. */
  readonly with: readonly string[];
  readonly line: string | undefined;
  readonly band: Band;
  readonly strokes: readonly Stroke[];
  /** Inside this nothing of it is: the hole of a ring. */
  readonly inner: number | undefined;
  readonly reach: number;
  /** Members that turn and on which its place hangs. */
  readonly leaders: readonly string[];
  /** The room that it sweeps, where that is known beforehand. */
  readonly swept?: Box;
  /** A cam with its follower, which touch. */
  readonly cam?: string;
  readonly linked: boolean;
}

/**
 * How near flat bodies of linkages and cams, and pins that go through layers between, come to each other, to wheels,
 * arbors, arms and pillars, through their whole course with their true positions. They are held against each other at
 * so many positions, and more closely about the nearest. mm, the tightest first.
 */
export function linkClearances(parts: LayoutParts, moving: Moving): Clearance[] {
  const shapes = linkPlates(parts.machine).flatMap(
    plate => linkShape({ machine: parts.machine, moving, sizes: parts.sizes }, plate) ?? [],
  );
  if (shapes.length === 0) return [];
  const solids = solidsOf(parts);
  const lines = new Map(
    solids.flatMap(s => (s.kind === 'arbor' && s.member ? [[s.member, s.line] as const] : [])),
  );
  const linked = [
    ...shapes.flatMap(s => plateBody(parts, s, lines, moving) ?? []),
    ...pinBodies(parts, moving),
  ];
  const others = solids.flatMap(s => solidBody(moving, s) ?? []);
  const boxes = new Map([...linked, ...others].map(b => [b, boxOf(moving, b)] as const));
  const groups = new Map<string, Group>();
  linked.forEach((a, i) => {
    for (const b of [...linked.slice(i + 1), ...others]) {
      if (!meets(a, b) || apart(boxes.get(a), boxes.get(b)) > FAR) continue;
      const leaders = [...a.leaders, ...b.leaders];
      const key = [...new Set(leaders)].sort().join();
      const group = groups.get(key) ?? { ...stepsOf(courseOf(moving, leaders)), pairs: [] };
      groups.set(key, group);
      group.pairs.push({ a, b, gap: Infinity, at: 0 });
    }
  });
  return [...groups.values()].flatMap(g => nearest(moving, g)).sort((p, q) => p.gap - q.gap);
}

interface Pair {
  readonly a: Body;
  readonly b: Body;
  gap: number;
  at: number;
}

/** Pairs that stand as they did after the same turns of the drive, and at how many positions they are looked at. */
interface Group {
  readonly turns: number;
  readonly steps: number;
  readonly pairs: Pair[];
}

function stepsOf({ turns, rates }: Course): { turns: number; steps: number } {
  if (turns === undefined) return { turns: 1, steps: 1 };
  const fastest = Math.max(...rates.map(r => Math.abs(toNumber(r))));
  return { turns, steps: Math.max(STEPS, Math.min(MOST_STEPS, Math.ceil(STEPS * turns * fastest))) };
}

function nearest(moving: Moving, { turns, steps, pairs }: Group): Clearance[] {
  const places = placesFor(moving, pairs);
  for (let i = 0; i < steps; i++) {
    const now = places((turns * i) / steps);
    for (const pair of pairs) {
      const gap = gapAt(now, pair.a, pair.b, pair.gap);
      if (gap < pair.gap) Object.assign(pair, { gap, at: i });
    }
  }
  return pairs
    .filter(p => p.gap < FAR)
    .map(p => ({
      ...{ kind: 'linkage', a: p.a.subject, b: p.b.subject, swept: false },
      ...finer(placesFor(moving, [p]), p, turns, steps),
    }));
}

/** Where the bodies of some pairs stand at so many turns: asked one by one, or all where there are copies. */
function placesFor(moving: Moving, pairs: readonly Pair[]): (turns: number) => Places {
  const copied = pairs.some(p => [p.a, p.b].some(b => b.place?.includes(' ')));
  const all = new Map<string, Stance>();
  return turns => {
    const at = turnsAt(turns);
    if (copied) return stancesAt(moving, at, all);
    const stands = standsAt(moving, at);
    return { get: place => stands.stance(place) };
  };
}

const turnsAt = (at: number): { whole: bigint; part: number } => {
  const whole = Math.floor(at);
  return { whole: BigInt(whole), part: at - whole };
};

/** What a body sweeps, as a box in the plane. */
interface Box {
  readonly from: Point;
  readonly to: Point;
}

const around = ({ x, y }: Point, reach: number): Box => ({
  from: { x: x - reach, y: y - reach },
  to: { x: x + reach, y: y + reach },
});

function boxOf(moving: Moving, body: Body): Box {
  if (body.swept) return body.swept;
  // What turns about a standing axis fills no more than its circle.
  const arbor = moving.arbors.find(a => a.id === body.place);
  if (arbor && arbor.arm === undefined) return around(arbor.at, body.reach);
  const { turns, steps } = stepsOf(courseOf(moving, body.leaders));
  const looks = Math.min(steps, STEPS);
  const [xs, ys]: [number[], number[]] = [[], []];
  for (let i = 0; i < looks; i++) {
    const stance =
      body.place === undefined
        ? GROUND_STANCE
        : standsAt(moving, turnsAt((turns * i) / looks)).stance(body.place);
    if (!stance) continue;
    for (const s of body.strokes)
      for (const p of [put(stance, s.from), put(stance, s.to)]) {
        xs.push(p.x - s.half, p.x + s.half);
        ys.push(p.y - s.half, p.y + s.half);
      }
  }
  const range = (of: readonly number[]): [number, number] => [
    of.reduce((a, b) => Math.min(a, b), Infinity),
    of.reduce((a, b) => Math.max(a, b), -Infinity),
  ];
  const [[x0, x1], [y0, y1]] = [range(xs), range(ys)];
  return { from: { x: x0, y: y0 }, to: { x: x1, y: y1 } };
}

/** How far two boxes are apart at least. */
function apart(a: Box | undefined, b: Box | undefined): number {
  if (!a || !b) return 0;
  const gap = (p: 'x' | 'y'): number => Math.max(0, a.from[p] - b.to[p], b.from[p] - a.to[p]);
  return Math.hypot(gap('x'), gap('y'));
}

/** The nearest of two bodies about where they come nearest. */
function finer(
  places: ReturnType<typeof placesFor>,
  { a, b, gap, at }: Pair,
  turns: number,
  steps: number,
): { gap: number; at: number } {
  let best = { gap, at: (turns * at) / steps };
  for (let k = 1 - FINER; k < FINER; k++) {
    const here = ((turns * (at + k / FINER)) / steps + turns) % turns;
    const found = gapAt(places(here), a, b, best.gap);
    if (found < best.gap) best = { gap: found, at: here };
  }
  return best;
}

function plateBody(
  { machine, stack }: LayoutParts,
  { plate, lines, width }: LinkShape,
  lineOf: ReadonlyMap<string, string | undefined>,
  moving: Moving,
): Body | undefined {
  const band = stack.layers.get(plate.layer);
  if (!band) return undefined;
  const joint = byId(machine.joints, plate.joint);
  const half = width / 2;
  const strokes = lines.flatMap(line =>
    line.slice(1).map((to, i): Stroke => ({ from: line[i] ?? to, to, half })),
  );
  // What a cam's rim encloses is full.
  const least = width === 0 ? Math.min(...strokes.map(s => Math.hypot(s.to.x, s.to.y))) : 0;
  const middle = { x: 0, y: 0 };
  const full = least > 0 ? [{ from: middle, to: middle, half: least }] : [];
  const onCam = joint?.kind === 'cam' && plate.member === joint.cam;
  return bodyOf({
    ...{ subject: onCam ? plate.joint : plate.member, place: plate.member, with: [plate.member] },
    ...{ line: lineOf.get(plate.member), band, strokes: [...strokes, ...full], inner: undefined },
    ...(joint?.kind === 'cam' && { cam: joint.id, with: [joint.cam, joint.follower, plate.member] }),
    linked: true,
    leaders: [...leadersOf(moving, [plate.member])],
  });
}

const bodyOf = (body: Omit<Body, 'reach'>): Body => ({
  ...body,
  reach: Math.max(
    0,
    ...body.strokes.map(s => Math.max(Math.hypot(s.from.x, s.from.y), Math.hypot(s.to.x, s.to.y)) + s.half),
  ),
});

/** Pins where they go through layers between the two bodies that they join. */
function pinBodies({ machine, stack }: LayoutParts, moving: Moving): Body[] {
  const plates = new Map(linkPlates(machine).map(p => [p.id, p.layer] as const));
  const half = linkPin(machine) / 2;
  const pins = linkPins(machine);
  const sides = (id: string): string => id.replace(/^(rod|slide|crank|slotted) /, '');
  return pins.flatMap((pin): Body[] => {
    const layer = (id: string): number | undefined => plates.get(id) ?? byId(machine.wheels, id)?.layer;
    const [a, b] = [layer(pin.in), layer(pin.through)].map(l => stack.layers.get(l ?? NaN));
    if (!a || !b) return [];
    const band = { from: Math.min(a.to, b.to), to: Math.max(a.from, b.from) };
    if (band.to - band.from < 1e-9) return [];
    const at = polar({ x: 0, y: 0 }, pin.at.radius, radians(pin.at.angleDeg));
    // One pin can go through several rods.
    const same = pins.filter(p => p.at.member === pin.at.member && samePlace(p.at, pin.at));
    const on = same.flatMap(p => [sides(p.in), sides(p.through)]);
    return [
      bodyOf({
        ...{ subject: pin.at.member, place: pin.at.member, with: [pin.at.member, ...on], line: undefined },
        ...{ band, strokes: [{ from: at, to: at, half }], inner: undefined, linked: true },
        leaders: [...leadersOf(moving, [pin.at.member])],
      }),
    ];
  });
}

/** Two pins so near each other are one, mm. */
const ONE_PIN = 1e-3;
const samePlace = (a: Pin, b: Pin): boolean =>
  distance(
    polar({ x: 0, y: 0 }, a.radius, radians(a.angleDeg)),
    polar({ x: 0, y: 0 }, b.radius, radians(b.angleDeg)),
  ) < ONE_PIN;

/** A wheel, an arbor, an arm or a pillar as it stands or is carried. */
function solidBody(moving: Moving, s: Solid): Body | undefined {
  const origin = { x: 0, y: 0 };
  const standing = s.member === undefined || s.standing === true;
  const place = standing ? undefined : placeOf(moving, s);
  const at = standing ? { x: s.path.x, y: s.path.y } : origin;
  const to = s.bar ? { x: at.x + s.bar.to.x, y: at.y + s.bar.to.y } : at;
  const carried = s.path.vectors.length > 0;
  const wide = s.path.vectors.reduce(
    (sum, v) => sum + Math.hypot(v.x, v.y),
    s.outer + Math.hypot(to.x - at.x, to.y - at.y),
  );
  return bodyOf({
    ...(carried || s.bar ? { leaders: armsOf(moving, s.member) } : { leaders: [] }),
    swept: around(s.path, wide),
    ...{ subject: s.id, place, with: s.member === undefined ? [] : [s.member], line: s.line, band: s.band },
    ...{ strokes: [{ from: at, to, half: s.outer }], inner: s.inner, linked: false },
  });
}

/** What turns a thing that is carried: the arms between it and the ground, and itself. */
function armsOf(moving: Moving, member: string | undefined): string[] {
  const found: string[] = [];
  for (
    let at = member;
    at !== undefined && !found.includes(at);
    at = moving.arbors.find(a => a.id === at)?.arm
  )
    found.push(at);
  return [...leadersOf(moving, found)];
}

/** The name of the place of a solid: of a member, or of a further one of its copies. */
function placeOf({ copies }: Moving, { member = '', copy }: Solid): string {
  if (copy === 0) return member;
  const own = copies.flatMap((c, i) => (c.member === member ? [i] : []));
  return copyPlace(member, own[copy - 1] ?? -1);
}

/** Where things stand, by their places. */
interface Places {
  readonly get: (place: string) => Stance | undefined;
}

/** Whether two bodies could touch and may not. */
function meets(a: Body, b: Body): boolean {
  if (!overlap(a.band, b.band)) return false;
  if (a.cam !== undefined && a.cam === b.cam) return false;
  if (a.line !== undefined && a.line === b.line && !b.linked) return false;
  return !a.with.some(m => b.with.includes(m));
}

/** The gap of two bodies as they stand; nothing nearer than so much is looked for closely. */
function gapAt(places: Places, a: Body, b: Body, beaten: number): number {
  const [p, q] = [standing(places, a), standing(places, b)];
  if (!p || !q) return Infinity;
  const far = distance(p.centre, q.centre) - a.reach - b.reach;
  if (far > Math.min(beaten, FAR)) return Infinity;
  // What has fewer strips is looked at in the frame of the other.
  const [few, many, into] =
    a.strokes.length <= b.strokes.length ? [a, b, seenFrom(q, p)] : [b, a, seenFrom(p, q)];
  const middle = many === b ? { x: 0, y: 0 } : into({ x: 0, y: 0 });
  let least = Infinity;
  for (const s of few.strokes) {
    const [from, to] = [into(s.from), into(s.to)];
    for (const t of many.strokes) {
      const both = s.half + t.half;
      if (b.inner === undefined && farApart(from, to, t) - both >= least) continue;
      const [x, y] = few === b ? [t.from, t.to] : [from, to];
      const half = few === b ? t.half : s.half;
      const within =
        b.inner === undefined
          ? -Infinity
          : b.inner - Math.max(distance(middle, x), distance(middle, y)) - half;
      least = Math.min(least, Math.max(within, segmentGap(from, to, t.from, t.to) - both));
    }
  }
  return least;
}

/** Two lines are at least so far apart: by their middles, less half of each. */
const farApart = (from: Point, to: Point, { from: a, to: b }: Stroke): number =>
  Math.hypot((from.x + to.x - a.x - b.x) / 2, (from.y + to.y - a.y - b.y) / 2) -
  (Math.hypot(to.x - from.x, to.y - from.y) + Math.hypot(b.x - a.x, b.y - a.y)) / 2;

/** A place of one stance in the frame of another. */
function seenFrom(of: Stance, one: Stance): (at: Point) => Point {
  const [c, s] = [Math.cos(one.angle - of.angle), Math.sin(one.angle - of.angle)];
  const [dx, dy] = [one.centre.x - of.centre.x, one.centre.y - of.centre.y];
  const [k, l] = [Math.cos(of.angle), Math.sin(of.angle)];
  const [x, y] = [k * dx + l * dy, k * dy - l * dx];
  return at => ({ x: x + c * at.x - s * at.y, y: y + s * at.x + c * at.y });
}

const GROUND_STANCE: Stance = { centre: { x: 0, y: 0 }, angle: 0 };
const standing = (places: Places, { place }: Body): Stance | undefined =>
  place === undefined ? GROUND_STANCE : places.get(place);

function put({ centre, angle }: Stance, at: Point): Point {
  const [c, s] = [Math.cos(angle), Math.sin(angle)];
  return { x: centre.x + c * at.x - s * at.y, y: centre.y + s * at.x + c * at.y };
}
