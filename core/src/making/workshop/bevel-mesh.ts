import { borePath, boreFault } from '../../teeth/body/index.ts';
import type { Derived } from '../../state/state/index.ts';
import {
  flatten,
  meshBounds,
  meshVolume,
  type Point,
  rotate,
  signedArea,
  type TriMesh,
} from '../../ground/geometry/index.ts';
import { byId, processOf, type Wheel } from '../../document/machine/index.ts';
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

type Facts = Pick<Derived, 'machine' | 'wheels' | 'chordError'>;

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
 * A straight bevel without its bore as triangles: teeth on the back cone by Tredgold’s involute, every line of them
 * drawn towards the apex, from the heel to the toe; flat behind and before. It stands on z = 0 with its large end down;
 * its flanks lie `outwards` mm outside the finished ones. Points of the back cone at ρ from its apex lie at ρ·cos δ
 * from the axis and R / cos δ − ρ·sin δ before the pitch apex (derived here; Litvin & Fuentes, ch. 20 for the cones).
 */
export function bevelMesh(facts: Facts, wheel: Wheel, outwards = 0): Result<TriMesh> {
  const teeth = facts.wheels[wheel.id]?.teeth;
  if (teeth?.family !== 'bevel') return fail('not-a-bevel');
  const { cone } = teeth;
  // A flank that moves inwards by g makes the tooth thinner by 2·g / cos α along its pitch circle.
  const thinning = teeth.spec.thinning - (2 * outwards) / Math.cos(radians(teeth.spec.form.pressureAngleDeg));
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
  const heel = heelPoints([...lower, ...upper.slice(1, -1)], cone);
  return ok(coneMesh(heel, cone, coneDistance, 1 - face / coneDistance, BELOW_ROOTS * spec.module));
}

/** What a bevel measures as it is made: its height from flat back to front and its volume less its bore; mm, mm³. */
export interface BevelMeasures {
  readonly height: number;
  readonly volume: number;
}

/** The measures of a bevel's body; undefined for other wheels and where it cannot be made. */
export function bevelMeasures(facts: Facts, wheel: Wheel): BevelMeasures | undefined {
  const mesh = bevelMesh(facts, wheel);
  if (!mesh.ok) return undefined;
  const { least, most } = meshBounds(mesh.value);
  const height = (most[2] ?? 0) - (least[2] ?? 0);
  const hole = wheel.bore && wheel.bore.kind !== 'none' && !boreFault(wheel.bore) ? wheel.bore : undefined;
  const fits = processOf(facts.machine, wheel.id)?.fits;
  const bore = hole ? Math.abs(signedArea(flatten(borePath(hole, fits), facts.chordError))) : 0;
  // The hole goes from the flat back to the flat front, in whose middle the last corner lies; teeth stand out more.
  const front = mesh.value.positions.at(-1) ?? height;
  return { height, volume: meshVolume(mesh.value) - bore * front };
}

function coneMesh(
  heel: readonly { readonly far: number; readonly angle: number }[],
  cone: BevelCone,
  coneDistance: number,
  toe: number,
  below: number,
): TriMesh {
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
  return { positions: Float64Array.from(positions), triangles: Uint32Array.from(triangles) };
}
