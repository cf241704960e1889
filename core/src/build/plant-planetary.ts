import { freeLayers } from '../layout/index.ts';
import { byId, freeId, type Machine, removeTrainTo } from '../machine/index.ts';
import { assemblyOf, type Central, CENTRALS, drivenOf, type PlanetarySet } from '../planetary/index.ts';
import { axisOf, withoutIdleToothings, withToothing } from './plant-stage.ts';

/** A planetary set as it is to be built: the drive turns one member, another is held, the third is the output. */
export interface PlanetaryChoice {
  readonly set: PlanetarySet;
  readonly held: Central;
  readonly driver: Central;
  readonly module: number;
  /** The aim that the output serves; a train that it had before is taken away. */
  readonly aim?: string | undefined;
}

/**
 * Adds a planetary set on the drive's axis as ordinary arbors, wheels and meshes: a held arbor, an output, and the
 * planets' axis on the arm, in as many places as there are planets. Throws for a machine without a drive.
 */
export function plantPlanetary(machine: Machine, choice: PlanetaryChoice): Machine {
  if (!machine.drive) throw new Error('plantPlanetary: no drive');
  const { held, driver } = choice;
  const aim = byId(machine.aims, choice.aim);
  const cleared = aim?.member === undefined ? machine : removeTrainTo(aim.member)(machine);
  const { machine: sized, toothing } = withToothing(cleared, choice.module);
  const centre = axisOf(sized, machine.drive.member) ?? '';
  const name = aim?.name ?? 'Planetary set';
  let current = sized;
  const members: Record<Central, string> = { sun: '', ring: '', arm: '' };
  for (const central of CENTRALS) {
    if (central === driver) {
      members[central] = machine.drive.member;
      continue;
    }
    const id = freeId(current, 'arbor');
    const own = central === drivenOf(held, driver) ? name : `${name}: ${central}, held`;
    members[central] = id;
    const arbor = { kind: 'arbor' as const, id, name: own, axis: centre };
    current = {
      ...current,
      members: [...current.members, central === held ? { ...arbor, held: 'ground' } : arbor],
    };
  }
  return withoutIdleToothings(withWheels(current, choice, members, toothing, name));
}

function withWheels(
  machine: Machine,
  { set, held, driver, aim }: PlanetaryChoice,
  members: Readonly<Record<Central, string>>,
  toothing: string,
  name: string,
): Machine {
  const { equal, anglesDeg } = assemblyOf(set);
  const ids = {
    axis: freeId(machine, 'axis'),
    planet: freeId(machine, 'planet'),
    sun: freeId(machine, 'wheel'),
    mesh: freeId(machine, 'mesh'),
  };
  const [layer = 0] = freeLayers(machine, 1);
  const wheel = { toothing, layer, bore: { kind: 'round' as const, diameter: 4 } };
  const teeth = (count: number): Machine['wheels'][number]['teeth'] => ({ kind: 'count', count });
  const copies = equal ? { count: set.planets } : { count: set.planets, anglesDeg: [...anglesDeg] };
  const output = members[drivenOf(held, driver)];
  return {
    ...machine,
    axes: [
      ...machine.axes,
      {
        id: ids.axis,
        frame: members.arm,
        place: { kind: 'mesh', joint: ids.mesh, angleDeg: 0 },
        ...(set.planets > 1 && { copies }),
      },
    ],
    members: [...machine.members, { kind: 'arbor', id: ids.planet, name: `${name}: planet`, axis: ids.axis }],
    wheels: [
      ...machine.wheels,
      {
        ...wheel,
        id: ids.sun,
        name: `${name}: sun wheel`,
        member: members.sun,
        role: 'wheel',
        teeth: teeth(set.sun),
      },
      { ...wheel, id: `${ids.sun}p`, name: `${name}: planet wheel`, member: ids.planet, role: 'wheel', teeth: teeth(set.planet) }, // prettier-ignore
      {
        ...wheel,
        id: `${ids.sun}r`,
        name: `${name}: ring`,
        member: members.ring,
        role: 'ring',
        teeth: teeth(set.ring),
      },
    ],
    joints: [
      ...machine.joints,
      { kind: 'mesh', id: ids.mesh, type: 'external', a: ids.sun, b: `${ids.sun}p` },
      { kind: 'mesh', id: `${ids.mesh}r`, type: 'internal', a: `${ids.sun}p`, b: `${ids.sun}r` },
    ],
    aims: machine.aims.map(a => (a.id === aim ? { ...a, member: output } : a)),
  };
}
