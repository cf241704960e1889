import type { Pin } from '../../../document/machine/index.ts';
import type { Point } from '../../../ground/geometry/index.ts';

/** Where the line of a slide lies: the point from which its way is measured, and the direction that counts. */
export interface SlideLine {
  readonly at: Point;
  /** Radians from x, against the ground. */
  readonly angle: number;
}

/** A rod as it lies: its first pin and its direction, radians against the ground. */
export interface Bar {
  readonly link: string;
  readonly centre: Point;
  readonly angle: number;
}

/** What the law of a joint may ask of the machine as it stands. Undefined where a thing stands nowhere known. mm. */
export interface Standing {
  /** How far a member has turned since rest in its own frame, radians; of slides 2π for each `pitch`. */
  readonly coordinate: (member: string) => number;
  readonly pin: (pin: Pin) => Point | undefined;
  /** Where the axis of an arbor stands. */
  readonly axis: (member: string) => Point | undefined;
  /** How far the frame of a member is turned against the ground, radians. */
  readonly frameAngle: (member: string) => number;
  /** How far a member is turned against the ground, radians. */
  readonly angle: (member: string) => number;
  readonly line: (slide: string) => SlideLine | undefined;
  /** The way of a slide for which its coordinate grows by a turn, mm. */
  readonly pitch: (slide: string) => number;
  readonly length: (link: string) => number | undefined;
}
