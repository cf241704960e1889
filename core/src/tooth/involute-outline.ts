import { type Path, type Point, rotate, sampleCurve, type Segment } from '../geometry/index.ts';
import { fail, ok, type Result } from '../result/index.ts';
import { halfAngleAt, type InvoluteDimensions, involuteDimensions } from './involute-dimensions.ts';
import { type Fillet, fullRound, involuteFillet } from './involute-fillet.ts';
import type { ToothSpec } from './tooth-spec.ts';

/** Chord error of outlines unless the maker says otherwise, mm (conventions 15). */
export const CHORD_ERROR = 0.005;
const MOST_TEETH = 5000;

/**
 * The closed outline of an external involute wheel about the origin, counter-clockwise, tooth 0 centred on the
 * x axis. Flanks and generated fillets are chords within `chordError` (mm) of the true curve, every corner on it;
 * tips and bottoms are true arcs.
 */
export function involuteOutline(spec: ToothSpec, chordError: number): Result<Path> {
  const d = involuteDimensions(spec);
  const problem = impossible(spec, d);
  if (problem) return problem;
  const fillet = involuteFillet(spec);
  if (!fillet) return fail('teeth-cut-away', { count: spec.count });
  const flank = flankPoints(spec, d, fillet, chordError);
  return ok(aroundWheel(spec.count, flank, d, fillet));
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

/** The upper flank of tooth 0 from root to tip: fillet, then involute. */
function flankPoints(spec: ToothSpec, d: InvoluteDimensions, fillet: Fillet, chordError: number): Point[] {
  const toTooth = Math.PI / spec.count - Math.PI / 2;
  const involute = (roll: number): Point => {
    const radius = d.baseRadius * Math.hypot(1, roll);
    const angle = halfAngleAt(radius, d.baseRadius, d.halfAngleAtBase);
    return { x: radius * Math.cos(angle), y: radius * Math.sin(angle) };
  };
  const rollAt = (radius: number): number => Math.sqrt(Math.max(0, (radius / d.baseRadius) ** 2 - 1));
  const root = sampleCurve(tau => rotate(fillet.curve(tau), toTooth), 0, fillet.end, chordError);
  const side = sampleCurve(involute, rollAt(fillet.formRadius), rollAt(d.tipRadius), chordError);
  return [...root, ...side.slice(1)];
}

/** Mirrors the flank to the other side of the tooth, and repeats it round the wheel. */
function aroundWheel(count: number, flank: readonly Point[], d: InvoluteDimensions, fillet: Fillet): Path {
  const centre = { x: 0, y: 0 };
  const flatBottom = fillet.bottomHalfAngle > 1e-9;
  const [first, ...rising] = flank.map(p => ({ x: p.x, y: -p.y }));
  const [tip, ...down] = [...flank].reverse();
  if (!first || !tip) throw new Error('involuteOutline: empty flank');
  const falling = flatBottom ? down : down.slice(0, -1);
  const segments: Segment[] = [];
  for (let i = 0; i < count; i++) {
    const put = (p: Point, turn = i): Point => rotate(p, (2 * Math.PI * turn) / count);
    rising.forEach(p => segments.push({ kind: 'line', to: put(p) }));
    if (d.tipThickness > 1e-6) segments.push({ kind: 'arc', to: put(tip), centre, ccw: true });
    falling.forEach(p => segments.push({ kind: 'line', to: put(p) }));
    const next = i + 1 < count ? put(first, i + 1) : first;
    segments.push(flatBottom ? { kind: 'arc', to: next, centre, ccw: true } : { kind: 'line', to: next });
  }
  return { start: first, segments, closed: true };
}
