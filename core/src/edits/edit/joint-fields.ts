import {
  byId,
  type Joint,
  type Limit,
  LIMITS,
  type Machine,
  type Pin,
  type Slide,
} from '../../document/machine/index.ts';
import { type Edit, patch, setJoint, setRodLength } from '../change/index.ts';

/** A figure of a joint that can be typed. */
export interface JointField {
  readonly key: string;
  readonly label: string;
  readonly unit: 'mm' | '°' | '';
  readonly limits: Limit;
  readonly value: number;
  readonly set: (value: number) => Edit;
}

/** One of two ways in which a joint stands. */
export interface JointWay {
  readonly key: string;
  readonly label: string;
  readonly on: boolean;
  readonly set: (on: boolean) => Edit;
}

/** All that can be typed and turned of a joint, in the order in which it is shown. */
export interface JointFields {
  readonly fields: readonly JointField[];
  readonly ways: readonly JointWay[];
}

type Set = (change: object) => Edit;
const NONE: JointFields = { fields: [], ways: [] };

/** What can be changed of a joint: of its pins, its rods, its slide. Meshes and reducers have panels of their own. */
export function jointFields(machine: Pick<Machine, 'members'>, joint: Joint): JointFields {
  const set: Set = change => setJoint(joint.id, joint.kind, change);
  switch (joint.kind) {
    case 'crank':
      return {
        fields: [
          ...pinFields('pin', 'Pin', joint.pin, set),
          ...rodField(machine, joint.rod, 'Rod'),
          ...slideFields(machine, joint.slide),
        ],
        ways: [otherWay('Slide behind the pin', joint, set)],
      };
    case 'yoke':
      return {
        fields: [...pinFields('pin', 'Pin', joint.pin, set), ...slideFields(machine, joint.slide)],
        ways: [],
      };
    case 'slot':
      return {
        fields: [
          ...pinFields('pin', 'Pin', joint.pin, set),
          angle('slotDeg', 'Slot points at', joint.slotDeg, value => set({ slotDeg: value })),
        ],
        ways: [roundWay('Goes round with the pin', joint, set)],
      };
    case 'four-bar':
      return {
        fields: [
          ...pinFields('pin', 'Pin', joint.pin, set),
          ...rodField(machine, joint.rod, 'Rod'),
          ...pinFields('to', 'Far pin', joint.to, set),
        ],
        ways: [
          otherWay('Put together the other way', joint, set),
          roundWay('Goes round with the pin', joint, set),
        ],
      };
    case 'two rods':
      return {
        fields: [
          ...pinFields('a', 'Pin', joint.a, set),
          ...rodField(machine, joint.rodA, 'Its rod'),
          ...pinFields('b', 'Far pin', joint.b, set),
          ...rodField(machine, joint.rodB, 'Far rod'),
        ],
        ways: [otherWay('Put together the other way', joint, set)],
      };
    case 'universal':
      return {
        fields: [
          {
            ...angle('bendDeg', 'Bend', joint.bendDeg ?? 0, v => set({ bendDeg: v })),
            limits: LIMITS.bendDeg,
          },
          angle('forkDeg', 'Fork turned', joint.forkDeg ?? 0, value =>
            set({ forkDeg: value === 0 ? undefined : value }),
          ),
        ],
        ways: [],
      };
    case 'friction':
      return frictionFields(machine, joint, set);
    case 'mesh':
    case 'chain':
    case 'cam':
    case 'pins in holes':
    case 'ratchet':
    case 'slip':
    case 'clutch':
    case 'intermittent':
      return NONE;
  }
}

function frictionFields(
  machine: Pick<Machine, 'members'>,
  joint: Extract<Joint, { kind: 'friction' }>,
  set: Set,
): JointFields {
  return {
    fields: (['a', 'b'] as const).map(side => ({
      ...{ key: side, label: `Diameter on ${nameOf(machine, joint[side].member)}`, unit: 'mm' as const },
      limits: LIMITS.toothSize,
      value: joint[side].diameter,
      set: (diameter: number) => set({ [side]: { ...joint[side], diameter } }),
    })),
    ways: [
      {
        ...{ key: 'crossed', label: 'One rim inside the other', on: joint.crossed === true },
        set: on => set({ crossed: on ? true : undefined }),
      },
    ],
  };
}

const nameOf = ({ members }: Pick<Machine, 'members'>, id: string): string => byId(members, id)?.name ?? id;

const angle = (key: string, label: string, value: number, set: JointField['set']): JointField => ({
  ...{ key, label, unit: '°', limits: LIMITS.angleDeg, value, set },
});

function pinFields(key: string, label: string, pin: Pin, set: Set): JointField[] {
  return [
    {
      ...{ key: `${key}-radius`, label: `${label} from the axis`, unit: 'mm', limits: LIMITS.pinOut },
      value: pin.radius,
      set: radius => set({ [key]: { ...pin, radius } }),
    },
    angle(`${key}-angle`, `${label} at`, pin.angleDeg, angleDeg => set({ [key]: { ...pin, angleDeg } })),
  ];
}

function rodField(machine: Pick<Machine, 'members'>, id: string, label: string): JointField[] {
  const rod = byId(machine.members, id);
  if (rod?.kind !== 'link') return [];
  return [
    {
      ...{ key: `length-${id}`, label, unit: 'mm', limits: LIMITS.linkLength, value: rod.length },
      set: length => setRodLength(id, length),
    },
  ];
}

function slideFields(machine: Pick<Machine, 'members'>, id: string): JointField[] {
  const slide = byId(machine.members, id);
  if (slide?.kind !== 'slide') return [];
  const change = (next: Partial<Slide>): Edit =>
    patch('members', id, m => (m.kind === 'slide' ? { ...m, ...next } : m));
  const direction = angle('direction', 'Slides towards', slide.directionDeg, directionDeg =>
    change({ directionDeg }),
  );
  const { beside } = slide;
  if (!beside) return [direction];
  return [
    direction,
    {
      ...{ key: 'offset', label: 'Line beside the axis', unit: 'mm', limits: LIMITS.slideAside },
      value: beside.offset,
      set: offset => change({ beside: { ...beside, offset } }),
    },
  ];
}

const otherWay = (label: string, joint: { readonly other?: true | undefined }, set: Set): JointWay => ({
  ...{ key: 'other', label, on: joint.other === true },
  set: on => set({ other: on ? true : undefined }),
});
const roundWay = (label: string, joint: { readonly round?: true | undefined }, set: Set): JointWay => ({
  ...{ key: 'round', label, on: joint.round === true },
  set: on => set({ round: on ? true : undefined }),
});
