import type { Aim } from '../../document/machine/index.ts';
import { absolute, add, compare, isZero, mul, type Rational, rational } from '../../ground/rational/index.ts';
import type { TrainRates } from '../../trains/train/index.ts';
import { parseWanted } from '../../ground/units/index.ts';

/**
 * What a turn of a drive without a period of its own stands for, in seconds: the time for which the outputs' errors
 * are balanced. Every output says rate · period; halfway between the least and the greatest of these the worst error is
 * least (see planOf in branch). Undefined when no output with a period has a train.
 */
export function standsFor(aims: readonly Aim[], train: TrainRates): Rational | undefined {
  const said = aims
    .flatMap(a => {
      const wanted = parseWanted(a.wanted);
      const rate = a.member === undefined ? undefined : train.rates[a.member];
      if (a.seenFrom || !wanted.ok || wanted.value.kind !== 'period' || !rate || isZero(rate)) return [];
      return [mul(absolute(rate), wanted.value.seconds)];
    })
    .sort(compare);
  const [least, greatest] = [said[0], said.at(-1)];
  return least && greatest && mul(add(least, greatest), rational(1n, 2n));
}
