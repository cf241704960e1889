import { expect } from 'chai';
import fc from 'fast-check';
import { arrange } from '../../../test/arrange.ts';
import { byId, circleCount, type Machine, newAim, newMachine } from '../../document/machine/index.ts';
import { must, type Result } from '../../ground/result/index.ts';
import { plantBranches } from '../../edits/planting/index.ts';
import { type BranchQuery, searchBranches } from '../branches/index.ts';
import {
  compare,
  div,
  ONE,
  parseRational,
  rational,
  toFraction,
  toNumber,
  type Rational,
} from '../../ground/rational/index.ts';
import { trainRates } from '../../trains/train/index.ts';
import { sayProblem } from '../../files/words/index.ts';
import {
  type BlankAim,
  type BlankGroup,
  blanksOf,
  blankSystem,
  fillBlanks,
  solveRules,
  sumRules,
  withCounts,
} from './index.ts';

const open = (m: Machine, ranges: Record<string, readonly [number, number]>): Machine => ({
  ...m,
  wheels: m.wheels.map(w => {
    const range = ranges[w.id];
    return range ? { ...w, teeth: { kind: 'open', least: range[0], most: range[1] } } : w;
  }),
});
const groups = (m: Machine, aims: readonly BlankAim[], top = 5): Result<BlankGroup[]> => {
  const job = fillBlanks(m, aims, top);
  let last = 0;
  for (let step = job.next(); ; step = job.next()) {
    if (step.done) return step.value;
    expect(step.value.done).to.be.at.least(last).and.at.most(1);
    last = step.value.done;
  }
};
/** The only group of outputs. */
const run = (m: Machine, aims: readonly BlankAim[], top = 5): Result<BlankGroup> => {
  const found = groups(m, aims, top);
  if (!found.ok) return found;
  expect(found.value).to.have.length(1);
  return { ok: true, value: found.value[0]! };
};
const code = (r: Result<unknown>): string => {
  if (!r.ok) expect(sayProblem(r.problem).length).to.be.greaterThan(20);
  return r.ok ? 'ok' : r.problem.code;
};
const aim = (member: string, target: Rational, either = true): BlankAim => ({
  id: `to ${member}`,
  member,
  target,
  either,
  ground: false,
});
/** a 20 : b 40, b 15 : c 45, all on lines of their own. */
const row = (): Machine =>
  arrange(
    { a: {}, b: { at: [60, 0] }, c: { at: [120, 0] } },
    { 'a.u': 20, 'b.v': 40, 'b.w': 15, 'c.x': 45 },
    [
      ['a.u', 'b.v'],
      ['b.w', 'c.x'],
    ],
  );
const set = (planets = 3): Machine =>
  arrange(
    {
      sun: {},
      arm: { with: 'sun' },
      ring: { with: 'sun', held: true },
      planet: { frame: 'arm', at: [42, 0], copies: planets },
    },
    { 'sun.w': 24, 'planet.w': 18, 'ring.ring': 60 },
    [
      ['sun.w', 'planet.w'],
      ['planet.w', 'ring.ring', 'internal'],
    ],
  );

describe('blanks filled towards an output', () => {
  it('find the published best counts of a row: 2501/4704 for Mars within 12…100 (conventions 1)', () => {
    const blank = open(row(), { 'a-u': [12, 100], 'b-v': [12, 100], 'b-w': [12, 100], 'c-x': [12, 100] });
    const target = rational(10000000n, 18808476n);
    const found = must(run(blank, [aim('c', target)]));
    expect(found.proven).to.equal(true);
    expect(Math.abs(toNumber(found.fills[0]!.worst)) * 1e6).to.be.below(0.0325);
    const filled = withCounts(blank, found.fills[0]!.counts);
    expect(blanksOf(filled)).to.deep.equal([]);
    expect(toFraction(trainRates(filled).rates['c']!)).to.equal(toFraction(found.fills[0]!.rates['to c']!));
  });

  it('find the best of five counts from 12 to 100, as plain loops over four of them do', function () {
    this.timeout(60000);
    const m = arrange(
      { a: {}, b: { at: [60, 0] }, c: { at: [120, 0] }, d: { at: [180, 0] } },
      { 'a.u': 20, 'b.v': 40, 'b.w': 15, 'c.x': 45, 'c.y': 30, 'd.z': 41 },
      [
        ['a.u', 'b.v'],
        ['b.w', 'c.x'],
        ['c.y', 'd.z'],
      ],
    );
    const range = [12, 100] as const;
    const five = open(m, { 'a-u': range, 'b-v': range, 'b-w': range, 'c-x': range, 'c-y': range });
    const target = rational(314159265n, 1000000000n);
    const { fills, proven, whole } = must(run(five, [aim('d', target)]));
    expect([proven, whole]).to.deep.equal([true, false]);
    const t = toNumber(target);
    let best = Infinity;
    for (let u = 12; u <= 100; u++)
      for (let w = u; w <= 100; w++)
        for (let y = w; y <= 100; y++)
          for (let v = 12; v <= 100; v++) {
            const x = (u * w * y) / (41 * v * t);
            for (const n of [Math.floor(x), Math.ceil(x)])
              if (n >= 12 && n <= 100) best = Math.min(best, Math.abs((u * w * y) / (41 * v * n) / t - 1));
          }
    expect(toNumber(fills[0]!.worst) / best).to.be.closeTo(1, 1e-6);
    expect(fills.map(f => toNumber(f.worst))).to.deep.equal(
      fills.map(f => toNumber(f.worst)).sort((p, q) => p - q),
    );
    const filled = withCounts(five, fills[0]!.counts);
    expect(toFraction(trainRates(filled).rates['d']!)).to.equal(toFraction(fills[0]!.rates['to d']!));
  });

  it('fill four moons’ loose pairs as well as the plan of the whole machine, at one centre distance', function () {
    this.timeout(60000);
    // Mean periods of Jupiter's four large moons in days: NASA/JPL, planetary satellite mean elements (from memory).
    const rates = ['1.769137786', '3.551181041', '7.15455296', '16.6890184'].map(p =>
      div(ONE, must(parseRational(p))),
    );
    const base = newMachine('moons');
    const aims = rates.map((rate, i) => ({ ...newAim(base, `moon ${i}`, toFraction(rate)), id: `m${i}` }));
    const query: BranchQuery = {
      outputs: rates.map((rate, i) => ({ id: `m${i}`, rate })),
      ...{ drive: 'given', school: 'loose pairs', objective: 'worst error' },
      ...{ least: 12, most: 120, leastSum: 60, mostSum: 160 },
    };
    const job = searchBranches(query);
    let step = job.next();
    while (!step.done) step = job.next();
    const plan = must(step.value).plan!;
    const branches = plan.branches.map(b => ({ aim: b.output, stages: b.stages }));
    const planted = plantBranches({ ...base, aims }, { school: 'loose pairs', module: 1, branches });
    const range = [12, 120] as const;
    const blank = open(planted, Object.fromEntries(planted.wheels.map(w => [w.id, range])));
    const wanted = planted.aims.map(a => aim(a.member!, rates[Number(a.id.slice(1))]!));
    const { fills, proven } = must(run(blank, wanted, 3));
    expect(proven).to.equal(true);
    const [first] = fills;
    expect(compare(first!.worst, plan.worst), 'sums beyond 160 may do better').to.be.at.most(0);
    const filled = withCounts(blank, first!.counts);
    const sums = new Set(
      filled.joints.flatMap(j =>
        j.kind === 'mesh' ? [[j.a, j.b].reduce((n, w) => n + circleCount(byId(filled.wheels, w)!)!, 0)] : [],
      ),
    );
    expect(sums.size, 'one centre distance').to.equal(1);
    for (const a of wanted)
      expect(toFraction(trainRates(filled).rates[a.member]!)).to.equal(toFraction(first!.rates[a.id]!));
  });

  it('keep given wheels, and find what one blank must be', () => {
    const found = must(run(open(row(), { 'b-v': [12, 90] }), [aim('c', rational(1, 12))]));
    expect(found.fills[0]!.counts).to.deep.equal({ 'b-v': 80 });
    expect(toFraction(found.fills[0]!.worst)).to.equal('0');
  });

  it('list the ways in order where all are weighed: one blank for 20.6, both its neighbours and theirs', () => {
    // 15/45 of what b turns: the blank for 20.6 is 21, then 20, 22, 19, 23.
    const m = row();
    const target = rational(20n * 15n * 10n, 206n * 45n);
    const found = must(run(open(m, { 'b-v': [12, 120] }), [aim('c', target)], 5));
    expect(found.whole).to.equal(true);
    expect(found.fills.map(f => f.counts['b-v'])).to.deep.equal([21, 20, 22, 19, 23]);
  });

  it('keep equal sums where meshes stand between the same two lines', () => {
    const folded = arrange(
      { a: {}, b: { at: [60, 0] }, c: { with: 'a' } },
      { 'a.u': 20, 'b.v': 40, 'b.w': 15, 'c.x': 45 },
      [
        ['a.u', 'b.v'],
        ['b.w', 'c.x'],
      ],
    );
    const blank = open(folded, { 'a-u': [8, 60], 'b-v': [8, 60], 'b-w': [8, 60], 'c-x': [8, 60] });
    const target = rational(2, 15);
    const found = must(run(blank, [aim('c', target)], 8));
    for (const f of found.fills)
      expect(f.counts['a-u']! + f.counts['b-v']!).to.equal(f.counts['b-w']! + f.counts['c-x']!);
    let best = Infinity;
    for (let a = 8; a <= 60; a++)
      for (let b = 8; b <= 60; b++)
        for (let c = 8; c <= 60; c++) {
          const d = a + b - c;
          if (d < 8 || d > 60) continue;
          best = Math.min(best, Math.abs((a * c) / (b * d) / toNumber(target) - 1));
        }
    expect(toNumber(found.fills[0]!.worst)).to.be.closeTo(best, 1e-12);
  });

  it('go through a planetary set: ring = sun + 2 · planet is kept, and three planets go together', () => {
    const blank = open(set(), { 'sun-w': [12, 60], 'planet-w': [12, 60], 'ring-ring': [36, 120] });
    const found = must(run(blank, [aim('arm', rational(3, 17), false)], 6));
    for (const f of found.fills) {
      const [s, p, r] = ['sun-w', 'planet-w', 'ring-ring'].map(w => f.counts[w]!) as [number, number, number];
      expect(r).to.equal(s + 2 * p);
      expect((s + r) % 3).to.equal(0);
      expect(toFraction(f.rates['to arm']!)).to.equal(toFraction(rational(s, s + r)));
    }
    let best = Infinity;
    for (let s = 12; s <= 60; s++)
      for (let p = 12; p <= 60; p++)
        if (s + 2 * p <= 120 && (2 * (s + p)) % 3 === 0)
          best = Math.min(best, Math.abs((s / (2 * (s + p)) / 3) * 17 - 1));
    expect(toNumber(found.fills[0]!.worst)).to.be.closeTo(best, 1e-12);
  });

  it('go relative to an arm: a bird over a fixed wheel', () => {
    const m = arrange(
      { arm: {}, fixed: { with: 'arm', held: true }, bird: { frame: 'arm', at: [60, 0] } },
      { 'fixed.w': 36, 'bird.w': 18 },
      [['fixed.w', 'bird.w']],
    );
    const found = must(
      run(open(m, { 'fixed-w': [12, 40], 'bird-w': [12, 40] }), [aim('bird', rational(5, 3), false)]),
    );
    expect(toFraction(found.fills[0]!.rates['to bird']!)).to.equal('5/3');
    expect(found.fills[0]!.total, 'the smallest that gives it').to.equal(20 + 12);
    const grounded = { ...aim('bird', rational(5, 3), false), ground: true };
    const seen = must(run(open(m, { 'fixed-w': [12, 40], 'bird-w': [12, 40] }), [grounded]));
    expect(seen.fills[0]!.counts, '1 + 12/18 against the ground').to.deep.equal({
      'fixed-w': 12,
      'bird-w': 18,
    });
  });

  it('weigh several outputs together where they share a blank', () => {
    const m = arrange(
      { a: {}, lay: { at: [60, 0] }, one: { at: [120, 0] }, two: { at: [60, 60] } },
      { 'a.u': 20, 'lay.v': 40, 'lay.w': 15, 'one.x': 45, 'two.y': 30 },
      [
        ['a.u', 'lay.v'],
        ['lay.w', 'one.x'],
        ['lay.w', 'two.y'],
      ],
    );
    const blank = open(m, { 'lay-w': [10, 24], 'one-x': [20, 60], 'two-y': [20, 60] });
    const found = must(run(blank, [aim('one', rational(1, 5)), aim('two', rational(2, 7))], 3));
    const { counts, worst } = found.fills[0]!;
    expect(toFraction(worst)).to.equal('0');
    expect(counts['lay-w']! * 5, '20/40 · w/x = 1/5').to.equal(counts['one-x']! * 2);
    expect(counts['lay-w']! * 7, '20/40 · w/y = 2/7').to.equal(counts['two-y']! * 4);
  });

  it('fill outputs apart that share no blank, and leave out those that none bears on', () => {
    const m = arrange(
      { a: {}, one: { at: [60, 0] }, two: { at: [-60, 0] }, three: { at: [0, 60] } },
      { 'a.u': 20, 'one.x': 45, 'a.v': 30, 'two.y': 30, 'a.w': 30, 'three.z': 60 },
      [
        ['a.u', 'one.x'],
        ['a.v', 'two.y'],
        ['a.w', 'three.z'],
      ],
    );
    const wide = [8, 900] as const;
    const blank = open(m, { 'a-u': wide, 'one-x': wide, 'a-v': wide, 'two-y': wide });
    const aims = [aim('one', rational(3, 7)), aim('two', rational(22, 7)), aim('three', rational(1, 2))];
    const found = must(groups(blank, aims, 2));
    expect(found.map(g => g.aims)).to.deep.equal([['to one'], ['to two']]);
    expect(found.map(g => toFraction(g.fills[0]!.worst))).to.deep.equal(['0', '0']);
    expect(found.map(g => g.wheels)).to.deep.equal([
      ['a-u', 'one-x'],
      ['a-v', 'two-y'],
    ]);
  });

  it('agree with trying every count, on small trains of any shape', () => {
    const range = fc.integer({ min: 8, max: 14 });
    fc.assert(
      fc.property(
        range,
        range,
        fc.integer({ min: 1, max: 9 }),
        fc.integer({ min: 2, max: 20 }),
        (lo, hi, p, q) => {
          const least = Math.min(lo, hi);
          const most = Math.max(lo, hi) + 4;
          const target = rational(p, q);
          const blank = open(row(), { 'a-u': [least, most], 'b-v': [least, most], 'c-x': [least, most] });
          const found = must(run(blank, [aim('c', target)], 1));
          let best = Infinity;
          for (let a = least; a <= most; a++)
            for (let b = least; b <= most; b++)
              for (let x = least; x <= most; x++)
                best = Math.min(best, Math.abs((a * 15) / (b * x) / toNumber(target) - 1));
          expect(toNumber(found.fills[0]!.worst)).to.be.closeTo(best, 1e-9);
        },
      ),
      { numRuns: 40 },
    );
  });

  it('say what stands in the way', () => {
    const blank = open(row(), { 'b-v': [12, 90] });
    expect(code(run(row(), [aim('c', rational(1, 12))]))).to.equal('blanks-none');
    expect(code(run(blank, []))).to.equal('blanks-no-aim');
    expect(code(run(open(row(), { 'c-x': [12, 90] }), [aim('b', rational(1, 2))]))).to.equal(
      'blanks-no-bearing',
    );
    expect(code(run(open(row(), { 'b-v': [90, 12] }), [aim('c', rational(1, 2))]))).to.equal(
      'limits-reversed',
    );
    const two = open(row(), { 'a-u': [12, 90], 'b-v': [12, 90], 'b-w': [12, 90], 'c-x': [12, 90] });
    expect(code(run(two, [aim('c', rational(-1, 12), false)])), 'two meshes keep the sense').to.equal(
      'blanks-sense',
    );
    const wide = open(set(), { 'sun-w': [4, 100000], 'planet-w': [4, 100000], 'ring-ring': [4, 100000] });
    expect(code(run(wide, [aim('arm', rational(1, 12))]))).to.equal('blanks-too-many');
    const narrow = open(set(), { 'sun-w': [24, 24], 'ring-ring': [65, 65] });
    expect(code(run(narrow, [aim('arm', rational(1, 3))])), 'an odd difference has no planet').to.equal(
      'blanks-nothing',
    );
  });
});

describe('rules of sums', () => {
  it('of a planetary set: ring − planet = sun + planet, and one count follows', () => {
    const blank = open(set(), { 'sun-w': [4, 99], 'planet-w': [4, 99], 'ring-ring': [4, 99] });
    const rules = sumRules(blank, blanksOf(blank));
    expect(rules).to.have.length(1);
    const solved = solveRules(rules, [0, 1, 2])!;
    expect(solved.chosen).to.deep.equal([0, 1]);
    const [ring] = solved.follow;
    expect([
      ring!.blank,
      toFraction(ring!.constant),
      toFraction(ring!.by.get(0)!),
      toFraction(ring!.by.get(1)!),
    ]).to.deep.equal([2, '0', '1', '2']);
  });

  it('that contradict are refused', () => {
    const one = rational(1);
    expect(
      solveRules(
        [
          { terms: new Map([[0, one]]), total: one },
          { terms: new Map([[0, one]]), total: rational(2) },
        ],
        [0],
      ),
    ).to.equal(undefined);
  });
});

describe('the small system behind it', () => {
  it('gives the rate of the whole solver for any counts', () => {
    const blank = open(set(), { 'sun-w': [8, 60], 'ring-ring': [40, 120] });
    const rate = blankSystem(blank).rateOf('arm');
    const planet = blankSystem(blank).rateOf('planet');
    fc.assert(
      fc.property(fc.integer({ min: 8, max: 60 }), fc.integer({ min: 40, max: 120 }), (s, r) => {
        const filled = withCounts(blank, { 'sun-w': s, 'ring-ring': r });
        const exact = trainRates(filled).rates;
        expect(rate([s, r])).to.be.closeTo(toNumber(exact['arm']!), 1e-12);
        expect(planet([s, r])).to.be.closeTo(toNumber(exact['planet']!), 1e-11);
      }),
    );
    expect(byId(blank.wheels, 'sun-w')!.teeth.kind).to.equal('open');
  });
});
