import { ahead } from './mean-longitude.ts';

const HALVINGS = 60;

/**
 * The next time after `from` at which an angle in degrees comes to a target, from either side; the angle is looked
 * at every `step`, which must be so small that it turns by less than a quarter in it. Undefined when it does not
 * come there before `until`.
 */
export function nextCrossing(
  angle: (t: number) => number,
  target: number,
  from: number,
  until: number,
  step: number,
): number | undefined {
  const off = (t: number): number => ahead(angle(t), target);
  let [t, before] = [from, off(from)];
  while (t < until) {
    const next = Math.min(until, t + step);
    const after = off(next);
    // From just below to just above, or the other way; not the jump at half a turn.
    if (before !== 0 && before * after <= 0 && Math.abs(before - after) < 180)
      return halve(off, t, next, before);
    [t, before] = [next, after];
  }
  return undefined;
}

function halve(off: (t: number) => number, from: number, to: number, atFrom: number): number {
  let [low, high] = [from, to];
  for (let i = 0; i < HALVINGS; i++) {
    const middle = (low + high) / 2;
    if (off(middle) * atFrom > 0) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}
