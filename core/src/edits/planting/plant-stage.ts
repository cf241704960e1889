import type { Stage } from '../../counting/search/index.ts';
import {
  byId,
  freeId,
  ISO_53_A,
  type Machine,
  type MeshJoint,
  type Toothing,
} from '../../document/machine/index.ts';

/** The axis of an arbor. */
export const axisOf = (machine: Machine, arbor: string | undefined): string | undefined => {
  const member = byId(machine.members, arbor);
  return member?.kind === 'arbor' ? member.axis : undefined;
};

/** The first involute toothing of that module, or a new one. */
export function withToothing(machine: Machine, module: number): { machine: Machine; toothing: string } {
  const fits = (t: Toothing): boolean =>
    t.form.kind === 'involute' && t.size.by === 'module' && t.size.module === module;
  const known = machine.toothings.find(fits);
  if (known) return { machine, toothing: known.id };
  const id = freeId(machine, 'toothing');
  const like = machine.toothings.find(t => t.form.kind === 'involute');
  const added: Toothing = {
    id,
    name: `Teeth, module ${module}`,
    form: like?.form ?? ISO_53_A,
    size: { by: 'module', module },
    play: like?.play ?? 0.1,
  };
  return { machine: { ...machine, toothings: [...machine.toothings, added] }, toothing: id };
}

/** Toothings that no wheel has go, as long as one stays. */
export function withoutIdleToothings(machine: Machine): Machine {
  const used = machine.toothings.filter(t => machine.wheels.some(w => w.toothing === t.id));
  return used.length > 0 ? { ...machine, toothings: used } : machine;
}

/** A mesh to add: from which arbor, on which axis (a new one when undefined), in which layer. */
interface NewStage {
  readonly from: string;
  readonly stage: Stage;
  readonly toothing: string;
  readonly layer: number;
  readonly axis: string | undefined;
  /** The arbor that is driven, when it is there already. */
  readonly onto?: string;
  readonly name: string;
  readonly wheels: readonly [string, string];
}

/** Adds a mesh from an arbor to a new one, which stands on the given axis or on a new one at the mesh’s distance. */
export function addStage(
  machine: Machine,
  { from, stage, toothing, layer, axis, onto, name, wheels }: NewStage,
): { machine: Machine; arbor: string; mesh: MeshJoint } {
  const arbor = onto ?? freeId(machine, 'arbor');
  const mesh: MeshJoint = {
    kind: 'mesh',
    id: freeId(machine, 'mesh'),
    type: 'external',
    a: freeId(machine, 'wheel'),
    b: `${freeId(machine, 'wheel')}b`,
  };
  const onAxis = axis ?? freeId(machine, 'axis');
  const axes: Machine['axes'] =
    axis === undefined
      ? [
          ...machine.axes,
          { id: onAxis, frame: 'ground', place: { kind: 'mesh', joint: mesh.id, angleDeg: 0 } },
        ]
      : machine.axes;
  const wheel = (
    id: string,
    member: string,
    count: number,
    wheelName: string,
  ): Machine['wheels'][number] => ({
    id,
    name: wheelName,
    member,
    toothing,
    role: 'wheel',
    teeth: { kind: 'count', count },
    layer,
    bore: { kind: 'round', diameter: 4 },
  });
  const next: Machine = {
    ...machine,
    axes,
    members: onto ? machine.members : [...machine.members, { kind: 'arbor', id: arbor, name, axis: onAxis }],
    wheels: [
      ...machine.wheels,
      wheel(mesh.a, from, stage.driving, wheels[0]),
      wheel(mesh.b, arbor, stage.driven, wheels[1]),
    ],
    joints: [...machine.joints, mesh],
  };
  return { machine: next, arbor, mesh };
}
