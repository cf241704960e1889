import { type Path, type Point, type Segment } from '../../ground/geometry/index.ts';
import { fail, ok, type Result } from '../../ground/result/index.ts';
import { radians } from '../../ground/units/index.ts';
import { arcTo, type HalfTooth, halfOf, upperHalf } from './half-tooth.ts';
import type { ToothSpec } from './tooth-spec.ts';

/**
 * Half a tooth of a rack: straight flanks leaning by the pressure angle, the root corner a true arc of the form's
 * fillet radius or a full round if that is less. The pitch line is the y axis, teeth point along x, tooth 0 stands
 * about y = 0; pitch π·m. A shift moves the teeth along x by so many modules. Source: ISO 53, basic rack.
 */
export function rackHalf(spec: ToothSpec): Result<HalfTooth> {
  const { form, module: m } = spec;
  const alpha = radians(form.pressureAngleDeg);
  const [sin, cos, tan] = [Math.sin(alpha), Math.cos(alpha), Math.tan(alpha)];
  const top = m * (form.addendum + spec.shift + spec.shortening);
  const root = -m * (form.dedendum - spec.shift);
  const halfPitch = (Math.PI * m) / 2;
  const halfAt = (x: number): number => halfPitch / 2 - spec.thinning / 2 - (x - m * spec.shift) * tan;
  if (!(halfAt(top) > 0)) return fail('rack-tooth-pointed', { tip: 2 * halfAt(top) });
  const gapAtRoot = halfPitch - halfAt(root);
  if (!(gapAtRoot > 0)) return fail('rack-too-deep', { dedendum: form.dedendum });
  const rho = Math.min(form.fillet * m, (gapAtRoot * cos) / (1 - sin));
  const centre = { x: root + rho, y: -halfAt(root + rho) - rho / cos };
  const middle = { x: root, y: -halfPitch };
  const onRoot = { x: root, y: centre.y };
  const onFlank = { x: centre.x - rho * sin, y: centre.y + rho * cos };
  const corner: Point = { x: top, y: -halfAt(top) };
  const pieces: Segment[] = [{ kind: 'line', to: onRoot }];
  if (rho > 0) pieces.push(arcTo(onFlank, false, centre));
  const edge = form.tip && Math.min(form.tip.size * m, (top - onFlank.x) * cos, halfAt(top));
  if (edge) {
    const along = { x: corner.x - edge * cos, y: corner.y - edge * sin };
    pieces.push({ kind: 'line', to: along }, { kind: 'line', to: { x: top, y: corner.y + edge } });
  } else pieces.push({ kind: 'line', to: corner });
  pieces.push({ kind: 'line', to: { x: top, y: 0 } });
  return ok(halfOf(middle, pieces));
}

/**
 * A rack of `teeth` teeth as a closed path, counter-clockwise, its back `back` mm behind the roots; tooth 0 is the
 * first.
 */
export function rackOutline(spec: ToothSpec, teeth: number, back: number): Result<Path> {
  const half = rackHalf(spec);
  if (!half.ok) return half;
  const pitch = Math.PI * spec.module;
  const upper = upperHalf(half.value);
  const segments: Segment[] = [];
  for (let i = 0; i < teeth; i++) {
    const put = (p: Point): Point => ({ x: p.x, y: p.y + i * pitch });
    for (const s of [...half.value.segments, ...upper.segments])
      segments.push(
        s.kind === 'line' ? { kind: 'line', to: put(s.to) } : { ...s, to: put(s.to), centre: put(s.centre) },
      );
  }
  const behind = half.value.start.x - back;
  const end = segments.at(-1)?.to ?? half.value.start;
  const rest = [{ x: behind, y: end.y }, { x: behind, y: half.value.start.y }, half.value.start];
  return ok({
    start: half.value.start,
    segments: [...segments, ...rest.map(to => ({ kind: 'line' as const, to }))],
    closed: true,
  });
}
