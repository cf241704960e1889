import type { Arbor, Machine, Material, MeshJoint, Process, Wheel } from './types.ts';

/** The thing of that id in a list, or undefined. */
export const byId = <T extends { readonly id: string }>(
  list: readonly T[],
  id: string | undefined,
): T | undefined => list.find(x => x.id === id);

/**
 * The way that the drive turns, seen from the front: 1 counter-clockwise, −1 clockwise. Rates are signed against
 * it.
 */
export const driveWay = ({ drive }: Pick<Machine, 'drive'>): 1 | -1 =>
  drive?.turns === 'clockwise' ? -1 : 1;

/** The members that turn on an axis. */
export const arbors = (machine: Pick<Machine, 'members'>): Arbor[] =>
  machine.members.filter((m): m is Arbor => m.kind === 'arbor');

/** The joints that are meshes of two wheels. */
export const meshes = (machine: Pick<Machine, 'joints'>): MeshJoint[] =>
  machine.joints.filter((j): j is MeshJoint => j.kind === 'mesh');

/** The number of teeth the full circle of a wheel holds; undefined while it is open. */
export function circleCount(wheel: Wheel): number | undefined {
  switch (wheel.teeth.kind) {
    case 'count':
      return wheel.teeth.count;
    case 'sector':
      return wheel.teeth.circle;
    case 'open':
      return undefined;
  }
}

/** Teeth of another count: a sector stays one, with as large a part of the circle as it had. */
export function recounted(teeth: Wheel['teeth'], count: number): Wheel['teeth'] {
  if (teeth.kind !== 'sector') return { kind: 'count', count };
  const present = Math.max(1, Math.min(count, Math.round((teeth.present / teeth.circle) * count)));
  return { kind: 'sector', circle: count, present };
}

/** The id of the axis on which a wheel turns; undefined for a wheel on a slide or a link. */
export function axisOfWheel(machine: Pick<Machine, 'members'>, wheel: Wheel): string | undefined {
  const member = byId(machine.members, wheel.member);
  return member?.kind === 'arbor' ? member.axis : undefined;
}

/** The axes of the two wheels of a mesh; undefined for a wheel on no axis, or a mesh that is not there. */
export function axesOfMesh(
  machine: Pick<Machine, 'members' | 'wheels' | 'joints'>,
  joint: string,
): readonly [string | undefined, string | undefined] {
  const mesh = byId(meshes(machine), joint);
  const on = (id: string | undefined): string | undefined => {
    const wheel = byId(machine.wheels, id);
    return wheel && axisOfWheel(machine, wheel);
  };
  return [on(mesh?.a), on(mesh?.b)];
}

/** How a part is made: as it says itself, or else as the machine's parts are. */
export function processOf(
  machine: Pick<Machine, 'making' | 'processes' | 'process'>,
  part: string,
): Process | undefined {
  const own = machine.making.find(m => m.part === part)?.process;
  return byId(machine.processes, own ?? machine.process);
}

/** What a part is made from: as it says itself, or else what its process usually takes. */
export function materialOf(
  machine: Pick<Machine, 'making' | 'processes' | 'process' | 'materials'>,
  part: string,
): Material | undefined {
  const own = machine.making.find(m => m.part === part)?.material;
  return byId(machine.materials, own ?? processOf(machine, part)?.material);
}

/** An id that is not taken yet: the stem and the next free number. */
export function freeId(machine: Machine, stem: string): string {
  const taken = new Set(
    [machine.axes, machine.members, machine.toothings, machine.wheels, machine.joints, machine.aims]
      .flat()
      .map(x => x.id)
      .concat(
        [
          machine.modes,
          machine.sets,
          ...[machine.indicators, machine.parts, machine.searches, machine.plans, machine.materials],
        ]
          .flat()
          .map(x => x.id),
      )
      .concat([machine.layout.keepOuts, machine.layout.plates?.pillars ?? []].flat().map(x => x.id))
      .concat([machine.poses, machine.processes, machine.measurements, machine.log].flat().map(x => x.id)),
  );
  for (let n = 1; ; n++) if (!taken.has(`${stem}${n}`)) return `${stem}${n}`;
}
