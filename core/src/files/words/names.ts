import { byId, circleCount, jointEnds, type Machine, type Wheel } from '../../document/machine/index.ts';

/** A wheel as it is called on screen: its name and its count. */
export function wheelName(wheel: Wheel): string {
  const count = circleCount(wheel);
  return `${wheel.name || wheel.id} (${count ?? 'open'})`;
}

/** What belongs to no one thing of the machine. */
const STANDING: ReadonlyMap<string, string> = new Map([
  ['plate back', 'The back plate'],
  ['plate front', 'The front plate'],
  ['envelope', 'the envelope'],
  ['hanger', 'The keyhole'],
  ['column', 'The column'],
  ['base', 'The base'],
]);

/**
 * The maker's name for whatever has that id: wheels with their counts, arbors, aims and toothings by name, meshes
 * by their two wheels, axes by what stands on them.
 */
export function nameOf(machine: Machine, id: string): string {
  const wheel = byId(machine.wheels, id);
  if (wheel) return wheelName(wheel);
  const named = [
    machine.members,
    machine.aims,
    machine.toothings,
    machine.processes,
    machine.materials,
    machine.indicators,
  ].flat();
  const found = named.find(x => x.id === id);
  if (found) return found.name || id;
  const joint = byId(machine.joints, id);
  if (joint)
    return jointEnds(joint)
      .map(([, end]) => nameOf(machine, end))
      .join(' and ');
  const keepOut = byId(machine.layout.keepOuts, id);
  if (keepOut) return keepOut.name || 'the room kept free';
  const pillar = machine.layout.plates?.pillars.findIndex(p => p.id === id) ?? -1;
  if (pillar >= 0) return `pillar ${pillar + 1}`;
  const part = STANDING.get(id);
  if (part !== undefined) return part;
  const arm = id.startsWith('arm ') ? byId(machine.members, id.slice(4)) : undefined;
  if (arm) return `The arm of ${arm.name || arm.id}`;
  const braced = id.startsWith('bracket ') ? byId(machine.members, id.slice(8)) : undefined;
  if (braced) return `The bracket of ${braced.name || braced.id}`;
  const axis = byId(machine.axes, id);
  const standing = machine.members.filter(m => m.kind === 'arbor' && m.axis === id).map(m => m.name);
  return axis?.name ?? (standing.length > 0 ? standing.join(', ') : id);
}
