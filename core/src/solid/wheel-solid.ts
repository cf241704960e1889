import type { Manifold } from 'manifold-3d';
import { type Derived, wheelPlane } from '../derive/index.ts';
import { type Path, flatten, type TriMesh } from '../geometry/index.ts';
import { wheelThickness } from '../layout/index.ts';
import { AS_IS, compensated, type Growth } from '../make/index.ts';
import { byId, type Wheel } from '../machine/index.ts';
import { fail, ok, type Result } from '../result/index.ts';
import { radians } from '../units/index.ts';
import { bevelSolid } from './bevel-solid.ts';
import { extrude, type SolidKit, toTriMesh } from './kit.ts';

/** What solids are made from. */
export type SolidFacts = Pick<Derived, 'machine' | 'wheels' | 'chordError' | 'layout' | 'positions'>;

/** The most that the edge of a leaning tooth is off its true helix between two steps, mm: r·(1 − cos(step/2)) and the chord of the turn. */
const HELIX_STEP = radians(2);
/** More triangles than this for one part, and no program opens it gladly. */
export const MOST_TRIANGLES = 2_000_000;

/**
 * A wheel as a closed body standing on z = 0: its plane figure drawn up by its thickness, turned along its helix, both ways from
 * the middle for double helical teeth; a straight bevel drawn towards the apex of its cone, which no growth changes. The turn over a height b is b·tan β / r at the pitch
 * radius r (ISO 21771); to the right for a right hand seen from the side, which is counter-clockwise upwards.
 */
export function wheelSolid(
  kit: SolidKit,
  facts: SolidFacts,
  wheel: Wheel,
  growth: Growth = AS_IS,
): Result<TriMesh> {
  const state = facts.wheels[wheel.id];
  if (!state) return fail('teeth-not-drawn', { wheel: wheel.name });
  if (state.teeth.family === 'bevel') return bevelSolid(kit, facts, wheel);
  const plane = wheelPlane(facts, wheel);
  if (!plane.ok) return plane;
  const moved = compensated(plane.value.outline, plane.value.holes, growth, facts.chordError);
  if (!moved.ok) return moved;
  const [outline = plane.value.outline, ...holes] = moved.value;
  const height = wheelThickness(facts.machine.stack, wheel);
  const toothing = byId(facts.machine.toothings, wheel.toothing);
  const helix = radians(toothing?.helixDeg ?? 0);
  const way = (wheel.hand ?? 'right') === 'right' ? 1 : -1;
  const radius = state.dimensions.pitchRadius;
  const turnOf = (b: number): number => (way * b * Math.tan(helix)) / radius;
  const pieces = toothing?.double ? 2 : 1;
  const steps = helix === 0 ? 0 : Math.max(1, Math.ceil(Math.abs(turnOf(height / pieces)) / HELIX_STEP));
  const estimate = [outline, ...holes].reduce((n, p) => n + flatten(p, facts.chordError).length, 0) * 2 * (steps + 2) * pieces; // prettier-ignore
  if (estimate > MOST_TRIANGLES) return fail('too-many-triangles', { wheel: wheel.name, most: MOST_TRIANGLES, is: estimate }); // prettier-ignore
  const body = helix === 0 ? extrude(kit, [outline, ...holes], height, facts.chordError) : leaning(kit, facts.chordError, outline, holes, height, pieces, turnOf, steps); // prettier-ignore
  const mesh = toTriMesh(body);
  body.delete();
  return ok(mesh);
}

/** Leaning teeth; holes are cut straight through, as what passes them is straight. */
function leaning(
  kit: SolidKit,
  chordError: number,
  outline: Path,
  holes: readonly Path[],
  height: number,
  pieces: number,
  turnOf: (b: number) => number,
  steps: number,
): Manifold {
  const part = height / pieces;
  const turn = turnOf(part);
  const lower = extrude(kit, [outline], part, chordError, { turn, steps });
  let body = lower;
  if (pieces === 2) {
    const upper = extrude(kit, [outline], part, chordError, { turn: -turn, steps })
      .rotate([0, 0, (turn * 180) / Math.PI])
      .translate([0, 0, part]);
    body = kit.Manifold.union([lower, upper]);
  }
  if (holes.length === 0) return body;
  const cut = extrude(kit, holes, height + 2, chordError).translate([0, 0, -1]);
  return body.subtract(cut);
}
