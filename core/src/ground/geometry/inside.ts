import type { Point } from './point.ts';

/** From one place along a line to another, mm. */
export type Stretch = readonly [from: number, to: number];

/**
 * Where a straight way from p to q runs within a closed line, as stretches along it from p: its crossings with the
 * edges in order, in pairs.
 */
export function stretchesInside(border: readonly Point[], p: Point, q: Point): Stretch[] {
  const length = Math.hypot(q.x - p.x, q.y - p.y);
  if (length === 0) return [];
  const [c, s] = [(q.x - p.x) / length, (q.y - p.y) / length];
  const seen = border.map(b => ({
    along: (b.x - p.x) * c + (b.y - p.y) * s,
    off: (b.y - p.y) * c - (b.x - p.x) * s,
  }));
  return crossedStretches(seen).flatMap(([from, to]): Stretch[] => {
    const [low, high] = [Math.max(0, from), Math.min(length, to)];
    return high - low > 1e-9 ? [[low, high]] : [];
  });
}

/** Where a closed line, given along a way and off it, lies on the way: its crossings in order, in pairs. */
export function crossedStretches(
  border: readonly { readonly along: number; readonly off: number }[],
): Stretch[] {
  const crossings = border.flatMap((a, i) => {
    const b = border[(i + 1) % border.length];
    if (!b || a.off >= 0 === b.off >= 0) return [];
    return [a.along + ((b.along - a.along) * a.off) / (a.off - b.off)];
  });
  crossings.sort((a, b) => a - b);
  return crossings.flatMap((from, i): Stretch[] => {
    const to = crossings[i + 1];
    return i % 2 === 0 && to !== undefined ? [[from, to]] : [];
  });
}

/** What is left of some stretches without others, in order; neighbours that touch as one. */
export function stretchesWithout(whole: readonly Stretch[], open: readonly Stretch[]): Stretch[] {
  const left: Stretch[] = [];
  const cuts = [...open].sort((a, b) => a[0] - b[0]);
  for (const [start, end] of joined(whole)) {
    let from = start;
    for (const [a, b] of cuts) {
      if (b <= from || a >= end) continue;
      if (a > from) left.push([from, a]);
      from = Math.max(from, b);
    }
    if (end > from) left.push([from, end]);
  }
  return left;
}

function joined(stretches: readonly Stretch[]): Stretch[] {
  const found: [number, number][] = [];
  for (const [from, to] of [...stretches].sort((a, b) => a[0] - b[0])) {
    const last = found.at(-1);
    if (last && from <= last[1] + 1e-9) last[1] = Math.max(last[1], to);
    else found.push([from, to]);
  }
  return found;
}
