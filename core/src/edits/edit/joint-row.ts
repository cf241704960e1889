import { byId, factsOf, type Joint, type Machine, type Member } from '../../document/machine/index.ts';
import type { Point } from '../../ground/geometry/index.ts';
import { fail, ok } from '../../ground/result/index.ts';
import { radians } from '../../ground/units/index.ts';
import { lawOf } from '../../trains/train/index.ts';
import type { Attempt, Edit } from '../change/index.ts';
import { builderOn } from '../planting/index.ts';
import type { Made } from './drive-new.ts';
import type { JointField } from './joint-field.ts';
import { jointFields } from './joint-fields.ts';
import { gone } from './sound.ts';

/** A row of alike joints: how many with the first, and from each to the next its phase, its way and its layers. */
export interface JointRow {
  readonly count: number;
  readonly phaseDeg: number;
  /** In the plane, mm. */
  readonly dx: number;
  readonly dy: number;
  /** Of cams, how many layers higher each lies. */
  readonly layers: number;
  /** Where axes stand, mm. */
  readonly at: Readonly<Record<string, Point>>;
}

/** Joints that can be made a row of: those that one member leads. */
type RowJoint = Extract<Joint, { kind: 'crank' | 'yoke' | 'slot' | 'four-bar' | 'cord' | 'drum' | 'cam' }>;
type Cord = Extract<Joint, { kind: 'cord' }>;
const ROWS: ReadonlySet<Joint['kind']> = new Set([
  'crank',
  'yoke',
  'slot',
  'four-bar',
  'cord',
  'drum',
  'cam',
]);
export const canBeRow = (joint: Joint): joint is RowJoint => ROWS.has(joint.kind);

/** The member that leads a joint. */
const leaderOf = (joint: Joint): string | undefined =>
  joint.kind === 'drum' ? joint.arbor : lawOf(joint).leads(joint)[0];

/** The joints of the row that one stands in: all of its kind that the same member leads, in their order. */
export const rowOf = ({ joints }: Pick<Machine, 'joints'>, joint: Joint): readonly Joint[] =>
  canBeRow(joint) ? joints.filter(j => j.kind === joint.kind && leaderOf(j) === leaderOf(joint)) : [joint];

/**
 * Makes a row from one joint: further ones led by the same member, each with rods, slide or arm of its own, so far on
 * and so far ahead of the one before it. The last one made is given.
 */
export function rowFrom(id: string, row: JointRow): Attempt<Made> {
  return machine => {
    const joint = byId(machine.joints, id);
    if (!joint) return gone(id);
    if (!canBeRow(joint)) return fail('row-not-of', { kind: factsOf(joint).called });
    const b = builderOn(machine);
    let made = id;
    for (let i = 1; i < row.count; i++) {
      const renamed = new Map<string, string>();
      for (const member of ownOf(joint)) {
        const of = byId(machine.members, member);
        if (of) renamed.set(member, copyMember(b, of, row, i));
      }
      const next = stepped(joint, { row, i, machine, name: m => renamed.get(m) ?? m, id: b.id(joint.kind) });
      b.joint(next);
      made = next.id;
    }
    return ok({ machine: b.machine(), made });
  };
}

/** The members that a joint carries or moves. */
const ownOf = (joint: RowJoint): string[] => {
  const law = lawOf(joint);
  const moved = joint.kind === 'drum' ? joint.slide : law.moves?.(joint);
  return [...(law.rods?.(joint) ?? []), ...(moved === undefined ? [] : [moved])];
};

type Builder = ReturnType<typeof builderOn>;

function copyMember(b: Builder, of: Member, row: JointRow, i: number): string {
  const id = b.id(of.id);
  const name = nextName(b.machine(), of.name);
  const put = (member: Member): void => b.edit(m => ({ ...m, members: [...m.members, member] }));
  const [dx, dy] = [i * row.dx, i * row.dy];
  if (of.kind === 'slide') {
    const line = radians(of.directionDeg);
    const across = dy * Math.cos(line) - dx * Math.sin(line);
    const moved = of.beside
      ? { beside: { ...of.beside, offset: of.beside.offset + across } }
      : { x: of.x + dx, y: of.y + dy };
    put({ ...of, id, name, ...moved });
  } else if (of.kind === 'link') put({ ...of, id, name });
  else {
    const axis = byId(b.machine().axes, of.axis);
    const at = row.at[of.axis];
    const newAxis = b.id('axis');
    if (axis && at)
      b.edit(m => ({
        ...m,
        axes: [
          ...m.axes,
          { id: newAxis, frame: axis.frame, place: { kind: 'given', x: at.x + dx, y: at.y + dy } },
        ],
      }));
    put({ ...of, id, name, axis: axis && at ? newAxis : of.axis });
  }
  return id;
}

/** A name with the next number that is free: “Reed 2” after “Reed” or “Reed 1”. */
function nextName({ members }: Pick<Machine, 'members'>, name: string): string {
  const found = /^(.*?)(?: (\d+))?$/.exec(name);
  const [stem, from] = [(found?.[1] ?? name).slice(0, 100), Number(found?.[2] ?? 1)];
  const taken = new Set(members.map(m => m.name));
  for (let n = from + 1; ; n++) if (!taken.has(`${stem} ${n}`)) return `${stem} ${n}`;
}

interface Step {
  readonly row: JointRow;
  readonly i: number;
  readonly machine: Machine;
  readonly name: (member: string) => string;
  readonly id: string;
}

/** A joint so many steps along its row. */
function stepped(joint: RowJoint, step: Step): Joint {
  const { id, name, row, i } = step;
  const turn = i * row.phaseDeg;
  const on = <P extends { readonly angleDeg: number }>(pin: P): P => ({
    ...pin,
    angleDeg: wrapped(pin.angleDeg + turn),
  });
  switch (joint.kind) {
    case 'crank':
      return { ...joint, id, pin: on(joint.pin), rod: name(joint.rod), slide: name(joint.slide) };
    case 'yoke':
      return { ...joint, id, pin: on(joint.pin), slide: name(joint.slide) };
    case 'slot':
      return { ...joint, id, pin: on(joint.pin), driven: name(joint.driven) };
    case 'four-bar': {
      const to = { ...joint.to, member: name(joint.to.member) };
      return { ...joint, id, pin: on(joint.pin), rod: name(joint.rod), to };
    }
    case 'cord': {
      const eye = eyeAt(joint, step);
      const more = reached(step, joint, i) - reached(step, joint, 0);
      const length = Math.round((joint.length + more) * 1e4) / 1e4;
      return { ...joint, id, pin: on(joint.pin), slide: name(joint.slide), eye, length };
    }
    case 'drum':
      return { ...joint, id, slide: name(joint.slide) };
    case 'cam': {
      const phaseDeg = wrapped((joint.phaseDeg ?? 0) + turn);
      const { phaseDeg: _, ...rest } = joint;
      const at = phaseDeg === 0 ? rest : { ...rest, phaseDeg };
      return { ...at, id, follower: name(joint.follower), layer: joint.layer + i * row.layers };
    }
  }
}

/** The eye goes along with its slide: what the slide’s line moves along itself is the eye’s. */
function eyeAt(joint: Cord, { machine, row, i }: Step): Cord['eye'] {
  const slide = byId(machine.members, joint.slide);
  if (slide?.kind !== 'slide' || !slide.beside) return joint.eye;
  const line = radians(slide.directionDeg);
  const along = i * (row.dx * Math.cos(line) + row.dy * Math.sin(line));
  return { ...joint.eye, along: joint.eye.along + along };
}

/** How far the eye of a step stands from the axis of the pin, mm: cords are longer by as much as that grows. */
function reached({ machine, row }: Step, { pin, slide, eye }: Cord, i: number): number {
  const [on, of] = [byId(machine.members, pin.member), byId(machine.members, slide)];
  const axis = on?.kind === 'arbor' ? row.at[on.axis] : undefined;
  if (!axis || of?.kind !== 'slide') return 0;
  const line = radians(of.directionDeg);
  const { beside } = of;
  const foot = beside ? row.at[beside.axis] : { x: of.x, y: of.y };
  if (!foot) return 0;
  const left = (beside?.offset ?? 0) + eye.aside;
  return Math.hypot(
    foot.x + eye.along * Math.cos(line) - left * Math.sin(line) + i * row.dx - axis.x,
    foot.y + eye.along * Math.sin(line) + left * Math.cos(line) + i * row.dy - axis.y,
  );
}

const wrapped = (deg: number): number => Math.round((((deg % 360) + 360) % 360) * 1e6) / 1e6;

/** Keys of what makes the joints of a row differ: a change of one of these is added to each, others are taken over. */
const OWN = /-angle$|^phase$|^layer$|^offset$|^along$|^aside$|^direction$|^length$/;

/** Types a figure of a joint for every joint of its row. */
export function setInRow(machine: Machine, joint: Joint, field: JointField, value: number): Machine {
  return inRow(machine, joint, fields => {
    const mate = fields.fields.find(f => sameKey(f.key, field.key));
    return mate && { edit: mate.set(OWN.test(field.key) ? mate.value + value - field.value : value) };
  });
}

/** Turns a way of a joint, or chooses, for every joint of its row. */
export const turnInRow = (machine: Machine, joint: Joint, key: string, value: string | boolean): Machine =>
  inRow(machine, joint, fields => {
    const [way, choice] = [fields.ways.find(w => w.key === key), fields.choices?.find(c => c.key === key)];
    if (way) return { edit: way.set(value === true) };
    return choice?.options.includes(String(value)) ? { edit: choice.set(String(value)) } : undefined;
  });

/** Rods are named in the keys of their lengths. */
const sameKey = (a: string, b: string): boolean =>
  a.replace(/^length-.*/, 'length-') === b.replace(/^length-.*/, 'length-');

function inRow(
  machine: Machine,
  joint: Joint,
  make: (fields: ReturnType<typeof jointFields>) => { readonly edit: Edit } | undefined,
): Machine {
  let current = machine;
  for (const { id } of rowOf(machine, joint)) {
    const now = byId(current.joints, id);
    const made = now && make(jointFields(current, now));
    if (made) current = made.edit(current);
  }
  return current;
}
