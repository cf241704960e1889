import type { Manifold } from 'manifold-3d';
import type { Derived } from '../../state/state/index.ts';
import { wheelPlane } from '../../state/derive/index.ts';
import type { TriMesh } from '../../ground/geometry/index.ts';
import { byId, meshes, processOf, type Wheel } from '../../document/machine/index.ts';
import { type InPlaceSet, wheelThickness } from '../../place/layout/index.ts';
import { AT_REST, copyPlace, stancesAt } from '../../place/motion/index.ts';
import { AS_IS, type Growth, keptApart } from '../process/index.ts';
import { fail, ok, type Result } from '../../ground/result/index.ts';
import { withFirstLayer } from './first-layer.ts';
import { type SolidKit, toTriMesh } from './kit.ts';
import { turned } from './turned.ts';
import { wheelManifold } from './wheel-solid.ts';

/** A body of a set printed in place, and which wheel it is. */
export interface InPlaceBody {
  readonly name: string;
  readonly wheel: string;
  readonly mesh: TriMesh;
}

/**
 * How far a lip reaches over the planets' teeth, in modules, never more than a third of the height; it leans by
 * 45°, so that it prints without support.
 */
const LIP = 0.8;
/** Room left between a lip and what it holds, mm: common practice, no source. Never less than the printer keeps. */
const LIP_GAP = 0.3;

/**
 * All wheels of a set as bodies where they stand in mesh, on one bed. Double helical teeth hold the set together by
 * themselves; where teeth are straight (or lean one way only) the planets' teeth are bevelled at both faces and
 * ring and sun get collars that reach over the bevels. First layers are drawn in.
 */
export function printedInPlace(
  kit: SolidKit,
  derived: Derived,
  set: InPlaceSet,
  growth: Growth = AS_IS,
): Result<InPlaceBody[]> {
  const { machine, phases, moving } = derived;
  const state = derived.wheels[set.planet.id];
  const toothing = byId(machine.toothings, set.planet.toothing);
  if (!state || !toothing) return fail('teeth-not-drawn', { wheel: set.planet.name });
  const places = stancesAt(moving, AT_REST);
  const centre = places.get(set.ring.member);
  const distance = orbit(derived, set);
  if (!centre || distance === undefined) return fail('teeth-not-drawn', { wheel: set.ring.name });
  const height = wheelThickness(machine.stack, set.planet);
  const process = processOf(machine, set.planet.id);
  const lipped = !toothing.double;
  const module = (2 * state.dimensions.pitchRadius) / (state.figure.ok ? state.figure.value.count : 1);
  const lip = Math.min(LIP * module, height / 3);
  const gap = Math.max(LIP_GAP, process ? keptApart(process) : 0);
  const bodies: InPlaceBody[] = [];
  for (const wheel of [set.ring, set.planet, ...(set.sun ? [set.sun] : [])]) {
    const made = wheelManifold(kit, derived, { ...wheel, hand: handIn(set, wheel) }, growth, { plain: true });
    if (!made.ok) return made;
    let body = made.value;
    if (lipped) body = collared(kit, derived, set, wheel, body, { height, lip, distance, gap });
    body = withFirstLayer(kit, body, process);
    const phase = phases.at[wheel.id] ?? 0;
    const copies =
      wheel === set.planet
        ? moving.copies.map((c, i) => ({ c, i })).filter(({ c }) => c.member === wheel.member)
        : [];
    const stands = [
      { place: places.get(wheel.member), spin: 0 },
      ...copies.map(({ c, i }) => ({ place: places.get(copyPlace(c.member, i)), spin: c.spin })),
    ];
    for (const { place, spin } of stands) {
      if (!place) continue;
      const turn = ((place.angle + phase + spin) * 180) / Math.PI;
      const stood = body
        .rotate([0, 0, turn])
        .translate([place.centre.x - centre.centre.x, place.centre.y - centre.centre.y, 0]);
      bodies.push({ name: wheel.name, wheel: wheel.id, mesh: toTriMesh(stood) });
      stood.delete();
    }
    body.delete();
  }
  return ok(bodies);
}

/** Leaning teeth go together only so: planets lean against the sun and with the ring, whatever is said of each. */
function handIn(set: InPlaceSet, wheel: Wheel): 'left' | 'right' {
  const planet = set.planet.hand ?? (set.sun?.hand === 'left' ? 'right' : 'left');
  return wheel === set.sun ? (planet === 'left' ? 'right' : 'left') : planet;
}

/** How far the planets' axis is from the ring's. */
function orbit({ machine, meshes: states }: Derived, set: InPlaceSet): number | undefined {
  const joint = meshes(machine).find(
    j => [j.a, j.b].includes(set.planet.id) && [j.a, j.b].includes(set.ring.id),
  );
  return joint && states[joint.id]?.distance;
}

interface Lip {
  readonly height: number;
  readonly lip: number;
  readonly distance: number;
  /** Room between a lip and what it holds. */
  readonly gap: number;
}

/** Planets bevelled at both faces; ring and sun with collars that follow the bevel at a gap. */
function collared(
  kit: SolidKit,
  derived: Derived,
  set: InPlaceSet,
  wheel: Wheel,
  body: Manifold,
  { height, lip, distance, gap }: Lip,
): Manifold {
  const planetTip = derived.wheels[set.planet.id]?.dimensions.tipRadius ?? 0;
  const own = derived.wheels[wheel.id]?.dimensions;
  if (!own) return body;
  /** Half section of the bevelled planet: from its narrow face at the bed to its full width and back. */
  const bevel = (more: number): [number, number][] => [
    [planetTip - lip + more, 0],
    [planetTip + more, lip],
    [planetTip + more, height - lip],
    [planetTip - lip + more, height],
  ];
  let shaped: Manifold;
  if (wheel === set.planet) shaped = body.intersect(turned(kit, [[0, 0], ...bevel(0), [0, height]]));
  else if (wheel === set.ring) {
    const outside = own.rootRadius + lip;
    const open = bevel(distance + gap);
    const collar = turned(kit, [[outside, 0], [outside, height], ...[...open].reverse()]);
    const [low, high] = [rootBand(collar, 0, lip), rootBand(collar, height - lip, height)];
    shaped = kit.Manifold.union([body, low, high]);
  } else {
    const within = bevel(0).map(([r, z]): [number, number] => [distance - r - gap, z]);
    const boreRadius = Math.max(0.01, boreOf(derived, wheel));
    const collar = turned(kit, [[boreRadius, 0], ...within, [boreRadius, height]]);
    const [low, high] = [rootBand(collar, 0, lip), rootBand(collar, height - lip, height)];
    shaped = kit.Manifold.union([body, low, high]);
  }
  body.delete();
  return shaped;
}

/** What of a body lies between two heights. */
const rootBand = (body: Manifold, from: number, to: number): Manifold =>
  body.trimByPlane([0, 0, 1], from).trimByPlane([0, 0, -1], -to);

/** The farthest that a wheel's hole reaches. */
function boreOf(derived: Derived, wheel: Wheel): number {
  const plane = wheelPlane(derived, wheel);
  if (!plane.ok || plane.value.holes.length === 0) return 0;
  return Math.max(
    ...plane.value.holes.flatMap(h => [h.start, ...h.segments.map(s => s.to)]).map(p => Math.hypot(p.x, p.y)),
  );
}
