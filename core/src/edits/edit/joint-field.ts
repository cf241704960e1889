import {
  byId,
  type Limit,
  LIMITS,
  type Machine,
  type Pin,
  type Slide,
} from '../../document/machine/index.ts';
import { type Edit, patch, setRodLength } from '../change/index.ts';

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

/** Changes fields of the joint. */
export type Set = (change: object) => Edit;
/** Of a joint of which nothing can be typed. */
export const NONE: JointFields = { fields: [], ways: [] };

/** Members and wheels of the machine whose joint it is. */
export type FieldParts = Pick<Machine, 'members' | 'wheels'>;

/** A length, mm. */
export const mmField = (
  key: string,
  label: string,
  value: number,
  limits: Limit,
  set: JointField['set'],
): JointField => ({ key, label, unit: 'mm', limits, value, set });

/** The name of a member, or its id where it is gone. */
export const nameOf = ({ members }: FieldParts, id: string): string => byId(members, id)?.name ?? id;

/** An angle, degrees. */
export const angle = (key: string, label: string, value: number, set: JointField['set']): JointField => ({
  ...{ key, label, unit: '°', limits: LIMITS.angleDeg, value, set },
});

/** How far from its axis a pin stands, mm, and at what angle, degrees. */
export function pinFields(key: string, label: string, pin: Pin, set: Set): JointField[] {
  return [
    {
      ...{ key: `${key}-radius`, label: `${label} from the axis`, unit: 'mm', limits: LIMITS.pinOut },
      value: pin.radius,
      set: radius => set({ [key]: { ...pin, radius } }),
    },
    angle(`${key}-angle`, `${label} at`, pin.angleDeg, angleDeg => set({ [key]: { ...pin, angleDeg } })),
  ];
}

const ARM = 'an arm of its own';

/** On what a pin stands: an arm of its own, or the face of a wheel of its member. */
export function pinPlace(
  { wheels }: Pick<Machine, 'wheels'>,
  key: string,
  label: string,
  pin: Pin,
  set: Set,
): JointChoice[] {
  const faces = wheels.filter(w => w.member === pin.member && w.role !== 'rack');
  if (faces.length === 0) return [];
  const { wheel: _, ...alone } = pin;
  return [
    {
      ...{ key: `${key}-on`, label: `${label} stands on`, value: byId(wheels, pin.wheel)?.name ?? ARM },
      options: [ARM, ...faces.map(w => w.name)],
      set: name => {
        const wheel = faces.find(w => w.name === name)?.id;
        return set({ [key]: wheel === undefined ? alone : { ...alone, wheel } });
      },
    },
  ];
}

/** The length of a rod between its pins, mm. */
export function rodField(machine: FieldParts, id: string, label: string): JointField[] {
  const rod = byId(machine.members, id);
  if (rod?.kind !== 'link') return [];
  return [
    {
      ...{ key: `length-${id}`, label, unit: 'mm', limits: LIMITS.linkLength, value: rod.length },
      set: length => setRodLength(id, length),
    },
  ];
}

/** Which way a slide goes, degrees, and how far its line lies beside its axis, mm to the left. */
export function slideFields(machine: FieldParts, id: string): JointField[] {
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

/** The other of the two ways in which it goes together. */
export const otherWay = (
  label: string,
  joint: { readonly other?: true | undefined },
  set: Set,
): JointWay => ({
  ...{ key: 'other', label, on: joint.other === true },
  set: on => set({ other: on ? true : undefined }),
});
/** Whether the driven arbor goes round. */
export const roundWay = (
  label: string,
  joint: { readonly round?: true | undefined },
  set: Set,
): JointWay => ({
  ...{ key: 'round', label, on: joint.round === true },
  set: on => set({ round: on ? true : undefined }),
});
