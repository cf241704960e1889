import { parseArgs } from 'node:util';
import {
  type Candidate,
  type CountQuery,
  parseStock,
  searchCounts,
  type SearchResult,
} from '../core/src/counting/search/index.ts';
import { ppm, rateError } from '../core/src/document/period/index.ts';
import { parseRational, type Rational, toFraction, toNumber } from '../core/src/ground/rational/index.ts';
import { fail, ok, type Result } from '../core/src/ground/result/index.ts';
import { runCommand } from './command.ts';

const HELP = `Finds tooth counts for a ratio. The ratio is driving / driven: turns of the output per turn of the drive.

  npm run -s counts -- --target 0.5316751872932182 --stages 2 --min 12 --max 100 --top 20 --front --json

  --target R         wanted ratio, a decimal or a fraction such as 235/19
  --stages N|A-B     exactly N stages, or a range (default 2)
  --min N, --max N   least and most teeth (default 12 and 100, or those of the stock)
  --top N            how many of the best by error (default 20)
  --front            also the trains that no other beats in both error and teeth
  --stock LIST       only these counts: 8,10,12x2,20-30 (x2: two pieces)
  --forbid LIST      none of these counts
  --no-primes        no prime counts
  --hunting          no common factor in any stage
  --coaxial          every second stage returns to the axis it came from
  --modules A:B      modules of the stages, the last holds for the rest
  --exact-total N    exactly so many teeth in all
  --json             as JSON

Exit status: 0 when the list is not empty, 1 when no train fits, 2 when the question cannot be asked.`;

interface Asked {
  readonly query: CountQuery;
  readonly json: boolean;
}

const OPTIONS = {
  target: { type: 'string' },
  stages: { type: 'string', default: '2' },
  min: { type: 'string' },
  max: { type: 'string' },
  top: { type: 'string', default: '20' },
  front: { type: 'boolean', default: false },
  stock: { type: 'string' },
  forbid: { type: 'string' },
  'no-primes': { type: 'boolean', default: false },
  hunting: { type: 'boolean', default: false },
  coaxial: { type: 'boolean', default: false },
  modules: { type: 'string' },
  'exact-total': { type: 'string' },
  json: { type: 'boolean', default: false },
  help: { type: 'boolean', default: false },
} as const;

function read(args: string[]): Result<Asked> | 'help' {
  const { values } = parseArgs({ args, options: OPTIONS, strict: true });
  if (values.help || values.target === undefined) return 'help';
  const target = parseRational(values.target);
  if (!target.ok) return target;
  const stock = values.stock === undefined ? undefined : parseStock(values.stock);
  if (stock && !stock.ok) return stock;
  const forbid = values.forbid === undefined ? undefined : parseStock(values.forbid);
  if (forbid && !forbid.ok) return forbid;
  const modules = values.modules?.split(':').map(m => parseRational(m));
  const wrong = modules?.find(m => !m.ok);
  if (wrong && !wrong.ok) return wrong;
  const sizes = modules?.flatMap(m => (m.ok ? [m.value] : []));
  if (sizes?.some(m => m.num <= 0n)) return fail('module-not-positive');
  const counts = stock?.ok ? stock.value.map(s => s.count) : [];
  const stages = readStages(values.stages);
  const top = whole(values.top);
  const total = values['exact-total'] === undefined ? undefined : whole(values['exact-total']);
  if (Number.isNaN(top) || top < 1 || top > 1000) return fail('top-out-of-range', { most: 1000 });
  if (Number.isNaN(total)) return fail('not-a-number', { text: values['exact-total'] ?? '' });
  return ok({
    json: values.json,
    query: {
      target: target.value,
      least: values.min === undefined ? Math.min(...counts, stock ? Infinity : 12) : whole(values.min),
      most: values.max === undefined ? Math.max(...counts, stock ? 0 : 100) : whole(values.max),
      stages,
      coaxial: values.coaxial ? 'equal sums' : 'none',
      top,
      front: values.front,
      ...(stock?.ok && { stock: stock.value }),
      ...(forbid?.ok && { forbidden: forbid.value.map(s => s.count) }),
      ...(values['no-primes'] && { noPrimes: true }),
      ...(values.hunting && { hunting: true }),
      ...(sizes && { modules: sizes }),
      ...(total !== undefined && { exactTotal: total }),
    },
  });
}

const whole = (text: string): number => (/^\d{1,9}$/.test(text.trim()) ? Number(text) : NaN);

/** `2` is exactly two, `1-3` a range, `1,3` a list. */
function readStages(text: string): number[] {
  return text.split(',').flatMap(part => {
    const [from, to] = part.split('-').map(whole);
    if (from === undefined) return [NaN];
    const last = to ?? from;
    return last - from >= 0 && last - from < 10
      ? Array.from({ length: last - from + 1 }, (_, i) => from + i)
      : [NaN];
  });
}

function run(query: CountQuery): Result<SearchResult> {
  const job = searchCounts(query);
  for (let step = job.next(); ; step = job.next()) if (step.done) return step.value;
}

const row = (c: Candidate, target: Rational): object => ({
  num: String(c.ratio.num),
  den: String(c.ratio.den),
  ppm: toNumber(ppm(rateError(c.ratio, target))),
  total: c.total,
  driving: c.stages.map(s => s.driving),
  driven: c.stages.map(s => s.driven),
});

function asJson(found: SearchResult, query: CountQuery): string {
  const { reach } = found;
  return JSON.stringify({
    proven: found.proven,
    ...(found.outOfReach && {
      outOfReach: found.outOfReach,
      reach: [toFraction(reach.least), toFraction(reach.most)],
    }),
    ...(!found.proven && { provenUpToError: found.covered.top }),
    ...(query.front && found.covered.front < Infinity && { frontProvenUpToError: found.covered.front }),
    top: found.top.map(c => row(c, query.target)),
    ...(query.front && { front: found.front.map(c => row(c, query.target)) }),
  });
}

function asText(found: SearchResult, query: CountQuery): string {
  const proof = found.proven ? ', which is proven' : ' as far as was covered';
  const line = (c: Candidate): string =>
    [
      toNumber(ppm(rateError(c.ratio, query.target)))
        .toPrecision(6)
        .padStart(14),
      String(c.total).padStart(5),
      toFraction(c.ratio).padStart(24),
      ` ${c.stages.map(s => `${s.driving}/${s.driven}`).join(' · ')}`,
    ].join(' ');
  return [
    found.top.length === 0
      ? `No train fits these limits${proof}. Widen them, or drop one.`
      : found.proven
        ? 'Proven best within these limits.'
        : 'Not all was covered; these are the best found.',
    ...(found.outOfReach && found.top.length > 0
      ? [`Out of reach: ${toFraction(found.reach.least)} to ${toFraction(found.reach.most)}. The nearest:`]
      : []),
    ...(found.top.length === 0 ? [] : ['           ppm teeth                    ratio  driving/driven']),
    ...found.top.map(line),
    ...(query.front ? ['Front of error and teeth:', ...found.front.map(line)] : []),
  ].join('\n');
}

process.exitCode = runCommand({
  help: HELP,
  read,
  answer: ({ query, json }) => {
    const found = run(query);
    if (!found.ok) return found;
    const text = json ? asJson(found.value, query) : asText(found.value, query);
    return ok({ text, found: found.value.top.length > 0 });
  },
});
