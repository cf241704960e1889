import { bisect, type Path, type Point, sampleCurve, type Segment } from '../../ground/geometry/index.ts';
import { fail, ok, type Result } from '../../ground/result/index.ts';
import { radians } from '../../ground/units/index.ts';
import { arcTo, borderOf, type HalfTooth, halfOf, lines, SHARE } from './half-tooth.ts';
import { inv } from './involute-function.ts';
import { MOST_TEETH } from './involute-outline.ts';
import { tipEdge } from './tip-edge.ts';
import type { ToothSpec } from './tooth-spec.ts';

/** The circles of a ring with involute teeth inside; lengths in mm, angles in radians. */
export interface RingDimensions {
  readonly pressureAngle: number;
  readonly pitchRadius: number;
  readonly baseRadius: number;
  /** The inner circle, as made: never below the base circle, within which there is no involute. */
  readonly tipRadius: number;
  readonly theoreticalTipRadius: number;
  /** The outer circle. */
  readonly rootRadius: number;
  readonly thickness: number;
  readonly tipThickness: number;
}

/**
 * Diameters of a ring by ISO 21771 (there with negative counts), the shift counted outwards here: d_a = d − 2m(h_a
 * − x + k), d_f = d + 2m(h_f + x), thickness s = m(π/2 − 2x·tan α) less the thinning. m = 2, z = 60, 20°: d_a =
 * 116, d_f = 125.
 */
export function ringDimensions(spec: ToothSpec): RingDimensions {
  const { form, module: m, count, shift } = spec;
  const pressureAngle = radians(form.pressureAngleDeg);
  const pitchRadius = (m * count) / 2;
  const baseRadius = pitchRadius * Math.cos(pressureAngle);
  const theoreticalTipRadius = pitchRadius - m * (form.addendum - shift + spec.shortening);
  const tipRadius = Math.max(theoreticalTipRadius, baseRadius);
  const thickness = m * (Math.PI / 2 - 2 * shift * Math.tan(pressureAngle)) - spec.thinning;
  return {
    ...{ pressureAngle, pitchRadius, baseRadius, tipRadius, theoreticalTipRadius, thickness },
    rootRadius: pitchRadius + m * (form.dedendum + shift),
    tipThickness: 2 * tipRadius * ringHalfAngle(spec, tipRadius),
  };
}

/** Half the angle of a ring's tooth at a radius at or outside the base circle: s/d − inv α + inv(arccos(r_b / r)). */
export function ringHalfAngle(spec: ToothSpec, radius: number): number {
  const alpha = radians(spec.form.pressureAngleDeg);
  const pitchRadius = (spec.module * spec.count) / 2;
  const thickness = spec.module * (Math.PI / 2 - 2 * spec.shift * Math.tan(alpha)) - spec.thinning;
  const cos = (pitchRadius * Math.cos(alpha)) / radius;
  return thickness / (2 * pitchRadius) - inv(alpha) + inv(Math.acos(Math.min(1, cos)));
}

/** The toothed hole of a ring about the origin, counter-clockwise; tooth 0 points inwards on the x axis. */
export function ringBorder(spec: ToothSpec, chordError: number): Result<Path> {
  const half = ringHalf(spec, chordError);
  return half.ok ? ok(borderOf(half.value, spec.count)) : half;
}

/**
 * Half a tooth of a ring: involute from the inner circle outwards, joined to the root circle by a true arc of the
 * form's fillet radius (or as much of it as there is room for) that touches both; a ring is sawn or printed, no
 * rack cuts it.
 */
export function ringHalf(spec: ToothSpec, chordError: number): Result<HalfTooth> {
  const d = ringDimensions(spec);
  const problem = impossible(spec, d);
  if (problem) return problem;
  const rollAt = (radius: number): number => Math.sqrt(Math.max(0, (radius / d.baseRadius) ** 2 - 1));
  const flank = (roll: number): Point => {
    const radius = d.baseRadius * Math.hypot(1, roll);
    const angle = -ringHalfAngle(spec, radius);
    return { x: radius * Math.cos(angle), y: radius * Math.sin(angle) };
  };
  const [inner, outer] = [rollAt(d.tipRadius), rollAt(d.rootRadius)];
  const root = rootArc(spec, d, flank, inner, outer);
  const edge = spec.form.tip;
  const cut = edge && tipEdge(flank, root.at, inner, d.tipRadius, { ...edge, size: edge.size * spec.module });
  if (edge && !cut) return fail('no-room-for-tip-edge', { size: edge.size * spec.module });
  const side = sampleCurve(flank, root.at, cut ? cut.at : inner, SHARE * chordError);
  const bottom = -Math.PI / spec.count;
  const start = { x: d.rootRadius * Math.cos(bottom), y: d.rootRadius * Math.sin(bottom) };
  const tip: Segment[] = [];
  if (cut) tip.push(cut.centre ? arcTo(cut.tip, true, cut.centre) : { kind: 'line', to: cut.tip });
  tip.push(arcTo({ x: d.tipRadius, y: 0 }, true));
  const fillet = root.centre ? [arcTo(root.bottom, true), arcTo(flank(root.at), true, root.centre)] : [];
  return ok(
    halfOf(start, [
      ...fillet,
      ...(root.centre ? [] : [arcTo(root.bottom, true)]),
      ...lines(side.slice(1)),
      ...tip,
    ]),
  );
}

function impossible(spec: ToothSpec, d: RingDimensions): ReturnType<typeof fail> | undefined {
  if (spec.count > MOST_TEETH) return fail('too-many-teeth-to-draw', { count: spec.count, most: MOST_TEETH });
  if (spec.count < 8) return fail('too-few-teeth-to-draw', { count: spec.count, least: 8 });
  if (!(d.rootRadius > d.tipRadius)) return fail('teeth-cut-away', { count: spec.count });
  if (!(d.thickness > 0)) return fail('tooth-thinned-away', { thickness: d.thickness });
  if (!(d.tipThickness > 0)) return fail('ring-tooth-pointed', { tip: d.tipThickness });
  if (ringHalfAngle(spec, d.rootRadius) >= Math.PI / spec.count)
    return fail('ring-gap-closed', { count: spec.count });
  return undefined;
}

interface RootArc {
  readonly at: number;
  readonly bottom: Point;
  readonly centre: Point | undefined;
}

/**
 * The arc in the corner of a gap: its centre stands `rho` within the root circle and `rho` beside the flank, in the
 * gap.
 */
function rootArc(
  spec: ToothSpec,
  d: RingDimensions,
  flank: (roll: number) => Point,
  inner: number,
  outer: number,
): RootArc {
  const gap = -Math.PI / spec.count;
  const centreAt = (t: number, rho: number): Point => {
    const [p, h] = [flank(t), 1e-6];
    const [a, b] = [flank(Math.max(0, t - h)), flank(t + h)];
    const length = Math.hypot(b.x - a.x, b.y - a.y);
    return { x: p.x + (rho * (b.y - a.y)) / length, y: p.y - (rho * (b.x - a.x)) / length };
  };
  for (let rho = spec.form.fillet * spec.module; rho > 0.01 * spec.module; rho *= 0.8) {
    const off = (t: number): number => {
      const c = centreAt(t, rho);
      return Math.hypot(c.x, c.y) - (d.rootRadius - rho);
    };
    if (off(inner) >= 0 || off(outer) <= 0) continue;
    const at = bisect(off, inner, outer);
    const centre = centreAt(at, rho);
    const angle = Math.atan2(centre.y, centre.x);
    if (angle < gap || Math.hypot(flank(at).x, flank(at).y) < d.pitchRadius) continue;
    return { at, centre, bottom: { x: d.rootRadius * Math.cos(angle), y: d.rootRadius * Math.sin(angle) } };
  }
  return { at: outer, bottom: flank(outer), centre: undefined };
}
