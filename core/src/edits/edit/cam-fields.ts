import { type Joint, type Limit, LIMITS } from '../../document/machine/index.ts';
import {
  angle,
  type FieldParts,
  type JointField,
  type JointFields,
  otherWay,
  type Set,
  slideFields,
} from './joint-field.ts';

type Cam = Extract<Joint, { kind: 'cam' }>;

/** A roller that suits a cam of a radius, and a spring that suits small models: guesses. */
const usualRoller = (radius: number): number => Math.max(2, Math.round(radius / 2.5));
const USUAL_SPRING = { kind: 'spring', force: 1, rate: 0.1, grams: 50 } as const;

/** All of a cam but its motion, which has a designer of its own. */
export function camFields(machine: FieldParts, joint: Cam, set: Set): JointFields {
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
