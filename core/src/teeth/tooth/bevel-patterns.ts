import { type Path, type Point, polygon, rotate, type Segment } from '../../ground/geometry/index.ts';
import { fail, ok, type Result } from '../../ground/result/index.ts';
import type { BevelCone } from './bevel-cones.ts';
import { arcTo, borderOf, type HalfTooth, upperHalf } from './half-tooth.ts';
import { involuteHalf } from './involute-outline.ts';
import type { ToothSpec } from './tooth-spec.ts';

/** A strip of paper to wrap round a turned blank: its length, and the places of the teeth along it. Lengths in mm. */
export interface WrapStrip {
  readonly length: number;
  readonly pitch: number;
  readonly marks: readonly number[];
}

/**
 * The strip round an outside diameter: π·d long, a mark for each tooth. 14 teeth on 3.5 in: 11.00 in, 0.785 in
 * apart.
 */
export function wrapStrip(outsideDiameter: number, count: number): WrapStrip {
  const length = Math.PI * outsideDiameter;
  const pitch = length / count;
  return { length, pitch, marks: Array.from({ length: count }, (_, i) => i * pitch) };
}

/** Sizes of a bevel blank beside its cones, mm. */
export interface BevelBlank {
  readonly faceWidth: number;
  readonly bore: number;
  readonly hubDiameter: number;
  /** From the large end's root back to the rear of the hub, along the axis. */
  readonly hubLength: number;
}

/**
 * The half section of a bevel blank for the lathe, a closed path: x along the axis from the apex of the cone
 * towards the back, y from the axis outwards; the pitch cone opens towards growing x. Turned to the outside; teeth
 * are cut after.
 */
export function blankProfile(
  cone: BevelCone,
  dedendum: number,
  coneDistance: number,
  blank: BevelBlank,
): Result<Path> {
  const { pitchAngle: delta, faceAngle } = cone;
  if (!(blank.faceWidth < coneDistance))
    return fail('face-too-wide', { width: blank.faceWidth, largest: coneDistance / 3 });
  const heel = { x: cone.apexToCrown, y: cone.outsideDiameter / 2 };
  const along = blank.faceWidth / Math.cos(faceAngle - delta);
  const toe = { x: heel.x - along * Math.cos(faceAngle), y: heel.y - along * Math.sin(faceAngle) };
  const foot = {
    x: coneDistance * Math.cos(delta) + dedendum * Math.sin(delta),
    y: coneDistance * Math.sin(delta) - dedendum * Math.cos(delta),
  };
  const [hub, bore] = [blank.hubDiameter / 2, blank.bore / 2];
  if (!(hub < foot.y && bore < hub))
    return fail('hub-too-large', { hub: blank.hubDiameter, largest: 2 * foot.y });
  const back = foot.x + blank.hubLength;
  const front = Math.max(toe.x, 0);
  if (!(toe.y > bore)) return fail('bore-through-toe', { bore: blank.bore, largest: 2 * toe.y });
  const shoulder = { x: foot.x + (foot.y - hub) * Math.tan(delta), y: hub };
  const points: Point[] = [
    { x: front, y: bore },
    { x: Math.max(back, shoulder.x), y: bore },
    { x: Math.max(back, shoulder.x), y: hub },
    shoulder,
    foot,
    heel,
    toe,
    { x: front, y: toe.y },
  ];
  return ok(
    polygon(
      points.filter(
        (p, i) =>
          i === 0 || Math.hypot(p.x - (points[i - 1] as Point).x, p.y - (points[i - 1] as Point).y) > 1e-9,
      ),
    ),
  );
}

/**
 * The half tooth on the developed back cone, by Tredgold: a spur tooth of the virtual count, which is no whole
 * number.
 */
export const backConeHalf = (spec: ToothSpec, cone: BevelCone, chordError: number): Result<HalfTooth> =>
  involuteHalf({ ...spec, count: cone.virtualCount }, chordError);

/**
 * The template for the large end: the back cone rolled out flat, a sector with all teeth of the wheel that does not
 * close on itself; `inner` is the radius at which it ends inwards (mm). A spur wheel when the cone is flat.
 */
export function endTemplate(
  spec: ToothSpec,
  cone: BevelCone,
  chordError: number,
  inner: number,
): Result<Path> {
  const half = backConeHalf(spec, cone, chordError);
  if (!half.ok) return half;
  if (cone.virtualCount - cone.count < 1e-9) return ok(borderOf(half.value, cone.count));
  const upper = upperHalf(half.value);
  const step = (2 * Math.PI) / cone.virtualCount;
  const segments: Segment[] = [];
  const put = (p: Point, i: number): Point => rotate(p, step * i);
  for (let i = 0; i < cone.count; i++)
    for (const s of [...half.value.segments, ...upper.segments])
      segments.push(
        s.kind === 'line'
          ? { kind: 'line', to: put(s.to, i) }
          : { ...s, to: put(s.to, i), centre: put(s.centre, i) },
      );
  const [first, last] = [-step / 2, step * (cone.count - 0.5)];
  const at = (angle: number): Point => ({ x: inner * Math.cos(angle), y: inner * Math.sin(angle) });
  segments.push({ kind: 'line', to: at(last) }, arcTo(at(first), false), {
    kind: 'line',
    to: half.value.start,
  });
  return ok({ start: half.value.start, segments, closed: true });
}
