import { compare, type Rational } from '../../ground/rational/index.ts';
import type { BranchQuery, Output } from './query.ts';
import { firstFrom, type Ratios } from './ratios.ts';
import { type Next, type State, toError } from './state.ts';

/** Where outputs may drive one another their order matters. */
export const ordersMatter = ({ school }: BranchQuery): boolean => school === 'cascade' || school === 'mixed';

/**
 * The order listed; where outputs do not drive one another the slowest, the fastest, and so on inwards: a spread that
 * is out of reach shows at once.
 */
export function firstOrder(query: BranchQuery): number[] {
  const listed = query.outputs.map((_, i) => i);
  if (ordersMatter(query)) return listed;
  const left = listed.sort((a, b) => compare(rateOf(query, a), rateOf(query, b)));
  return left.map((_, i) => left[i % 2 === 0 ? i / 2 : left.length - (i + 1) / 2] as number);
}

const rateOf = ({ outputs }: BranchQuery, i: number): Rational => (outputs[i] as Output).rate;

/** To look for what may come next takes as long as so many choices. */
const LOOKING = 6;

/**
 * What may come next. In the order listed the next output; in every order any that is left, and where each may be
 * driven from any before it only so that every tree comes once: by the place of what drives it, then by its number.
 */
export function nextOf(state: State, at: number): readonly Next[] {
  const { query, order, choice, wanted, listed } = state;
  if (order === 'listed') return listed[at] ?? [];
  state.tried += LOOKING;
  const last = choice.at(-1);
  const found: Next[] = [];
  for (const from of sourcesOf(query, at)) {
    const [place, lastPlace] = [from ?? -1, last?.from ?? -1];
    if (query.school === 'mixed' && last && place < lastPlace) continue;
    const first = query.school === 'mixed' && last && place === lastPlace ? last.output + 1 : 0;
    for (let output = first; output < wanted.length; output++)
      if (!choice.some(c => c.output === output) && mayDrive(state, choice[from ?? -1]?.output, output))
        found.push({ output, from });
  }
  return found;
}

/** The places in the order from which the next output may be driven. */
export function sourcesOf({ school }: BranchQuery, at: number): (number | undefined)[] {
  if (school === 'cascade') return [at === 0 ? undefined : at - 1];
  return school === 'mixed' ? [undefined, ...Array.from({ length: at }, (_, i) => i)] : [undefined];
}

/** Whether an output may be driven by another, or by the drive, at the sum and the bound under way: see `couples`. */
const mayDrive = ({ couples, wanted }: State, from: number | undefined, output: number): boolean =>
  couples[(from ?? wanted.length) * wanted.length + output] === 1;

/**
 * For every output, and for the drive as the last row, which outputs it may drive: whether any ratio lies between the
 * bounds that the errors of both leave. What nothing may drive rules a tooth sum out before it is searched.
 */
export function couplesOf(state: State, ratios: Ratios): Uint8Array {
  const { query, wanted } = state;
  const many = wanted.length;
  const couples = new Uint8Array((many + 1) * many);
  const e = query.objective === 'different counts' ? toError(query) : state.bound;
  const errorOf = (i: number): number => (query.objective === 'worst drift' ? e / (wanted[i] as number) : e);
  const spread = (1 + e) / Math.max(1e-9, 1 - e);
  for (let from = 0; from <= many; from++) {
    for (let output = 0; output < many; output++) {
      const proportion = (wanted[output] as number) / (wanted[from] ?? 1);
      const [own, other] = [errorOf(output), from === many ? 0 : errorOf(from)];
      const [least, most] =
        query.drive === 'given'
          ? [(1 - own) / (1 + other), (1 + own) / Math.max(1e-9, 1 - other)]
          : from === many
            ? [0, Infinity]
            : [1 / spread, spread];
      const nearest = ratios.values[firstFrom(ratios.values, proportion * least * (1 - WIDER))] ?? Infinity;
      if (nearest <= proportion * most * (1 + WIDER)) couples[from * many + output] = 1;
    }
  }
  return couples;
}

/** Bounds are widened by this, so that rounding never hides a couple. */
const WIDER = 1e-9;

/** Whether every output has something that may drive it, in the order under way. */
export function allDriven(state: State): boolean {
  if (!ordersMatter(state.query)) return true;
  const outputs = state.wanted.map((_, i) => i);
  if (state.order === 'listed')
    return state.listed.every(next => next.some(n => mayDrive(state, n.from, n.output)));
  return outputs.every(o => [undefined, ...outputs].some(from => from !== o && mayDrive(state, from, o)));
}
