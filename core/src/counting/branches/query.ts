import { compare, div, mul, type Rational, rational } from '../../ground/rational/index.ts';
import { fail, ok, type Result } from '../../ground/result/index.ts';
import { LEAST_COUNT, MOST_COUNT, type Stage, type StockWheel } from '../search/index.ts';

/**
 * How the outputs of one machine are driven over two axes, the drive's and a lay axis, at one centre distance
 * (conventions 6): `loose pairs`: every output by its own compound pair, loose on the lay axis, from the drive;
 * `lay arbor`: one shared mesh turns a lay arbor, and one mesh each drives the outputs; `cascade`: every output by a
 * loose pair from the output before it; `mixed`: each from the drive or from another output.
 */
export type School = 'loose pairs' | 'lay arbor' | 'cascade' | 'mixed';
export const SCHOOLS: readonly School[] = ['loose pairs', 'lay arbor', 'cascade', 'mixed'];

/**
 * What is to be least: the worst error, the worst drift (error times the output's turns), the sum of the errors, or
 * different counts.
 */
export type Objective = 'worst error' | 'worst drift' | 'sum of errors' | 'different counts';
export const OBJECTIVES: readonly Objective[] = [
  'worst error',
  'worst drift',
  'sum of errors',
  'different counts',
];

/** An output: its wanted turns per turn of the drive by size; with a free drive only their proportions matter. */
export interface Output {
  readonly id: string;
  readonly rate: Rational;
}

/** A question about all outputs of a machine at once. */
export interface BranchQuery {
  readonly outputs: readonly Output[];
  /** A given drive turns once in its period; a free one may turn at any speed. */
  readonly drive: 'given' | 'free';
  readonly school: School;
  readonly objective: Objective;
  /** Largest error (relative) for `different counts`. */
  readonly error?: Rational;
  readonly least: number;
  readonly most: number;
  /** Only these counts, within the limits, and no more pieces of each than there are. */
  readonly stock?: readonly StockWheel[];
  /** The tooth sum of every mesh, which sets the one centre distance: from and to. */
  readonly leastSum: number;
  readonly mostSum: number;
}

/** The meshes that drive one output. */
export interface Branch {
  readonly output: string;
  /** The output that drives it; undefined for the drive, or the lay arbor. */
  readonly from: string | undefined;
  /** Two stages of a loose pair, or the one stage from the lay arbor. */
  readonly stages: readonly Stage[];
  /** Turns per turn of the drive, exact. */
  readonly rate: Rational;
  /** Achieved / wanted − 1, at the best speed of a free drive; exact. */
  readonly error: Rational;
}

/** A way to drive all outputs. */
export interface BranchPlan {
  readonly school: School;
  readonly sum: number;
  /** The mesh that turns the one lay arbor. */
  readonly first?: Stage;
  readonly branches: readonly Branch[];
  /**
   * Turns of the drive for one unit of the wanted rates; 1 for a given drive. A turn of a free drive lasts this
   * many of the wanted units.
   */
  readonly speed: Rational;
  /** The largest |error|, exact. */
  readonly worst: Rational;
  /** Different counts among all wheels. */
  readonly different: number;
  readonly wheels: number;
}

/**
 * A rate that two meshes within the limits do not reach, by far: the output, and what they do reach. With a free drive
 * no rate is too far by itself, but its quotient by that of another output may be: `against` names it, and the reach is
 * that of the quotient.
 */
export interface Beyond {
  readonly output: string;
  readonly against?: string;
  readonly least: Rational;
  readonly most: Rational;
}

/**
 * The first output which two meshes miss by more than a half, where each is driven by two from the drive; with a free
 * drive the slowest or fastest output, when it is too far from the other. Undefined where there is none, or where
 * outputs are driven from one another.
 */
export function beyondReach(query: BranchQuery): Beyond | undefined {
  const { least, most, mostSum, outputs, school, drive, objective } = query;
  // A drift is the error times the turns: a slow output may be far off and drift little.
  if (objective === 'worst drift' || (school !== 'loose pairs' && school !== 'lay arbor')) return undefined;
  if (objective === 'different counts' && query.error && compare(query.error, rational(1n, 2n)) > 0)
    return undefined;
  const large = BigInt(Math.min(most, mostSum - least));
  const small = BigInt(least);
  const reach = {
    least: rational(small * small, large * large),
    most: rational(large * large, small * small),
  };
  if (drive === 'free')
    return tooWide(outputs, school === 'lay arbor' ? ownMesh(large, small) : squared(reach));
  const far = outputs.find(
    o =>
      compare(mul(o.rate, rational(3n, 2n)), reach.least) < 0 ||
      compare(mul(o.rate, rational(1n, 2n)), reach.most) > 0,
  );
  return far && { output: far.id, ...reach };
}

interface Reach {
  readonly least: Rational;
  readonly most: Rational;
}

/** The quotients of the rates of two outputs that each have one mesh of their own from the lay arbor. */
const ownMesh = (large: bigint, small: bigint): Reach => ({
  least: rational(small * small, large * large),
  most: rational(large * large, small * small),
});
const squared = ({ least, most }: Reach): Reach => ({ least: mul(least, least), most: mul(most, most) });

/**
 * The slowest or fastest output, whichever is farther from the middle one, when their quotient is out of reach: errors
 * of a half on either side forgive a factor of three.
 */
function tooWide(outputs: readonly Output[], reach: Reach): Beyond | undefined {
  const sorted = [...outputs].sort((a, b) => compare(a.rate, b.rate));
  const [slow, middle, fast] = [sorted[0], sorted[sorted.length >> 1], sorted.at(-1)];
  if (!slow || !middle || !fast) return undefined;
  if (compare(div(fast.rate, slow.rate), mul(reach.most, rational(3n))) <= 0) return undefined;
  const slowest = compare(div(middle.rate, slow.rate), div(fast.rate, middle.rate)) >= 0;
  const [output, against] = slowest ? [slow, fast] : [fast, slow];
  return { output: output.id, against: against.id, ...reach };
}

/** The best plan, if there is any, and whether it is proven. */
export interface BranchResult {
  readonly plan?: BranchPlan;
  readonly proven: boolean;
  /** An output that no plan of this school comes within a half of, and what two meshes reach: nothing was searched. */
  readonly beyond?: Beyond;
  /** Sums that were covered in full. */
  readonly coveredTo: number;
}

export const MOST_OUTPUTS = 12;
const MOST_SUM = 400;

/** The query when it can be searched; otherwise what forbids it. */
export function checkBranches(query: BranchQuery): Result<BranchQuery> {
  const { least, most, leastSum, mostSum, outputs } = query;
  if (![least, most, leastSum, mostSum].every(Number.isInteger)) return fail('limits-not-whole');
  if (least < LEAST_COUNT) return fail('limit-too-small', { least, smallest: LEAST_COUNT });
  if (most > MOST_COUNT) return fail('limit-too-large', { most, largest: MOST_COUNT });
  if (least > most) return fail('limits-reversed', { least, most });
  if (leastSum > mostSum) return fail('sums-reversed', { least: leastSum, most: mostSum });
  if (mostSum > MOST_SUM) return fail('sum-too-large', { most: mostSum, largest: MOST_SUM });
  if (mostSum < 2 * least) return fail('sum-too-small', { most: mostSum, smallest: 2 * least });
  if (outputs.length < 2) return fail('outputs-too-few');
  if (outputs.length > MOST_OUTPUTS) return fail('outputs-too-many', { most: MOST_OUTPUTS });
  if (outputs.some(o => compare(o.rate, { num: 0n, den: 1n }) <= 0)) return fail('ratio-zero');
  if (query.objective === 'worst drift' && query.drive === 'free') return fail('drift-needs-period');
  if (query.objective === 'different counts' && (!query.error || query.error.num <= 0n))
    return fail('error-needed');
  return ok(query);
}
