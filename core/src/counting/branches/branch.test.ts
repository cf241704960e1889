import { expect } from 'chai';
import fc from 'fast-check';
import {
  absolute,
  compare,
  div,
  mul,
  ONE,
  parseRational,
  type Rational,
  rational,
  sub,
  toNumber,
  toFraction,
} from '../../ground/rational/index.ts';
import { must, type Result } from '../../ground/result/index.ts';
import {
  type BranchPlan,
  type BranchQuery,
  type BranchResult,
  type School,
  searchBranches,
} from './index.ts';

function answer(query: BranchQuery): Result<BranchResult> {
  const job = searchBranches(query);
  for (let step = job.next(); ; step = job.next()) if (step.done) return step.value;
}
const search = (query: BranchQuery): BranchResult => must(answer(query));

/** Mean periods of Jupiter's four large moons in days: NASA/JPL, planetary satellite mean elements (from memory). */
const MOONS = ['1.769137786', '3.551181041', '7.15455296', '16.6890184'];
const QUARTET: BranchQuery = {
  outputs: MOONS.map((p, i) => ({ id: `moon ${i + 1}`, rate: div(ONE, must(parseRational(p))) })),
  drive: 'given',
  school: 'loose pairs',
  objective: 'worst error',
  least: 12,
  most: 120,
  leastSum: 60,
  mostSum: 160,
};

/** Whether a plan is what it says: sums alike, rates the products of its counts, errors as they follow. */
function sound(plan: BranchPlan, query: BranchQuery): void {
  const rates = new Map<string | undefined, Rational>();
  const base = plan.first ? rational(plan.first.driving, plan.first.driven) : ONE;
  expect(plan.branches.map(b => b.output)).to.have.members(query.outputs.map(o => o.id));
  for (const b of plan.branches) {
    const output = query.outputs.find(o => o.id === b.output)!;
    for (const s of [...b.stages, ...(plan.first ? [plan.first] : [])]) {
      expect(s.driving + s.driven).to.equal(plan.sum);
      expect(Math.min(s.driving, s.driven)).to.be.at.least(query.least);
      expect(Math.max(s.driving, s.driven)).to.be.at.most(query.most);
    }
    const from = b.from === undefined ? base : rates.get(b.from)!;
    const rate = b.stages.reduce((r, s) => mul(r, rational(s.driving, s.driven)), from);
    rates.set(b.output, rate);
    expect(compare(rate, b.rate)).to.equal(0);
    const error = sub(div(rate, mul(output.rate, plan.speed)), ONE);
    expect(compare(error, b.error)).to.equal(0);
    expect(compare(absolute(error), plan.worst)).to.be.at.most(0);
  }
}

/** The least worst error, or number of different counts, by plain loops in doubles and a search for the speed. */
function bruteForce(query: BranchQuery): number {
  const wanted = query.outputs.map(o => toNumber(o.rate));
  if (query.school !== 'cascade' && query.school !== 'mixed') return inOrder(query, wanted);
  return Math.min(...orders(wanted).map(order => inOrder(query, order)));
}

const orders = <T>(list: readonly T[]): T[][] =>
  list.length < 2
    ? [[...list]]
    : list.flatMap((one, i) => orders(list.filter((_, j) => j !== i)).map(rest => [one, ...rest]));

/** The same, where each output may be driven by those before it only. */
function inOrder(query: BranchQuery, wanted: readonly number[]): number {
  let best = Infinity;
  for (let sum = query.leastSum; sum <= query.mostSum; sum++) {
    const counts: number[] = [];
    for (let a = query.least; a <= query.most; a++)
      if (sum - a >= query.least && sum - a <= query.most) counts.push(a);
    const pairs = counts.flatMap(a => counts.map(c => [a, c]));
    const choices = query.school === 'lay arbor' ? counts.map(a => [a]) : pairs;
    const value = (c: number[]): number => c.reduce((r, a) => (r * a) / (sum - a), 1);
    const go = (i: number, rates: number[], used: number[]): void => {
      if (i === wanted.length) {
        const cost = weigh(query, rates, wanted, new Set(used.flatMap(a => [a, sum - a])).size);
        if (cost < best) best = cost;
        return;
      }
      const sources =
        query.school === 'cascade' && i > 0
          ? [rates[i - 1]!]
          : query.school === 'mixed'
            ? [1, ...rates]
            : [1];
      for (const c of choices)
        for (const s of sources) {
          if (query.school === 'lay arbor')
            for (const a of i === 0 ? counts : [used[0]!])
              go(i + 1, [...rates, (value(c) * a) / (sum - a)], i === 0 ? [a, ...c] : [...used, ...c]);
          else go(i + 1, [...rates, s * value(c)], [...used, ...c]);
        }
    };
    go(0, [], []);
  }
  return best;
}

function weigh(query: BranchQuery, rates: number[], wanted: readonly number[], different: number): number {
  const cost = (speed: number): number => {
    const errors = rates.map((r, i) => Math.abs(r / (wanted[i]! * speed) - 1));
    return query.objective === 'sum of errors'
      ? errors.reduce((a, b) => a + b, 0)
      : query.objective === 'worst drift'
        ? Math.max(...errors.map((e, i) => e * wanted[i]!))
        : Math.max(...errors);
  };
  const speeds =
    query.drive === 'given'
      ? [1]
      : rates.flatMap((a, i) => rates.map((b, j) => (a / wanted[i]! + b / wanted[j]!) / 2));
  const least = Math.min(...speeds.map(cost));
  if (query.objective !== 'different counts') return least;
  return least <= toNumber(query.error!) ? different : Infinity;
}

describe('whole machine search', () => {
  for (const school of ['loose pairs', 'lay arbor', 'cascade', 'mixed'] as School[]) {
    it(`finds as good a plan as plain loops: ${school}`, function () {
      this.timeout(60000);
      fc.assert(
        fc.property(
          fc.array(fc.integer({ min: 30, max: 300 }), {
            minLength: 2,
            maxLength: school === 'lay arbor' ? 3 : 2,
          }),
          fc.constantFrom('given' as const, 'free' as const),
          fc.constantFrom(
            'worst error' as const,
            'sum of errors' as const,
            'worst drift' as const,
            'different counts' as const,
          ),
          fc.integer({ min: 6, max: 9 }),
          (rates, drive, objective, least) => {
            const query: BranchQuery = {
              ...QUARTET,
              outputs: rates.map((r, i) => ({ id: `o${i}`, rate: rational(r, 100) })),
              drive,
              school,
              objective: objective === 'worst drift' && drive === 'free' ? 'worst error' : objective,
              error: rational(1, 40),
              least,
              most: 15,
              leastSum: 18,
              mostSum: 21,
            };
            const { plan, proven } = search(query);
            expect(proven).to.equal(true);
            const expected = bruteForce(query);
            const most = query.objective === 'worst drift' ? Math.max(...rates) / 100 : 1;
            if (!plan) return expected > 0.49 * most;
            sound(plan, query);
            const errors = plan.branches.map(b => Math.abs(toNumber(b.error)));
            const cost = {
              'worst error': Math.max(...errors),
              'sum of errors': errors.reduce((a, b) => a + b, 0),
              'worst drift': Math.max(
                ...plan.branches.map(
                  (b, i) => errors[i]! * toNumber(query.outputs.find(o => o.id === b.output)!.rate),
                ),
              ),
              'different counts': plan.different,
            }[query.objective];
            expect(cost).to.be.closeTo(expected, 1e-9 * Math.max(1, expected));
            return true;
          },
        ),
        { numRuns: 25 },
      );
    });
  }

  it('drives four moons by loose pairs, better by far when the crank may turn at any speed', function () {
    this.timeout(60000);
    const given = search(QUARTET).plan!;
    const free = search({ ...QUARTET, drive: 'free' }).plan!;
    for (const plan of [given, free]) sound(plan, QUARTET);
    expect(toNumber(given.worst) * 1e6).to.be.closeTo(397.28, 0.01);
    expect(toNumber(free.worst) * 1e6).to.be.closeTo(5.656, 0.001);
    const errors = free.branches.map(b => toNumber(b.error));
    expect(Math.max(...errors), 'the best speed balances the worst two').to.be.closeTo(
      -Math.min(...errors),
      1e-12,
    );
  });

  it('needs few different counts: four do for all moons under 1e-3, and none under 1e-4 at a turn a day', function () {
    this.timeout(60000);
    const few = (drive: 'given' | 'free', parts: number): BranchResult =>
      search({ ...QUARTET, drive, objective: 'different counts', error: rational(1, parts) });
    expect(few('given', 1000).plan!.different).to.equal(11);
    const none = few('given', 10000);
    expect([none.proven, none.plan]).to.deep.equal([true, undefined]);
    const four = few('free', 1000).plan!;
    expect(four.different).to.equal(4);
    sound(four, QUARTET);
    expect(few('free', 10000).plan!.different).to.equal(8);
  });

  it('adds up the errors of a cascade, and not those of parallel branches', () => {
    const third = rational(1n, 3n);
    const outputs = [rational(1n), third, rational(1n, 9n)].map((rate, i) => ({ id: `o${i}`, rate }));
    const { plan } = search({
      ...QUARTET,
      outputs,
      school: 'cascade',
      least: 12,
      most: 61,
      leastSum: 60,
      mostSum: 75,
    });
    expect(toNumber(plan!.worst)).to.equal(0);
    sound(plan!, { ...QUARTET, outputs });
  });

  it('tries every order of a cascade: what is listed last may have to come first', () => {
    const rates = [rational(1n, 9n), rational(1n, 81n), rational(1n)].map((rate, i) => ({
      id: `o${i}`,
      rate,
    }));
    const query: BranchQuery = {
      ...{ ...QUARTET, outputs: rates, school: 'cascade', objective: 'worst error' },
      ...{ least: 12, most: 36, leastSum: 48, mostSum: 48 },
    };
    const { plan, proven } = search(query);
    expect(proven).to.equal(true);
    expect(plan!.branches.map(b => b.output)).to.deep.equal(['o2', 'o0', 'o1']);
    expect(toNumber(plan!.worst), '36/12 · 36/12 twice in a row').to.equal(0);
    sound(plan!, query);
  });

  it('uses only counts in stock, and no more pieces than there are', () => {
    const outputs = [rational(1n, 8n), rational(1n, 8n)].map((rate, i) => ({ id: `o${i}`, rate }));
    const query: BranchQuery = {
      ...{ ...QUARTET, outputs, school: 'loose pairs', objective: 'worst error' },
      ...{ least: 12, most: 60, leastSum: 60, mostSum: 60 },
      stock: [12, 15, 20, 24, 30, 36, 40, 45, 48].map(count => ({ count })),
    };
    const used = (q: BranchQuery): number[] =>
      search(q).plan!.branches.flatMap(b => b.stages.flatMap(s => [s.driving, s.driven]));
    expect(toNumber(search(query).plan!.worst), '12/48 · 20/40 twice').to.equal(0);
    expect(used(query).filter(n => n === 12)).to.have.length(2);
    const scarce = { ...query, stock: query.stock!.map(s => (s.count === 12 ? { ...s, pieces: 1 } : s)) };
    const found = search(scarce);
    expect(found.proven).to.equal(true);
    expect(toFraction(found.plan!.worst), '15/45 twice is 1/9').to.equal('1/9');
    expect(used(scarce).filter(n => n === 12)).to.have.length.at.most(1);
    for (const n of used(scarce)) expect(query.stock!.map(s => s.count)).to.include(n);
  });

  it('ends with eight bodies whatever the school, and names what is in the way', function () {
    this.timeout(120000);
    // Periods of Mercury to Neptune in days: NASA planetary fact sheet, from memory.
    const days = ['87.9691', '224.701', '365.256', '686.98', '4332.59', '10759.22', '30688.5', '60182'];
    const mercury = must(parseRational(days[0]!));
    const outputs = days.map((d, i) => ({ id: `body ${i + 1}`, rate: div(mercury, must(parseRational(d))) }));
    const all = { ...QUARTET, outputs, objective: 'worst error', least: 16, most: 64 } as const;
    for (const drive of ['given', 'free'] as const)
      for (const school of ['loose pairs', 'lay arbor', 'cascade', 'mixed'] as const) {
        const query: BranchQuery = { ...all, drive, school, leastSum: 50, mostSum: 80 };
        const { plan, beyond, proven } = search(query);
        expect(proven, `${drive} ${school}`).to.equal(true);
        if (plan) sound(plan, query);
        if (school === 'cascade' || school === 'mixed') expect(toNumber(plan!.worst)).to.be.below(0.0015);
        if (drive === 'given' && !plan)
          expect(beyond!.output, 'Jupiter is the first beyond 16').to.equal('body 5');
      }
  });

  it('says at once which output two meshes cannot reach, and what they do', () => {
    // 16 to 64 teeth, sums to 80: a mesh makes 4 at most, two make 16; Neptune goes round in 684 of Mercury’s.
    const query: BranchQuery = {
      ...QUARTET,
      outputs: [
        { id: 'venus', rate: rational(10n, 26n) },
        { id: 'neptune', rate: rational(1n, 684n) },
      ],
      ...{ drive: 'given', objective: 'worst error', least: 16, most: 64, leastSum: 50, mostSum: 80 },
    };
    for (const school of ['loose pairs', 'lay arbor'] as const) {
      const found = must(answer({ ...query, school }));
      expect(found.plan).to.equal(undefined);
      expect(found.beyond?.output).to.equal('neptune');
      expect([found.beyond!.least, found.beyond!.most].map(toFraction)).to.deep.equal(['1/16', '16']);
    }
    const near = must(
      answer({
        ...query,
        school: 'loose pairs',
        outputs: [query.outputs[0]!, { id: 'b', rate: rational(1n, 20n) }],
      }),
    );
    expect(near.beyond, 'a quarter off is searched').to.equal(undefined);
    expect(near.plan).to.not.equal(undefined);
    expect(must(answer({ ...query, school: 'cascade' })).beyond).to.equal(undefined);
  });

  it('says what forbids a search', () => {
    const code = (change: Partial<BranchQuery>): string | undefined => {
      const found = answer({ ...QUARTET, ...change });
      return found.ok ? undefined : found.problem.code;
    };
    expect(code({ leastSum: 100, mostSum: 60 })).to.equal('sums-reversed');
    expect(code({ leastSum: 10, mostSum: 20 })).to.equal('sum-too-small');
    expect(code({ mostSum: 1000 })).to.equal('sum-too-large');
    expect(code({ outputs: [] })).to.equal('outputs-too-few');
    expect(code({ outputs: Array.from({ length: 13 }, (_, i) => ({ id: `${i}`, rate: ONE })) })).to.equal(
      'outputs-too-many',
    );
    expect(code({ objective: 'different counts' })).to.equal('error-needed');
    expect(code({ objective: 'worst drift', drive: 'free' })).to.equal('drift-needs-period');
    expect(
      code({
        outputs: [
          { id: 'a', rate: ONE },
          { id: 'b', rate: rational(0n) },
        ],
      }),
    ).to.equal('ratio-zero');
    expect(code({ least: 2 })).to.equal('limit-too-small');
    expect(code({ least: 50, most: 20 })).to.equal('limits-reversed');
    expect(code({ leastSum: 60.5 })).to.equal('limits-not-whole');
    expect(code({ most: 2000 })).to.equal('limit-too-large');
  });
});
