import { borePath, boreFault } from '../../teeth/body/index.ts';
import type { Derived } from '../../state/state/index.ts';
import type { TriMesh } from '../../ground/geometry/index.ts';
import { processOf, type Wheel } from '../../document/machine/index.ts';
import { bevelMesh } from '../workshop/index.ts';
import { AS_IS, type Growth, offsetPath } from '../process/index.ts';
import { ok, type Result } from '../../ground/result/index.ts';
import { extrude, type SolidKit, toTriMesh } from './kit.ts';

/** A straight bevel as a closed body with its bore; see `bevelMesh`. */
export function bevelSolid(
  kit: SolidKit,
  facts: Pick<Derived, 'machine' | 'wheels' | 'chordError'>,
  wheel: Wheel,
  growth: Growth = AS_IS,
): Result<TriMesh> {
  const whole = bevelMesh(facts, wheel, growth.outline);
  if (!whole.ok) return whole;
  const made = kit.Manifold.ofMesh(
    new kit.Mesh({
      numProp: 3,
      vertProperties: Float32Array.from(whole.value.positions),
      triVerts: whole.value.triangles,
    }),
  );
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
