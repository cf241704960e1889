import {
  type Axis,
  circleCount,
  GROUND,
  type Machine,
  type Member,
  type Wheel,
} from '../../document/machine/index.ts';
import { ONE, type Rational, rational } from '../../ground/rational/index.ts';

/** What the laws of a train are made from. */
export type TrainParts = Pick<Machine, 'axes' | 'members' | 'wheels' | 'joints'>;
/** A sum of rates of members, each in the frame of its own axis, with coefficients. */
export type Terms = readonly (readonly [member: string, coefficient: Rational])[];

/** Members, axes and wheels by id, and what follows for frames; made once for all laws of a machine. */
export interface Frames {
  readonly member: (id: string) => Member | undefined;
  readonly wheel: (id: string) => Wheel | undefined;
  /** Teeth of the full circle; undefined for an open count, or a wheel that is not there. */
  readonly count: (wheel: string) => number | undefined;
  /** The frame of an arbor's axis or of a slide. */
  readonly frameOf: (member: string) => string | undefined;
  /**
   * The rate of a member in a frame, as a sum of rates in their own frames. In its own frame it is itself; in an arm
   * that turns on the same line it is its rate less the arm's. Undefined where its axis does not rest in that frame.
   */
  readonly rateIn: (member: string, frame: string) => Terms | undefined;
  /**
   * How fast a member turns against a frame, whether its axis rests there or is carried round in it: its own rate
   * and those of the arms between (parallel axes). Undefined where that frame does not carry it.
   */
  readonly turnIn: (member: string, frame: string) => Terms | undefined;
  /** The frame in which the axes of two members both rest, or undefined: the first's own frame before the second's. */
  readonly common: (a: string, b: string) => string | undefined;
}

/** Looks at a machine's frames. Conventions 8: an axis coaxial with an arm's own axis counts as resting in that arm. */
export function framesOf(machine: TrainParts): Frames {
  const members = new Map(machine.members.map(m => [m.id, m] as const));
  const axes = new Map(machine.axes.map(a => [a.id, a] as const));
  const wheels = new Map(machine.wheels.map(w => [w.id, w] as const));
  const axisOf = (id: string): Axis | undefined => {
    const member = members.get(id);
    return member?.kind === 'arbor' ? axes.get(member.axis) : undefined;
  };
  const frameOf = (id: string): string | undefined => {
    const member = members.get(id);
    return member?.kind === 'slide' ? member.frame : axisOf(id)?.frame;
  };
  const lines = new Map(machine.axes.map(a => [a.id, lineOf(axes, a.id)] as const));
  const rateIn = (id: string, frame: string): Terms | undefined => {
    if (frameOf(id) === frame) return [[id, ONE]];
    const axis = axisOf(id);
    const armAxis = axisOf(frame);
    if (frame === GROUND || !axis || !armAxis) return undefined;
    if (lines.get(axis.id) !== lines.get(armAxis.id) || axis.frame !== armAxis.frame) return undefined;
    return [
      [id, ONE],
      [frame, rational(-1n)],
    ];
  };
  const turnIn = (id: string, frame: string, depth = 0): Terms | undefined => {
    const direct = rateIn(id, frame);
    const arm = frameOf(id);
    if (direct || arm === undefined || arm === GROUND || depth > axes.size) return direct;
    const carried = turnIn(arm, frame, depth + 1);
    return carried && [[id, ONE], ...carried];
  };
  return {
    member: id => members.get(id),
    wheel: id => wheels.get(id),
    count: id => {
      const wheel = wheels.get(id);
      return wheel && circleCount(wheel);
    },
    frameOf,
    rateIn,
    turnIn: (member, frame) => turnIn(member, frame),
    common: (a, b) => {
      const [fa, fb] = [frameOf(a), frameOf(b)];
      if (fa === undefined || fb === undefined) return undefined;
      if (fa === fb || rateIn(b, fa)) return fa;
      return rateIn(a, fb) ? fb : undefined;
    },
  };
}

/** The axis at the root of a line: what an axis is placed upon, and so on. */
export function lineOf(axes: ReadonlyMap<string, Axis>, id: string): string {
  let at = id;
  for (let i = 0; i <= axes.size; i++) {
    const place = axes.get(at)?.place;
    if (place?.kind !== 'coaxial') return at;
    at = place.with;
  }
  return at;
}
