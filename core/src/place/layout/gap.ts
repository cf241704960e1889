import { distanceToSegment, segmentGap } from '../../ground/geometry/index.ts';
import type { Solid } from './solids.ts';
import { reachOf, relative, type Turning } from './turning.ts';

/** The nearest that two solids come through the whole motion, mm; negative by how far they overlap. */
export interface Gap {
  readonly gap: number;
  /** Held against the room that is swept: rates may never bring them so near. */
  readonly swept: boolean;
}

/** The least gap of two solids in the plan, whatever their heights. */
export function gapBetween(a: Solid, b: Solid): Gap {
  if (a.bar && b.bar) return barToBar(a, b);
  if (a.bar) return barToRound(a, b);
  if (b.bar) return barToRound(b, a);
  const { least, most, swept } = reachOf(relative(a.path, b.path));
  return { gap: roundGap(a, b, least, most), swept };
}

/**
 * Two round things whose centres come as near as `least` and go as far as `most`: outside each other, or one in the
 * clear room of the other. Each side of that is a straight line in the distance, so its least is at an end of the
 * range, and the way from inside to outside leads through an overlap.
 */
function roundGap(a: Solid, b: Solid, least: number, most: number): number {
  const outside = least - a.outer - b.outer;
  const inA = a.inner === undefined ? -Infinity : a.inner - most - b.outer;
  const inB = b.inner === undefined ? -Infinity : b.inner - most - a.outer;
  return Math.max(outside, inA, inB);
}

/**
 * A bar against something round: as they stand to each other, or, where the bar turns past it, by the circle it
 * sweeps.
 */
function barToRound(a: Solid, b: Solid): Gap {
  const bar = a.bar as NonNullable<Solid['bar']>;
  const p = relative(b.path, a.path);
  const rest = turnsWith(p, bar.key);
  if (rest)
    return { gap: overBar(distanceToSegment({ x: 0, y: 0 }, bar.to, rest), a, b, rest, bar), swept: false };
  const { least, most, swept } = reachOf(p);
  const length = Math.hypot(bar.to.x, bar.to.y);
  const outside = Math.max(0, least - length) - a.outer - b.outer;
  const within = b.inner === undefined ? -Infinity : b.inner - most - length - a.outer;
  return { gap: Math.max(outside, within), swept };
}

/** A round thing at rest to the bar: beside it, or a ring round all of it. */
function overBar(
  beside: number,
  a: Solid,
  b: Solid,
  centre: { readonly x: number; readonly y: number },
  bar: NonNullable<Solid['bar']>,
): number {
  const outside = beside - a.outer - b.outer;
  if (b.inner === undefined) return outside;
  const farthest = Math.max(
    Math.hypot(centre.x, centre.y),
    Math.hypot(centre.x - bar.to.x, centre.y - bar.to.y),
  );
  return Math.max(outside, b.inner - farthest - a.outer);
}

/**
 * Where a point rests as seen from a bar, if it does: it stands with one that stands, or is carried by the same arm
 * alone.
 */
function turnsWith(p: Turning, key: string | undefined): { x: number; y: number } | undefined {
  const [only, ...more] = p.vectors;
  if (!only) return key === undefined || Math.hypot(p.x, p.y) < 1e-9 ? { x: p.x, y: p.y } : undefined;
  if (more.length > 0 || only.key !== key || Math.hypot(p.x, p.y) > 1e-9) return undefined;
  return { x: only.x, y: only.y };
}

function barToBar(a: Solid, b: Solid): Gap {
  const [one, two] = [a.bar as NonNullable<Solid['bar']>, b.bar as NonNullable<Solid['bar']>];
  const p = relative(b.path, a.path);
  const rest = one.key === two.key ? turnsWith(p, one.key) : undefined;
  const half = a.outer + b.outer;
  if (rest) {
    const end = { x: rest.x + two.to.x, y: rest.y + two.to.y };
    return { gap: segmentGap({ x: 0, y: 0 }, one.to, rest, end) - half, swept: false };
  }
  const lengths = Math.hypot(one.to.x, one.to.y) + Math.hypot(two.to.x, two.to.y);
  const { least, vectors } = { ...reachOf(p), vectors: p.vectors.length };
  return { gap: Math.max(0, least - lengths) - half, swept: vectors > 0 || least > 0 };
}
