import { indicatorFindings } from '../../place/indicator/index.ts';
import {
  axisPositions,
  type Extent,
  type Bracket,
  bracketsOf,
  type Clearance,
  clearancesOf,
  shownClearances,
  layoutFindings,
  type LayoutParts,
  layoutParts,
  type LayoutState,
  type Piece,
  piecesOf,
  type Plate,
  platesOf,
  type Phases,
  type Positions,
  type RackPlace,
  rackPlaces,
  type SolidParts,
  spaceFrames,
  wheelPhases,
} from '../../place/layout/index.ts';
import type { Machine } from '../../document/machine/index.ts';
import { linkClearances, type Moving, movingOf } from '../../place/motion/index.ts';
import { type Rational, sign } from '../../ground/rational/index.ts';
import { type Finding, table } from '../../ground/result/index.ts';
import {
  type DriveFlow,
  driveFlow,
  groundRate,
  inMode,
  playShares,
  type TrainRates,
  trainRates,
} from '../../trains/train/index.ts';
import { type DriveFacts, parsePeriod, parseTravel } from '../../ground/units/index.ts';
import {
  aimFindings,
  type AimState,
  aimState,
  isCarried,
  type MeshState,
  type ModuleTable,
  type Slack,
  type Standing,
  type WheelState,
} from '../state/index.ts';
import {
  armFindings,
  closureFixes,
  crossingFindings,
  inPlaceFindings,
  makeFindings,
  teethFindings,
} from '../judge/index.ts';
import { extentsOf } from './extents.ts';
import { distancesOf, meshStates } from './mesh-state.ts';
import { slackFindings, slackOf } from './slack.ts';
import { standsFor } from './stands-for.ts';
import { wheelStates } from './wheel-state.ts';

/** A part of the document: a stage that is given so much of it can read no more. */
type Doc<K extends keyof Machine> = Pick<Machine, K>;
type Wheels = Readonly<Record<string, WheelState>>;
type Meshes = Readonly<Record<string, MeshState>>;
type Aims = Readonly<Record<string, AimState>>;
type Toothed = Doc<'wheels' | 'joints' | 'toothings'>;
type Carried = Doc<'axes' | 'members'>;
/** The arbor that drives; which speed it has is nothing to those that ask this. */
interface Driven {
  readonly driven: string | undefined;
}
const driveOf = (driven: string | undefined): Doc<'drive'> =>
  driven === undefined ? {} : { drive: { member: driven, speed: { kind: 'free' } } };

export const standingStage = (i: Standing): Standing => inMode(i);

export function driveStage({ drive }: Doc<'drive'>): DriveFacts {
  const seconds = drive?.speed.kind === 'period' ? parsePeriod(drive.speed.text) : undefined;
  const metres = drive?.travel === undefined ? undefined : parseTravel(drive.travel);
  return {
    seconds: seconds?.ok ? seconds.value : undefined,
    metres: metres?.ok ? metres.value : undefined,
  };
}

export const trainStage = (i: Carried & Doc<'wheels' | 'joints' | 'modes' | 'mode'> & Driven): TrainRates =>
  trainRates({ ...i, ...driveOf(i.driven) });

export const flowStage = (i: Doc<'wheels' | 'joints'> & Driven): DriveFlow =>
  driveFlow({ ...i, ...driveOf(i.driven) });

export const wheelStage = (
  i: Toothed & { readonly modules: ModuleTable; readonly chordError: number },
  before: Wheels | undefined,
): Wheels => wheelStates(i, i.modules, i.chordError, before);

export const meshStage = (i: Toothed & { readonly modules: ModuleTable; readonly states: Wheels }): Meshes =>
  meshStates(i, i.modules, i.states);

type Centred = Toothed & { readonly modules: ModuleTable; readonly meshes: Meshes };
export const positionStage = (i: Carried & Centred): Positions =>
  axisPositions(i, distancesOf(i, i.modules, i.meshes));

/** Where centres disagree, counts, shifts and modules that would close them. */
export const closedStage = (i: Centred & { readonly positions: Positions }): readonly Finding[] =>
  i.positions.findings.map(f =>
    f.code === 'centres-disagree' ? closureFixes(i, i.modules, i.meshes, f) : f,
  );

export const phaseStage = (
  i: Doc<'members' | 'wheels' | 'joints'> & { readonly positions: Positions },
): Phases => wheelPhases(i, i.positions.at);

interface Placed {
  readonly train: TrainRates;
  readonly positions: Positions;
}
export const movingStage = (
  i: Carried &
    Doc<'wheels' | 'joints'> &
    Placed & { readonly clockwise: boolean; readonly racks: readonly RackPlace[] },
): Moving => movingOf(i, i.train, i.positions.at, i.clockwise, i.racks);

const NO_RACKS: readonly RackPlace[] = [];
export const rackStage = (
  i: Doc<'members' | 'wheels' | 'joints'> & {
    readonly positions: Positions;
    readonly phases: Phases;
    readonly meshes: Meshes;
    readonly modules: ModuleTable;
  },
): readonly RackPlace[] => {
  const distances = table(Object.entries(i.meshes).map(([id, m]) => [id, m.distance] as const));
  const { modules } = i.modules;
  const found = rackPlaces({
    ...{ machine: i, at: i.positions.at, phases: i.phases.at, distances, modules },
  });
  return found.length === 0 ? NO_RACKS : found;
};

export const standsForStage = (
  i: Doc<'aims'> & { readonly train: TrainRates; readonly drive: DriveFacts },
): Rational | undefined => (i.drive.seconds ? undefined : standsFor(i.aims, i.train));

export function aimStage(
  i: Carried &
    Doc<'aims'> & {
      readonly train: TrainRates;
      readonly drive: DriveFacts;
      readonly standsFor: Rational | undefined;
    },
): Aims {
  const facts = { ...i.drive, seconds: i.drive.seconds ?? i.standsFor };
  return table(i.aims.map(a => [a.id, weighedAim(i, a, i.train.rates, facts)]));
}

/** An aim against the rates of a train. */
function weighedAim(
  i: Carried,
  aim: Machine['aims'][number],
  rates: TrainRates['rates'],
  facts: DriveFacts,
): AimState {
  const { member, seenFrom } = aim;
  const rate = member === undefined ? undefined : seenFrom ? rates[member] : groundRate(i, rates, member);
  return aimState(aim, rate, facts, isCarried(i, member));
}

export const aimFindingStage = (
  i: Carried &
    Doc<'aims' | 'wheels' | 'joints' | 'modes' | 'mode'> &
    Driven & { readonly states: Aims; readonly known: DriveFacts; readonly standsFor: Rational | undefined },
): readonly Finding[] => {
  const others = i.modes.filter(m => m.id !== i.mode);
  const facts = { ...i.known, seconds: i.known.seconds ?? i.standsFor };
  const inOthers = others.map(m => ({
    name: m.name,
    rates: trainRates({ ...i, mode: m.id, ...driveOf(i.driven) }).rates,
  }));
  return i.aims.flatMap(a => {
    const state = i.states[a.id];
    if (!state) return [];
    const elsewhere =
      state.status === 'met' || state.status === 'no train'
        ? undefined
        : inOthers.find(o => weighedAim(i, a, o.rates, facts).status === 'met')?.name;
    return aimFindings(a, state, i, elsewhere);
  });
};

interface Driving {
  readonly train: TrainRates;
  readonly flow: DriveFlow;
  readonly states: Wheels;
  readonly meshes: Meshes;
}
export const teethStage = (
  i: Toothed &
    Doc<'stack' | 'processes' | 'process' | 'making'> &
    Driving & { readonly modules: ModuleTable },
): readonly Finding[] =>
  teethFindings({
    machine: i,
    modules: i.modules.modules,
    wheels: i.states,
    meshes: i.meshes,
    flow: i.flow,
    senses: table(Object.entries(i.train.rates).map(([id, r]) => [id, sign(r)])),
  });

type Slacks = Readonly<Record<string, Slack>>;
export const slackStage = (
  i: Carried & Doc<'aims' | 'wheels' | 'joints'> & Driven & Driving & { readonly drive: DriveFacts },
): Slacks => {
  const { axes, members, wheels, joints } = i;
  const shares = playShares({ axes, members, wheels, joints, ...driveOf(i.driven) });
  return table(
    i.aims.flatMap(a => {
      if (a.member === undefined) return [];
      const own = shares[a.member] ?? [];
      const of = slackOf(i, a.member, i.train.rates, own, i.states, i.meshes, i.drive);
      return of ? [[a.member, of] as const] : [];
    }),
  );
};

export const slackFindingStage = (
  i: Doc<'aims' | 'drive'> & { readonly states: Aims; readonly slack: Slacks },
): readonly Finding[] =>
  // Clockwork presses every mesh one way: its play is never seen at a hand.
  i.drive?.by === 'clockwork' ? [] : slackFindings(i.aims, i.states, i.slack);

type Extents = Readonly<Record<string, Extent>>;
export const extentStage = (
  i: Doc<'wheels'> & { readonly states: Wheels; readonly modules: ModuleTable },
): Extents => extentsOf(i, i.states, i.modules.modules);

export const laidStage = (i: SolidParts & Placed & { readonly extents: Extents }): LayoutParts => {
  const { rates, responses } = i.train;
  const uneven = new Set(Object.keys(responses));
  return layoutParts(i, { rates, uneven, at: i.positions.at }, i.extents);
};
interface Laid {
  readonly parts: LayoutParts;
}
export const clearanceStage = (i: Laid & { readonly moving: Moving }): readonly Clearance[] =>
  [...clearancesOf(i.parts), ...shownClearances(i.parts), ...linkClearances(i.parts, i.moving)].sort(
    (a, b) => a.gap - b.gap,
  );
export const bracketStage = (
  i: Laid & { readonly states: Wheels; readonly positions: Positions; readonly chordError: number },
): readonly Bracket[] => {
  const { machine, crossing } = i.parts;
  if (crossing.size === 0 || !machine.layout.plates) return NO_BRACKETS;
  const facts = {
    machine,
    positions: i.positions,
    layout: i.parts,
    wheels: i.states,
    chordError: i.chordError,
  };
  return bracketsOf(i.parts, spaceFrames(facts, 0));
};
const NO_BRACKETS: readonly Bracket[] = [];
export const plateStage = (i: Laid & { readonly brackets: readonly Bracket[] }): readonly Plate[] =>
  platesOf(i.parts, i.brackets);
export const pieceStage = (i: Laid): readonly Piece[] => piecesOf(i.parts);

type Held = Laid & {
  readonly clearances: readonly Clearance[];
  readonly plates: readonly Plate[];
  readonly brackets: readonly Bracket[];
};
export const heldStage = (i: Held): readonly Finding[] =>
  layoutFindings(i.parts, i.clearances, i.plates, i.brackets);

export const layoutStage = (
  i: Held & { readonly pieces: readonly Piece[]; readonly findings: readonly Finding[] },
): LayoutState => {
  const { clearances, plates, brackets, pieces, findings } = i;
  const { stack, spans, sizes, lugRods } = i.parts;
  return { stack, spans, sizes, lugRods, clearances, plates, brackets, pieces, findings };
};

export const madeStage = (
  i: Carried &
    Doc<'wheels' | 'joints' | 'toothings' | 'stack' | 'making' | 'processes' | 'process' | 'materials'> &
    Doc<'indicators' | 'layout'> & {
      readonly extents: Extents;
      readonly positions: Positions;
      readonly states: Wheels;
      readonly meshes: Meshes;
      readonly laidOut: LayoutState;
    },
): readonly Finding[] => [
  ...makeFindings(i, i.states, i.laidOut, { extents: i.extents, at: i.positions.at }),
  ...inPlaceFindings(i, i.states, i.meshes),
];

export const shownStage = (
  i: Carried &
    Doc<'indicators' | 'drive' | 'aims' | 'processes' | 'process' | 'making' | 'materials'> & {
      readonly train: TrainRates;
      readonly sizes: LayoutParts['sizes'];
    },
): readonly Finding[] => [
  ...indicatorFindings({ machine: i, rates: i.train.rates }),
  ...armFindings({ machine: i, sizes: i.sizes, indicators: i.indicators }),
];

export const crossedStage = (
  i: Carried &
    Doc<'wheels' | 'joints' | 'toothings' | 'stack' | 'drive'> & {
      readonly positions: Positions;
      readonly states: Wheels;
      readonly parts: LayoutParts;
      readonly extents: Extents;
      readonly chordError: number;
    },
): readonly Finding[] =>
  crossingFindings({
    ...{ machine: i, positions: i.positions, layout: i.parts, wheels: i.states },
    ...{ extents: i.extents, chordError: i.chordError },
  });
