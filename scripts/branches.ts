import { parseArgs } from 'node:util';
import {
  type BranchPlan,
  type BranchQuery,
  type BranchResult,
  OBJECTIVES,
  type Output,
  type School,
  SCHOOLS,
  searchBranches,
} from '../core/src/counting/branches/index.ts';
import { ppm } from '../core/src/document/period/index.ts';
import { absolute, parseRational, toFraction, toNumber } from '../core/src/ground/rational/index.ts';
import { parseStock } from '../core/src/counting/search/index.ts';
import { fail, ok, type Result } from '../core/src/ground/result/index.ts';
import { runCommand } from './command.ts';
import { sayPlanProof, saySchool } from '../core/src/files/words/index.ts';

const HELP = `Finds tooth counts for all outputs of a machine at once, over two axes at one centre distance.

  npm run -s branches -- --targets 1/12,4/27,16/945 --school "lay arbor" --min 12 --max 96 --sums 60-108

  --targets LIST     wanted ratios, each turns of the output per turn of the drive
  --school NAME      ${SCHOOLS.map(s => `"${s}"`).join(', ')} (default all of them)
  --objective NAME   ${OBJECTIVES.map(s => `"${s}"`).join(', ')} (default "worst error")
  --error R          largest error, relative; needed for "different counts"
  --free             the drive may turn at any speed
  --min N, --max N   least and most teeth (default 12 and 100)
  --stock LIST       only these counts: 8,10,12x2,20-30 (x2: two pieces)
  --sums A-B         tooth sum of every mesh (default 60-100)
  --json             as JSON

Each from another, and the cascade, are searched in every order of the targets.
Exit status: 0 when there is a plan, 1 when there is none, 2 when the question cannot be asked.`;

const OPTIONS = {
  targets: { type: 'string' },
  school: { type: 'string' },
  objective: { type: 'string', default: 'worst error' },
  error: { type: 'string' },
  free: { type: 'boolean', default: false },
  min: { type: 'string', default: '12' },
  max: { type: 'string', default: '100' },
  stock: { type: 'string' },
  sums: { type: 'string', default: '60-100' },
  json: { type: 'boolean', default: false },
  help: { type: 'boolean', default: false },
} as const;

interface Asked {
  readonly queries: readonly BranchQuery[];
  readonly json: boolean;
}

const whole = (text: string | undefined): number =>
  /^\d{1,6}$/.test((text ?? '').trim()) ? Number(text) : NaN;

function read(args: string[]): Result<Asked> | 'help' {
  const { values } = parseArgs({ args, options: OPTIONS, strict: true });
  if (values.help || values.targets === undefined) return 'help';
  const outputs: Output[] = [];
  for (const [i, text] of values.targets.split(',').entries()) {
    const rate = parseRational(text.trim());
    if (!rate.ok) return rate;
    outputs.push({ id: `output ${i + 1}`, rate: absolute(rate.value) });
  }
  const schools = values.school === undefined ? SCHOOLS : SCHOOLS.filter(s => s === values.school);
  const objective = OBJECTIVES.find(o => o === values.objective);
  if (schools.length === 0)
    return fail('not-a-choice', { text: values.school ?? '', of: SCHOOLS.join(', ') });
  if (!objective) return fail('not-a-choice', { text: values.objective, of: OBJECTIVES.join(', ') });
  const error = values.error === undefined ? undefined : parseRational(values.error);
  if (error && !error.ok) return error;
  const stock = values.stock === undefined ? undefined : parseStock(values.stock);
  if (stock && !stock.ok) return stock;
  const [leastSum, mostSum] = values.sums.split('-').map(whole);
  const limits = { least: whole(values.min), most: whole(values.max) };
  const numbers = [limits.least, limits.most, leastSum ?? NaN, mostSum ?? leastSum ?? NaN];
  if (numbers.some(Number.isNaN))
    return fail('not-a-number', { text: [values.min, values.max, values.sums].join(', ') });
  return ok({
    json: values.json,
    queries: schools.map((school: School) => ({
      ...{ outputs, school, objective, ...limits },
      ...{ leastSum: numbers[2] as number, mostSum: numbers[3] as number },
      drive: values.free ? 'free' : 'given',
      ...(error?.ok && { error: error.value }),
      ...(stock?.ok && { stock: stock.value }),
    })),
  });
}

function run(query: BranchQuery): Result<BranchResult> {
  const job = searchBranches(query);
  for (let step = job.next(); ; step = job.next()) if (step.done) return step.value;
}

const ppmOf = (e: BranchPlan['worst']): number => toNumber(ppm(absolute(e)));

const asRow = (query: BranchQuery, { plan, proven, beyond }: BranchResult): object => ({
  school: query.school,
  proven,
  ...(beyond && {
    beyond: {
      output: beyond.output,
      ...(beyond.against !== undefined && { against: beyond.against }),
      reach: [toFraction(beyond.least), toFraction(beyond.most)],
    },
  }),
  ...(plan && {
    worstPpm: ppmOf(plan.worst),
    different: plan.different,
    sum: plan.sum,
    ...(plan.first && { first: plan.first }),
    branches: plan.branches.map(b => ({ ...b, rate: toFraction(b.rate), error: toNumber(b.error) })),
  }),
});

function asText(query: BranchQuery, result: BranchResult): string {
  const { plan } = result;
  const proof = sayPlanProof(query, result, output => output);
  if (!plan) return `${saySchool(query.school)}: ${proof}`;
  return [
    `${saySchool(query.school)}: worst ${ppmOf(plan.worst).toPrecision(5)} ppm, sum ${plan.sum}, ${proof}`,
    ...(plan.first ? [`  lay arbor  ${plan.first.driving}/${plan.first.driven}`] : []),
    ...plan.branches.map(
      b =>
        `  ${b.output}  ${b.stages.map(s => `${s.driving}/${s.driven}`).join(' · ')}` +
        `  from ${b.from ?? (query.school === 'lay arbor' ? 'the lay arbor' : 'the drive')}`,
    ),
  ].join('\n');
}

process.exitCode = runCommand({
  help: HELP,
  read,
  answer: ({ queries, json }) => {
    const found = [];
    for (const query of queries) {
      const answer = run(query);
      if (!answer.ok) return answer;
      found.push({ query, answer: answer.value });
    }
    const text = json
      ? JSON.stringify(found.map(f => asRow(f.query, f.answer)))
      : found.map(f => asText(f.query, f.answer)).join('\n\n');
    return ok({ text, found: found.some(f => f.answer.plan) });
  },
});
