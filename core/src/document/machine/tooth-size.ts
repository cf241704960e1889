import { FORMS } from './kinds/forms.ts';
import { byId, circleCount, meshes } from './lookup.ts';
import type { Machine, Toothing, Wheel } from './types.ts';
import { USUAL_RIM } from './usual-rim.ts';
import { fail, ok, type Result } from '../../ground/result/index.ts';
import { moduleOfCircularPitch, moduleOfDiametralPitch } from '../../ground/units/index.ts';

/** Module from an outside diameter: m = d_a / (z + 2h_a + 2x). OD 44, z = 20: 2. Source: ISO 21771, from d_a. */
export const moduleFromOutside = (outside: number, count: number, addendum = 1, shift = 0): number =>
  outside / (count + 2 * addendum + 2 * shift);

/**
 * Module from the outside of a ring as it is made, across its rim: D = m(z + 2h_f + 2x) + 2·rim, the rim in mm where it
 * is said, or else as usual in modules. 99 mm, z = 42, h_f 1.25, usual rim 2.5: 2. Source of the roots: ISO 21771.
 */
export const moduleFromRing = (
  outside: number,
  count: number,
  dedendum = 1.25,
  shift = 0,
  rim?: number,
): number =>
  rim === undefined
    ? outside / (count + 2 * dedendum + 2 * shift + 2 * USUAL_RIM)
    : (outside - 2 * rim) / (count + 2 * dedendum + 2 * shift);

/** Module from a root diameter: m = d_f / (z − 2h_f + 2x). d_f 35, z = 20, h_f 1.25: 2. Source: ISO 21771, from d_f. */
export const moduleFromRoot = (root: number, count: number, dedendum = 1.25, shift = 0): number =>
  root / (count - 2 * dedendum + 2 * shift);

/** The module of a toothing in mm, from whatever the maker sized it by. */
export function moduleOf(toothing: Toothing, machine: Pick<Machine, 'wheels' | 'joints'>): Result<number> {
  const { size } = toothing;
  switch (size.by) {
    case 'module':
      return ok(size.module);
    case 'diametral pitch':
      return ok(moduleOfDiametralPitch(size.pitch));
    case 'circular pitch':
      return ok(moduleOfCircularPitch(size.pitch));
    case 'outside diameter':
    case 'root diameter':
      return moduleByDiameter(toothing, size, machine);
    case 'centre distance': {
      const joint = byId(meshes(machine), size.joint);
      const a = countOf(machine.wheels, joint?.a);
      const b = countOf(machine.wheels, joint?.b);
      if (a === undefined || b === undefined) return fail('size-needs-count', { toothing: toothing.name });
      const inside = joint?.type === 'internal';
      const teeth = inside ? Math.abs(a - b) : a + b;
      if (teeth === 0) return fail('size-impossible', { toothing: toothing.name });
      return ok(((2 * size.distance) / teeth) * Math.cos(((toothing.helixDeg ?? 0) * Math.PI) / 180));
    }
  }
}

type ByDiameter = Extract<Toothing['size'], { diameter: number }>;

/** From an outside or a root diameter, which only involute teeth tell. */
function moduleByDiameter(
  toothing: Toothing,
  size: ByDiameter,
  machine: Pick<Machine, 'wheels' | 'joints'>,
): Result<number> {
  const wheel = byId(machine.wheels, size.wheel);
  const count = wheel && circleCount(wheel);
  if (!wheel || count === undefined) return fail('size-needs-count', { toothing: toothing.name });
  const { form } = toothing;
  if (!FORMS[form.kind].byDiameter || form.kind !== 'involute')
    return fail('size-not-for-form', { toothing: toothing.name });
  const [teeth, out] = reckoned(toothing, wheel, count, coneOf(machine, wheel));
  if (size.by === 'outside diameter' && wheel.role === 'ring')
    return ofRing(toothing, form.dedendum, wheel, size);
  const module =
    size.by === 'outside diameter'
      ? moduleFromOutside(size.diameter, teeth, out * form.addendum, wheel.shift ?? 0)
      : moduleFromRoot(size.diameter, teeth, out * form.dedendum, wheel.shift ?? 0);
  return module > 0 && Number.isFinite(module)
    ? ok(module)
    : fail('size-impossible', { toothing: toothing.name });
}

/** A usual rim is so many transverse modules: more of normal ones where teeth lean, as the count is. */
function ofRing(
  toothing: Toothing,
  dedendum: number,
  wheel: Wheel,
  { diameter }: ByDiameter,
): Result<number> {
  const count = circleCount(wheel) ?? 0;
  const cos = Math.cos(((toothing.helixDeg ?? 0) * Math.PI) / 180);
  const rim = wheel.body?.rim;
  const teeth = rim === undefined ? (count + 2 * USUAL_RIM) / cos - 2 * USUAL_RIM : count / cos;
  const module = moduleFromRing(diameter, teeth, dedendum, wheel.shift ?? 0, rim);
  return module > 0 && Number.isFinite(module)
    ? ok(module)
    : fail('size-impossible', { toothing: toothing.name });
}

/**
 * What a diameter counts for: the teeth, more of them in normal modules where they lean, and how far depths go along
 * the radius: inwards in a ring, leaning in a bevel.
 */
function reckoned(
  toothing: Toothing,
  wheel: Wheel,
  count: number,
  cone: number,
): readonly [teeth: number, out: number] {
  const cos = Math.cos(((toothing.helixDeg ?? 0) * Math.PI) / 180);
  return [count / cos, (wheel.role === 'ring' ? -1 : 1) * Math.cos(cone)];
}

/**
 * The pitch cone angle of a bevel, radians, at which its depths lean away from the radius; nought for wheels that are
 * none. tan δ = sin Σ / (z₂/z₁ + cos Σ). Source: ISO 23509. 12 : 12 at 90°, 80 mm across: module 5.964.
 */
function coneOf(machine: Pick<Machine, 'wheels' | 'joints'>, wheel: Wheel): number {
  const mesh = meshes(machine).find(j => j.type === 'bevel' && (j.a === wheel.id || j.b === wheel.id));
  const own = circleCount(wheel);
  const mate = mesh && countOf(machine.wheels, mesh.a === wheel.id ? mesh.b : mesh.a);
  if (!mesh || own === undefined || mate === undefined) return 0;
  const between = ((mesh.shaftAngleDeg ?? 90) * Math.PI) / 180;
  return Math.atan2(Math.sin(between), mate / own + Math.cos(between));
}

const countOf = (wheels: readonly Wheel[], id: string | undefined): number | undefined => {
  const wheel = byId(wheels, id);
  return wheel && circleCount(wheel);
};
