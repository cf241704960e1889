import type { Point } from '../../ground/geometry/index.ts';
import { type Facing, type Ready, teethInReach, windowOf } from './engagement.ts';
import { flankGap, type FlankGap } from './flank-gap.ts';

/** One tooth pair at a position, its gap in mm at the pitch circle of the second and along the normal. */
export interface PairGap {
  readonly tooth: number;
  /** How far the second may move towards the first, in its own motion (radians or mm). */
  readonly gap: number;
  /** The same along the common normal, mm. */
  readonly normalGap: number;
  readonly corner: boolean;
  /** Where, in the fixed frame. */
  readonly at: Point;
}

/** What was measured with the first body at t. Lengths in mm at the second's pitch circle unless said otherwise. */
export interface RollPosition {
  readonly t: number;
  /** How far the second, pushed forwards by the first, stands ahead of the law. */
  readonly error: number;
  readonly play: number;
  /** Deepest overlap along the normal with both as the law has them. */
  readonly overlap: number;
  /** Least gap along the normal with both as the law has them. */
  readonly leastGap: number;
}

/** The outlines of a pair, rolled. */
export interface RollResult {
  readonly positions: readonly RollPosition[];
  readonly deepestOverlap: number;
  readonly leastGap: number;
  readonly leastPlay: number;
  readonly mostPlay: number;
  /** Peak to peak of the error, mm. */
  readonly transmissionError: number;
  /** Tooth pairs in contact on the average, flank on flank. */
  readonly contactRatio: number;
  /** Greatest jump of the second's speed when one pair takes over from another, as a part of it. */
  readonly shock: number;
}

/** Gaps of every tooth pair in reach on one side, with the first at t. */
export function gapsAt(ready: Ready, facing: Facing, t: number): PairGap[] {
  return teethInReach(ready, t).flatMap(i => gapOf(ready, facing, i, t) ?? []);
}

function gapOf(ready: Ready, facing: Facing, tooth: number, t: number): PairGap | undefined {
  const j = facing.mateOf(tooth);
  const { points, turned } = ready.carry(facing.a.points, tooth, j, t);
  const found = flankGap({ ...facing.a, points }, facing.b, facing.towards, ready.motion, turned);
  if (!found) return undefined;
  const at = ready.place(found.at, j, t);
  return { tooth, gap: found.gap, normalGap: found.gap * leverage(found, ready), corner: found.corner, at };
}

/** How far the flanks part along their normal for each unit of the second's motion, mm. */
function leverage({ at, normal }: FlankGap, { motion }: Ready): number {
  return motion === 'slide' ? Math.abs(normal.y) : Math.abs(at.x * normal.y - at.y * normal.x);
}

const least = (gaps: readonly PairGap[]): PairGap | undefined =>
  gaps.reduce<PairGap | undefined>((m, g) => (!m || g.gap < m.gap ? g : m), undefined);

/** What is measured at one position; undefined when no teeth meet. */
export function rollPosition(ready: Ready, t: number): RollPosition | undefined {
  const drive = least(gapsAt(ready, ready.drive, t));
  const coast = least(gapsAt(ready, ready.coast, t));
  return drive && coast && positionOf(t, drive, coast, ready.engagement.lever);
}

function positionOf(t: number, drive: PairGap, coast: PairGap, lever: number): RollPosition {
  const gaps = [drive.normalGap, coast.normalGap];
  return {
    t,
    error: -drive.gap * lever,
    play: (drive.gap + coast.gap) * lever,
    overlap: Math.max(0, ...gaps.map(g => -g)),
    leastGap: Math.max(0, Math.min(...gaps)),
  };
}

/**
 * Rolls the outlines through a pitch of the first body, or through `turns` whole turns where the law has no
 * constant ratio, in `steps` equal steps. Geometry of the outlines as they are, chord by chord; no formula of any
 * tooth form enters.
 * Undefined when the teeth do not meet. With a constant ratio one tooth is followed through the mesh, and stands
 * for all.
 */
export function rollCheck(
  ready: Ready,
  steps: number,
  chordError: number,
  turns?: number,
): RollResult | undefined {
  const pitch = (2 * Math.PI) / ready.engagement.a.count;
  const span = turns === undefined ? pitch : 2 * Math.PI * turns;
  const at = (k: number): number => span * ((k + 0.5) / steps - 0.5);
  const drives =
    turns === undefined ? followed(ready, ready.drive, steps) : rolled(ready, ready.drive, at, steps);
  const coasts =
    turns === undefined ? followed(ready, ready.coast, steps) : rolled(ready, ready.coast, at, steps);
  const { lever } = ready.engagement;
  const positions: RollPosition[] = [];
  for (let k = 0; k < steps; k++) {
    const [drive, coast] = [least(drives[k] ?? []), least(coasts[k] ?? [])];
    if (!drive || !coast) return undefined;
    positions.push(positionOf(at(k), drive, coast, lever));
  }
  const of = (pick: (p: RollPosition) => number): number[] => positions.map(pick);
  const errors = of(p => p.error);
  return {
    positions,
    deepestOverlap: Math.max(...of(p => p.overlap)),
    leastGap: Math.min(...of(p => p.leastGap)),
    leastPlay: Math.min(...of(p => p.play)),
    mostPlay: Math.max(...of(p => p.play)),
    transmissionError: Math.max(...errors) - Math.min(...errors),
    contactRatio: bearing(drives, chordError) / steps,
    shock: shockOf(positions, ready),
  };
}

/** Gaps at every step, each found for itself. */
const rolled = (ready: Ready, facing: Facing, at: (k: number) => number, steps: number): PairGap[][] =>
  Array.from({ length: steps }, (_, k) => gapsAt(ready, facing, at(k)));

/**
 * Gaps at every step of one pitch, by following tooth 0 through the mesh: what it does a pitch later, the tooth
 * before it does now.
 */
function followed(ready: Ready, facing: Facing, steps: number): PairGap[][] {
  const { count } = ready.engagement.a;
  const pitch = (2 * Math.PI) / count;
  const found: PairGap[][] = Array.from({ length: steps }, () => []);
  const reach = Math.min(Math.floor(count / 2), Math.ceil(windowOf(ready) / pitch) + 1);
  // Teeth that go all round are followed for one turn: past half a turn either way others stand where they would.
  const half = Math.round(count) === count ? Math.PI : Infinity;
  for (let i = -reach; i <= reach; i++) {
    for (let k = 0; k < steps; k++) {
      const t = pitch * ((k + 0.5) / steps - 0.5) + i * pitch;
      if (t < -half || t >= half) continue;
      const gap = gapOf(ready, facing, 0, t);
      if (gap) found[k]?.push({ ...gap, tooth: i });
    }
  }
  return found;
}

/**
 * Steps at which each pair bears, added up: flank rests on flank (no corner scrapes) and the pair stands no further
 * apart than two chord errors from the one that pushes hardest.
 */
function bearing(gaps: readonly (readonly PairGap[])[], chordError: number): number {
  let sum = 0;
  for (const pairs of gaps) {
    const first = least(pairs);
    if (!first) continue;
    sum += pairs.filter(g => !g.corner && g.normalGap - first.normalGap <= 2 * chordError).length;
  }
  return sum;
}

/** Part of a pitch over which a slope is taken on either side, so that chords do not count as shocks. */
const SLOPE = 6;

/** The greatest jump in slope of the error, against the second's speed at its pitch circle. */
function shockOf(positions: readonly RollPosition[], ready: Ready): number {
  const n = positions.length;
  const k = Math.max(1, Math.round(n / SLOPE));
  const t = (i: number): number => positions[(i + n) % n]?.t ?? 0;
  const e = (i: number): number => positions[((i % n) + n) % n]?.error ?? 0;
  const step = n > 1 ? t(1) - t(0) : 1;
  const speed = Math.abs(ready.law(step) - ready.law(0)) * ready.engagement.lever;
  let most = 0;
  for (let i = 0; i < n; i++) {
    const jump = (e(i + k) - e(i)) / k - (e(i) - e(i - k)) / k;
    most = Math.max(most, Math.abs(jump));
  }
  return most / speed;
}
