import { byId, type Machine, meshes, processOf } from '../../document/machine/index.ts';
import { keptApart } from '../../making/process/index.ts';
import { type InPlaceSet, inPlaceSets } from '../../place/layout/index.ts';
import { type Finding, finding, fix } from '../../ground/result/index.ts';
import { radians } from '../../ground/units/index.ts';
import type { MeshState, WheelState } from '../state/index.ts';

type Parts = Pick<Machine, 'wheels' | 'axes' | 'members' | 'joints' | 'making' | 'processes' | 'process'>;

/**
 * Sets that a printer makes standing in mesh: between flanks there is half of the play, across them, on each side, and
 * between tips and roots the clearance; what is less than the printer keeps apart fuses.
 */
export function inPlaceFindings(
  machine: Parts,
  wheels: Readonly<Record<string, WheelState>>,
  states: Readonly<Record<string, MeshState>>,
): Finding[] {
  return inPlaceSets(machine).flatMap(set => {
    const process = processOf(machine, set.planet.id);
    if (process?.kind !== 'printer') return [];
    const least = keptApart(process);
    return pairsOf(machine, set).flatMap(([joint, mate]): Finding[] => {
      const state = states[joint];
      if (!state) return [];
      const tilt = Math.cos(radians(state.workingAngleDeg ?? 0));
      const flanks = (state.play / 2) * tilt;
      const subjects = [joint, set.planet.id, mate];
      if (flanks < least - 1e-9) {
        const play =
          Math.ceil((100 * (2 * least)) / tilt + 100 * (state.playFromThinning - state.play)) / 100;
        const data = { is: flanks, least, where: 'flanks' as const };
        return [finding('in-place-fuses', 'warn', 'make', subjects, data, [fix('set-play', joint, play)])];
      }
      const tips = tipRoom(set, mate, wheels, state);
      return tips === undefined || tips >= least - 1e-9
        ? []
        : [finding('in-place-fuses', 'warn', 'make', subjects, { is: tips, least, where: 'tips' })];
    });
  });
}

/** The meshes of a set's planet with its ring and its sun, each with that mate. */
const pairsOf = (machine: Parts, set: InPlaceSet): (readonly [string, string])[] =>
  meshes(machine).flatMap(j => {
    const mate = j.a === set.planet.id ? j.b : j.b === set.planet.id ? j.a : undefined;
    const wheel = byId(machine.wheels, mate);
    return wheel && (wheel.id === set.ring.id || wheel.id === set.sun?.id) ? [[j.id, wheel.id] as const] : [];
  });

/** The least room between the tips of one and the roots of the other, mm. */
function tipRoom(
  set: InPlaceSet,
  mate: string,
  wheels: Readonly<Record<string, WheelState>>,
  { distance }: MeshState,
): number | undefined {
  const [planet, other] = [wheels[set.planet.id]?.dimensions, wheels[mate]?.dimensions];
  if (!planet || !other) return undefined;
  return mate === set.ring.id
    ? Math.min(other.rootRadius - distance - planet.tipRadius, other.tipRadius - distance - planet.rootRadius)
    : Math.min(
        distance - planet.tipRadius - other.rootRadius,
        distance - planet.rootRadius - other.tipRadius,
      );
}
