import { bisect, type Point } from '../../ground/geometry/index.ts';

/** How the corner between flank and tip is taken off; the size is in mm. */
export interface TipEdge {
  readonly kind: 'chamfer' | 'round';
  readonly size: number;
}

/**
 * Where the corner at the end of a flank is taken off. `flank` runs from `from` to `to`, where it meets the tip
 * circle of `tipRadius` about the origin on the lower side of the tooth (y < 0, material above it). A chamfer
 * leaves the flank where it is `size` short of the tip and meets the tip as far along it; a rounding is the arc of
 * that radius that touches both.
 * Undefined when the tooth is too small for it. Derived here.
 */
export function tipEdge(
  flank: (t: number) => Point,
  from: number,
  to: number,
  tipRadius: number,
  { kind, size }: TipEdge,
): { readonly at: number; readonly tip: Point; readonly centre: Point | undefined } | undefined {
  const inwards = Math.sign(tipRadius - radius(flank(from)));
  if (kind === 'chamfer') {
    const short = (t: number): number => inwards * (tipRadius - radius(flank(t))) - size;
    if (!(short(from) > 0 && short(to) <= 0)) return undefined;
    const at = bisect(short, from, to);
    const corner = flank(to);
    const angle = Math.atan2(corner.y, corner.x) + size / tipRadius;
    if (angle >= 0) return undefined;
    return { at, tip: { x: tipRadius * Math.cos(angle), y: tipRadius * Math.sin(angle) }, centre: undefined };
  }
  const reach = tipRadius - inwards * size;
  const centreAt = (t: number): Point => {
    const p = flank(t);
    const n = normal(flank, t, from, to);
    return { x: p.x + size * n.x, y: p.y + size * n.y };
  };
  const off = (t: number): number => inwards * (radius(centreAt(t)) - reach);
  if (!(off(from) < 0 && off(to) > 0)) return undefined;
  const at = bisect(off, from, to);
  const centre = centreAt(at);
  const angle = Math.atan2(centre.y, centre.x);
  if (angle >= 0) return undefined;
  return { at, tip: { x: tipRadius * Math.cos(angle), y: tipRadius * Math.sin(angle) }, centre };
}

const radius = (p: Point): number => Math.hypot(p.x, p.y);

/** Unit normal of a curve to its upper side (y grows), by a difference that keeps between its ends. */
function normal(curve: (t: number) => Point, t: number, from: number, to: number): Point {
  const h = 1e-6 * Math.abs(to - from);
  const [low, high] = [Math.min(from, to), Math.max(from, to)];
  const [a, b] = [curve(Math.max(low, t - h)), curve(Math.min(high, t + h))];
  const length = Math.hypot(b.x - a.x, b.y - a.y);
  const n = { x: -(b.y - a.y) / length, y: (b.x - a.x) / length };
  return n.y >= 0 ? n : { x: -n.x, y: -n.y };
}
