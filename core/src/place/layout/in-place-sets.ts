import { axisOfWheel, byId, type Machine, meshes, type Wheel } from '../../document/machine/index.ts';

/** A planetary set that can be printed standing in mesh: its wheels by their part in it. */
export interface InPlaceSet {
  readonly id: string;
  readonly name: string;
  readonly sun: Wheel | undefined;
  readonly planet: Wheel;
  readonly ring: Wheel;
}

/**
 * The sets of a machine: planets in several places that mesh with a ring, and with a sun where there is one, all in
 * one layer.
 */
export function inPlaceSets(machine: Pick<Machine, 'wheels' | 'axes' | 'members' | 'joints'>): InPlaceSet[] {
  return machine.wheels.flatMap((planet): InPlaceSet[] => {
    const axis = byId(machine.axes, axisOfWheel(machine, planet));
    if (!axis?.copies) return [];
    const mates = meshes(machine).flatMap(j => {
      const other = j.a === planet.id ? j.b : j.b === planet.id ? j.a : undefined;
      const wheel = byId(machine.wheels, other);
      return wheel ? [{ wheel, type: j.type }] : [];
    });
    const ring = mates.find(m => m.type === 'internal')?.wheel;
    const sun = mates.find(
      m => m.type === 'external' && !byId(machine.axes, axisOfWheel(machine, m.wheel))?.copies,
    )?.wheel;
    if (!ring || ring.layer !== planet.layer || (sun && sun.layer !== planet.layer)) return [];
    return [{ id: planet.id, name: planet.name, sun, planet, ring }];
  });
}
