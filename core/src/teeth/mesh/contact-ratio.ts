import { involuteDimensions, involuteFillet, type ToothSpec } from '../tooth/index.ts';

/**
 * Transverse contact ratio of two external involute wheels at a centre distance (mm): the part of the line of action
 * between the two tip circles, shortened where a root fillet or undercut ends the flank first, over the base pitch.
 * Source: ISO 21771, ε_α = (√(r_a1² − r_b1²) + √(r_a2² − r_b2²) − a sin α_w)/p_b.
 * 19 and 37 teeth, 20°, diametral pitch 6: 1.62. Nought when the wheels do not reach each other.
 */
export function contactRatio(a: ToothSpec, b: ToothSpec, distance: number): number {
  const da = involuteDimensions(a);
  const db = involuteDimensions(b);
  const cos = (da.baseRadius + db.baseRadius) / distance;
  if (!(cos < 1)) return 0;
  const line = distance * Math.sqrt(1 - cos * cos);
  const reach = (d: { tipRadius: number; baseRadius: number }): number =>
    Math.sqrt(Math.max(0, d.tipRadius ** 2 - d.baseRadius ** 2));
  const start = (spec: ToothSpec, base: number): number => {
    const form = involuteFillet(spec)?.formRadius;
    return form === undefined ? Infinity : Math.sqrt(Math.max(0, form * form - base * base));
  };
  const first = Math.max(start(a, da.baseRadius), line - reach(db));
  const last = Math.min(reach(da), line - start(b, db.baseRadius));
  const basePitch = Math.PI * a.module * Math.cos(da.pressureAngle);
  return Math.max(0, last - first) / basePitch;
}
