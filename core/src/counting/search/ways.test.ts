import { expect } from 'chai';
import { compare, rational } from '../../ground/rational/index.ts';
import { type Candidate, candidateOf, type CountQuery, type Stage, waysToCut } from './index.ts';

const QUERY: CountQuery = {
  target: rational(1n, 6n),
  ...{ least: 8, most: 72, stages: [1, 2], coaxial: 'none', top: 20 },
};
const named = (c: Candidate): string => c.stages.map(s => `${s.driving}/${s.driven}`).join(' ');

describe('all ways to cut a ratio', () => {
  it('6 : 1 is cut as 8/48, 9/54, 10/60, 11/66 and 12/72 up to 72 teeth', () => {
    const { ways, all } = waysToCut(QUERY, rational(1n, 6n), 1);
    expect(ways.map(named)).to.deep.equal(['8/48', '9/54', '10/60', '11/66', '12/72']);
    expect(all).to.equal(true);
    const chosen = waysToCut(
      { ...QUERY, positions: [{ driving: { least: 10, most: 10 } }] },
      rational(1n, 6n),
      1,
    );
    expect(chosen.ways.map(named), 'for leaves that are chosen').to.deep.equal(['10/60']);
  });

  it('agrees with plain loops for two stages, each train once', () => {
    const query = { ...QUERY, least: 8, most: 24 };
    const ratio = rational(3n, 8n);
    const plain = new Set<string>();
    for (let a = 8; a <= 24; a++)
      for (let b = 8; b <= 24; b++)
        for (let c = 8; c <= 24; c++)
          for (let d = 8; d <= 24; d++)
            if (8 * a * c === 3 * b * d) plain.add([`${a}/${b}`, `${c}/${d}`].sort().join(' '));
    const { ways, all } = waysToCut(query, ratio, 2);
    const names = ways.map(w => named(w).split(' ').sort().join(' '));
    expect(new Set(names).size, 'none twice').to.equal(names.length);
    for (const n of names) expect(plain.has(n)).to.equal(true);
    expect(names.length).to.equal(Math.min(60, plain.size));
    expect(all).to.equal(plain.size <= 60);
    for (const w of ways) expect(compare(w.ratio, ratio)).to.equal(0);
    for (const [i, w] of ways.entries()) if (i > 0) expect(w.total).to.be.at.least(ways[i - 1]!.total);
  });

  it('keeps to every limit of the query', () => {
    const ratio = rational(1n, 4n);
    const hunting = waysToCut({ ...QUERY, hunting: true }, ratio, 2).ways;
    const gcd = (a: number, b: number): number => (b === 0 ? a : gcd(b, a % b));
    expect(hunting.length).to.be.above(0);
    for (const s of hunting.flatMap(w => w.stages)) expect(gcd(s.driving, s.driven)).to.equal(1);
    const returning = waysToCut({ ...QUERY, coaxial: 'equal sums' }, ratio, 2).ways;
    const sum = (s: Stage): number => s.driving + s.driven;
    for (const w of returning) expect(sum(w.stages[0]!)).to.equal(sum(w.stages[1]!));
    expect(returning.map(named)).to.include('8/16 8/16');
    expect(waysToCut({ ...QUERY, coaxial: 'equal sums' }, ratio, 1).ways).to.deep.equal([]);
    expect(candidateOf(returning[0]!.stages).total).to.equal(returning[0]!.total);
  });
});
