import { searchCounts } from '../core/src/counts/index.ts';
import { must } from '../core/src/result/index.ts';
import { parseRational, toNumber } from '../core/src/rational/index.ts';

const clock = (work: () => void): number => {
  const times = [0, 1, 2].map(() => {
    const start = performance.now();
    work();
    return performance.now() - start;
  });
  return Math.min(...times);
};
const target = must(parseRational('0.5316751872932182'));
const search = clock(() => {
  const job = searchCounts({ target, least: 12, most: 100, stages: [2], coaxial: 'none', top: 20 });
  for (let step = job.next(); !step.done; step = job.next());
});
const t = toNumber(target);
let best = Infinity;
const loops = clock(() => {
  for (let a = 12; a <= 100; a++)
    for (let b = a; b <= 100; b++)
      for (let c = 12; c <= 100; c++)
        for (let d = c; d <= 100; d++) best = Math.min(best, Math.abs((a * b) / (c * d) / t - 1));
});
console.log(
  `two stages, 12…100: search ${search.toFixed(0)} ms, nested loops ${loops.toFixed(0)} ms (best ${best}), ratio ${(loops / search).toFixed(2)}`,
);
