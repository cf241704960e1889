import type { Path } from '../geometry/index.ts';
import type { Phases, Positions } from '../layout/index.ts';
import type { Pair } from '../mesh/index.ts';
import type { Machine } from '../machine/index.ts';
import type { Moving } from '../motion/index.ts';
import type { Rational } from '../rational/index.ts';
import type { Finding, Result } from '../result/index.ts';
import type { InvoluteDimensions, ToothSpec } from '../tooth/index.ts';
import type { TrainRates } from '../train/index.ts';
import type { DriveFacts } from '../units/index.ts';
import type { AimState } from './aim-state.ts';
import type { Stage } from './stage.ts';

/** What follows for one mesh; lengths in mm. */
export interface MeshState {
  readonly pair: Pair;
  readonly specs: readonly [ToothSpec, ToothSpec];
  readonly distance: number;
  /** Without the spread of centres. */
  readonly theoreticalDistance: number;
  readonly workingAngleDeg: number;
  readonly contactRatio: number;
  /** Backlash along the pitch circle, and how much of it comes from thinning and from spread centres. */
  readonly play: number;
  readonly playFromThinning: number;
  readonly playFromSpread: number;
}

/** Teeth of one wheel: what decides them, their circles, and their outline or why there is none. */
export interface WheelState {
  readonly spec: ToothSpec;
  readonly dimensions: InvoluteDimensions;
  readonly outline: Result<Path>;
  /** What the outline was made from, as text: the same key, the very same outline. */
  readonly key: string;
}

/** Everything a screen shows of a machine; each part made from the ones before it. */
export interface Derived {
  readonly machine: Machine;
  readonly chordError: number;
  readonly driveSeconds: Rational | undefined;
  /** What a turn of a free drive stands for, in seconds, when the outputs' own rates tell: see standsFor. */
  readonly standsFor: Rational | undefined;
  readonly train: TrainRates;
  readonly wheels: Readonly<Record<string, WheelState>>;
  readonly meshes: Readonly<Record<string, MeshState>>;
  /** Modules by toothing, mm. */
  readonly modules: Readonly<Record<string, number>>;
  readonly positions: Positions;
  readonly phases: Phases;
  /** What positions in time are made from; see stancesAt. */
  readonly moving: Moving;
  readonly aims: Readonly<Record<string, AimState>>;
  readonly findings: readonly Finding[];
  readonly stages: Stages;
}

/** The stages by name, kept so that the next machine can use them again. */
export interface Stages {
  readonly drive: Stage<DriveFacts>;
  readonly standsFor: Stage<Rational | undefined>;
  readonly train: Stage<TrainRates>;
  readonly modules: Stage<ModuleTable>;
  readonly wheels: Stage<Readonly<Record<string, WheelState>>>;
  readonly meshes: Stage<Readonly<Record<string, MeshState>>>;
  readonly positions: Stage<Positions>;
  readonly phases: Stage<Phases>;
  readonly moving: Stage<Moving>;
  readonly aims: Stage<Readonly<Record<string, AimState>>>;
  readonly teeth: Stage<readonly Finding[]>;
  readonly clearance: Stage<readonly Finding[]>;
  readonly assembly: Stage<readonly Finding[]>;
}

/** Modules by toothing, mm, and toothings that have none. */
export interface ModuleTable {
  readonly modules: Readonly<Record<string, number>>;
  readonly findings: readonly Finding[];
}
