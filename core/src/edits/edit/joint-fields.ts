import { type Joint, LIMITS } from '../../document/machine/index.ts';
import { setJoint } from '../change/index.ts';
import { camFields } from './cam-fields.ts';
import {
  angle,
  type FieldParts,
  type JointFields,
  mmField,
  nameOf,
  NONE,
  otherWay,
  pinFields,
  pinPlace,
  rodField,
  roundWay,
  type Set,
  slideFields,
} from './joint-field.ts';

/** What can be changed of a joint: of its pins, its rods, its slide. Meshes and reducers have panels of their own. */
export function jointFields(machine: FieldParts, joint: Joint): JointFields {
  const set: Set = change => setJoint(joint.id, joint.kind, change);
  switch (joint.kind) {
    case 'crank':
    case 'yoke':
    case 'cord':
    case 'drum':
      return slidingFields(machine, joint, set);
    case 'slot':
    case 'four-bar':
    case 'two rods':
      return swungFields(machine, joint, set);
    case 'universal':
      return universalFields(joint, set);
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

type Of<K extends Joint['kind']> = Extract<Joint, { kind: K }>;

/** Of what moves a slide. */
function slidingFields(
  machine: FieldParts,
  joint: Of<'crank' | 'yoke' | 'cord' | 'drum'>,
  set: Set,
): JointFields {
  switch (joint.kind) {
    case 'crank':
      return {
        fields: [
          ...pinFields('pin', 'Pin', joint.pin, set),
          ...rodField(machine, joint.rod, 'Rod'),
          ...slideFields(machine, joint.slide),
        ],
        ways: [otherWay('Slide behind the pin', joint, set)],
        choices: pinPlace(machine, 'pin', 'Pin', joint.pin, set),
      };
    case 'yoke':
      return {
        fields: [...pinFields('pin', 'Pin', joint.pin, set), ...slideFields(machine, joint.slide)],
        ways: [],
        choices: pinPlace(machine, 'pin', 'Pin', joint.pin, set),
      };
    case 'cord':
      return {
        fields: [
          ...pinFields('pin', 'Pin', joint.pin, set),
          mmField('length', 'Cord', joint.length, LIMITS.cordLength, length => set({ length })),
          mmField('along', 'Eye along the line', joint.eye.along, LIMITS.slideAside, along =>
            set({ eye: { ...joint.eye, along } }),
          ),
          mmField('aside', 'Eye beside the line', joint.eye.aside, LIMITS.slideAside, aside =>
            set({ eye: { ...joint.eye, aside } }),
          ),
          ...slideFields(machine, joint.slide),
        ],
        ways: [otherWay('Slide beyond the eye', joint, set)],
        choices: pinPlace(machine, 'pin', 'Pin', joint.pin, set),
      };
    case 'drum':
      return {
        fields: [
          mmField('diameter', 'Drum across', joint.diameter, LIMITS.toothSize, diameter => set({ diameter })),
          ...slideFields(machine, joint.slide),
        ],
        ways: [
          {
            ...{ key: 'opposite', label: 'Cord leaves on the left', on: joint.opposite === true },
            set: on => set({ opposite: on ? true : undefined }),
          },
        ],
      };
  }
}

/** Of rods and slots that move arms, and rods that meet. */
function swungFields(
  machine: FieldParts,
  joint: Of<'slot' | 'four-bar' | 'two rods'>,
  set: Set,
): JointFields {
  switch (joint.kind) {
    case 'slot':
      return {
        fields: [
          ...pinFields('pin', 'Pin', joint.pin, set),
          angle('slotDeg', 'Slot points at', joint.slotDeg, value => set({ slotDeg: value })),
        ],
        ways: [roundWay('Goes round with the pin', joint, set)],
        choices: pinPlace(machine, 'pin', 'Pin', joint.pin, set),
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
        choices: [
          ...pinPlace(machine, 'pin', 'Pin', joint.pin, set),
          ...pinPlace(machine, 'to', 'Far pin', joint.to, set),
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
  }
}

const universalFields = (joint: Of<'universal'>, set: Set): JointFields => ({
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
});

function frictionFields(
  machine: FieldParts,
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
