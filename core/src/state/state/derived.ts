import type { Path } from '../../ground/geometry/index.ts';
import type {
  Clearance,
  Extent,
  LayoutParts,
  LayoutState,
  Phases,
  Piece,
  Bracket,
  Plate,
  Positions,
  RackPlace,
} from '../../place/layout/index.ts';
import type { Engagement, Pair } from '../../teeth/mesh/index.ts';
import type { Machine } from '../../document/machine/index.ts';
import type { Moving } from '../../place/motion/index.ts';
import type { Rational } from '../../ground/rational/index.ts';
import type { Finding, Result } from '../../ground/result/index.ts';
import type {
  Circles,
  InvoluteDimensions,
  TeethSpec,
  ToothFigure,
  ToothSpec,
} from '../../teeth/tooth/index.ts';
import type { DriveFlow, TrainRates } from '../../trains/train/index.ts';
import type { DriveFacts } from '../../ground/units/index.ts';
import type { AimState } from './aim-state.ts';
import type { Stage } from './stage.ts';

/** The mode a machine stands in: which arbor drives, what is held, which clutches are engaged. */
export type Standing = Pick<Machine, 'drive' | 'modes' | 'mode' | 'members' | 'joints'>;

/** What follows for one mesh; lengths in mm. */
export interface MeshState {
  /** Two involute wheels side by side, across their axes; only these have it. */
  readonly pair: Pair | undefined;
  readonly specs: readonly [ToothSpec, ToothSpec] | undefined;
  readonly distance: number;
  /** Without the spread of centres. */
  readonly theoreticalDistance: number;
  readonly workingAngleDeg: number | undefined;
  /** By formula, where there is one; what the outlines do is measured by rolling them. */
  readonly contactRatio: number | undefined;
  /** Backlash along the pitch circle, and how much of it comes from thinning (or the form) and from spread centres. */
  readonly play: number;
  readonly playFromThinning: number;
  readonly playFromSpread: number;
  /** The outlines ready to be rolled; undefined for teeth that do not lie in one plane, and for magnets. */
  readonly engagement: Engagement | undefined;
  /** Whether the engagement's first body is the mesh's wheel b. */
  readonly swapped: boolean;
}

/** Lost motion of an output: each mesh's play seen at it, and their sum. Degrees at the output. */
export interface Slack {
  readonly total: number;
  /** The same as time shown, where the output has a period, s; and as way counted, where the drive rolls, m. */
  readonly seconds: number | undefined;
  readonly metres: number | undefined;
  /** Degrees lost by each mesh: those of its second wheel, times how far the output moves for that wheel's motion. */
  readonly meshes: readonly { readonly mesh: string; readonly times: number; readonly degrees: number }[];
}

/** Teeth of one wheel: what decides them, their circles, and their figure or why there is none. */
export interface WheelState {
  readonly teeth: TeethSpec;
  /** Of external involute wheels: what decides them across the axis, and all their dimensions. */
  readonly spec: ToothSpec | undefined;
  readonly involute: InvoluteDimensions | undefined;
  readonly dimensions: Circles;
  readonly figure: Result<ToothFigure>;
  readonly outline: Result<Path>;
  /** What the figure was made from, as text: the same key, the very same figure. */
  readonly key: string;
}

/** Everything a screen shows of a machine; each part made from the ones before it. */
export interface Derived {
  readonly machine: Machine;
  readonly chordError: number;
  readonly driveSeconds: Rational | undefined;
  /** The way that the drive rolls in a turn, m. */
  readonly driveMetres: Rational | undefined;
  /** What a turn of a free drive stands for, in seconds, when the outputs' own rates tell: see standsFor. */
  readonly standsFor: Rational | undefined;
  readonly train: TrainRates;
  readonly wheels: Readonly<Record<string, WheelState>>;
  readonly meshes: Readonly<Record<string, MeshState>>;
  /** Modules by toothing, mm. */
  readonly modules: Readonly<Record<string, number>>;
  readonly positions: Positions;
  readonly phases: Phases;
  /** Racks in mesh, at rest. */
  readonly racks: readonly RackPlace[];
  /** What positions in time are made from; see stancesAt. */
  readonly moving: Moving;
  readonly aims: Readonly<Record<string, AimState>>;
  /** Which wheel of each mesh drives, and how motion comes to every member. */
  readonly flow: DriveFlow;
  /** Lost motion of every output's arbor. */
  readonly slack: Readonly<Record<string, Slack>>;
  /** What every wheel fills in the plan. */
  readonly extents: Readonly<Record<string, Extent>>;
  /** Heights, tubes and clearances. */
  readonly layout: LayoutState;
  readonly findings: readonly Finding[];
  readonly stages: Stages;
}

/** The stages by name, in the order in which they are made, kept so that the next machine can use them again. */
export interface Stages extends Checks {
  readonly mode: Stage<Standing>;
  readonly drive: Stage<DriveFacts>;
  readonly train: Stage<TrainRates>;
  readonly flow: Stage<DriveFlow>;
  readonly standsFor: Stage<Rational | undefined>;
  readonly aims: Stage<Readonly<Record<string, AimState>>>;
  readonly modules: Stage<ModuleTable>;
  readonly wheels: Stage<Readonly<Record<string, WheelState>>>;
  readonly meshes: Stage<Readonly<Record<string, MeshState>>>;
  readonly positions: Stage<Positions>;
  readonly phases: Stage<Phases>;
  readonly racks: Stage<readonly RackPlace[]>;
  readonly moving: Stage<Moving>;
  readonly extents: Stage<Readonly<Record<string, Extent>>>;
  readonly laid: Stage<LayoutParts>;
  readonly clearances: Stage<readonly Clearance[]>;
  readonly plates: Stage<readonly Plate[]>;
  readonly brackets: Stage<readonly Bracket[]>;
  readonly pieces: Stage<readonly Piece[]>;
  readonly held: Stage<readonly Finding[]>;
  readonly layout: Stage<LayoutState>;
  readonly slack: Stage<Readonly<Record<string, Slack>>>;
}

/** The stages that judge. */
export interface Checks {
  readonly driven: Stage<readonly Finding[]>;
  readonly aimed: Stage<readonly Finding[]>;
  readonly untold: Stage<readonly Finding[]>;
  readonly linked: Stage<readonly Finding[]>;
  readonly assembly: Stage<readonly Finding[]>;
  readonly assembled: Stage<readonly Finding[]>;
  readonly teeth: Stage<readonly Finding[]>;
  readonly played: Stage<readonly Finding[]>;
  readonly closed: Stage<readonly Finding[]>;
  readonly crossed: Stage<readonly Finding[]>;
  readonly shown: Stage<readonly Finding[]>;
  readonly made: Stage<readonly Finding[]>;
}

/** Modules by toothing, mm, and toothings that have none. */
export interface ModuleTable {
  /** As the maker said them; across the tooth where teeth lean. */
  readonly normal: Readonly<Record<string, number>>;
  /** Across the axis. */
  readonly modules: Readonly<Record<string, number>>;
  readonly findings: readonly Finding[];
}
