import type { Joint, Pin } from '../../../document/machine/index.ts';
import type { Frames } from '../frames.ts';
import type { RateEquation } from '../rate-equation.ts';
import type { Bar, Standing } from './standing.ts';

export type JointKind = Joint['kind'];
export type JointOf<K extends JointKind> = Extract<Joint, { kind: K }>;

/** The mean laws of one joint; `open` where a count is not decided, undefined where there is no law for it. */
export type JointLaws = readonly RateEquation[] | 'open' | undefined;

/** What a joint is to its members, in one shape for every kind. Lengths mm, angles radians. */
export interface JointLaw<K extends JointKind> {
  /**
   * The mean law, exact and linear in the rates of what it ties, in the frame in which both rest (Willis, Principles of
   * Mechanism, 1841; conventions 7 and 8). An uneven one holds up to what `off` says.
   */
  readonly mean: (frames: Frames, joint: JointOf<K>) => JointLaws;
  /** Members whose place decides where the others go; empty where either side may lead. */
  readonly leads: (joint: JointOf<K>) => readonly string[];
  /** The one member that it moves by an uneven law; undefined where either side may lead, or only rods are carried. */
  readonly moves?: (joint: JointOf<K>) => string;
  /** The pins on members that are no rods of its own: they stand out on arms. */
  readonly pins?: (joint: JointOf<K>) => readonly Pin[];
  /** The rods that it carries between its pins. */
  readonly rods?: (joint: JointOf<K>) => readonly string[];
  /**
   * The δ of an uneven law Σ c·θ = δ at a standing of its leading members, radians times the law's own coefficients.
   * Where the joint cannot close it is what comes nearest.
   */
  readonly off?: (joint: JointOf<K>, at: Standing) => number;
  /** The rods that it carries, as they lie. */
  readonly bars?: (joint: JointOf<K>, at: Standing) => readonly Bar[];
  /** Whether it can stand so: a rod that is too short to reach cannot. */
  readonly closes?: (joint: JointOf<K>, at: Standing) => boolean;
  /** Transmission angle, radians, a right angle at best; undefined where nothing is to be said of it. */
  readonly transmission?: (joint: JointOf<K>, at: Standing) => number | undefined;
  /** Turns of what leads it until it stands as it did. */
  readonly repeats: (joint: JointOf<K>) => number;
  /** Whether where it stands depends on the way it came there. */
  readonly memory: boolean;
}

/** What turns alike at all times and closes wherever it stands. */
export const EVEN = { leads: () => [], repeats: () => 1, memory: false } as const;
