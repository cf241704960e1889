import { type PlanetaryQuery, searchPlanetary } from '../core/src/counting/planetary/index.ts';
import { parseRational } from '../core/src/ground/rational/index.ts';
import { must } from '../core/src/ground/result/index.ts';
import { clock, report } from './clock.ts';

const QUERY: PlanetaryQuery = {
  target: must(parseRational('0.2345678')),
  ...{ held: 'ring', driver: 'sun', least: 12, most: 120, planets: [3, 4, 5, 6] },
  ...{ equalOnly: false, gap: 0.3, module: 1, top: 20 },
};

/** The baseline: the same counts in doubles, the best error only, planets that would touch left out. */
function plainLoops(): number {
  let best = Infinity;
  for (let s = 12; s <= 120; s++)
    for (let p = 12; s + 2 * p <= 120; p++)
      for (const n of [3, 4, 5, 6])
        if ((s + p) * Math.sin(Math.PI / n) - p - 2 >= 0.3)
          best = Math.min(best, Math.abs(s / (2 * s + 2 * p) / 0.2345678 - 1));
  return best;
}

/** All planetary counts to 120 with 3 to 6 planets. */
export function planetaryBench(): void {
  const ms = clock(() => must(searchPlanetary(QUERY)));
  report(
    'planetary counts to 120, 3 to 6 planets, exact, top 20',
    ms,
    'plain loops in doubles, best only',
    clock(plainLoops),
  );
}
