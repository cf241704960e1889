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
  readonly whole?: true;
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

/** One of several kinds that a part of a joint is of. */
export interface JointChoice {
  readonly key: string;
  readonly label: string;
  readonly value: string;
  readonly options: readonly string[];
  readonly set: (value: string) => Edit;
}

/** All that can be typed, turned and chosen of a joint, in the order in which it is shown. */
export interface JointFields {
  readonly fields: readonly JointField[];
  readonly ways: readonly JointWay[];
  readonly choices?: readonly JointChoice[];
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
    case 'cam':
      return camFields(machine, joint, set);
    case 'mesh':
    case 'chain':
    case 'pins in holes':
    case 'ratchet':
    case 'slip':
    case 'clutch':
    case 'intermittent':
      return NONE;
  }
}

type Cam = Extract<Joint, { kind: 'cam' }>;

/** A roller that suits a cam of a radius, and a spring that suits small models: guesses. */
const usualRoller = (radius: number): number => Math.max(2, Math.round(radius / 2.5));
const USUAL_SPRING = { kind: 'spring', force: 1, rate: 0.1, grams: 50 } as const;

/** All of a cam but its motion, which has a designer of its own. */
function camFields(machine: Pick<Machine, 'members'>, joint: Cam, set: Set): JointFields {
  const { arm, touch, kept } = joint;
  const size = (key: string, label: string, value: number, setSize: JointField['set']): JointField => ({
    ...{ key, label, unit: 'mm', limits: LIMITS.camRadius, value, set: setSize },
  });
  const rolled =
    touch.kind === 'roller'
      ? [
          size('roller', 'Roller across', touch.diameter, diameter =>
            set({ touch: { kind: 'roller', diameter } }),
          ),
        ]
      : [];
  const armed =
    arm && touch.kind !== 'flat'
      ? [
          size('arm', 'Arm', arm.length, length => set({ arm: { ...arm, length } })),
          angle('arm-angle', 'Arm drawn at', arm.angleDeg, angleDeg => set({ arm: { ...arm, angleDeg } })),
        ]
      : [];
  return {
    fields: [
      size('radius', 'Radius at no lift', joint.radius, radius => set({ radius })),
      ...rolled,
      ...armed,
      angle('phase', 'Turned forward', joint.phaseDeg ?? 0, v => set({ phaseDeg: v === 0 ? undefined : v })),
      ...springFields(kept, set),
      {
        key: 'layer',
        label: 'Layer',
        unit: '',
        limits: LIMITS.layer,
        whole: true,
        value: joint.layer,
        set: layer => set({ layer }),
      },
      ...slideFields(machine, joint.follower),
    ],
    ways: [
      {
        ...{
          key: 'clockwise',
          label: 'Laid out for a cam that turns clockwise',
          on: joint.clockwise === true,
        },
        set: on => set({ clockwise: on ? true : undefined }),
      },
      ...(arm ? [otherWay('Arm on the other side', joint, set)] : []),
    ],
    choices: [
      {
        ...{ key: 'touch', label: 'Follower', value: touch.kind, options: ['knife', 'roller', 'flat'] },
        set: kind =>
          set({ touch: kind === 'roller' ? { kind, diameter: usualRoller(joint.radius) } : { kind } }),
      },
      {
        ...{ key: 'kept', label: 'Kept on the cam by', value: kept.kind },
        options:
          touch.kind === 'roller' ? ['weight', 'spring', 'groove', 'second cam'] : ['weight', 'spring'],
        set: kind => set({ kept: kind === 'spring' ? USUAL_SPRING : { kind } }),
      },
    ],
  };
}

function springFields(kept: Cam['kept'], set: Set): JointField[] {
  if (kept.kind !== 'spring') return [];
  const field = (key: 'force' | 'rate' | 'grams', label: string, limits: Limit): JointField => ({
    ...{ key, label, unit: '', limits, value: kept[key] },
    set: value => set({ kept: { ...kept, [key]: value } }),
  });
  return [
    field('force', 'Spring at no lift, N', LIMITS.springForce),
    field('rate', 'More for each mm, N', LIMITS.springRate),
    field('grams', 'It moves, g', LIMITS.movedGrams),
  ];
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
