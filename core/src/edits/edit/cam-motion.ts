import type { DrawnLines } from '../../files/format/drawn-lines.ts';
import type { Point } from '../../ground/geometry/index.ts';
import { LIMITS, MOST } from '../../document/machine/index.ts';
import { fail, ok, type Result } from '../../ground/result/index.ts';
import { type CamMotion, liftOf } from '../../trains/cam/index.ts';

export type CamSegments = Extract<CamMotion, { kind: 'segments' }>;
export type CamPoints = Extract<CamMotion, { kind: 'points' }>;
export type CamWaves = Extract<CamMotion, { kind: 'waves' }>;
export type Segment = CamSegments['segments'][number];

/** The ways in which a motion is said. */
export const CAM_MOTIONS: readonly { readonly kind: CamMotion['kind']; readonly called: string }[] = [
  { kind: 'segments', called: 'Rises, dwells and falls' },
  { kind: 'points', called: 'Through points' },
  { kind: 'sky', called: 'The Sun over a year' },
  { kind: 'waves', called: 'A sum of waves' },
];

/** The least that a segment fills, degrees. */
const LEAST_OVER = 0.1;
const short = (x: number): number => Math.round(x * 1e6) / 1e6;

/** A rise, a dwell, a fall and a dwell, which most cams are begun with. */
export const usualMotion = (stroke: number): CamSegments => ({
  kind: 'segments',
  segments: [
    { overDeg: 120, to: short(stroke), law: 'cycloidal' },
    { overDeg: 60, to: short(stroke), law: 'cycloidal' },
    { overDeg: 120, to: 0, law: 'cycloidal' },
    { overDeg: 60, to: 0, law: 'cycloidal' },
  ],
});

/** The least and the most lift of a motion, as it is said: mm or degrees. */
export function motionRange(
  motion: CamMotion,
  steps = 720,
): { readonly least: number; readonly most: number } {
  const lift = liftOf(motion);
  const all = Array.from({ length: steps }, (_, i) => lift((2 * Math.PI * i) / steps)[0]);
  return { least: Math.min(...all), most: Math.max(...all) };
}

/** How many points a motion is given when it is to go through some. */
const TAKEN = 24;

/** A motion said in another way: through points of the one that it was; else a usual one of the same stroke. */
export function motionAs(kind: CamMotion['kind'], motion: CamMotion): CamMotion {
  if (kind === motion.kind) return motion;
  const { least, most } = motionRange(motion);
  const stroke = Math.max(1e-3, most - least);
  switch (kind) {
    case 'segments':
      return usualMotion(stroke);
    case 'points': {
      const lift = liftOf(motion);
      const points = Array.from({ length: TAKEN }, (_, i): [number, number] => [
        (360 * i) / TAKEN,
        short(lift((2 * Math.PI * i) / TAKEN)[0]),
      ]);
      return { kind: 'points', points };
    }
    case 'sky':
      // The equation of time goes from fourteen minutes behind to sixteen ahead.
      return { kind: 'sky', of: 'equation of time', scale: short(stroke / 30) };
    case 'waves':
      return { kind: 'waves', waves: [{ times: 1, height: short(stroke / 2), atDeg: 180 }] };
  }
}

/** The same motion with lifts in proportion, so that it goes so far from its least to its most. */
export function withStroke(motion: CamMotion, stroke: number): CamMotion {
  const { least, most } = motionRange(motion);
  if (most - least < 1e-9) return motion;
  const by = stroke / (most - least);
  const scaled = (x: number): number => short(x * by);
  switch (motion.kind) {
    case 'segments':
      return { ...motion, segments: motion.segments.map(s => ({ ...s, to: scaled(s.to) })) };
    case 'points':
      return { ...motion, points: motion.points.map(([deg, lift]) => [deg, scaled(lift)]) };
    case 'sky':
      return { ...motion, scale: scaled(motion.scale) };
    case 'waves':
      return { ...motion, waves: motion.waves.map(w => ({ ...w, height: scaled(w.height) })) };
  }
}

/** How many degrees a segment may fill: what its neighbour has to give. */
export function segmentLimits({ segments }: CamSegments, at: number): readonly [number, number] {
  const [own, other] = [segments[at], segments[neighbour(segments, at)]];
  if (!own || !other || own === other) return [360, 360];
  return [LEAST_OVER, short(own.overDeg + other.overDeg - LEAST_OVER)];
}

/** The segment whose degrees another one takes: the next, of the last the one before. */
const neighbour = (segments: readonly Segment[], at: number): number =>
  at + 1 < segments.length ? at + 1 : at - 1;

/** Makes a segment fill so many degrees; its neighbour gives or takes what that changes. */
export function segmentOver(motion: CamSegments, at: number, overDeg: number): CamSegments {
  const [least, most] = segmentLimits(motion, at);
  const own = motion.segments[at];
  if (!own || overDeg < least || overDeg > most) return motion;
  const given = overDeg - own.overDeg;
  const other = neighbour(motion.segments, at);
  return {
    ...motion,
    segments: motion.segments.map((s, i) => {
      if (i === at) return { ...s, overDeg };
      return i === other ? { ...s, overDeg: short(s.overDeg - given) } : s;
    }),
  };
}

export const setSegment = (motion: CamSegments, at: number, change: Partial<Segment>): CamSegments => ({
  ...motion,
  segments: motion.segments.map((s, i) => (i === at ? { ...s, ...change } : s)),
});

/** Cuts a segment in two halves, the first up to the lift that it has in its middle. */
export function splitSegment(motion: CamSegments, at: number): CamSegments {
  const own = motion.segments[at];
  if (!own || motion.segments.length >= MOST.camSegments || own.overDeg < 2 * LEAST_OVER) return motion;
  const from = motion.segments[(at + motion.segments.length - 1) % motion.segments.length]?.to ?? 0;
  const half = short(own.overDeg / 2);
  const [one, two] = [
    { ...own, overDeg: half, to: short((from + own.to) / 2) },
    { ...own, overDeg: short(own.overDeg - half) },
  ];
  return { ...motion, segments: motion.segments.flatMap((s, i) => (i === at ? [one, two] : [s])) };
}

/** Takes a segment away; its neighbour fills its degrees. */
export function dropSegment(motion: CamSegments, at: number): CamSegments {
  const own = motion.segments[at];
  if (!own || motion.segments.length < 2) return motion;
  const other = neighbour(motion.segments, at);
  return {
    ...motion,
    segments: motion.segments.flatMap((s, i) =>
      i === at ? [] : [i === other ? { ...s, overDeg: short(s.overDeg + own.overDeg) } : s],
    ),
  };
}

/** Moves, adds or takes away a point; they stay in order of their angle. */
export function setPoint(motion: CamPoints, at: number, point: readonly [number, number]): CamPoints {
  return ordered(
    motion,
    motion.points.map((p, i) => (i === at ? point : p)),
  );
}

export const addPoint = (motion: CamPoints, point: readonly [number, number]): CamPoints =>
  motion.points.length >= MOST.camPoints ? motion : ordered(motion, [...motion.points, point]);

export const dropPoint = (motion: CamPoints, at: number): CamPoints =>
  motion.points.length <= 2 ? motion : { ...motion, points: motion.points.filter((_, i) => i !== at) };

const ordered = (motion: CamPoints, points: readonly (readonly [number, number])[]): CamPoints => ({
  ...motion,
  points: points
    .map(([deg, lift]): [number, number] => [short(Math.min(360, Math.max(0, deg))), short(lift)])
    .sort((a, b) => a[0] - b[0]),
});

/** A motion along the widest line of a drawing, as motionAlong; a unit is a millimetre where the drawing says none. */
export function motionFromDrawing({ lines, millimetres = 1 }: DrawnLines): Result<CamPoints> {
  const width = ({ points }: DrawnLines['lines'][number]): number =>
    points.length === 0 ? 0 : Math.max(...points.map(p => p.x)) - Math.min(...points.map(p => p.x));
  const [widest] = [...lines].sort((a, b) => width(b) - width(a));
  return motionAlong((widest?.points ?? []).map(p => ({ x: p.x * millimetres, y: p.y * millimetres })));
}

/**
 * A motion along a drawn line: its width is the turn, its heights above the lowest are the lifts, in the drawing's
 * units. It may turn back nowhere; it is taken at so many equal steps.
 */
function motionAlong(line: readonly Point[], steps = 180): Result<CamPoints> {
  const points = [...line];
  const [first, last] = [points[0], points.at(-1)];
  if (!first || !last || first.x === last.x) return fail('curve-no-width');
  if (first.x > last.x) points.reverse();
  const back = points.findIndex((p, i) => i > 0 && p.x < (points[i - 1]?.x ?? p.x));
  if (back > 0) return fail('curve-turns-back', { at: points[back]?.x ?? 0 });
  const [left, right] = [points[0]?.x ?? 0, points.at(-1)?.x ?? 1];
  const [low, high] = [Math.min(...points.map(p => p.y)), Math.max(...points.map(p => p.y))];
  const [, most] = LIMITS.camLift;
  if (high - low > most) return fail('curve-too-high', { lift: high - low, most });
  return ok({
    kind: 'points',
    points: Array.from({ length: steps }, (_, i): [number, number] => [
      (360 * i) / steps,
      short(heightAt(points, left + ((right - left) * i) / steps) - low),
    ]),
  });
}

function heightAt(points: readonly Point[], x: number): number {
  const after = points.findIndex(p => p.x > x);
  const [a, b] = [
    points[after === -1 ? points.length - 2 : Math.max(0, after - 1)],
    points[after === -1 ? points.length - 1 : after],
  ];
  if (!a || !b || b.x === a.x) return a?.y ?? 0;
  return a.y + ((b.y - a.y) * (x - a.x)) / (b.x - a.x);
}

/** A motion from a table of angles in degrees and lifts, one pair to a line; a first line of words is left out. */
export function motionFromTable(text: string): Result<CamPoints> {
  const lines = text
    .split(/\r?\n/)
    .map(l => l.trim())
    .filter(l => l !== '');
  const points: [number, number][] = [];
  for (const [i, line] of lines.entries()) {
    const [deg, lift] = line.split(/[;,\t ]+/).map(Number);
    const reads = deg !== undefined && lift !== undefined && Number.isFinite(deg) && Number.isFinite(lift);
    if (!reads && i === 0) continue;
    if (!reads) return fail('table-line', { line: i + 1, text: line.slice(0, 40) });
    if (deg < 0 || deg > 360) return fail('table-angle', { line: i + 1, deg });
    const [least, most] = LIMITS.camLift;
    if (lift < least || lift > most) return fail('table-lift', { line: i + 1, lift, least, most });
    points.push([deg, lift]);
  }
  if (points.length < 2) return fail('table-short', { points: points.length });
  if (points.length > MOST.camPoints)
    return fail('table-long', { points: points.length, most: MOST.camPoints });
  return ok({ kind: 'points', points: points.sort((a, b) => a[0] - b[0]) });
}

export const addWave = (motion: CamWaves): CamWaves =>
  motion.waves.length >= MOST.camWaves
    ? motion
    : {
        ...motion,
        waves: [...motion.waves, { times: (motion.waves.at(-1)?.times ?? 0) + 1, height: 1, atDeg: 0 }],
      };

export const setWave = (
  motion: CamWaves,
  at: number,
  change: Partial<CamWaves['waves'][number]>,
): CamWaves => ({
  ...motion,
  waves: motion.waves.map((w, i) => (i === at ? { ...w, ...change } : w)),
});

export const dropWave = (motion: CamWaves, at: number): CamWaves =>
  motion.waves.length <= 1 ? motion : { ...motion, waves: motion.waves.filter((_, i) => i !== at) };
