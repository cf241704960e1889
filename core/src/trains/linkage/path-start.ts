import { distance, type Point } from '../../ground/geometry/index.ts';

/** Points at even ways along a line, both ends kept when it is open; of a closed one the first is not repeated. */
export function evenly(points: readonly Point[], count: number, closed: boolean): Point[] {
  const line = closed && points[0] ? [...points, points[0]] : [...points];
  const ways = [0];
  for (let i = 1; i < line.length; i++)
    ways.push((ways[i - 1] ?? 0) + distance(line[i - 1] as Point, line[i] as Point));
  const whole = ways.at(-1) ?? 0;
  const found: Point[] = [];
  let at = 1;
  for (let k = 0; k < count; k++) {
    const way = (whole * k) / (closed ? count : Math.max(1, count - 1));
    while (at < line.length - 1 && (ways[at] ?? 0) < way) at++;
    const [p, q] = [line[at - 1] as Point, line[at] as Point];
    const [from, to] = [ways[at - 1] ?? 0, ways[at] ?? 0];
    const t = to > from ? (way - from) / (to - from) : 0;
    found.push({ x: p.x + t * (q.x - p.x), y: p.y + t * (q.y - p.y) });
  }
  return found;
}

/** How one row of points is best laid on another: larger by so much, turned by so much, moved; what remains, mm². */
export interface Laid {
  readonly by: number;
  readonly angle: number;
  readonly move: Point;
  readonly remains: number;
}

/**
 * The similarity that lays points on others in the same order with the least sum of squares; `pinned`: about 0, 0, with
 * no move. Source: the plane case of Procrustes, as a quotient of complex sums.
 */
function layOn(
  points: readonly Point[],
  onto: readonly Point[],
  pinned: boolean,
  back = false,
  shift = 0,
): Laid {
  const n = onto.length;
  let [mx, my, wx, wy] = [0, 0, 0, 0];
  if (!pinned) {
    for (let i = 0; i < n; i++) {
      mx += (points[i] as Point).x / n;
      my += (points[i] as Point).y / n;
      wx += (onto[i] as Point).x / n;
      wy += (onto[i] as Point).y / n;
    }
  }
  let [re, im, pp, ww] = [0, 0, 0, 0];
  for (let i = 0; i < n; i++) {
    const k = back ? (shift - i + 2 * n) % n : (shift + i) % n;
    const [p, w] = [points[k] as Point, onto[i] as Point];
    const [px, py, qx, qy] = [p.x - mx, p.y - my, w.x - wx, w.y - wy];
    re += px * qx + py * qy;
    im += px * qy - py * qx;
    pp += px * px + py * py;
    ww += qx * qx + qy * qy;
  }
  const by = pp > 0 ? Math.hypot(re, im) / pp : 0;
  const angle = Math.atan2(im, re);
  const [c, s] = [by * Math.cos(angle), by * Math.sin(angle)];
  return {
    ...{ by, angle, remains: Math.max(0, ww - (pp > 0 ? (re * re + im * im) / pp : 0)) },
    move: { x: wx - (c * mx - s * my), y: wy - (s * mx + c * my) },
  };
}

/** Ways along a closed path, as parts of it, that an open line is laid on. */
const PARTS = [1 / 6, 1 / 4, 1 / 3, 1 / 2, 2 / 3, 5 / 6];
/** So many points of a line are compared. */
export const COMPARED = 20;

/** The best way of laying a closed path on a wanted line of evenly spaced points, in either sense, from any start. */
export function bestLaid(
  path: readonly Point[],
  wanted: readonly Point[],
  closed: boolean,
  pinned: boolean,
): Laid {
  let best: Laid | undefined;
  const take = (laid: Laid): void => {
    if (!best || laid.remains < best.remains) best = laid;
  };
  if (closed) {
    const even = evenly(path, COMPARED, true);
    for (let shift = 0; shift < COMPARED; shift++) {
      take(layOn(even, wanted, pinned, false, shift));
      take(layOn(even, wanted, pinned, true, shift));
    }
  } else {
    const fine = 6 * COMPARED;
    const even = evenly(path, fine, true);
    for (const part of PARTS) {
      const step = (part * fine) / (COMPARED - 1);
      for (let from = 0; from < fine; from += 5) {
        const piece = wanted.map((_, i) => even[Math.round(from + i * step) % fine] as Point);
        take(layOn(piece, wanted, pinned));
        take(layOn(piece.reverse(), wanted, pinned));
      }
    }
  }
  return best ?? { by: 0, angle: 0, move: { x: 0, y: 0 }, remains: Infinity };
}
