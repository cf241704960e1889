import type { Point } from '../../ground/geometry/index.ts';

/** How the second body of a pair moves: it turns about the origin, or slides along y. */
export type Motion = 'turn' | 'slide';

/** Where two flanks would touch: how far the second may move until then, and the place, in the second's frame. */
export interface FlankGap {
  /** Radians or mm of the second body's motion; negative when the flanks overlap. */
  readonly gap: number;
  readonly at: Point;
  /** Unit normal of the edge that is touched. */
  readonly normal: Point;
  /** Whether a corner scrapes on an edge, rather than flank rolling on flank. */
  readonly corner: boolean;
}

/**
 * A flank as a run of points, and for each how the flank turns there; its corners know which way the flank comes to
 * them.
 */
export interface FlankPoints {
  readonly points: readonly Point[];
  /** Direction of the flank where it ends in a corner, radians; undefined at smooth points. */
  readonly tangent: readonly (number | undefined)[];
  /** By how much the chords turn at a point, radians; at a corner, by how much at the smooth point before it. */
  readonly turn: readonly number[];
}

/** Above this turn from chord to chord a point is a corner, radians. */
const CORNER = 0.3;

/**
 * Measures the turns of a run of points, from root to tip; its ends lie on the middles of gap and tooth and are no
 * corners.
 */
export function flankPoints(points: readonly Point[]): FlankPoints {
  const heading = (i: number): number | undefined => {
    const [a, b] = [points[i], points[i + 1]];
    return a && b && Math.atan2(b.y - a.y, b.x - a.x);
  };
  const turnAt = (i: number): number => {
    const [u, v] = [heading(i - 1), heading(i)];
    return u === undefined || v === undefined ? 0 : Math.abs(unturned(v - u));
  };
  const turns = points.map((_, i) => turnAt(i));
  const isCorner = (i: number): boolean => (turns[i] ?? 0) > CORNER;
  const before = (i: number): number => (isCorner(i - 1) ? 0 : (turns[i - 1] ?? 0));
  return {
    points,
    turn: points.map((_, i) => (isCorner(i) ? before(i) : (turns[i] ?? 0))),
    tangent: points.map((_, i) => (isCorner(i) ? heading(i - 1) : undefined)),
  };
}

const unturned = (angle: number): number => angle - 2 * Math.PI * Math.round(angle / (2 * Math.PI));

/**
 * How far flank B may move towards flank A until they touch, exactly for outlines made of chords: some corner of one
 * meets an edge of the other, along a circle or a line. `towards` is +1 when B's motion towards A is positive. Both in
 * B's frame, A turned by `turned` radians on its way there. Undefined when they cannot meet at all. Derived here.
 */
export function flankGap(
  a: FlankPoints,
  b: FlankPoints,
  towards: 1 | -1,
  motion: Motion,
  turned = 0,
): FlankGap | undefined {
  const forB = firstTouch(b, a, towards, motion);
  const forA = firstTouch(a, b, -towards, motion);
  const own = !forA || (forB && forB.gap <= forA.gap);
  const first = own ? forB : forA;
  if (!first) return undefined;
  const [vertices, edges] = own ? [b, a] : [a, b];
  const [p, q] = [edges.points[first.edge], edges.points[first.edge + 1]];
  const v = vertices.points[first.vertex];
  if (!p || !q || !v) return undefined;
  const length = Math.hypot(q.x - p.x, q.y - p.y);
  return {
    gap: first.gap,
    at: own ? { x: first.x, y: first.y } : v,
    normal: { x: -(q.y - p.y) / length, y: (q.x - p.x) / length },
    corner: scrapes(vertices, first.vertex, edges, first.edge, own ? 0 : turned),
  };
}

/**
 * Whether the point that touches is a corner past the end of its flank: its flank's direction differs from the
 * edge's by more than the chords of both leave open.
 */
function scrapes(vertices: FlankPoints, v: number, edges: FlankPoints, k: number, turned: number): boolean {
  const tangent = vertices.tangent[v];
  if (tangent === undefined) return false;
  const [p, q] = [edges.points[k], edges.points[k + 1]];
  if (!p || !q) return false;
  const between = Math.abs(unturned(Math.atan2(q.y - p.y, q.x - p.x) - tangent - turned));
  const off = Math.min(between, Math.PI - between);
  const open = (vertices.turn[v] ?? 0) + Math.max(edges.turn[k] ?? 0, edges.turn[k + 1] ?? 0);
  return off > open / 3 + 1e-6;
}

interface Touch {
  readonly gap: number;
  readonly vertex: number;
  readonly edge: number;
  readonly x: number;
  readonly y: number;
}

/** The first of the vertices to meet an edge, moving by `sign` along the motion. */
function firstTouch(
  vertices: FlankPoints,
  edges: FlankPoints,
  sign: number,
  motion: Motion,
): Touch | undefined {
  const to = edges.points;
  const levels = Float64Array.from(to, p => levelOf(p, motion));
  const rises = monotone(levels);
  let best: Touch | undefined;
  const meet = (vertex: number, v: Point, level: number, edge: number): void => {
    const [p, q] = [to[edge] as Point, to[edge + 1] as Point];
    const s = motion === 'turn' ? turningPart(p, q, level, rises) : (level - p.x) / (q.x - p.x);
    if (!(s >= 0 && s <= 1)) return;
    const x = p.x + s * (q.x - p.x);
    const y = p.y + s * (q.y - p.y);
    const gap =
      sign * (motion === 'turn' ? unturned(Math.atan2(y * v.x - x * v.y, x * v.x + y * v.y)) : y - v.y);
    if (!best || gap < best.gap) best = { gap, vertex, edge, x, y };
  };
  for (let i = 0; i < vertices.points.length; i++) {
    const v = vertices.points[i] as Point;
    const level = levelOf(v, motion);
    if (rises !== 0) {
      const edge = edgeAt(levels, level, rises);
      if (edge >= 0) meet(i, v, level, edge);
      continue;
    }
    for (let k = 0; k + 1 < to.length; k++) {
      const [u, w] = [levels[k] as number, levels[k + 1] as number];
      if ((u <= level && w >= level) || (u >= level && w <= level)) meet(i, v, level, k);
    }
  }
  return best;
}

/** What stays the same along the motion: the square of the distance from the centre, or the height. */
const levelOf = (p: Point, motion: Motion): number => (motion === 'turn' ? p.x * p.x + p.y * p.y : p.x);

/** +1 for levels that only rise, −1 for levels that only fall, else 0. */
function monotone(levels: Float64Array): 1 | -1 | 0 {
  let [up, down] = [true, true];
  for (let k = 1; k < levels.length && (up || down); k++) {
    const step = (levels[k] as number) - (levels[k - 1] as number);
    if (step <= 0) up = false;
    if (step >= 0) down = false;
  }
  return up ? 1 : down ? -1 : 0;
}

/** The edge that holds a level among levels that rise (or fall), by halving; −1 when none does. */
function edgeAt(levels: Float64Array, level: number, rises: 1 | -1): number {
  let [low, high] = [0, levels.length - 1];
  const before = (k: number): boolean => rises * ((levels[k] as number) - level) <= 0;
  if (!before(low) || rises * ((levels[high] as number) - level) < 0) return -1;
  while (high - low > 1) {
    const middle = (low + high) >> 1;
    if (before(middle)) low = middle;
    else high = middle;
  }
  return low;
}

/** The part of the edge p–q at which a turning point of that level meets it; of two, the one the levels run to. */
function turningPart(p: Point, q: Point, level: number, rises: number): number {
  const [dx, dy] = [q.x - p.x, q.y - p.y];
  const b = p.x * dx + p.y * dy;
  const a = dx * dx + dy * dy;
  const square = b * b - a * (p.x * p.x + p.y * p.y - level);
  if (square < 0 || a === 0) return NaN;
  const up = rises === 0 ? q.x * q.x + q.y * q.y >= p.x * p.x + p.y * p.y : rises > 0;
  return (-b + (up ? 1 : -1) * Math.sqrt(square)) / a;
}
