import { toNumber } from '../../ground/rational/index.ts';
import { type Stage } from './candidate.ts';
import { isGiven, moduleAt, type Positions } from './positions.ts';
import { type CountQuery, IDLER_ROOM } from './query.ts';

/** The limits that tie the counts of a train to one another. */
export interface Fit {
  /**
   * Whether there is any such limit; wheels that are all alike, and an exact total, are met by the lists
   * themselves.
   */
  readonly coupled: boolean;
  /** Whether there is any limit at all beside the ranges. */
  readonly limited: boolean;
  /** Whether a stage meets what is asked of it alone; stages are counted from nought. */
  readonly stage: (stage: Stage, at: number) => boolean;
  /** Whether a whole train meets the rest. */
  readonly train: (stages: readonly Stage[]) => boolean;
  /** Whether the tooth sums of two stages, at so many and the next, let the second return; absent where none has to. */
  readonly returns?: (out: number, back: number, at: number) => boolean;
  /** Whether it matters which driving count meets which driven one. */
  readonly pairing: boolean;
  /** All teeth together, where they are prescribed. */
  readonly total?: number;
  /** Whether the order of the stages has a meaning. */
  readonly ordered: boolean;
}

type StageTest = (stage: Stage, at: number) => boolean;
type TrainTest = (stages: readonly Stage[]) => boolean;

/** The limits of a query that tie counts to one another, for trains of so many stages. */
export function fitOf(query: CountQuery, stages: number, positions: Positions): Fit {
  const stageTests = [ratioTest(query), huntingTest(query), centreTest(query)].filter(isTest<StageTest>);
  const tying = [returnTest(query), piecesTest(query, stages), reachTest(query)].filter(isTest<TrainTest>);
  const trainTests = [...tying, alikeTest(query), totalTest(query)].filter(isTest<TrainTest>);
  const modules = new Set(query.modules?.map(m => `${m.num}/${m.den}`));
  return {
    coupled: stageTests.length + tying.length > 0,
    limited: stageTests.length + trainTests.length > 0,
    stage: (s, at) => stageTests.every(test => test(s, at)),
    train: all => trainTests.every(test => test(all)),
    pairing: stageTests.length > 0 || query.coaxial !== 'none',
    ...returnsOf(query, stages),
    ...(query.exactTotal !== undefined && { total: query.exactTotal }),
    ordered: positions.placed || modules.size > 1 || (query.coaxial !== 'none' && stages > 2),
  };
}

const isTest = <T>(test: T | undefined): test is T => test !== undefined;

function ratioTest({ stageRatio }: CountQuery): StageTest | undefined {
  if (!stageRatio) return undefined;
  const { least, most } = stageRatio;
  return ({ driving, driven }) =>
    BigInt(driving) * least.den >= BigInt(driven) * least.num &&
    BigInt(driving) * most.den <= BigInt(driven) * most.num;
}

const huntingTest = ({ hunting }: CountQuery): StageTest | undefined =>
  hunting ? ({ driving, driven }) => commonFactor(driving, driven) === 1 : undefined;

function commonFactor(a: number, b: number): number {
  let [x, y] = [a, b];
  while (y !== 0) [x, y] = [y, x % y];
  return x;
}

/** Centre distance = m(z₁ + z₂)/2. */
const distanceOf = (query: CountQuery, s: Stage, at: number): number => {
  const module = moduleAt(query, at);
  return module ? (toNumber(module) * (s.driving + s.driven)) / 2 : 0;
};

function centreTest(query: CountQuery): StageTest | undefined {
  const { centre } = query;
  if (!centre) return undefined;
  return (s, at) => Math.abs(distanceOf(query, s, at) - centre.distance) <= centre.within + 1e-9;
}

function reachTest(query: CountQuery): TrainTest | undefined {
  const { reach } = query;
  if (reach === undefined) return undefined;
  return stages => stages.reduce((sum, s, i) => sum + distanceOf(query, s, i), 0) <= reach + 1e-9;
}

const totalTest = ({ exactTotal }: CountQuery): TrainTest | undefined =>
  exactTotal === undefined
    ? undefined
    : stages => stages.reduce((sum, s) => sum + s.driving + s.driven, 0) === exactTotal;

const alikeTest = ({ alike }: CountQuery): TrainTest | undefined =>
  alike && (stages => stages.every(s => s[alike] === stages[0]?.[alike]));

/**
 * Enough pieces of every count in stock; none of it matters where there are always enough. A wheel that is given is
 * there already, and takes no piece.
 */
function piecesTest({ stock, positions }: CountQuery, stages: number): TrainTest | undefined {
  const scarce = new Map(
    stock?.flatMap(s =>
      s.pieces !== undefined && s.pieces < 2 * stages ? [[s.count, s.pieces] as const] : [],
    ),
  );
  if (scarce.size === 0) return undefined;
  return all => {
    const used = new Map<number, number>();
    const taken = all.flatMap((s, i) =>
      (['driving', 'driven'] as const).flatMap(side => (isGiven(positions?.[i]?.[side]) ? [] : [s[side]])),
    );
    for (const n of taken) used.set(n, (used.get(n) ?? 0) + 1);
    return [...used].every(([n, times]) => times <= (scarce.get(n) ?? Infinity));
  };
}

/**
 * m₁(a₁ + b₁) = m₂(a₂ + b₂) for every two stages (conventions 5), in whole numbers; with an idler the last may be
 * smaller.
 */
function returnsOf(query: CountQuery, stages: number): Pick<Fit, 'returns'> {
  if (query.coaxial === 'none') return {};
  return {
    returns: (out, back, at) => {
      const [first, second] = [weightAt(query, at) * out, weightAt(query, at + 1) * back];
      const idler = query.coaxial === 'idler' && at + 2 === stages;
      return idler ? first - second >= IDLER_ROOM * weightAt(query, at + 1) : first === second;
    },
  };
}

function returnTest(query: CountQuery): TrainTest | undefined {
  if (query.coaxial === 'none') return undefined;
  return stages => {
    const { returns } = returnsOf(query, stages.length);
    const sum = (s: Stage | undefined): number => (s ? s.driving + s.driven : 0);
    for (let i = 0; i < stages.length; i += 2)
      if (!returns?.(sum(stages[i]), sum(stages[i + 1]), i)) return false;
    return true;
  };
}

/** The module of a stage in units in which all modules are whole numbers. */
function weightAt(query: CountQuery, at: number): number {
  const module = moduleAt(query, at);
  if (!module) return 1;
  const common = (query.modules ?? []).reduce((n, m) => n * m.den, 1n);
  return Number((module.num * common) / module.den);
}
