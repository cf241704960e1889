import { div, parseRational, type Rational, rational, sign, toNumber } from '../../ground/rational/index.ts';
import { fail, ok, type Result } from '../../ground/result/index.ts';
import { advance, type DriveTurns } from './angle.ts';

/** A stretch that is run over and over: from where, and how many turns of the drive it is long. */
export interface Loop {
  readonly from: DriveTurns;
  readonly turns: number;
}

const STRETCH = /^([+-]?[\d.]+(?:e[+-]?\d+)?(?:\s*\/\s*[\d.]+)?)\s*(turns?|degrees?|deg|°|)$/i;

/**
 * Reads the length of a loop: `1 turn`, `2.5 turns`, `1/12 turn`, `90 degrees`, `90°`; a bare number is turns.
 * Exact.
 */
export function parseLoop(text: string): Result<Rational> {
  const read = STRETCH.exec(text.trim().replace('−', '-'));
  const value = read && parseRational((read[1] ?? '').replace(/\s/g, ''));
  if (!value?.ok) return fail('loop-unreadable', { text: text.trim() });
  if (sign(value.value) === 0) return fail('loop-zero');
  if (sign(value.value) < 0) return fail('loop-unreadable', { text: text.trim() });
  return ok(/^d|°/i.test(read?.[2] ?? '') ? div(value.value, rational(360n)) : value.value);
}

/** Turns brought back into a loop that they have run out of, at either end; they go on from its other end. */
export function inLoop(turns: DriveTurns, loop: Loop): DriveTurns {
  const run = Number(turns.whole - loop.from.whole) + (turns.part - loop.from.part);
  const rounds = Math.floor(run / loop.turns);
  return rounds === 0 ? turns : advance(turns, -rounds * loop.turns);
}

/** A loop that begins where the drive stands. */
export const loopFrom = (from: DriveTurns, turns: Rational): Loop => ({ from, turns: toNumber(turns) });
