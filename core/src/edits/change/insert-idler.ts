import { axisOfWheel, byId, freeId, meshes } from '../../document/machine/lookup.ts';
import type { Axis, Machine, MeshJoint, Wheel } from '../../document/machine/types.ts';
import { placeHangsOn } from '../../document/machine/place.ts';
import type { Edit } from './patch.ts';

/** Teeth of an idler where nothing asks for more: enough to be cut without undercut. */
export const IDLER_COUNT = 20;

/**
 * Puts an idler of `count` teeth between the two wheels of an external mesh: its sense turns, its ratio stays. Where
 * an axis hung on the mesh, the idler takes its direction and that axis hangs on the idler; where both axes stood
 * already, the idler takes its place from both.
 */
export const insertIdler =
  (meshId: string, count: number): Edit =>
  machine => {
    const mesh = byId(meshes(machine), meshId);
    const b = mesh && byId(machine.wheels, mesh.b);
    if (!mesh || !b || mesh.type !== 'external') return machine;
    const ids = namesFor(machine);
    const { spread: _, ...plain } = mesh;
    const first: MeshJoint = { ...plain, b: ids.wheel };
    const second: MeshJoint = { kind: 'mesh', id: ids.joint, type: 'external', a: ids.wheel, b: mesh.b };
    const hung = machine.axes.find(x => hangsOn(x.place, meshId));
    const behind = hung && axisOfWheel(machine, b) === hung.id;
    const [far, near] = behind ? [first.id, second.id] : [second.id, first.id];
    const place: Axis['place'] = hung
      ? { kind: 'mesh', joint: far, angleDeg: hung.place.kind === 'mesh' ? hung.place.angleDeg : 0 }
      : { kind: 'between', joints: [first.id, second.id], side: 'left' };
    const moved = (axis: Axis): Axis =>
      axis.id === hung?.id ? { ...axis, place: rehang(axis.place, meshId, near) } : axis;
    return {
      ...machine,
      axes: [...machine.axes.map(moved), { id: ids.axis, frame: hung?.frame ?? 'ground', place }],
      members: [
        ...machine.members,
        { kind: 'arbor', id: ids.member, name: `Idler for ${b.name}`, axis: ids.axis },
      ],
      wheels: [...machine.wheels, idlerWheel(ids, b, count)],
      joints: [...machine.joints.map(j => (j.id === meshId ? first : j)), second],
    };
  };

/** Whether a place is derived from that mesh. */
const hangsOn = (place: Axis['place'], mesh: string): boolean => placeHangsOn(place).joints.includes(mesh);

/** The place derived from another mesh in its stead. */
function rehang(place: Axis['place'], from: string, to: string): Axis['place'] {
  if (place.kind === 'mesh' || place.kind === 'line') return { ...place, joint: to };
  if (place.kind !== 'between') return place;
  const [one, two] = place.joints;
  return { ...place, joints: [one === from ? to : one, two === from ? to : two] };
}

const namesFor = (machine: Machine): { axis: string; member: string; wheel: string; joint: string } => ({
  axis: freeId(machine, 'axis'),
  member: freeId(machine, 'arbor'),
  wheel: freeId(machine, 'wheel'),
  joint: freeId(machine, 'mesh'),
});

const idlerWheel = (ids: { wheel: string; member: string }, like: Wheel, count: number): Wheel => ({
  ...like,
  id: ids.wheel,
  name: `${like.name} idler`,
  member: ids.member,
  teeth: { kind: 'count', count },
  shift: 0,
});
