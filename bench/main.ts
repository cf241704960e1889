import { existsSync } from 'node:fs';
import { join } from 'node:path';
import { searchCounts } from '../core/src/counts/index.ts';
import { derive } from '../core/src/derive/index.ts';
import { setWheel } from '../core/src/machine/index.ts';
import { parseRational, toNumber } from '../core/src/rational/index.ts';
import { must } from '../core/src/result/index.ts';
import { browserBench } from './browser.ts';
import { sixtyWheels } from './sixty-wheels.ts';

/** Best of three runs, in milliseconds. */
const clock = (work: () => void): number => {
  const times = [0, 1, 2].map(() => {
    const start = performance.now();
    work();
    return performance.now() - start;
  });
  return Math.min(...times);
};
const report = (what: string, ms: number, baseline: string, baseMs: number): void =>
  console.log(
    `${what}: ${ms.toFixed(1)} ms; ${baseline}: ${baseMs.toFixed(1)} ms; ratio ${(baseMs / ms).toFixed(2)}`,
  );

const target = must(parseRational('0.5316751872932182'));
const t = toNumber(target);
let best = Infinity;

const search = clock(() => {
  const job = searchCounts({ target, least: 12, most: 100, stages: [2], coaxial: 'none', top: 20 });
  for (let step = job.next(); !step.done; step = job.next());
});
const loops = clock(() => {
  const byTotal = new Float64Array(401).fill(Infinity);
  for (let a = 12; a <= 100; a++)
    for (let b = a; b <= 100; b++)
      for (let c = 12; c <= 100; c++)
        for (let d = c; d <= 100; d++) {
          const error = Math.abs((a * b) / (c * d) / t - 1);
          const total = a + b + c + d;
          if (error < (byTotal[total] as number)) byTotal[total] = error;
          if (error < best) best = error;
        }
});
report(
  'two stages, 12…100, exact front and top 20',
  search,
  'plain nested loops in doubles, front only',
  loops,
);

const machine = sixtyWheels();
const all = clock(() => derive(machine));
const before = derive(machine);
let shift = 0;
const edit = clock(() => {
  shift += 0.01;
  derive(setWheel('a7', { shift })(machine), before);
});
report('60 wheels, an edit of one', edit, 'all made anew, outlines too', all);

if (existsSync(join(import.meta.dirname, '../web/dist/index.html')) && existsSync('/usr/bin/chromium'))
  await browserBench();
else console.log('browser: skipped, build the application first (npm start, or npx vite build web)');
