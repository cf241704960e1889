import { type Point, rotate } from '../../ground/geometry/index.ts';
import { type HalfTooth, halfPoints } from '../tooth/index.ts';
import { type FlankPoints, flankPoints, type Motion } from './flank-gap.ts';

/** How two toothed bodies stand to each other: side by side, the first within the second, or a wheel at a rack. */
export type Stand = 'external' | 'internal' | 'rack';

/** The teeth of one body as they will be cut: the same half tooth all round. */
export interface Teeth {
  readonly half: HalfTooth;
  /** On the full circle; need not be whole for teeth that do not close (a developed bevel, a sector). */
  readonly count: number;
}

/**
 * Two bodies in engagement, as plain data. The first stands at the origin and turns; the second stands `distance` mm to
 * its right (in a ring: the ring's centre as far to the left; a rack: its pitch line so far to the right). Motion
 * of the first is t radians; `law` gives the second's for it, radians or mm, in its own sense, nought at nought,
 * where tooth 0 of the first stands in a gap of the second. A law without a constant ratio is given by samples at
 * equal steps over a whole turn of the first, both ends included, so that it can be sent and kept like everything else.
 */
export interface Engagement {
  readonly stand: Stand;
  readonly a: Teeth;
  readonly b: Teeth;
  readonly distance: number;
  /** Radius of the second body's pitch circle, mm: turns its motion into mm. 1 for a rack. */
  readonly lever: number;
  /** Pitch of a rack, mm. */
  readonly pitch: number;
  readonly law?: readonly number[] | undefined;
}

/** One side of a tooth pair: which tooth of the second faces tooth i of the first. */
export interface Facing {
  readonly a: FlankPoints;
  readonly b: FlankPoints;
  readonly towards: 1 | -1;
  readonly mateOf: (i: number) => number;
}

/** Points in another frame, and the angle they were turned by. */
interface Carried {
  readonly points: readonly Point[];
  readonly turned: number;
}

/** An engagement made ready: flanks as points, and where everything stands at t. */
export interface Ready {
  readonly engagement: Engagement;
  readonly motion: Motion;
  readonly drive: Facing;
  readonly coast: Facing;
  readonly reachA: number;
  readonly reachB: number;
  /** The second body's motion that goes with t. */
  readonly law: (t: number) => number;
  /** Where tooth 0 of the second stands: its angle, or its place along a rack, downwards. */
  readonly placeOf: (t: number) => number;
  /** Angle of tooth i of the first about its centre. */
  readonly angleA: (i: number, t: number) => number;
  /** Points of tooth i of the first in the frame of tooth j of the second, and by how much they are turned. */
  readonly carry: (points: readonly Point[], i: number, j: number, t: number) => Carried;
  /** A point in the frame of tooth j of the second, in the fixed frame. */
  readonly place: (p: Point, j: number, t: number) => Point;
}

/** True arcs stay arcs in files, so they are rolled so much finer than the chords of curves. */
const ARCS_FINER = 4;

/**
 * Makes an engagement ready to roll; its curves are chords already, its true arcs become chords far within
 * `chordError` mm.
 */
export function readyToRoll(engagement: Engagement, chordError: number): Ready {
  const { stand, a, b, distance, pitch } = engagement;
  const arcs = chordError / ARCS_FINER;
  const [lowA, lowB] = [halfPoints(a.half, arcs), halfPoints(b.half, arcs)];
  const [trailA, trailB] = [flankPoints(lowA), flankPoints(lowB)];
  const [leadA, leadB] = [upper(trailA), upper(trailB)];
  const [stepA, stepB] = [(2 * Math.PI) / a.count, (2 * Math.PI) / b.count];
  const motion: Motion = stand === 'rack' ? 'slide' : 'turn';
  const law = engagement.law ? sampledLaw(engagement.law) : constantLaw(engagement);
  const angleA = (i: number, t: number): number => t + i * stepA;
  const inner = stand === 'internal';
  const toothB = (j: number, t: number): number => {
    if (stand === 'rack') return -law(t) - pitch / 2 + j * pitch;
    return (inner ? 0 : Math.PI) + stepB / 2 + law(t) + j * stepB;
  };
  const centreB = inner ? -distance : distance;
  const carry = (points: readonly Point[], i: number, j: number, t: number): Carried => {
    const own = angleA(i, t);
    const other = toothB(j, t);
    const turned = stand === 'rack' ? Math.PI + own : own - other;
    const [c, s] = [Math.cos(turned), Math.sin(turned)];
    const shift = stand === 'rack' ? { x: distance, y: -other } : rotate({ x: -centreB, y: 0 }, -other);
    return {
      turned,
      points: points.map(p => ({ x: c * p.x - s * p.y + shift.x, y: s * p.x + c * p.y + shift.y })),
    };
  };
  const place = (p: Point, j: number, t: number): Point => {
    if (stand === 'rack') return { x: distance - p.x, y: -(p.y + toothB(j, t)) };
    const q = rotate(p, toothB(j, t));
    return { x: q.x + centreB, y: q.y };
  };
  const mates: Record<Stand, [(i: number) => number, (i: number) => number]> = {
    external: [i => -i - 1, i => -i],
    internal: [i => i, i => i - 1],
    rack: [i => -i, i => 1 - i],
  };
  const [ahead, behind] = mates[stand];
  return {
    ...{ engagement, motion, law, angleA, carry, place },
    placeOf: t => toothB(0, t),
    drive: { a: leadA, b: inner ? trailB : leadB, towards: inner ? -1 : 1, mateOf: ahead },
    coast: { a: trailA, b: inner ? leadB : trailB, towards: inner ? 1 : -1, mateOf: behind },
    reachA: reach(lowA),
    reachB: inner ? Math.min(...lowB.map(p => Math.hypot(p.x, p.y))) : reach(lowB),
  };
}

/** Between samples along straight lines; every further turn goes on where the last one ended. */
function sampledLaw(samples: readonly number[]): (t: number) => number {
  const steps = samples.length - 1;
  const [start, end] = [samples[0] ?? 0, samples[steps] ?? 0];
  return t => {
    const turns = Math.floor(t / (2 * Math.PI));
    const at = (t / (2 * Math.PI) - turns) * steps;
    const k = Math.min(steps - 1, Math.floor(at));
    const [u, v] = [samples[k] ?? 0, samples[k + 1] ?? 0];
    return turns * (end - start) + u + (at - k) * (v - u);
  };
}

/**
 * Constant ratio: the counts', or the pitch for each tooth on a rack. The second turns against the first outside,
 * with it inside.
 */
function constantLaw({ stand, a, b, pitch }: Engagement): (t: number) => number {
  if (stand === 'rack') return t => (t * a.count * pitch) / (2 * Math.PI);
  const ratio = a.count / b.count;
  return stand === 'internal' ? t => t * ratio : t => -t * ratio;
}

const reach = (points: readonly Point[]): number => Math.max(...points.map(p => Math.hypot(p.x, p.y)));

const upper = (low: FlankPoints): FlankPoints => flankPoints(low.points.map(p => ({ x: p.x, y: -p.y })));

/**
 * Teeth of the first that may reach the second at t: those whose middle stands within the window about the line of
 * centres.
 */
export function teethInReach(ready: Ready, t: number): number[] {
  const { a } = ready.engagement;
  const step = (2 * Math.PI) / a.count;
  const window = Math.min(Math.PI, windowOf(ready) + step);
  const from = Math.ceil((-window - t) / step);
  const to = Math.floor((window - t) / step);
  const all = Array.from({ length: to - from + 1 }, (_, k) => from + k);
  return all.length > a.count ? all.slice(0, Math.floor(a.count)) : all;
}

/** Half the angle at the first's centre within which its tips reach into the second's teeth. */
export function windowOf({ engagement, reachA, reachB }: Ready): number {
  const { stand, distance: d } = engagement;
  if (stand === 'rack') return Math.acos(Math.min(1, Math.max(-1, (d - reachB) / reachA)));
  if (stand === 'external')
    return Math.acos(Math.min(1, Math.max(-1, (reachA ** 2 + d * d - reachB ** 2) / (2 * reachA * d))));
  return Math.acos(Math.min(1, Math.max(-1, (reachB ** 2 - d * d - reachA ** 2) / (2 * reachA * d))));
}
