import type { ChoiceFacts, RingTrouble } from '../../counting/planetary/index.ts';
import { fixed, mm } from '../../ground/units/index.ts';

/** Whether the planets of a chosen set go together, where, and whether they clear each other. Module in mm. */
export function sayTogether(facts: ChoiceFacts, planets: number, module: number): string {
  const places = facts.anglesDeg.map(a => `${fixed(a, 2)}°`).join(', ');
  const where = facts.equal
    ? 'goes together equally spaced'
    : facts.output === 'second ring'
      ? `${planets} planets do not go together equally spaced`
      : `does not go together equally spaced; the nearest places are ${places}`;
  const clear =
    facts.gap > 0
      ? `tips of planets clear each other by ${mm(facts.gap * module)}`
      : 'neighbouring planets strike';
  return planets > 1 ? `${where}; ${clear}` : where;
}

/** Places of planets, degrees, as they are typed. */
export const sayPlaces = (places: readonly number[]): string =>
  places.map(a => String(Number(a.toFixed(3)))).join(', ');

/** What is wrong between a planet and its ring, and what would mend it. */
export function sayRingTrouble({ kind, planet, ring }: RingTrouble): string {
  return kind === 'tips strike'
    ? `Tips of ${planet} strike those of the ring of ${ring} (20°, full teeth): take fewer teeth or stub teeth.`
    : `Tips of the ring of ${ring} reach below the base circle of ${planet} (20°, full teeth): ` +
        'shorten the ring’s teeth a little.';
}
