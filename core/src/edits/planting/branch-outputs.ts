import type { Output } from '../../counting/branches/index.ts';
import type { Derived } from '../../state/state/index.ts';
import { div, isZero, type Rational, rational } from '../../ground/rational/index.ts';
import { parseWanted } from '../../ground/units/index.ts';

/**
 * The outputs that a plan can drive together, with their wanted rates by size. For a given drive what each aim asks of
 * the drive; for a free one turns a day where the aims are periods, or their plain ratios where none is. Aims on an
 * arm, limits, and those that cannot be read are left out.
 */
export function branchOutputs({ machine, aims }: Derived, drive: 'given' | 'free'): Output[] {
  const plain = machine.aims.filter(a => !a.seenFrom);
  if (drive === 'given')
    return plain.flatMap(a => {
      const state = aims[a.id];
      return state?.wanted && !state.limit && !isZero(state.wanted) ? [{ id: a.id, rate: state.wanted }] : [];
    });
  const ratesOf = (kind: 'period' | 'ratio'): Output[] =>
    plain.flatMap(a => {
      const read = parseWanted(a.wanted);
      const rate = read.ok && read.value.kind === kind ? rateOf(read.value) : undefined;
      return rate ? [{ id: a.id, rate }] : [];
    });
  const periods = ratesOf('period');
  return periods.length > 0 ? periods : ratesOf('ratio');
}

const DAY = rational(86400n);

function rateOf(
  wanted:
    | { readonly kind: 'period'; readonly seconds: Rational }
    | { readonly kind: 'ratio'; readonly turns: Rational },
): Rational {
  return wanted.kind === 'period' ? div(DAY, wanted.seconds) : wanted.turns;
}
