import { type BranchQuery, searchBranches } from '../core/src/counting/branches/index.ts';
import { div, ONE, parseRational, rational, toNumber } from '../core/src/ground/rational/index.ts';
import { must } from '../core/src/ground/result/index.ts';
import { clock } from './clock.ts';

/** Mean periods of Jupiter's four large moons in days. */
const MOONS = ['1.769137786', '3.551181041', '7.15455296', '16.6890184'];
const outputs = MOONS.map((p, i) => ({ id: `moon ${i + 1}`, rate: div(ONE, must(parseRational(p))) }));
const QUERY: BranchQuery = {
  outputs,
  drive: 'given',
  school: 'loose pairs',
  objective: 'worst error',
  least: 12,
  most: 120,
  leastSum: 60,
  mostSum: 160,
};

function answer(query: BranchQuery): string {
  const job = searchBranches(query);
  let step = job.next();
  while (!step.done) step = job.next();
  const { plan, proven } = must(step.value);
  const proof = proven ? 'proven' : 'not proven';
  if (!plan) return `none, ${proof}`;
  return (
    `worst ${(toNumber(plan.worst) * 1e6).toFixed(3)} ppm, ${plan.different} different ` +
    `counts, sum ${plan.sum}, ${proof}`
  );
}

/**
 * The baseline: for every sum, every pair of meshes for every moon, at one turn of the drive a day; worst error
 * only.
 */
function plainLoops(): number {
  const wanted = outputs.map(o => toNumber(o.rate));
  let best = Infinity;
  for (let sum = QUERY.leastSum; sum <= QUERY.mostSum; sum++) {
    let worst = 0;
    for (const w of wanted) {
      let least = Infinity;
      for (let a = Math.max(12, sum - 120); a <= Math.min(120, sum - 12); a++)
        for (let c = Math.max(12, sum - 120); c <= Math.min(120, sum - 12); c++)
          least = Math.min(least, Math.abs((a * c) / ((sum - a) * (sum - c)) / w - 1));
      worst = Math.max(worst, least);
    }
    best = Math.min(best, worst);
  }
  return best;
}

/** Four moons by loose pairs at one centre distance: what is asked of the search, and how long it takes. */
export function branchesBench(): void {
  const base = clock(plainLoops, 1);
  console.log(
    `four moons, plain loops for a given drive, which cannot free it nor count counts: ${base.toFixed(0)} ms`,
  );
  for (const drive of ['given', 'free'] as const) {
    for (const parts of [0, 1000, 10000]) {
      const query: BranchQuery =
        parts === 0
          ? { ...QUERY, drive }
          : { ...QUERY, drive, objective: 'different counts', error: rational(1, parts) };
      let said = '';
      const ms = clock(() => (said = answer(query)), 1);
      const asked = parts === 0 ? 'least worst error' : `fewest counts under ${1 / parts}`;
      console.log(
        `four moons, ${drive} drive, ${asked}: ${said}: ${ms.toFixed(0)} ms; ratio ${(base / ms).toFixed(2)}`,
      );
    }
  }
}
