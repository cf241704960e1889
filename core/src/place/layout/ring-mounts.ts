import { type Lugs, lugCircle, lugHoles } from '../../teeth/body/index.ts';
import { axisOfWheel, byId, GROUND, type Machine, type Wheel } from '../../document/machine/index.ts';
import { type Point } from '../../ground/geometry/index.ts';
import { radians } from '../../ground/units/index.ts';
import type { PillarShape } from './pillars.ts';
import type { Stack } from './stack.ts';

type Mount<K extends NonNullable<Wheel['mount']>['kind']> = Extract<NonNullable<Wheel['mount']>, { kind: K }>;

/** The lugs of a ring whose rim is of this radius, `turned` so far (radians) when it stands in the machine. */
export const lugsIn = (mount: Mount<'lugs'>, rimRadius: number, turned: number): Lugs => ({
  number: mount.number,
  hole: mount.hole,
  circleRadius: mount.circle === undefined ? lugCircle(rimRadius, mount.hole) : mount.circle / 2,
  at: radians(mount.angleDeg ?? 0) - turned,
});

/** A lug of a ring that stands: where its hole is in the plan. */
export interface StandingLug {
  readonly wheel: Wheel;
  readonly hole: number;
  readonly at: Point;
}

type Parts = Pick<Machine, 'wheels' | 'members' | 'axes'>;

/** The lugs of rings that are held against the ground, in the plan. */
export function standingLugs(
  machine: Parts,
  at: Readonly<Record<string, Point | undefined>>,
  extents: Readonly<Record<string, { readonly outer: number }>>,
): StandingLug[] {
  return machine.wheels.flatMap(wheel => {
    const member = byId(machine.members, wheel.member);
    const axis = byId(machine.axes, axisOfWheel(machine, wheel));
    const [middle, extent] = [at[axis?.id ?? ''], extents[wheel.id]];
    const stands = member?.kind === 'arbor' && member.held === GROUND && axis?.frame === GROUND;
    if (wheel.mount?.kind !== 'lugs' || wheel.role !== 'ring' || !stands || !middle || !extent) return [];
    const { hole } = wheel.mount;
    return lugHoles(lugsIn(wheel.mount, extent.outer, 0)).map(p => ({
      ...{ wheel, hole },
      at: { x: middle.x + p.x, y: middle.y + p.y },
    }));
  });
}

/**
 * The rods that go through the lugs of standing rings and are pressed in them and in the plates: one for lugs over each
 * other, on a plank up to the highest of them. None without plates.
 */
export function lugRods(
  lugs: readonly StandingLug[],
  { back, front, layers }: Pick<Stack, 'back' | 'front' | 'layers'>,
): PillarShape[] {
  if (!back) return [];
  const at = (lug: StandingLug, rod: { readonly at: Point }): boolean =>
    Math.hypot(rod.at.x - lug.at.x, rod.at.y - lug.at.y) < 1e-6;
  const rods: PillarShape[] = [];
  for (const lug of lugs) {
    if (rods.some(r => at(lug, r))) continue;
    const over = lugs.filter(l => at(l, lug)).map(l => layers.get(l.wheel.layer)?.to ?? back.to);
    const top = Math.max(...over);
    rods.push({
      ...{ id: `lug rod ${rods.length + 1}`, at: lug.at, diameter: lug.hole, shoulder: lug.hole },
      ...{
        whole: { from: back.from, to: front?.to ?? top },
        between: { from: back.to, to: front?.from ?? top },
      },
    });
  }
  return rods;
}
