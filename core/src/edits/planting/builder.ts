import {
  type Axis,
  byId,
  GROUND,
  type Machine,
  type Member,
  type MeshJoint,
  type Wheel,
} from '../../document/machine/index.ts';
import { wallLayer } from '../../place/layout/index.ts';
import { ringRelief } from '../../counting/planetary/index.ts';

/** An arbor to add: on an axis that is there, or on a new one in a frame at a place. */
export interface NewArbor {
  readonly name: string;
  readonly axis?: string | undefined;
  readonly frame?: string | undefined;
  readonly place?: Axis['place'];
  readonly copies?: Axis['copies'];
  readonly held?: string | undefined;
}

/** A wheel to add; without a layer it takes the lowest that is free. */
export interface NewWheel {
  readonly name: string;
  readonly member: string;
  readonly teeth: number | Wheel['teeth'];
  readonly toothing: string;
  readonly layer?: number | undefined;
  readonly role?: Wheel['role'];
  readonly hand?: Wheel['hand'];
  readonly shorten?: number | undefined;
}

/** A mesh to make between an arbor that is there and another: both wheels, and the other arbor where it is new. */
export interface NewMesh {
  readonly from: string;
  readonly to: string | Omit<NewArbor, 'place'>;
  readonly counts: readonly [number, number];
  readonly toothing: string;
  readonly names?: readonly [string, string];
  readonly type?: MeshJoint['type'];
  readonly layer?: number;
  /** Direction of a new axis from the other, in degrees; it hangs on what carries that one where nothing is said. */
  readonly angleDeg?: number;
  /** A wheel of `from` that drives, instead of a new one. */
  readonly wheel?: string;
}

/** Builds on a machine, part by part; the machine that was given stays as it is. */
export interface Builder {
  readonly machine: () => Machine;
  readonly edit: (change: (machine: Machine) => Machine) => void;
  readonly id: (stem: string) => string;
  readonly arbor: (spec: NewArbor) => string;
  readonly wheel: (spec: NewWheel) => string;
  readonly joint: (joint: Machine['joints'][number]) => void;
  readonly mesh: (spec: NewMesh) => {
    readonly arbor: string;
    readonly joint: string;
    readonly wheels: readonly [string, string];
  };
  readonly layer: () => number;
}

/** Bore of a wheel that is added, mm. */
const BORE: Wheel['bore'] = { kind: 'round', diameter: 4 };

/** Starts to build on a machine. */
export function builderOn(start: Machine): Builder {
  let machine = start;
  const reserved = new Set<string>();
  const fresh = (stem: string): string => {
    for (let n = 1; ; n++) {
      const name = `${stem}${n}`;
      if (!reserved.has(name) && !hasId(machine, name)) {
        reserved.add(name);
        return name;
      }
    }
  };
  const arbor = (spec: NewArbor): string => {
    const member = fresh('arbor');
    let axis = spec.axis;
    if (axis === undefined) {
      axis = fresh('axis');
      const added: Axis = {
        id: axis,
        frame: spec.frame ?? GROUND,
        place: spec.place ?? { kind: 'given', x: 0, y: 0 },
        ...(spec.copies && { copies: spec.copies }),
      };
      machine = { ...machine, axes: [...machine.axes, added] };
    }
    const made: Member = {
      kind: 'arbor',
      id: member,
      name: spec.name,
      axis,
      ...(spec.held !== undefined && { held: spec.held }),
    };
    machine = { ...machine, members: [...machine.members, made] };
    return member;
  };
  const layer = (): number => {
    const used = new Set(machine.wheels.flatMap(w => [w.layer, wallLayer(w) ?? w.layer]));
    for (let l = 0; ; l++) if (!used.has(l)) return l;
  };
  const wheel = (spec: NewWheel): string => {
    const made = newWheel(fresh('wheel'), spec, spec.layer ?? layer());
    machine = { ...machine, wheels: [...machine.wheels, made] };
    return made.id;
  };
  const joint = (made: Machine['joints'][number]): void => {
    machine = { ...machine, joints: [...machine.joints, made] };
  };
  const frameOf = (member: string): string | undefined => {
    const made = byId(machine.members, member);
    return made?.kind === 'arbor' ? byId(machine.axes, made.axis)?.frame : undefined;
  };
  const mesh: Builder['mesh'] = spec => {
    const jointId = fresh('mesh');
    const given = byId(machine.wheels, spec.wheel);
    const at = given?.layer ?? spec.layer ?? layer();
    const place = { kind: 'mesh' as const, joint: jointId, angleDeg: spec.angleDeg ?? 0 };
    const to =
      typeof spec.to === 'string' ? spec.to : arbor({ frame: frameOf(spec.from), ...spec.to, place });
    const own = (member: string): string => byId(machine.members, member)?.name ?? '';
    const [first, second] = spec.names ?? [`${own(spec.from)} wheel`, `${own(to)} wheel`];
    const common = { toothing: given?.toothing ?? spec.toothing, layer: at };
    const a =
      given?.id ??
      wheel({ ...common, name: first, member: spec.from, teeth: spec.counts[0], ...role(spec, 0) });
    const b = wheel({ ...common, name: second, member: to, teeth: spec.counts[1], ...role(spec, 1) });
    joint({ kind: 'mesh', id: jointId, type: spec.type ?? 'external', a, b });
    return { arbor: to, joint: jointId, wheels: [a, b] };
  };
  return {
    machine: () => machine,
    edit: change => {
      machine = change(machine);
    },
    ...{ id: fresh, arbor, wheel, joint, mesh, layer },
  };
}

function newWheel(id: string, spec: NewWheel, layer: number): Wheel {
  const { name, member, toothing, teeth, hand, shorten } = spec;
  return {
    ...{ id, name, member, toothing },
    role: spec.role ?? 'wheel',
    teeth: typeof teeth === 'number' ? { kind: 'count', count: teeth } : teeth,
    layer,
    bore: BORE,
    ...(hand && { hand }),
    ...(shorten && { shorten }),
  };
}

/** Of an internal mesh the larger wheel is the ring. */
function role({ type, counts }: NewMesh, which: 0 | 1): Partial<NewWheel> {
  if (type !== 'internal') return {};
  const larger = counts[0] > counts[1] ? 0 : 1;
  if (which !== larger) return {};
  const relief = ringRelief(counts[1 - larger] as number, counts[larger]);
  return { role: 'ring', ...(relief > 0 ? { shorten: relief } : {}) };
}

function hasId(machine: Machine, id: string): boolean {
  const lists = [machine.axes, machine.members, machine.toothings, machine.wheels, machine.joints];
  const more = [
    machine.aims,
    machine.modes,
    machine.sets,
    machine.indicators,
    machine.parts,
    machine.searches,
    machine.plans,
    machine.materials,
  ];
  const rest = [machine.poses, machine.processes, machine.measurements, machine.log];
  return [...lists, ...more, ...rest].some(list => list.some(x => x.id === id));
}
