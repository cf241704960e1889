import {
  type Arbor,
  arbors,
  type Axis,
  axisOfWheel,
  byId,
  circleCount,
  type Machine,
  type MeshJoint,
  meshes,
  type Toothing,
  type Wheel,
} from '../../document/machine/index.ts';

type OutputJoint = Extract<Machine['joints'][number], { kind: 'pins in holes' }>;
export type ReducerForm = Extract<Toothing['form'], { kind: 'reducer' }>;

/** A disc of a reducer: its wheel, the arbor and the axis that the eccentric carries, and its mesh in the ring. */
export interface ReducerDisc {
  readonly wheel: Wheel;
  readonly arbor: Arbor;
  readonly axis: Axis;
  readonly mesh: MeshJoint;
  /** The ring in its layer, or the plate of pins that reach through it. */
  readonly ring: Wheel;
  readonly output: OutputJoint | undefined;
}

/** A reducer with the things of the machine that it is made of; its counts are known. */
export interface ReducerParts {
  readonly discs: readonly [ReducerDisc, ...ReducerDisc[]];
  readonly toothing: Toothing & { readonly form: ReducerForm };
  /** The arbor whose eccentric swings the discs. */
  readonly driver: Arbor;
  readonly ringArbor: Arbor;
  /** The plate whose pins stand in the discs' holes. */
  readonly plate: Arbor | undefined;
  readonly lobes: number;
  readonly pins: number;
}

/** The reducer that a wheel, an arbor or a joint belongs to; undefined where it is none, or not whole. */
export function reducerParts(machine: Machine, id: string): ReducerParts | undefined {
  const all = meshes(machine).flatMap(j => discOf(machine, j) ?? []);
  const own = all.find(d => partIds(d).includes(id)) ?? drivenBy(all, id);
  if (!own) return undefined;
  const same = all.filter(d => d.axis.frame === own.axis.frame && d.ring.member === own.ring.member);
  const [first = own, ...rest] = same.sort((a, b) => a.wheel.layer - b.wheel.layer);
  const toothing = byId(machine.toothings, first.wheel.toothing);
  const [driver, ringArbor] = [first.axis.frame, first.ring.member].map(m => byId(arbors(machine), m));
  const plate = byId(arbors(machine), first.output?.carrier);
  const [lobes, pins] = [circleCount(first.wheel), circleCount(first.ring)];
  if (!driver || !ringArbor || lobes === undefined || pins === undefined) return undefined;
  if (toothing?.form.kind !== 'reducer') return undefined;
  const { form } = toothing;
  return {
    ...{ discs: [first, ...rest], toothing: { ...toothing, form }, driver, ringArbor, plate, lobes, pins },
  };
}

function discOf(machine: Machine, mesh: MeshJoint): ReducerDisc | undefined {
  if (mesh.type !== 'reducer') return undefined;
  const [a, b] = [byId(machine.wheels, mesh.a), byId(machine.wheels, mesh.b)];
  const [wheel, ring] = a?.role === 'disc' ? [a, b] : [b, a];
  const arbor = byId(arbors(machine), wheel?.member);
  const axis = byId(machine.axes, wheel && axisOfWheel(machine, wheel));
  if (!wheel || !ring || !arbor || !axis) return undefined;
  const output = machine.joints.find(j => j.kind === 'pins in holes' && j.disc === wheel.id);
  return { wheel, arbor, axis, mesh, ring, output: output?.kind === 'pins in holes' ? output : undefined };
}

const partIds = ({ wheel, arbor, mesh, ring, output }: ReducerDisc): string[] => [
  ...[wheel.id, arbor.id, mesh.id, ring.id, ring.member],
  ...(output ? [output.id, output.carrier] : []),
];

/** The only reducer that an arbor swings. */
const drivenBy = (all: readonly ReducerDisc[], id: string): ReducerDisc | undefined => {
  const own = all.filter(d => d.axis.frame === id);
  return new Set(own.map(d => d.ring.member)).size === 1 ? own[0] : undefined;
};
