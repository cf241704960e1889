import {
  alignmentMark,
  boltPaths,
  borePath,
  boreFault,
  fitAllowance,
  ringWithLugs,
  webPaths,
} from '../../teeth/body/index.ts';
import { circle, type Path, polar, reversePath, turnedPath } from '../../ground/geometry/index.ts';
import { type Machine, MESHES, otherSide, processOf, type Wheel } from '../../document/machine/index.ts';
import { lugsIn, USUAL_TUBES } from '../../place/layout/index.ts';
import { radians } from '../../ground/units/index.ts';
import { lawOf } from '../../trains/train/index.ts';
import { fail, ok, type Result } from '../../ground/result/index.ts';
import { holeOf, webRoom, outputRings } from '../judge/index.ts';
import type { Derived, WheelState } from '../state/index.ts';

/** A wheel in the plane across its axis, whole: outline, everything cut out of it, and what is engraved. */
export interface WheelPlane {
  readonly outline: Path;
  readonly holes: readonly Path[];
  readonly engraved: readonly Path[];
}

/** The plane figure of a wheel with bore, web and marks; a web that cannot be is left out, and is a finding. */
export function wheelPlane(
  derived: Pick<Derived, 'machine' | 'wheels'> & { readonly phases: Pick<Derived['phases'], 'at'> },
  wheel: Wheel,
): Result<WheelPlane> {
  const state = derived.wheels[wheel.id];
  if (!state) return fail('teeth-not-drawn', { wheel: wheel.name });
  const untold = withoutBody(derived.machine, wheel);
  if (untold) return fail('bodies-not-yet', { kind: untold });
  if (!state.figure.ok) return state.figure;
  const figure = state.figure.value;
  const fits = processOf(derived.machine, wheel.id)?.fits;
  const room = webRoom(wheel, state, fits);
  const hole = holeOf(wheel);
  const bore = hole && !boreFault(hole) && figure.webRadius > 0 ? [borePath(hole, fits)] : [];
  const web = wheel.body && figure.webRadius > 0 ? webPaths(wheel.body, room) : ok([]);
  const openings = web.ok ? web.value : [];
  const bolts = wheel.body && figure.webRadius > 0 ? boltPaths(wheel.body) : [];
  const marked = wheel.body?.mark && figure.closes;
  const mark = marked ? [alignmentMark(markRadius(figure), room.module)] : [];
  const pinned = pinHoles(derived.machine, wheel, derived.phases.at[wheel.id] ?? 0, fits);
  const output = outputHoles(derived.machine, wheel, state, derived.phases.at);
  const sided = twoSided(derived, wheel);
  if (sided) return ok({ ...sided, engraved: [...figure.engraved, ...mark] });
  const lugged = withLugs(wheel, figure.outline, derived.phases.at[wheel.id] ?? 0);
  return ok({
    outline: lugged?.outline ?? figure.outline,
    holes: [...figure.holes, ...bore, ...openings, ...bolts, ...output, ...pinned, ...(lugged?.holes ?? [])],
    engraved: [...figure.engraved, ...mark],
  });
}

/** Holes for the pins of linkages that stand on its face: they stand where they are said, however its teeth do. */
function pinHoles(
  { joints, layout }: Pick<Machine, 'joints' | 'layout'>,
  wheel: Wheel,
  phase: number,
  fits: Parameters<typeof fitAllowance>[1],
): Path[] {
  const across = (layout.tubes ?? USUAL_TUBES).rod + fitAllowance('press', fits);
  const pins = joints.flatMap(j => lawOf(j).pins?.(j) ?? []).filter(p => p.wheel === wheel.id);
  return pins.map(p =>
    reversePath(circle(polar({ x: 0, y: 0 }, p.radius, radians(p.angleDeg) - phase), across / 2)),
  );
}

/** The outline of a ring with teeth on both sides, seen from either of them: as far turned as they stand. */
function twoSided(
  { machine, wheels, phases }: Parameters<typeof wheelPlane>[0],
  wheel: Wheel,
): Pick<WheelPlane, 'outline' | 'holes'> | undefined {
  const other = otherSide(machine, wheel);
  const [own, its] = [wheels[wheel.id]?.figure, other && wheels[other.id]?.figure];
  if (!other || !own?.ok || !its?.ok) return undefined;
  const turn = (phases.at[other.id] ?? 0) - (phases.at[wheel.id] ?? 0);
  const turned = (path: Path): Path => turnedPath(path, turn);
  const inner = wheel.role === 'ring';
  return inner
    ? { outline: turned(its.value.outline), holes: own.value.holes }
    : { outline: own.value.outline, holes: its.value.holes.map(turned) };
}

/** What a wheel is called whose mesh decides a body that is not worked out: a worm, a wheel that is not round. */
const withoutBody = ({ joints }: Pick<Machine, 'joints'>, wheel: Wheel): string | undefined =>
  joints.flatMap(j => {
    if (j.kind !== 'mesh' || (j.a !== wheel.id && j.b !== wheel.id)) return [];
    const { called, bodies } = MESHES[j.type];
    return bodies === 'not yet' ? [called] : [];
  })[0];

/** The rim of a ring with its lugs, which stand where the plan says, however the teeth are turned. */
function withLugs(
  { mount, role }: Wheel,
  rim: Path,
  phase: number,
): { readonly outline: Path; readonly holes: readonly Path[] } | undefined {
  if (mount?.kind !== 'lugs' || role !== 'ring') return undefined;
  const radius = Math.hypot(rim.start.x, rim.start.y);
  return ringWithLugs(radius, lugsIn(mount, radius, phase));
}

/** Where the mark stands: below the roots of a wheel, outside those of a ring. */
const markRadius = ({ rootRadius, tipRadius }: { rootRadius: number; tipRadius: number }): number =>
  tipRadius > rootRadius ? rootRadius : rootRadius + 2 * (rootRadius - tipRadius);

/** Holes of a reducer's disc for the output pins, which stand as in the first disc of their plate. */
function outputHoles(
  machine: Pick<Machine, 'wheels' | 'joints' | 'toothings'>,
  wheel: Wheel,
  { teeth }: WheelState,
  phases: Derived['phases']['at'],
): Path[] {
  if (teeth.family !== 'reducer disc') return [];
  return outputRings(machine, wheel).flatMap(({ holes, radius, circleRadius, first }) => {
    const turned = (phases[first] ?? 0) - (phases[wheel.id] ?? 0);
    return Array.from({ length: holes }, (_, i) => {
      const at = turned + ((2 * i + 1) * Math.PI) / holes;
      return reversePath(circle(polar({ x: 0, y: 0 }, circleRadius, at), radius));
    });
  });
}
