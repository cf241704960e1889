import { arbors, axisOfWheel, byId, type Machine, meshes, type Wheel } from '../../document/machine/index.ts';

type OutputJoint = Extract<Machine['joints'][number], { kind: 'pins in holes' }>;

/**
 * The plate whose pins stand in the holes of a reducer's discs, one or two of them, the nearest to it last: its joint
 * with the first disc, its arbor, its layer, its radius, mm.
 */
export interface OutputPlate {
  readonly joint: OutputJoint;
  readonly discs: readonly [Wheel, ...Wheel[]];
  readonly member: string;
  readonly layer: number;
  readonly outer: number;
}

/** The output plates of a machine, each in the layer in front of its discs. */
export function outputPlates(machine: Pick<Machine, 'wheels' | 'joints'>): OutputPlate[] {
  const joints = machine.joints.filter(j => j.kind === 'pins in holes');
  return joints.flatMap((joint, i): OutputPlate[] => {
    const { carrier: member } = joint;
    if (joints.findIndex(j => j.carrier === member) !== i) return [];
    const on = joints.flatMap(j => (j.carrier === member ? (byId(machine.wheels, j.disc) ?? []) : []));
    const [first, ...rest] = [...on].sort((a, b) => a.layer - b.layer);
    if (!first) return [];
    const layer = (rest.at(-1) ?? first).layer + 1;
    return [{ joint, discs: [first, ...rest], member, layer, outer: joint.circle / 2 + joint.pinDiameter }];
  });
}

/** A plate from which the pins of a reducer's ring stand through the layers of the discs that roll on them. */
export interface PinPlate {
  readonly wheel: Wheel;
  /** Each disc with its mesh on these pins. */
  readonly rolling: readonly { readonly mesh: string; readonly disc: Wheel }[];
}

/** The plates of pins of a machine's reducers. */
export const pinPlates = (machine: Pick<Machine, 'wheels' | 'joints' | 'toothings'>): PinPlate[] =>
  machine.wheels.flatMap(wheel => {
    const form = byId(machine.toothings, wheel.toothing)?.form;
    if (form?.kind !== 'reducer' || form.ring !== 'pins' || wheel.role === 'disc') return [];
    const rolling = meshes(machine).flatMap(j => {
      const other =
        j.type !== 'reducer' ? undefined : j.a === wheel.id ? j.b : j.b === wheel.id ? j.a : undefined;
      const disc = byId(machine.wheels, other);
      return disc ? [{ mesh: j.id, disc }] : [];
    });
    return rolling.length > 0 ? [{ wheel, rolling }] : [];
  });

/** The discs that an arbor swings on an eccentric. */
export function swungDiscs(
  machine: Pick<Machine, 'wheels' | 'joints' | 'members' | 'axes'>,
  arbor: string,
): Wheel[] {
  return meshes(machine).flatMap(j => {
    if (j.type !== 'reducer') return [];
    const disc = [j.a, j.b].map(id => byId(machine.wheels, id)).find(w => w?.role === 'disc');
    const axis = disc && byId(machine.axes, axisOfWheel(machine, disc));
    return disc && axis?.frame === arbor && arbors(machine).some(a => a.id === arbor) ? [disc] : [];
  });
}

/** The layers in which an arbor bears a reducer's output plate or an eccentric. */
export const reducerLayers = (
  machine: Pick<Machine, 'wheels' | 'joints' | 'members' | 'axes'>,
  arbor: string,
): number[] => [
  ...outputPlates(machine).flatMap(p => (p.member === arbor ? [p.layer] : [])),
  ...swungDiscs(machine, arbor).map(d => d.layer),
];

/** Discs with the arbors that pass them within their eccentrics, as `disc arbor`. */
export const throughDiscs = (
  machine: Pick<Machine, 'wheels' | 'joints' | 'members' | 'axes'>,
): ReadonlySet<string> =>
  new Set(arbors(machine).flatMap(a => swungDiscs(machine, a.id).map(d => `${d.id} ${a.id}`)));
