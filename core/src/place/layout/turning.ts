import { arbors, byId, GROUND, type Machine } from '../../document/machine/index.ts';
import type { Point } from '../../ground/geometry/index.ts';
import { gcd, isZero, type Rational } from '../../ground/rational/index.ts';
import { groundRate } from '../../trains/train/index.ts';

/** A vector that turns: so many turns per turn of the drive, or, where the rate is uneven or unknown, just somehow. */
interface Vector extends Point {
  /** Vectors of one key turn together. */
  readonly key: string;
  readonly rate: Rational | undefined;
}

/** A point that is carried round: a standing vector and turning ones, their sum at rest where the point rests. mm. */
export interface Turning extends Point {
  readonly vectors: readonly Vector[];
}

/** What the places of axes through the whole motion are made from. */
export interface MotionParts {
  readonly machine: Pick<Machine, 'axes' | 'members'>;
  readonly rates: Readonly<Record<string, Rational>>;
  /** Arbors that turn unevenly. */
  readonly uneven: ReadonlySet<string>;
  /** All axes at rest, mm. */
  readonly at: Readonly<Record<string, Point>>;
}

/** The key under which an arm turns what it carries; undefined where it stands still. */
export function armKey(
  { machine, rates, uneven }: MotionParts,
  arm: string,
): Pick<Vector, 'key' | 'rate'> | undefined {
  const rate = groundRate(machine, rates, arm);
  if (!rate || uneven.has(arm)) return { key: `arm ${arm}`, rate: undefined };
  return isZero(rate) ? undefined : { key: `${rate.num}/${rate.den}`, rate };
}

/**
 * An axis through the whole motion; `turn` (radians) for a further place of what stands in several. Undefined
 * without a place.
 */
export function turningAxis(parts: MotionParts, axisId: string, turn = 0): Turning | undefined {
  const axis = byId(parts.machine.axes, axisId);
  const here = parts.at[axisId];
  if (!axis || !here) return undefined;
  if (axis.frame === GROUND) return { ...here, vectors: [] };
  const pivotAxis = byId(arbors(parts.machine), axis.frame)?.axis;
  const pivot = pivotAxis === undefined ? undefined : parts.at[pivotAxis];
  const base = pivotAxis === undefined ? undefined : turningAxis(parts, pivotAxis);
  if (!pivot || !base) return undefined;
  const [c, s] = [Math.cos(turn), Math.sin(turn)];
  const [dx, dy] = [here.x - pivot.x, here.y - pivot.y];
  const way = { x: c * dx - s * dy, y: s * dx + c * dy };
  const key = armKey(parts, axis.frame);
  if (!key) return { x: base.x + way.x, y: base.y + way.y, vectors: base.vectors };
  return { ...base, vectors: merged([...base.vectors, { ...key, ...way }]) };
}

/** Vectors of one key as one; what comes to nothing is left out. */
export function merged(vectors: readonly Vector[]): Vector[] {
  const sums = new Map<string, Vector>();
  for (const v of vectors) {
    const sum = sums.get(v.key);
    sums.set(v.key, sum ? { ...sum, x: sum.x + v.x, y: sum.y + v.y } : v);
  }
  return [...sums.values()].filter(v => Math.hypot(v.x, v.y) > 1e-9);
}

/** One point as seen from another that does not turn with it. */
export const relative = (a: Turning, b: Turning): Turning =>
  a.vectors.length === 0 && b.vectors.length === 0
    ? { x: a.x - b.x, y: a.y - b.y, vectors: [] }
    : {
        x: a.x - b.x,
        y: a.y - b.y,
        vectors: merged([...a.vectors, ...b.vectors.map(v => ({ ...v, x: -v.x, y: -v.y }))]),
      };

/** How far a point comes and goes from the origin, and whether that is what is swept or what is truly reached. */
export interface Reach {
  readonly least: number;
  readonly most: number;
  /** The least is a bound of the room swept: the rates may never bring it about. */
  readonly swept: boolean;
}

/**
 * Nearest and farthest distance of a turning point from the origin. A standing vector and one that turns, or two that
 * turn, reach every distance between the difference and the sum of their lengths. With more, that is a bound; it is
 * made exact (to `EXACT` mm) by searching the whole period of the rates, where that is not too long.
 */
export function reachOf(p: Turning): Reach {
  const lengths = p.vectors.map(v => Math.hypot(v.x, v.y));
  const standing = Math.hypot(p.x, p.y);
  const all = standing > 1e-9 ? [standing, ...lengths] : lengths;
  const most = all.reduce((sum, l) => sum + l, 0);
  const least = Math.max(0, 2 * Math.max(0, ...all) - most);
  if (all.length <= 2) return { least, most, swept: false };
  const exact = leastOverPeriod(p);
  return exact === undefined
    ? { least, most, swept: true }
    : { least: Math.max(least, exact), most, swept: false };
}

/**
 * A distance that two turning points never come nearer than, without searching: what the longest of their vectors
 * against each other has over all others together. As `reachOf(relative(a, b))` gives it before a search, and quicker.
 */
export function neverNearer(a: Turning, b: Turning): number {
  const standing = Math.hypot(a.x - b.x, a.y - b.y);
  let [sum, longest] = [standing, standing];
  const count = (x: number, y: number): void => {
    const length = Math.hypot(x, y);
    sum += length;
    if (length > longest) longest = length;
  };
  for (const v of a.vectors) {
    const w = b.vectors.find(o => o.key === v.key);
    count(v.x - (w?.x ?? 0), v.y - (w?.y ?? 0));
  }
  for (const w of b.vectors) if (!a.vectors.some(o => o.key === w.key)) count(w.x, w.y);
  return Math.max(0, 2 * longest - sum);
}

const EXACT = 0.005;
/** Longest period that is searched, in turns of the fastest vector, and most places looked at. */
const MOST_TURNS = 400;
const MOST_LOOKS = 60_000;

/**
 * The least distance over a whole period: intervals of time are halved where the speed of the point would allow
 * less than what was found (the distance changes no faster than the sum of the vectors' speeds). Undefined where
 * the rates are not all known, or the period is too long.
 */
function leastOverPeriod(p: Turning): number | undefined {
  const rates = p.vectors.flatMap(v => (v.rate ? [v.rate] : []));
  if (rates.length < p.vectors.length) return undefined;
  const den = rates.reduce((d, r) => (d * r.den) / gcd(d, r.den), 1n);
  const whole = rates.map(r => (r.num * den) / r.den);
  const common = whole.reduce((g, n) => gcd(g, n < 0n ? -n : n), 0n);
  const turns = whole.map(n => Number(n / (common || 1n)));
  const longest = Math.max(...turns.map(Math.abs));
  if (!(longest <= MOST_TURNS)) return undefined;
  const distanceAt = (t: number): number => {
    let [x, y] = [p.x, p.y];
    p.vectors.forEach((v, i) => {
      const a = 2 * Math.PI * (turns[i] ?? 0) * t;
      const [c, s] = [Math.cos(a), Math.sin(a)];
      x += c * v.x - s * v.y;
      y += s * v.x + c * v.y;
    });
    return Math.hypot(x, y);
  };
  const speed = p.vectors.reduce(
    (sum, v, i) => sum + 2 * Math.PI * Math.abs(turns[i] ?? 0) * Math.hypot(v.x, v.y),
    0,
  );
  const steps = 8 * longest;
  let best = Infinity;
  let looks = 0;
  let open = Array.from({ length: steps }, (_, i) => ({ t: (i + 0.5) / steps, half: 0.5 / steps, d: 0 }));
  while (open.length > 0) {
    looks += open.length;
    if (looks > MOST_LOOKS) return undefined;
    open = open.map(o => ({ ...o, d: distanceAt(o.t) }));
    best = Math.min(best, ...open.map(o => o.d));
    open = open
      .filter(o => o.d - speed * o.half < best - EXACT)
      .flatMap(o => [-1, 1].map(k => ({ t: o.t + (k * o.half) / 2, half: o.half / 2, d: 0 })));
  }
  return best - EXACT;
}
