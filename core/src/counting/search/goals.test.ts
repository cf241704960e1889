import { expect } from 'chai';
import fc from 'fast-check';
import { compare, parseRational, rational, toFraction } from '../../ground/rational/index.ts';
import { must } from '../../ground/result/index.ts';
import {
  candidateOf,
  differentCounts,
  errorSize,
  type CountQuery,
  partsOf,
  relaxations,
  searchCounts,
  searchGoals,
  type Stage,
} from './index.ts';
import { fewestDifferent, patterns } from './different.ts';

const QUERY: CountQuery = {
  target: must(parseRational('0.5316751872932182')),
  least: 12,
  most: 100,
  stages: [1, 2],
  coaxial: 'none',
  top: 5,
};
function run<T>(job: Generator<unknown, T>): T {
  for (let step = job.next(); ; step = job.next()) if (step.done) return step.value;
}

/** Every train of one or two stages, by plain loops. */
function everyTrain({ least, most, stages }: CountQuery): Stage[][] {
  const counts = Array.from({ length: most - least + 1 }, (_, i) => least + i);
  const one = counts.flatMap(driving => counts.map(driven => [{ driving, driven }]));
  const two = one.flatMap(a => one.map(b => [...a, ...b]));
  return [...(stages.includes(1) ? one : []), ...(stages.includes(2) ? two : [])];
}

describe('other goals than error and teeth', () => {
  it('are met as well as plain loops meet them', function () {
    this.timeout(60000);
    fc.assert(
      fc.property(
        fc.integer({ min: 300, max: 3000 }),
        fc.integer({ min: 4, max: 12 }),
        fc.constantFrom(5, 20, 200, 2000),
        fc.constantFrom([1], [2], [1, 2]),
        fc.constantFrom(undefined, 'below' as const, 'above' as const),
        (num, least, parts, stages, side) => {
          const query = {
            ...QUERY,
            target: rational(num, 1000),
            least,
            most: least + 6,
            stages,
            ...(side && { side }),
          };
          const error = rational(1, parts);
          const good = everyTrain(query).filter(
            s =>
              compare(errorSize(candidateOf(s).ratio, query.target), error) <= 0 &&
              (!side || compare(candidateOf(s).ratio, query.target) !== (side === 'below' ? 1 : -1)),
          );
          const least_ = (of: (s: Stage[]) => number): number | undefined =>
            good.length > 0 ? Math.min(...good.map(of)) : undefined;
          const goals = Object.fromEntries(run(searchGoals(query, error, 'either')).map(g => [g.goal, g]));
          expect(goals['largest wheel']!.value).to.equal(
            least_(s => Math.max(...s.flatMap(x => [x.driving, x.driven]))),
          );
          expect(goals['different counts']!.value).to.equal(least_(differentCounts));
          expect(goals['wheels']!.value).to.equal(least_(s => 2 * s.length));
          expect(goals['arbors']!.value).to.equal(least_(s => s.length + 1));
          for (const g of Object.values(goals)) expect(g.proven).to.equal(true);
          for (const g of Object.values(goals))
            if (g.best) expect(compare(errorSize(g.best.ratio, query.target), error)).to.be.at.most(0);
        },
      ),
      { numRuns: 60 },
    );
  });

  it('finds few different counts where one of them cancels: 60/30 · 30/12 for 5 where a stage makes 3 at most', () => {
    const query: CountQuery = {
      ...QUERY,
      ...{ target: rational(5), least: 12, most: 60, stages: [2] },
      stock: [12, 30, 60].map(count => ({ count })),
      stageRatio: { least: rational(1n, 3n), most: rational(3) },
    };
    const few = run(fewestDifferent(query, 1e-9));
    expect([few.different, few.proven]).to.deep.equal([3, true]);
    expect(toFraction(few.best!.ratio)).to.equal('5');
  });

  it('finds as few as plain loops where stages are limited', function () {
    this.timeout(60000);
    fc.assert(
      fc.property(
        fc.integer({ min: 200, max: 6000 }),
        fc.integer({ min: 4, max: 14 }),
        fc.constantFrom(3, 10, 100, 1000),
        fc.constantFrom(1.5, 2, 3),
        fc.boolean(),
        (num, least, parts, steepest, hunting) => {
          const query: CountQuery = {
            ...QUERY,
            ...{ target: rational(num, 1000), least, most: least + 6, stages: [1, 2] },
            stageRatio: {
              least: rational(2n, BigInt(2 * steepest)),
              most: rational(BigInt(2 * steepest), 2n),
            },
            ...(hunting && { hunting: true }),
          };
          const error = rational(1, parts);
          const gcd = (a: number, b: number): number => (b === 0 ? a : gcd(b, a % b));
          const good = everyTrain(query).filter(
            s =>
              compare(errorSize(candidateOf(s).ratio, query.target), error) <= 0 &&
              s.every(x => Math.max(x.driving / x.driven, x.driven / x.driving) <= steepest + 1e-12) &&
              (!hunting || s.every(x => gcd(x.driving, x.driven) === 1)),
          );
          const few = run(fewestDifferent(query, 1 / parts));
          expect(few.different).to.equal(
            good.length > 0 ? Math.min(...good.map(differentCounts)) : undefined,
          );
          expect(few.proven).to.equal(true);
        },
      ),
      { numRuns: 60 },
    );
  });

  it('count an idler where the sense asks for one', () => {
    expect(partsOf(1, 'with the drive')).to.deep.equal({ wheels: 3, arbors: 3 });
    expect(partsOf(2, 'with the drive')).to.deep.equal({ wheels: 4, arbors: 3 });
    expect(partsOf(2, 'either')).to.deep.equal({ wheels: 4, arbors: 3 });
  });

  it('finds few different counts in three stages, each pattern once', () => {
    const few = run(fewestDifferent({ ...QUERY, stages: [3] }, 1e-5));
    expect(few).to.include({ different: 3, proven: true });
    expect(differentCounts(few.best!.stages)).to.equal(3);
    expect(patterns(2, 2)).to.deep.equal([
      [2, -2],
      [1, -1],
    ]);
    expect(patterns(1, 3)).to.deep.equal([[0]]);
  });
});

describe('what a limit costs', () => {
  it('names the limits that kill a search, and what each would allow', () => {
    const query = {
      ...QUERY,
      target: rational(1n, 2n),
      stages: [1],
      stock: [{ count: 20 }, { count: 41 }],
      noPrimes: true,
    };
    const found = run(searchCounts(query));
    expect(found.ok && found.value.top.map(c => toFraction(c.ratio))).to.deep.equal(['1']);
    const relaxed = run(relaxations(query, candidateOf([{ driving: 20, driven: 20 }])));
    expect(relaxed.map(r => r.limit)).to.deep.equal(['stock', 'noPrimes']);
    expect(toFraction(relaxed[0]!.best.ratio)).to.equal('1/2');
    expect(toFraction(relaxed[1]!.best.ratio)).to.equal('20/41');
  });

  it('knows that one stage more, or a wider range, gains; and that an exact train cannot be bettered', () => {
    const best = candidateOf([{ driving: 17, driven: 32 }]);
    const relaxed = run(relaxations({ ...QUERY, stages: [1], most: 40 }, best));
    expect(relaxed[0]!.limit).to.equal('stages');
    expect(relaxed.map(r => r.limit)).to.include('most');
    const half = { ...QUERY, target: rational(1n, 2n), hunting: true };
    expect(run(relaxations(half, candidateOf([{ driving: 12, driven: 24 }])))).to.deep.equal([]);
  });
});
