import { expect } from 'chai';
import fc from 'fast-check';
import { factorings } from './factorings.ts';
import { type Products, productsBySum, productsOf } from './products.ts';

function made(job: Generator<unknown, Products>): [number, number][] {
  let step = job.next();
  while (!step.done) step = job.next();
  const { values, sums } = step.value;
  return Array.from(values, (v, i) => [v, sums[i]!]);
}
const range = (from: number, to: number): number[] =>
  Array.from({ length: to - from + 1 }, (_, i) => from + i);

/** Every choice of one count from each set, by plain loops. */
function choices(sets: readonly (readonly number[])[]): number[][] {
  return sets.reduce<number[][]>((rows, set) => rows.flatMap(r => set.map(n => [...r, n])), [[]]);
}
const product = (row: readonly number[]): number => row.reduce((a, b) => a * b, 1);
const sum = (row: readonly number[]): number => row.reduce((a, b) => a + b, 0);

const set = fc
  .uniqueArray(fc.integer({ min: 4, max: 60 }), { minLength: 1, maxLength: 6 })
  .map(s => s.sort((a, b) => a - b));
const sets = fc.oneof(
  fc.array(set, { minLength: 1, maxLength: 4 }),
  fc.tuple(set, fc.integer({ min: 1, max: 4 })).map(([s, k]) => Array.from({ length: k }, () => s)),
);

describe('products of counts', () => {
  it('are all there, once, ascending, each with its least sum', () => {
    fc.assert(
      fc.property(sets, all => {
        const least = new Map<number, number>();
        for (const row of choices(all))
          least.set(product(row), Math.min(sum(row), least.get(product(row)) ?? Infinity));
        expect(made(productsOf(all))).to.deep.equal([...least].sort((a, b) => a[0] - b[0]));
      }),
    );
  });

  it('come in ranges that fit together without a seam', () => {
    const all = [range(12, 60), range(12, 60), range(12, 60)];
    const whole = made(productsOf(all));
    const bounds = [0, 1728, 50000, 50001, 123456, 216001];
    const parts = bounds
      .slice(1)
      .flatMap((below, i) => made(productsOf(all, { from: bounds[i]!, below, mostSum: 65535 })));
    expect(parts).to.deep.equal(whole);
    const few = made(productsOf(all, { from: 0, below: Infinity, mostSum: 60 }));
    expect(few).to.deep.equal(whole.filter(([, s]) => s <= 60));
  });

  it('with every sum are all pairs of product and sum', () => {
    fc.assert(
      fc.property(sets, all => {
        const pairs = new Set(choices(all).map(row => `${product(row)}:${sum(row)}`));
        const found = made(productsBySum(all));
        expect(new Set(found.map(([v, s]) => `${v}:${s}`))).to.deep.equal(pairs);
        expect(found).to.have.length(pairs.size);
        for (let i = 1; i < found.length; i++) expect(found[i]![0]).to.be.at.least(found[i - 1]![0]);
      }),
    );
  });

  it('come apart into every choice of factors, each once', () => {
    fc.assert(
      fc.property(sets, fc.nat(1000), (all, n) => {
        const rows = choices(all);
        const wanted = product(rows[n % rows.length]!);
        const alike = all.every(s => s === all[0]);
        const name = (row: number[]): string => (alike ? [...row].sort((a, b) => a - b) : row).join();
        const expected = new Set(rows.filter(r => product(r) === wanted).map(name));
        const found = factorings(wanted, all);
        expect(found.every(r => product(r) === wanted)).to.equal(true);
        if (alike || new Set(all).size === all.length)
          expect(found.map(r => r.join()).sort()).to.deep.equal([...expected].sort());
      }),
    );
    expect(factorings(97 * 5, [range(12, 60)])).to.deep.equal([]);
  });
});
