import { circleCount, type Machine } from '../../document/machine/index.ts';
import { type Rational, toNumber } from '../../ground/rational/index.ts';
import { groundRate } from '../../trains/train/index.ts';

/** More teeth than this from one frame to the next, and the eye takes them for standing still or turning back. */
export const MOST_TEETH_A_FRAME = 0.4;
/** Frames a second that a screen is taken to show. */
export const FRAMES = 60;

/** The wheel whose teeth pass quickest, in teeth per turn of the drive; undefined where nothing turns. */
export function quickestTeeth(
  machine: Pick<Machine, 'axes' | 'members' | 'wheels'>,
  rates: Readonly<Record<string, Rational>>,
): { readonly wheel: string; readonly teeth: number } | undefined {
  let best: { wheel: string; teeth: number } | undefined;
  for (const wheel of machine.wheels) {
    const rate = groundRate(machine, rates, wheel.member) ?? rates[wheel.member];
    const count = circleCount(wheel);
    const teeth = rate && count ? Math.abs(toNumber(rate)) * count : 0;
    if (teeth > (best?.teeth ?? 0)) best = { wheel: wheel.id, teeth };
  }
  return best;
}

/** The greatest speed, turns of the drive a second, at which frames show every wheel turning as it does. */
export const trueSpeed = (teeth: number): number => (MOST_TEETH_A_FRAME * FRAMES) / teeth;
