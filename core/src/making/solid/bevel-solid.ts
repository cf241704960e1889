import { borePath, boreFault } from '../../teeth/body/index.ts';
import type { Derived } from '../../state/state/index.ts';
import { flatten, type Point, rotate, type TriMesh } from '../../ground/geometry/index.ts';
import { byId, processOf, type Wheel } from '../../document/machine/index.ts';
import { AS_IS, type Growth, offsetPath } from '../process/index.ts';
import { radians } from '../../ground/units/index.ts';
import { fail, ok, type Result } from '../../ground/result/index.ts';
import {
  apexOver,
  backConeHalf,
  BELOW_ROOTS,
  type BevelCone,
  upperHalf,
  usualFaceWidth,
} from '../../teeth/tooth/index.ts';
import { extrude, type SolidKit, toTriMesh } from './kit.ts';

/**
 * Points of all teeth of a bevel on its back cone rolled out flat: how far from the back cone’s apex, and the angle
 * about the wheel’s own axis.
 */
function heelPoints(
  half: readonly Point[],
  cone: BevelCone,
): { readonly far: number; readonly angle: number }[] {
  const onWheel = cone.virtualCount / cone.count;
  const step = (2 * Math.PI) / cone.virtualCount;
  const points: { far: number; angle: number }[] = [];
  for (let i = 0; i < cone.count; i++)
    for (const p of half) {
      const q = rotate(p, step * i);
      // The flat figure does not close; angles are taken from the tooth they belong to, and spread over the full
      // circle.
      const angle = (Math.atan2(p.y, p.x) + step * i) * onWheel;
      points.push({ far: Math.hypot(q.x, q.y), angle });
    }
  return points;
}

/**
 * A straight bevel as a closed body: teeth on the back cone by Tredgold’s involute, every line of them drawn
 * towards the apex, from the heel to the toe; flat behind and before. It stands on z = 0 with its large end down.
 * Points of the back cone at ρ from its apex lie at ρ·cos δ from the axis and R / cos δ − ρ·sin δ before the pitch
 * apex (derived here; Litvin & Fuentes, ch. 20 for the cones).
 */
export function bevelSolid(
  kit: SolidKit,
  facts: Pick<Derived, 'machine' | 'wheels' | 'chordError'>,
  wheel: Wheel,
  growth: Growth = AS_IS,
): Result<TriMesh> {
  const teeth = facts.wheels[wheel.id]?.teeth;
  if (teeth?.family !== 'bevel') return fail('not-a-bevel');
  const { cone } = teeth;
  // A flank that moves inwards by g makes the tooth thinner by 2·g / cos α along its pitch circle.
  const thinning =
    teeth.spec.thinning - (2 * growth.outline) / Math.cos(radians(teeth.spec.form.pressureAngleDeg));
  const spec = { ...teeth.spec, thinning };
  const half = backConeHalf(spec, cone, facts.chordError);
  if (!half.ok) return half;
  const coneDistance = cone.pitchDiameter / 2 / Math.sin(cone.pitchAngle);
  const face =
    byId(facts.machine.toothings, wheel.toothing)?.faceWidth ?? usualFaceWidth(coneDistance, spec.module);
  if (face >= coneDistance * 0.9)
    return fail('bevel-face-too-wide', { wheel: wheel.name, most: coneDistance * 0.9 });
  const lower = flatten({ ...half.value, closed: false }, facts.chordError);
  const upper = flatten({ ...upperHalf(half.value), closed: false }, facts.chordError);
  const tooth = [...lower, ...upper.slice(1, -1)];
  const heel = heelPoints(tooth, cone);
  const toe = 1 - face / coneDistance;
  const made = coneBody(kit, heel, cone, coneDistance, toe, BELOW_ROOTS * spec.module);
  const hole = wheel.bore && wheel.bore.kind !== 'none' && !boreFault(wheel.bore) ? wheel.bore : undefined;
  const tall = made.boundingBox().max[2] ?? 1;
  const bore =
    hole &&
    offsetPath(borePath(hole, processOf(facts.machine, wheel.id)?.fits), -growth.hole, facts.chordError);
  if (bore && !bore.ok) return bore;
  const body = bore
    ? made.subtract(extrude(kit, [bore.value], tall + 2, facts.chordError).translate([0, 0, -1]))
    : made;
  const mesh = toTriMesh(body);
  body.delete();
  return ok(mesh);
}

function coneBody(
  kit: SolidKit,
  heel: readonly { readonly far: number; readonly angle: number }[],
  cone: BevelCone,
  coneDistance: number,
  toe: number,
  below: number,
): ReturnType<SolidKit['Manifold']['ofMesh']> {
  const [cos, sin] = [Math.cos(cone.pitchAngle), Math.sin(cone.pitchAngle)];
  const root = Math.min(...heel.map(p => p.far)) - below;
  const n = heel.length;
  // Heights from the apex downwards become heights from the flat back upwards.
  const back = apexOver(root, coneDistance, cone.pitchAngle);
  const positions: number[] = [];
  const ring = (far: (p: { far: number }) => number, scale: number): number => {
    const first = positions.length / 3;
    for (const p of heel) {
      const r = far(p) * cos * scale;
      positions.push(
        r * Math.cos(p.angle),
        r * Math.sin(p.angle),
        back - (coneDistance / cos - far(p) * sin) * scale,
      );
    }
    return first;
  };
  const outer = ring(p => p.far, 1);
  const inner = ring(() => root, 1);
  const outerToe = ring(p => p.far, toe);
  const innerToe = ring(() => root, toe);
  const centre = (of: number): number => {
    positions.push(0, 0, positions[3 * of + 2] ?? 0);
    return positions.length / 3 - 1;
  };
  const [down, up] = [centre(inner), centre(innerToe)];
  const triangles: number[] = [];
  for (let i = 0; i < n; i++) {
    const j = (i + 1) % n;
    const quad = (a: number, b: number): number => triangles.push(a + i, a + j, b + j, a + i, b + j, b + i);
    quad(outer, outerToe);
    quad(outerToe, innerToe);
    quad(inner, outer);
    triangles.push(innerToe + i, innerToe + j, up);
    triangles.push(inner + j, inner + i, down);
  }
  const mesh = new kit.Mesh({
    numProp: 3,
    vertProperties: Float32Array.from(positions),
    triVerts: Uint32Array.from(triangles),
  });
  return kit.Manifold.ofMesh(mesh);
}
