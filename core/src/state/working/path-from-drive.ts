import type { Stage } from '../../counting/search/index.ts';
import { byId, circleCount, type Machine, meshes } from '../../document/machine/index.ts';

/** The meshes from the drive to an arbor as stages, idlers included; undefined where there is no such row. */
export function pathFromDrive(machine: Machine, arbor: string): Stage[] | undefined {
  const stages: Stage[] = [];
  const seen = new Set<string>();
  let member = arbor;
  while (member !== machine.drive?.member) {
    if (seen.has(member)) return undefined;
    seen.add(member);
    const into = meshes(machine).find(j => byId(machine.wheels, j.b)?.member === member);
    const [a, b] = [byId(machine.wheels, into?.a), byId(machine.wheels, into?.b)];
    const [driving, driven] = [a && circleCount(a), b && circleCount(b)];
    if (!a || driving === undefined || driven === undefined) return undefined;
    stages.unshift({ driving, driven });
    member = a.member;
  }
  return stages;
}
