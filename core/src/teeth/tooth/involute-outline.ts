import { type Path, type Point, rotate, sampleCurve, type Segment } from '../../ground/geometry/index.ts';
import { fail, ok, type Result } from '../../ground/result/index.ts';
import { arcTo, borderOf, type HalfTooth, halfOf, lines, SHARE } from './half-tooth.ts';
import { halfAngleAt, type InvoluteDimensions, involuteDimensions } from './involute-dimensions.ts';
import { type Fillet, fullRound, involuteFillet } from './involute-fillet.ts';
import { tipEdge } from './tip-edge.ts';
import type { ToothSpec } from './tooth-spec.ts';

/** Chord error of outlines unless the maker says otherwise, mm (conventions 15). */
export const CHORD_ERROR = 0.005;
export const MOST_TEETH = 5000;

/**
 * The closed outline of an external involute wheel about the origin, counter-clockwise, tooth 0 centred on the
 * x axis. Flanks and generated fillets are chords within `chordError` (mm) of the true curve, every corner on it;
 * tips, rounded corners and bottoms are true arcs.
 */
export function involuteOutline(spec: ToothSpec, chordError: number): Result<Path> {
  const half = involuteHalf(spec, chordError);
  return half.ok ? ok(borderOf(half.value, spec.count)) : half;
}

/** Half a tooth of an external involute wheel; the count need not be whole. */
export function involuteHalf(spec: ToothSpec, chordError: number): Result<HalfTooth> {
  const d = involuteDimensions(spec);
  const problem = impossible(spec, d);
  if (problem) return problem;
  const fillet = involuteFillet(spec);
  if (!fillet) return fail('teeth-cut-away', { count: spec.count });
  return withTip(spec, d, fillet, chordError);
}

function impossible(spec: ToothSpec, d: InvoluteDimensions): ReturnType<typeof fail> | undefined {
  if (spec.count > MOST_TEETH) return fail('too-many-teeth-to-draw', { count: spec.count, most: MOST_TEETH });
  if (spec.count < 4) return fail('too-few-teeth-to-draw', { count: spec.count, least: 4 });
  if (!(d.rootRadius > 0)) return fail('root-vanishes', { rootDiameter: 2 * d.rootRadius });
  if (!(d.tipRadius > d.rootRadius)) return fail('teeth-cut-away', { count: spec.count });
  if (!(d.thickness > 0)) return fail('tooth-thinned-away', { thickness: d.thickness });
  if (fullRound(spec) < 0) return fail('rack-too-deep', { dedendum: spec.form.dedendum });
  return undefined;
}

/** How near an undercut comes to the middle of its tooth, mm: cut as far from both sides, it stands on nothing. */
function neck(rootAt: (tau: number) => Point, end: number, steps = 200): number {
  let nearest = -Infinity;
  for (let i = 0; i <= steps; i++) nearest = Math.max(nearest, rootAt((end * i) / steps).y);
  return nearest;
}

function withTip(
  spec: ToothSpec,
  d: InvoluteDimensions,
  fillet: Fillet,
  chordError: number,
): Result<HalfTooth> {
  const toTooth = Math.PI / spec.count - Math.PI / 2;
  const involute = (roll: number): Point => {
    const radius = d.baseRadius * Math.hypot(1, roll);
    const angle = -halfAngleAt(radius, d.baseRadius, d.halfAngleAtBase);
    return { x: radius * Math.cos(angle), y: radius * Math.sin(angle) };
  };
  const rollAt = (radius: number): number => Math.sqrt(Math.max(0, (radius / d.baseRadius) ** 2 - 1));
  const [from, to] = [rollAt(fillet.formRadius), rollAt(d.tipRadius)];
  const edge = spec.form.tip;
  const cut = edge && tipEdge(involute, from, to, d.tipRadius, { ...edge, size: edge.size * spec.module });
  if (edge && !cut) return fail('no-room-for-tip-edge', { size: edge.size * spec.module });
  const low = (p: Point): Point => ({ x: p.x, y: -p.y });
  const rootAt = (tau: number): Point => low(rotate(fillet.curve(tau), toTooth));
  if (fillet.undercut && neck(rootAt, fillet.end) >= 0) return fail('teeth-cut-away', { count: spec.count });
  const root = sampleCurve(rootAt, 0, fillet.end, chordError);
  const side = sampleCurve(involute, from, cut ? cut.at : to, SHARE * chordError);
  const first = root[0] ?? involute(from);
  const bottom = -Math.PI / spec.count;
  const start = { x: d.rootRadius * Math.cos(bottom), y: d.rootRadius * Math.sin(bottom) };
  const tip: Segment[] = [];
  if (cut) tip.push(cut.centre ? arcTo(cut.tip, true, cut.centre) : { kind: 'line', to: cut.tip });
  if (d.tipThickness > 1e-6) tip.push(arcTo({ x: d.tipRadius, y: 0 }, true));
  const flat = fillet.bottomHalfAngle > 1e-9;
  return ok(
    halfOf(flat ? start : first, [
      ...(flat ? [arcTo(first, true)] : []),
      ...lines(root.slice(1)),
      ...lines(side.slice(1)),
      ...tip,
    ]),
  );
}
