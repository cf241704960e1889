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
import { coursesTogether } from './joint-course.ts';
import { linkPin, type LinkShape, linkShape } from './link-shapes.ts';
import { copyPlace, type Moving, stancesAt } from './moving.ts';
import type { Stance } from './stance.ts';

/** Positions at which bodies are held against each other, for a turn of what leads fastest, and the most of all. */
const STEPS = 90;
const MOST_STEPS = 1440;
/** Positions between two of those, about the nearest. */
const FINER = 8;
/** Gaps beyond this are not worth a line, mm. */
const FAR = 25;

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
  const linked = [...shapes.flatMap(s => plateBody(parts, s, lines) ?? []), ...pinBodies(parts)];
  const others = solids.flatMap(s => solidBody(moving, s) ?? []);
  const pairs = linked.flatMap((a, i) =>
    [...linked.slice(i + 1), ...others].flatMap(b => (meets(a, b) ? [{ a, b, gap: Infinity, at: 0 }] : [])),
  );
  if (pairs.length === 0) return [];
  const { turns, steps } = courseOf(moving, shapes);
  const places = new Map<string, Stance>();
  for (let i = 0; i < steps; i++) {
    stancesAt(moving, turnsAt((turns * i) / steps), places);
    for (const pair of pairs) {
      const gap = gapAt(places, pair.a, pair.b, pair.gap);
      if (gap < pair.gap) Object.assign(pair, { gap, at: i });
    }
  }
  return pairs
    .filter(p => p.gap < FAR)
    .map(p => {
      const fine = finer(moving, p, turns, steps, places);
      return { kind: 'linkage' as const, a: p.a.subject, b: p.b.subject, ...fine, swept: false };
    })
    .sort((p, q) => p.gap - q.gap);
}

const turnsAt = (at: number): { whole: bigint; part: number } => {
  const whole = Math.floor(at);
  return { whole: BigInt(whole), part: at - whole };
};

/** Turns of the drive until all stands as it did, as far as they are followed, and the positions looked at. */
function courseOf(moving: Moving, shapes: readonly LinkShape[]): { turns: number; steps: number } {
  const joints = shapes.flatMap(s => byId(moving.machine.joints, s.plate.joint) ?? []);
  const { turns, rates } = coursesTogether(moving, joints);
  if (turns === undefined) return { turns: 1, steps: 1 };
  const fastest = Math.max(...rates.map(r => Math.abs(toNumber(r))));
  return { turns, steps: Math.max(STEPS, Math.min(MOST_STEPS, Math.ceil(STEPS * turns * fastest))) };
}

/** The nearest of two bodies about where they come nearest. */
function finer(
  moving: Moving,
  { a, b, gap, at }: { readonly a: Body; readonly b: Body; readonly gap: number; readonly at: number },
  turns: number,
  steps: number,
  places: Map<string, Stance>,
): { gap: number; at: number } {
  let best = { gap, at: (turns * at) / steps };
  for (let k = 1 - FINER; k < FINER; k++) {
    const here = (turns * (((at + k / FINER) % steps) + steps)) / steps;
    stancesAt(moving, turnsAt(here % turns), places);
    const found = gapAt(places, a, b, best.gap);
    if (found < best.gap) best = { gap: found, at: here % turns };
  }
  return best;
}

function plateBody(
  { machine, stack }: LayoutParts,
  { plate, lines, width }: LinkShape,
  lineOf: ReadonlyMap<string, string | undefined>,
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
function pinBodies({ machine, stack }: LayoutParts): Body[] {
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
  return bodyOf({
    ...{ subject: s.id, place, with: s.member === undefined ? [] : [s.member], line: s.line, band: s.band },
    ...{ strokes: [{ from: at, to, half: s.outer }], inner: s.inner, linked: false },
  });
}

/** The name of the place of a solid: of a member, or of a further one of its copies. */
function placeOf({ copies }: Moving, { member = '', copy }: Solid): string {
  if (copy === 0) return member;
  const own = copies.flatMap((c, i) => (c.member === member ? [i] : []));
  return copyPlace(member, own[copy - 1] ?? -1);
}

/** Whether two bodies could touch and may not. */
function meets(a: Body, b: Body): boolean {
  if (!overlap(a.band, b.band)) return false;
  if (a.cam !== undefined && a.cam === b.cam) return false;
  if (a.line !== undefined && a.line === b.line && !b.linked) return false;
  return !a.with.some(m => b.with.includes(m));
}

/** The gap of two bodies as they stand; nothing nearer than so much is looked for closely. */
function gapAt(places: ReadonlyMap<string, Stance>, a: Body, b: Body, beaten: number): number {
  const [p, q] = [standing(places, a), standing(places, b)];
  if (!p || !q) return Infinity;
  const far = distance(p.centre, q.centre) - a.reach - b.reach;
  if (far > Math.min(beaten, FAR)) return Infinity;
  let nearest = Infinity;
  const theirs = b.strokes.map(s => ({ from: put(q, s.from), to: put(q, s.to), half: s.half }));
  for (const s of a.strokes) {
    const [from, to] = [put(p, s.from), put(p, s.to)];
    for (const t of theirs) {
      const within =
        b.inner === undefined
          ? -Infinity
          : b.inner - Math.max(distance(q.centre, from), distance(q.centre, to)) - s.half;
      const gap = Math.max(within, segmentGap(from, to, t.from, t.to) - s.half - t.half);
      if (gap < nearest) nearest = gap;
    }
  }
  return nearest;
}

const GROUND_STANCE: Stance = { centre: { x: 0, y: 0 }, angle: 0 };
const standing = (places: ReadonlyMap<string, Stance>, { place }: Body): Stance | undefined =>
  place === undefined ? GROUND_STANCE : places.get(place);

function put({ centre, angle }: Stance, at: Point): Point {
  const [c, s] = [Math.cos(angle), Math.sin(angle)];
  return { x: centre.x + c * at.x - s * at.y, y: centre.y + s * at.x + c * at.y };
}
