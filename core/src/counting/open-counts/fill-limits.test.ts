import { expect } from 'chai';
import fc from 'fast-check';
import { arrange } from '../../../test/arrange.ts';
import type { Machine } from '../../document/machine/index.ts';
import { must, type Result } from '../../ground/result/index.ts';
import { rational, type Rational, toNumber } from '../../ground/rational/index.ts';
import { parseStock } from '../search/index.ts';
import { type BlankAim, type BlankGroup, fillBlanks, type FillLimits } from './index.ts';

const open = (m: Machine, ranges: Record<string, readonly [number, number]>): Machine => ({
  ...m,
  wheels: m.wheels.map(w => {
    const range = ranges[w.id];
    return range ? { ...w, teeth: { kind: 'open', least: range[0], most: range[1] } } : w;
  }),
});
const aim = (member: string, target: Rational): BlankAim => ({
  ...{ id: member, member, target, either: true, ground: false },
});
function filled(m: Machine, aims: readonly BlankAim[], limits: FillLimits): Result<BlankGroup[]> {
  const job = fillBlanks(m, aims, 8, limits);
  for (;;) {
    const step = job.next();
    if (step.done) return step.value;
  }
}
const row = (): Machine =>
  arrange(
    { a: {}, b: { at: [60, 0] }, c: { at: [120, 0] } },
    { 'a.u': 20, 'b.v': 40, 'b.w': 15, 'c.x': 45 },
    [
      ['a.u', 'b.v'],
      ['b.w', 'c.x'],
    ],
  );
const planets = (): Machine =>
  arrange(
    {
      sun: {},
      arm: { with: 'sun' },
      ring: { with: 'sun', held: true },
      planet: { frame: 'arm', at: [42, 0], copies: 3 },
    },
    { 'sun.w': 24, 'planet.w': 18, 'ring.ring': 60 },
    [
      ['sun.w', 'planet.w'],
      ['planet.w', 'ring.ring', 'internal'],
    ],
  );

describe('open counts filled from a stock', () => {
  const stockOf = (text: string): FillLimits => ({ stock: must(parseStock(text)) });

  it('come from it alone, no more pieces than there are, none that is ruled out: as plain loops find', () => {
    const range = [10, 60] as const;
    const m = open(row(), { 'a-u': range, 'b-v': range, 'b-w': range, 'c-x': range });
    const counts = fc.uniqueArray(fc.integer({ min: 8, max: 62 }), { minLength: 4, maxLength: 9 });
    const stock = fc.tuple(counts, fc.array(fc.integer({ min: 1, max: 3 }), { minLength: 9, maxLength: 9 }));
    fc.assert(
      fc.property(stock, fc.boolean(), fc.integer({ min: 1, max: 60 }), ([list, pieces], few, num) => {
        const limits: FillLimits = {
          stock: list.map((count, i) => (few ? { count, pieces: pieces[i]! } : { count })),
          forbidden: [list[0]!],
        };
        const may = list.slice(1).filter(n => n >= 10 && n <= 60);
        const have = (n: number): number => (few ? pieces[list.indexOf(n)]! : Infinity);
        const target = rational(BigInt(num), 17n);
        let best = Infinity;
        for (const u of may)
          for (const v of may)
            for (const w of may)
              for (const x of may) {
                const all = [u, v, w, x];
                if (all.some(n => all.filter(k => k === n).length > have(n))) continue;
                best = Math.min(best, Math.abs((u * w) / (v * x) / toNumber(target) - 1));
              }
        const found = filled(m, [aim('c', target)], limits);
        if (!found.ok) {
          expect(best, found.problem.code).to.equal(Infinity);
          return;
        }
        const [first] = found.value[0]!.fills;
        expect(Math.abs(toNumber(first!.worst))).to.be.closeTo(best, 1e-9 * Math.max(1, best));
        expect(found.value[0]!.proven).to.equal(true);
        for (const f of found.value[0]!.fills) {
          const own = Object.values(f.counts);
          expect(own.every(n => may.includes(n))).to.equal(true);
          for (const n of own) expect(own.filter(k => k === n).length).to.be.at.most(have(n));
        }
      }),
      { numRuns: 40 },
    );
  });

  it('take a planet’s wheel as often as there are planets', () => {
    const m = open(planets(), { 'planet-w': [12, 24], 'sun-w': [18, 30], 'ring-ring': [50, 70] });
    const ask = (text: string): Result<BlankGroup[]> =>
      filled(m, [aim('arm', rational(2n, 7n))], stockOf(text));
    expect(must(ask('24, 18, 60'))[0]!.fills[0]!.counts).to.deep.equal({
      'sun-w': 24,
      'planet-w': 18,
      'ring-ring': 60,
    });
    expect(ask('24, 18×2, 60').ok, 'two of 18 for three planets').to.equal(false);
    expect(ask('24, 18×3, 60').ok).to.equal(true);
  });

  it('say which wheel nothing is left for', () => {
    const m = open(row(), { 'a-u': [10, 20], 'b-v': [30, 40] });
    const found = filled(m, [aim('c', rational(1n, 6n))], stockOf('31, 32, 50'));
    expect(found.ok ? '' : found.problem).to.deep.equal({
      code: 'blanks-none-allowed',
      data: { wheel: 'a.u' },
    });
    const never = filled(m, [aim('c', rational(1n, 6n))], {
      forbidden: Array.from({ length: 11 }, (_, i) => 30 + i),
    });
    expect(never.ok ? '' : never.problem.data).to.deep.equal({ wheel: 'b.v' });
  });

  it('hold over one centre distance and for many open counts, too', () => {
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
    const even = Array.from({ length: 45 }, (_, i) => ({ count: 12 + 2 * i }));
    const [group] = must(filled(five, [aim('d', rational(314159n, 100000n))], { stock: even }));
    expect(group!.proven).to.equal(true);
    expect(Object.values(group!.fills[0]!.counts).every(n => n % 2 === 0)).to.equal(true);
    let best = Infinity;
    const e = even.map(s => s.count);
    const products = (n: number): number[] =>
      n === 0 ? [1] : products(n - 1).flatMap(p => e.map(c => p * c));
    const [threes, twos] = [new Set(products(3)), [...new Set(products(2))].sort((a, b) => a - b)];
    for (const p of threes) {
      // p / q / 41 next to the target.
      const want = p / 41 / 3.14159;
      let k = twos.findIndex(q => q >= want);
      if (k < 0) k = twos.length;
      for (const q of [twos[k - 1], twos[k]])
        if (q !== undefined) best = Math.min(best, Math.abs(p / q / 41 / 3.14159 - 1));
    }
    expect(Math.abs(toNumber(group!.fills[0]!.worst))).to.be.closeTo(best, 1e-12);
  });
});
