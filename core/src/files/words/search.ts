import type { BranchQuery, BranchResult, Objective, School } from '../../counting/branches/index.ts';
import { div, type Rational } from '../../ground/rational/index.ts';
import { sayReduction } from './rate.ts';
import type { Goal, Limit, Relaxed, Verdict } from '../../counting/search/index.ts';

/** Why a fraction can or cannot be cut. */
export function sayVerdict(v: Verdict): string {
  switch (v.kind) {
    case 'can':
      return `${v.train.stages.map(s => `${s.driving}/${s.driven}`).join(' · ')}`;
    case 'needs a wheel':
      return `needs a ${v.count}-tooth ${v.side} wheel, or a multiple`;
    case 'needs stages':
      return `needs ${v.stages} stages`;
    case 'out of reach':
      return 'out of reach of these limits';
    case 'too large to factor':
      return 'figures too large for any train';
    case 'limits forbid':
      return 'its factors fit, but a limit forbids the train';
    case 'not looked through':
      return 'not looked for: too many trains of so many stages';
  }
}

const LIMITS: Readonly<Record<Limit, (r: Relaxed) => string>> = {
  stages: r => `allow ${Math.max(...r.query.stages)} stages`,
  most: r => `go up to ${r.query.most} teeth`,
  least: r => `go down to ${r.query.least} teeth`,
  stock: () => 'use counts that are not in stock',
  forbidden: () => 'allow the forbidden counts',
  noPrimes: () => 'allow prime counts',
  positions: () => 'give up the given wheels and the limits by stage',
  alike: () => 'let the counts differ',
  stageRatio: () => 'allow steeper stages',
  largestOutside: () => 'allow larger wheels',
  centre: () => 'give up the given centre distance',
  reach: () => 'allow a longer train',
  hunting: () => 'allow common factors',
  exactTotal: () => 'allow any number of teeth',
  coaxial: () => 'let the output stand beside the drive',
};

/** What would have to be allowed. */
export const sayRelaxed = (r: Relaxed): string => LIMITS[r.limit](r);

/** What is to be least. */
export const sayGoal = (goal: Goal): string =>
  ({
    wheels: 'fewest wheels',
    arbors: 'fewest arbors',
    'largest wheel': 'smallest largest wheel',
    'different counts': 'fewest different counts',
  })[goal];

/** How the outputs are driven. */
export const saySchool = (school: School): string =>
  ({
    'loose pairs': 'from the drive, by loose pairs on one lay axis',
    'lay arbor': 'from one lay arbor',
    cascade: 'each from its neighbour',
    mixed: 'each from the drive or another',
  })[school];

/** How far from what is wanted a plan may be and still be found; without one there is none so near. */
const NEAR: { readonly [O in Objective]: string } = {
  'worst error': 'within an error of a half',
  'sum of errors': 'whose errors sum to a half or less',
  'worst drift': 'that drifts by half of what the fastest output turns, or less',
  'different counts': 'within the error that is allowed',
};

/** What is proven of a plan for all outputs; `nameOf` names an output. */
export function sayPlanProof(
  { objective, outputs }: BranchQuery,
  { plan, proven, beyond }: Pick<BranchResult, 'plan' | 'proven' | 'beyond'>,
  nameOf: (output: string) => string,
): string {
  if (!proven) return plan ? 'best found so far' : 'none found so far';
  if (beyond) {
    const rateOf = (id: string): Rational | undefined => outputs.find(o => o.id === id)?.rate;
    const [wanted, other] = [rateOf(beyond.output), rateOf(beyond.against ?? '')];
    if (wanted && other && beyond.against !== undefined) {
      const spread = `${sayReduction(beyond.least, 4)} to ${sayReduction(beyond.most, 4)}`;
      const pair = `${nameOf(beyond.output)} to ${nameOf(beyond.against)}`;
      return `none: ${pair} needs ${sayReduction(div(wanted, other), 4)}; two such outputs reach ${spread}`;
    }
    const needs = wanted ? ` needs ${sayReduction(wanted, 4)}` : ' is out of reach';
    const reach = `${sayReduction(beyond.least, 4)} to ${sayReduction(beyond.most, 4)}`;
    return `none: ${nameOf(beyond.output)}${needs}; two meshes reach ${reach}`;
  }
  return plan ? 'proven best' : `proven: none ${NEAR[objective]}`;
}
