import { expect } from 'chai';
import fc from 'fast-check';
import {
  compare,
  parseRational,
  type Rational,
  rational,
  toFraction,
  toNumber,
} from '../../ground/rational/index.ts';
import { must, type Result } from '../../ground/result/index.ts';
import {
  byError,
  type Candidate,
  candidateOf,
  type CountLimits,
  type CountQuery,
  errorSize,
  searchCounts,
  type SearchResult,
  type Stage,
} from './index.ts';

function answer(query: CountQuery): Result<SearchResult> {
  const job = searchCounts(query);
  for (let step = job.next(); ; step = job.next()) if (step.done) return step.value;
}
const search = (query: CountQuery): SearchResult => must(answer(query));
const wanted = (text: string): Rational => must(parseRational(text));
const QUERY: CountQuery = {
  target: rational(1n, 2n),
  least: 12,
  most: 100,
  stages: [2],
  coaxial: 'none',
  top: 20,
};

/** Every train within the limits, by plain nested loops over ordered stages: nothing shared with the search. */
function everyTrain(query: CountQuery): Candidate[] {
  const counts = Array.from({ length: query.most - query.least + 1 }, (_, i) => query.least + i).filter(
    n =>
      (!query.stock || query.stock.some(s => s.count === n)) &&
      !query.forbidden?.includes(n) &&
      !(query.noPrimes && [2, 3, 5, 7, 11, 13].every(p => n % p !== 0 || n === p)),
  );
  const within = (n: number, own: { least: number; most: number } | undefined): boolean =>
    !own || (n >= own.least && n <= own.most);
  const trains: Candidate[] = [];
  for (const k of query.stages) {
    if (query.coaxial !== 'none' && k % 2 === 1) continue;
    let rows: Stage[][] = [[]];
    for (let i = 0; i < k; i++) {
      const own = query.positions?.[i];
      const stages = counts
        .flatMap(driving => counts.map(driven => ({ driving, driven })))
        .filter(s => within(s.driving, own?.driving) && within(s.driven, own?.driven));
      rows = rows.flatMap(row => stages.map(s => [...row, s]));
    }
    trains.push(
      ...rows
        .filter(row => allowed(query, row))
        .map(candidateOf)
        .filter(c => onSide(query, c)),
    );
  }
  return trains;
}

const onSide = ({ side, target }: CountQuery, { ratio }: Candidate): boolean =>
  !side || (side === 'below' ? compare(ratio, target) <= 0 : compare(ratio, target) >= 0);

function allowed(query: CountQuery, stages: Stage[]): boolean {
  const gcd = (a: number, b: number): number => (b === 0 ? a : gcd(b, a % b));
  const all = stages.flatMap(s => [s.driving, s.driven]);
  const module = (i: number): number =>
    toNumber(query.modules?.[Math.min(i, query.modules.length - 1)] ?? rational(1n));
  const sums = stages.map((s, i) => module(i) * (s.driving + s.driven));
  const { stageRatio: r, exactTotal: total, centre, reach } = query;
  const given = (at: number, side: keyof Stage): boolean => {
    const own = query.positions?.[at]?.[side];
    return own !== undefined && own.least === own.most;
  };
  const taken = stages.flatMap((s, i) =>
    (['driving', 'driven'] as const).flatMap(side => (given(i, side) ? [] : [s[side]])),
  );
  return (
    (!query.hunting || stages.every(s => gcd(s.driving, s.driven) === 1)) &&
    (!r ||
      stages.every(
        s => s.driving / s.driven >= toNumber(r.least) && s.driving / s.driven <= toNumber(r.most),
      )) &&
    (total === undefined || all.reduce((a, b) => a + b, 0) === total) &&
    (!centre || sums.every(s => Math.abs(s / 2 - centre.distance) <= centre.within)) &&
    (reach === undefined || sums.reduce((a, b) => a + b / 2, 0) <= reach) &&
    (!query.alike || new Set(stages.map(s => s[query.alike!])).size === 1) &&
    (query.stock ?? []).every(s => taken.filter(n => n === s.count).length <= (s.pieces ?? Infinity)) &&
    (query.coaxial !== 'equal sums' || sums.every((s, i) => i % 2 === 1 || s === sums[i + 1])) &&
    (query.coaxial !== 'idler' || sums[0]! - sums[1]! >= 6 * module(1))
  );
}

function bruteForce(query: CountQuery): { top: [string, number][]; front: [string, number][] } {
  const best = new Map<string, Candidate>();
  for (const c of everyTrain(query)) {
    const known = best.get(toFraction(c.ratio));
    if (!known || c.total < known.total) best.set(toFraction(c.ratio), c);
  }
  const sorted = [...best.values()].sort(byError(query.target));
  const byTotal = [...best.values()].sort((a, b) => a.total - b.total || byError(query.target)(a, b));
  const front: Candidate[] = [];
  for (const c of byTotal) {
    const last = front[front.length - 1];
    if (!last || compare(errorSize(c.ratio, query.target), errorSize(last.ratio, query.target)) < 0)
      front.push(c);
  }
  return { top: short(sorted.slice(0, query.top)), front: short(front) };
}

const short = (list: readonly Candidate[]): [string, number][] =>
  list.map(c => [toFraction(c.ratio), c.total]);

/** Holds the search against plain loops: both lists, and that every train listed is really allowed. */
function agrees(query: CountQuery): boolean {
  const found = answer(query);
  if (!found.ok) {
    expect(everyTrain(query), `refused: ${found.problem.code}`).to.have.length(0);
    return true;
  }
  if (found.value.outOfReach) return true;
  const expected = bruteForce(query);
  expect(short(found.value.top)).to.deep.equal(expected.top);
  const { front } = found.value.covered;
  const within = ([ratio]: [string, number]): boolean =>
    toNumber(errorSize(wanted(ratio), query.target)) <= front;
  expect(short(found.value.front)).to.deep.equal(expected.front.filter(within));
  for (const c of [...found.value.top, ...found.value.front]) {
    expect(allowed(query, [...c.stages]), JSON.stringify(c.stages)).to.equal(true);
    expect(candidateOf(c.stages)).to.deep.equal({ ...c });
  }
  expect(found.value.proven).to.equal(true);
  return true;
}

const count = fc.integer({ min: 4, max: 19 });
const base = fc.record({
  num: fc.integer({ min: 1, max: 3000 }),
  den: fc.integer({ min: 1, max: 3000 }),
  least: fc.integer({ min: 4, max: 14 }),
  span: fc.integer({ min: 0, max: 6 }),
  stages: fc.constantFrom<number[][]>([1], [2], [1, 2], [3], [1, 2, 3]) as fc.Arbitrary<number[]>,
});
const limits: fc.Arbitrary<Partial<CountQuery>> = fc.oneof(
  fc.constant({}),
  fc.constantFrom<Partial<CountQuery>[]>(
    { hunting: true },
    { noPrimes: true },
    { side: 'below' },
    { side: 'above', hunting: true },
    { alike: 'driven' },
    { alike: 'driving' },
    { stages: [2], coaxial: 'equal sums' },
    { stages: [2], coaxial: 'idler' },
    { stages: [1, 2], coaxial: 'equal sums', modules: [rational(1n), rational(5n, 4n)] },
    { stages: [2], coaxial: 'idler', modules: [rational(5n, 4n), rational(1n)] },
    { modules: [rational(2n)], centre: { distance: 24, within: 1 } },
    { modules: [rational(1n), rational(3n, 2n)], reach: 33 },
  ) as fc.Arbitrary<Partial<CountQuery>>,
  fc.array(count, { maxLength: 3 }).map(forbidden => ({ forbidden })),
  fc.integer({ min: 20, max: 80 }).map(exactTotal => ({ exactTotal })),
  fc
    .uniqueArray(fc.tuple(count, fc.option(fc.integer({ min: 1, max: 3 }), { nil: undefined })), {
      minLength: 2,
      maxLength: 6,
      selector: ([n]) => n,
    })
    .map(list => ({
      stock: list.map(([n, pieces]) => ({ count: n, ...(pieces !== undefined && { pieces }) })),
    })),
  fc.tuple(fc.integer({ min: 1, max: 9 }), fc.integer({ min: 1, max: 9 })).map(([a, b]) => ({
    stageRatio: { least: rational(Math.min(a, b), 9), most: rational(Math.max(a, b) + 3, 9) },
  })),
  fc.tuple(count, count, count).map(([a, b, c]) => ({
    positions: [
      { driving: { least: a, most: a } },
      { driven: { least: Math.min(b, c), most: Math.max(b, c) } },
    ],
  })),
);

describe('count search', () => {
  it('gives the same front and the same best as plain nested loops, whatever the limits', function () {
    this.timeout(60000);
    fc.assert(
      fc.property(base, limits, ({ num, den, least, span, stages }, more) => {
        const narrow = stages.includes(3) ? Math.min(span, 4) : span;
        const query = {
          ...QUERY,
          target: rational(num, den),
          least,
          most: least + narrow,
          stages,
          top: 12,
          ...more,
        };
        if (more.positions || more.stock) Object.assign(query, { least: 4, most: 19, stages: [1, 2] });
        return agrees(query);
      }),
      { numRuns: 300 },
    );
  });

  it('gives the same as plain loops for four stages', function () {
    this.timeout(60000);
    fc.assert(
      fc.property(base, fc.constantFrom('none' as const, 'equal sums' as const), (b, coaxial) =>
        agrees({
          ...QUERY,
          target: rational(b.num, b.den),
          least: b.least,
          most: b.least + (b.span % 3),
          stages: [4],
          top: 9,
          coaxial,
        }),
      ),
      { numRuns: 40 },
    );
  });

  it('finds 41·61/(56·84) for Mars against a year, −0.0324 ppm (conventions 1 and 2)', () => {
    const { top } = search({ ...QUERY, target: wanted('0.5316751872932182') });
    expect(toFraction(top[0]!.ratio)).to.equal('2501/4704');
    expect(top[0]!.total).to.equal(242);
    const counts = top[0]!.stages.flatMap(s => [s.driving, s.driven]).sort((a, b) => a - b);
    expect(counts).to.deep.equal([41, 56, 61, 84]);
  });

  it('returns the golden ratio to its centre at modules 1 and 1.25 (conventions 5)', () => {
    const { top } = search({
      ...QUERY,
      target: wanted('1.618033988749894848204586834365638117720309179805762862135'),
      coaxial: 'equal sums',
      modules: [rational(1n), rational(5n, 4n)],
    });
    expect(top[0]!.stages).to.deep.equal([
      { driving: 91, driven: 74 },
      { driving: 75, driven: 57 },
    ]);
  });

  it('finds published trains, or better ones of fewer teeth', () => {
    const trains: [string, number[], string][] = [
      ['254/19', [64, 38, 48, 24, 127, 32], 'the Moon, Freeth et al., Nature 444, 2006'],
      ['5/19', [64, 38, 53, 96, 15, 53], 'Metonic, Freeth et al., Nature 444, 2006'],
      ['1/12', [12, 36, 10, 40], 'motion work, common practice, no source'],
    ];
    for (const [ratio, counts, source] of trains) {
      const stages = counts.length / 2;
      const { top } = search({
        ...QUERY,
        target: wanted(ratio),
        least: 10,
        most: 130,
        stages: [stages],
        top: 3,
      });
      expect(toFraction(top[0]!.ratio), source).to.equal(ratio);
      expect(top[0]!.total, source).to.be.at.most(counts.reduce((a, b) => a + b, 0));
    }
  });

  it('reaches the five-stage ratio of the Saros dial in two (Freeth et al., Nature 444, 2006)', () => {
    const ratio = [
      [64, 38],
      [53, 96],
      [27, 223],
      [188, 53],
      [30, 54],
    ].reduce((r, [a, b]) => rational(r.num * BigInt(a!), r.den * BigInt(b!)), rational(1n));
    expect(toFraction(ratio)).to.equal('940/4237');
    const { top } = search({ ...QUERY, target: ratio, least: 12, most: 223, stages: [2], top: 1 });
    expect(toFraction(top[0]!.ratio), '4237 = 19 · 223, 940 = 20 · 47: two stages suffice').to.equal(
      '940/4237',
    );
    expect(top[0]!.stages.some(s => s.driven % 223 === 0)).to.equal(true);
  });

  it('gives Huygens’s 206/7 for Saturn in one stage (Descriptio automati planetarii, 1703)', () => {
    const { top } = search({ ...QUERY, target: wanted('29.43'), least: 7, most: 210, stages: [1], top: 3 });
    expect(toFraction(top[0]!.ratio)).to.equal('206/7');
  });

  it('lists the nearest of an unreachable rate, and names the reach', () => {
    for (const [text, side] of [
      ['1000000000000', 'above'],
      ['1/1000000000000', 'below'],
      [`1${'0'.repeat(390)}`, 'above'],
    ] as const) {
      const query = { ...QUERY, target: wanted(text), stages: [1, 2], least: 10, most: 20 };
      const found = search(query);
      expect(found.outOfReach).to.equal(side);
      expect(toFraction(found.reach.most)).to.equal('4');
      expect(short(found.top).slice(0, 5)).to.deep.equal(bruteForce({ ...query, top: 5 }).top);
    }
  });

  it('knows its reach exactly, at the bound', () => {
    const q = { ...QUERY, stages: [1, 2], least: 10, most: 40 };
    const side = (text: string): string | undefined => search({ ...q, target: wanted(text) }).outOfReach;
    expect(side('16')).to.equal(undefined);
    expect(side('16.000000000000000000000000001')).to.equal('above');
    expect(side('0.0625')).to.equal(undefined);
    expect(side('0.0624999999999999999999999999')).to.equal('below');
  });

  it('orders ratios that a double cannot tell apart', () => {
    const root2 = wanted('1.41421356237309504880168872420969807856967187537694');
    for (const stages of [[2], [3]]) {
      const { top } = search({ ...QUERY, target: root2, stages });
      const order = byError(root2);
      for (let i = 1; i < top.length; i++) expect(order(top[i - 1]!, top[i]!)).to.be.below(0);
      const mirror = (r: Rational): string => toFraction(rational(2n * r.den, r.num));
      const names = top.map(c => toFraction(c.ratio));
      const pairs = top.filter(c => names.includes(mirror(c.ratio)));
      expect(pairs.length, 'mirror pairs x and 2/x are among the best').to.be.greaterThan(1);
    }
  });

  it('agrees with itself when the products are too many to be held at once', function () {
    this.timeout(60000);
    const query = { ...QUERY, target: wanted('0.2408467'), stages: [3], top: 5, front: false };
    const many = search({ ...query, least: 12, most: 400 });
    const fewer = search({ ...query, least: 12, most: 300 });
    expect(many.proven && fewer.proven).to.equal(true);
    const order = byError(query.target);
    expect(order(many.top[0]!, fewer.top[0]!), 'wider limits are never worse').to.be.at.most(0);
    const cut = fewer.top.filter(c => order(c, many.top[4]!) <= 0).map(c => toFraction(c.ratio));
    expect(many.top.map(c => toFraction(c.ratio))).to.include.members(cut);
  });

  it('says which limit forbids a search', () => {
    const code = (change: Partial<CountQuery>): string | undefined => {
      const found = answer({ ...QUERY, ...change });
      return found.ok ? undefined : found.problem.code;
    };
    expect(code({ least: 50, most: 20 })).to.equal('limits-reversed');
    expect(code({ least: 1 })).to.equal('limit-too-small');
    expect(code({ most: 5000 })).to.equal('limit-too-large');
    expect(code({ least: 12.5 })).to.equal('limits-not-whole');
    expect(code({ stages: [] })).to.equal('no-stages');
    expect(code({ stages: [5] })).to.equal('stages-not-searched');
    expect(code({ stages: [1], coaxial: 'equal sums' })).to.equal('coaxial-needs-two');
    expect(code({ target: rational(0n) })).to.equal('ratio-zero');
    expect(code({ target: rational(-1n) })).to.equal('ratio-negative');
    expect(code({ least: 20, most: 21, coaxial: 'idler' })).to.equal('idler-no-room');
    expect(code({ stock: [{ count: 20 }, { count: 20 }] })).to.equal('stock-twice');
    expect(code({ stock: [{ count: 20.5 }] })).to.equal('stock-not-a-count');
    expect(code({ stock: [{ count: 300 }] })).to.equal('no-count-left');
    expect(code({ largestOutside: 10 })).to.equal('module-needed');
    expect(code({ largestOutside: 10, modules: [rational(2n)] })).to.equal('no-count-left');
    expect(code({ stageRatio: { least: rational(2n), most: rational(1n) } })).to.equal(
      'stage-ratio-reversed',
    );
    expect(code({ positions: [{ driven: { least: 30, most: 20 } }] })).to.equal('limits-reversed');
    expect(code({})).to.equal(undefined);
  });

  it('takes no piece from the stock for a wheel that is given', () => {
    const stock = [{ count: 20, pieces: 1 }, { count: 40 }, { count: 60 }];
    const given = { positions: [{ driving: { least: 20, most: 20 } }] };
    const query = { ...QUERY, target: rational(1n, 6n), least: 12, most: 60, stages: [2], stock };
    const best = search({ ...query, ...given }).top[0]!;
    expect(best.stages).to.deep.equal([
      { driving: 20, driven: 40 },
      { driving: 20, driven: 60 },
    ]);
    expect(toFraction(search(query).top[0]!.ratio), 'with one piece alone').to.not.equal('1/6');
  });

  it('knows the room that given wheels leave an idler', () => {
    const query = { ...QUERY, target: rational(1n), least: 20, most: 21, stages: [2] } as const;
    const sum = (driving: number, driven: number): { driving: CountLimits; driven: CountLimits } => ({
      driving: { least: driving, most: driving },
      driven: { least: driven, most: driven },
    });
    const found = answer({ ...query, coaxial: 'idler', positions: [sum(40, 42)] });
    expect(must(found).top[0]!.stages[0]).to.deep.equal({ driving: 40, driven: 42 });
    const none = answer({ ...query, least: 12, most: 100, coaxial: 'idler', positions: [sum(12, 12)] });
    expect(none.ok ? undefined : none.problem.code, 'nothing is smaller than 12 and 12').to.equal(
      'idler-no-room',
    );
  });

  it('answers at once for a total that leaves few counts, whatever the limits', () => {
    const query = { ...QUERY, target: wanted('0.3245'), exactTotal: 75, least: 12, most: 100, stages: [3] };
    const { top, proven } = search(query);
    expect(proven).to.equal(true);
    expect(new Set(top.map(c => c.total))).to.deep.equal(new Set([75]));
    expect(short(top)).to.deep.equal(short(search({ ...query, most: 15 }).top));
    const four = search({ ...query, exactTotal: 100, least: 8, most: 1000, stages: [4] });
    expect(four.proven).to.equal(true);
    const six = { driving: { least: 30, most: 30 }, driven: { least: 12, most: 40 } };
    const off = answer({
      ...query,
      exactTotal: 60,
      stages: [1],
      positions: [{ ...six, driving: { least: 12, most: 12 } }],
    });
    expect(off.ok ? undefined : off.problem.code).to.equal('total-out-of-range');
  });

  it('reports rising progress, streams what it has, and gives the same answer twice', () => {
    const query = { ...QUERY, stages: [2, 3] };
    const job = searchCounts(query);
    let last = 0;
    let step = job.next();
    for (; !step.done; step = job.next()) {
      expect(step.value.done).to.be.at.least(last).and.at.most(1);
      last = step.value.done;
    }
    expect(short(must(step.value).front)).to.deep.equal(short(search(query).front));
  });

  for (const alike of ['driving', 'driven'] as const)
    it(`finds no worse among more counts: four stages with all ${alike} alike, and every row has its wheels`, () => {
      const target = wanted('0.0053357');
      const errors = [116, 127].map(counts => {
        const found = answer({ ...QUERY, target, least: 12, most: 11 + counts, stages: [4], alike });
        if (!found.ok) throw new Error(found.problem.code);
        const { top, proven } = found.value;
        expect(proven).to.equal(true);
        for (const c of top) {
          expect(c.stages, 'no row without wheels').to.have.length(4);
          expect(new Set(c.stages.map(s => s[alike])).size).to.equal(1);
        }
        return toNumber(errorSize(top[0]!.ratio, target));
      });
      for (const [i, e] of errors.entries()) if (i > 0) expect(e).to.be.at.most(errors[i - 1]!);
      // The best of all fourth powers against all products of four is far within a part in a million.
      expect(errors[0]).to.be.below(1e-6);
    }).timeout(60000);
});
