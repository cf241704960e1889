import { distance, type Point } from '../../ground/geometry/index.ts';
import { seeded } from '../../ground/rational/index.ts';
import { degrees, radians } from '../../ground/units/index.ts';
import {
  beyond,
  couplerPath,
  crankGoesRound,
  type FourBar,
  type FourLengths,
  leastTransmission,
  lengthsOf,
  roomOf,
  scaledAndTurned,
} from './four-bar.ts';
import { leastSquares } from './least-squares.ts';
import { bestLaid, COMPARED, evenly } from './path-start.ts';
import type { Shortlist } from './shortlist.ts';
import {
  type LinkageFound,
  type LinkageNews,
  type LinkageQuery,
  TRANSMISSION_MARGIN,
  type WantedMotion,
} from './wanted-motion.ts';

type WantedPath = Extract<WantedMotion, { kind: 'path' }>;
/** A linkage and where the axis of its crank stands among the wanted points. */
interface Placed {
  readonly linkage: FourBar;
  readonly axis: Point;
}

/** Linkages drawn by chance in a round, and the best of them that are made better. */
const DRAWN = 3000;
const BETTERED = 4;
/** Steps of a path while linkages are compared, made better and judged. */
const [ROUGH, FINE, JUDGED] = [40, 72, 720] as const;
/** A path longer than the wanted line by more goes elsewhere as well. */
const DETOUR = 1.35;
/** No part of a linkage is longer than so many cranks. */
const SLENDER = 10;

/**
 * Searches for four-bars whose coupler leads a point along a path: many drawn by chance, laid on the wanted line as
 * large and turned as fits best, the nearest made better in all their lengths. Those remain whose crank goes round,
 * that keep the transmission angle, fit the room and pass the points in their order.
 */
export function* findByPath(
  query: LinkageQuery,
  wanted: WantedPath,
  list: Shortlist,
): Generator<LinkageNews, void> {
  const chance = seeded(20_26);
  const even = evenly(wanted.points, COMPARED, wanted.closed);
  for (let round = 0; round < query.rounds; round++) {
    const nearest: { readonly placed: Placed; readonly remains: number }[] = [];
    for (let i = 0; i < DRAWN; i++) {
      if (i % 100 === 0) yield { done: (round + (0.7 * i) / DRAWN) / query.rounds };
      const drawn = drawnLinkage(chance, query);
      const path = drawn && couplerPath(drawn, ROUGH);
      if (!drawn || !path) continue;
      const laid = bestLaid(path, even, wanted.closed, wanted.placed);
      const last = nearest.at(-1);
      if (nearest.length === BETTERED && last && laid.remains >= last.remains) continue;
      if (laid.by <= 0) continue;
      const linkage = scaledAndTurned(drawn, laid.by, laid.angle);
      if (query.room && beyond(query.room, roomOf(linkage, 24)) > 0.3 * linkage.crank) continue;
      nearest.push({ placed: { linkage, axis: laid.move }, remains: laid.remains });
      nearest.sort((a, b) => a.remains - b.remains);
      nearest.splice(BETTERED);
    }
    for (const [i, { placed }] of nearest.entries()) {
      const found = judged(query, wanted, bettered(query, wanted, placed));
      if (found) list.add(found);
      yield { done: (round + 0.7 + (0.3 * (i + 1)) / BETTERED) / query.rounds, linkages: list.best() };
    }
  }
}

/** A linkage by chance, its crank 1, that goes round and keeps the transmission angle; most draws do not. */
function drawnLinkage(chance: () => number, query: LinkageQuery): FourBar | undefined {
  const long = (): number => Math.exp(Math.log(1.1) + chance() * Math.log(6));
  const [coupler, rocker, apart] = [long(), long(), long()];
  const lengths = { crank: 1, coupler, rocker, ground: apart };
  const [other, out, at] = [chance() < 0.5, chance(), 2 * Math.PI * chance()];
  if (!crankGoesRound(lengths)) return undefined;
  if (leastTransmission(lengths) < radians(query.leastTransmissionDeg)) return undefined;
  const radius = 2.2 * coupler * out;
  return {
    ...{ crank: 1, coupler, rocker, ground: { x: apart, y: 0 }, other },
    point: { x: radius * Math.cos(at), y: radius * Math.sin(at) },
  };
}

const valuesOf = ({ linkage: l, axis }: Placed, placed: boolean): number[] => [
  ...[l.crank, l.coupler, l.rocker, l.ground.x, l.ground.y, l.point.x, l.point.y],
  ...(placed ? [] : [axis.x, axis.y]),
];

function placedOf(values: readonly number[], other: boolean): Placed {
  const [crank = 1, coupler = 1, rocker = 1, gx = 1, gy = 0, px = 0, py = 0, ax = 0, ay = 0] = values;
  return {
    linkage: { crank, coupler, rocker, ground: { x: gx, y: gy }, other, point: { x: px, y: py } },
    axis: { x: ax, y: ay },
  };
}

/** Made better in all its lengths: how far each wanted point is off the path, and the transmission angle it lacks. */
function bettered(query: LinkageQuery, wanted: WantedPath, start: Placed): Placed {
  const { other } = start.linkage;
  const size = start.linkage.crank;
  const least = radians(query.leastTransmissionDeg) + TRANSMISSION_MARGIN;
  const far = new Array<number>(wanted.points.length + 3).fill(100 * size);
  const values = leastSquares(
    valuesOf(start, wanted.placed),
    at => {
      const { linkage, axis } = placedOf(at, other);
      const lengths = lengthsOf(linkage);
      if (linkage.crank <= 0 || linkage.coupler <= 0 || linkage.rocker <= 0 || !crankGoesRound(lengths))
        return far;
      const path = couplerPath(linkage, FINE);
      if (!path) return far;
      const lack = Math.max(0, least - leastTransmission(lengths));
      const long = Math.max(0, longest(lengths) - SLENDER * linkage.crank);
      return [
        ...wanted.points.map(p => asideOf(path, p, axis)),
        10 * size * lack,
        long,
        query.room ? beyond(query.room, roomOf(linkage, 24)) : 0,
      ];
    },
    wanted.points.length + 3,
    new Array<number>(wanted.placed ? 7 : 9).fill(size),
  );
  return placedOf(values, other);
}

const longest = ({ coupler, rocker, ground }: FourLengths): number => Math.max(coupler, rocker, ground);

/** How far a point lies beside a closed path, moved so far: to its left more than nothing, mm. */
function asideOf(path: readonly Point[], p: Point, move: Point): number {
  const [px, py] = [p.x - move.x, p.y - move.y];
  let [least, aside] = [Infinity, 0];
  let a = path.at(-1) as Point;
  for (const b of path) {
    const [dx, dy] = [b.x - a.x, b.y - a.y];
    const square = dx * dx + dy * dy;
    const t = square > 0 ? Math.min(1, Math.max(0, ((px - a.x) * dx + (py - a.y) * dy) / square)) : 0;
    const [ex, ey] = [px - a.x - t * dx, py - a.y - t * dy];
    const away = ex * ex + ey * ey;
    if (away < least) {
      least = away;
      aside = (dx * ey - dy * ex < 0 ? -1 : 1) * Math.sqrt(away);
    }
    a = b;
  }
  return aside;
}

/** What it comes to, over a fine path; undefined where it is no answer. */
function judged(
  query: LinkageQuery,
  wanted: WantedPath,
  { linkage, axis }: Placed,
): LinkageFound | undefined {
  const lengths = lengthsOf(linkage);
  if (!crankGoesRound(lengths) || longest(lengths) > 1.02 * SLENDER * linkage.crank) return undefined;
  const transmissionDeg = degrees(leastTransmission(lengths));
  if (transmissionDeg < query.leastTransmissionDeg) return undefined;
  const room = roomOf(linkage);
  if (beyond(query.room, room) > 0) return undefined;
  const path = couplerPath(linkage, JUDGED);
  if (!path) return undefined;
  const moved = path.map(p => ({ x: p.x + axis.x, y: p.y + axis.y }));
  if (wanted.closed && lineLength(moved) > DETOUR * lineLength(wanted.points)) return undefined;
  if (!inOrder(moved, wanted)) return undefined;
  const off = Math.max(...wanted.points.map(p => Math.abs(asideOf(path, p, axis))));
  return { linkage, off, transmissionDeg, room, axis };
}

const lineLength = (points: readonly Point[]): number =>
  points.reduce((sum, p, i) => sum + distance(p, points.at(i - 1) as Point), 0);

/** Whether a closed path comes by the wanted points one after the other, in one sense or the other. */
function inOrder(path: readonly Point[], { points, closed }: WantedPath): boolean {
  const at = points.map(p => {
    let [least, nearest] = [Infinity, 0];
    path.forEach((q, i) => {
      const away = distance(p, q);
      if (away < least) [least, nearest] = [away, i];
    });
    return nearest;
  });
  const n = path.length;
  const around = (row: readonly number[]): number =>
    row.reduce((sum, k, i) => (i === 0 ? 0 : sum + ((k - (row[i - 1] ?? 0) + n) % n)), 0);
  const whole = closed && at[0] !== undefined ? [...at, at[0]] : at;
  return Math.min(around(whole), around([...whole].reverse())) <= n;
}
