import { expect } from 'chai';
import fc from 'fast-check';
import { compare, parseRational, type Rational, rational, toFraction } from '../rational/index.ts';
import { must, type Result } from '../result/index.ts';
import {
  byError,
  type Candidate,
  candidateOf,
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
const QUERY: CountQuery = {
  target: rational(1n, 2n),
  least: 12,
  most: 100,
  stages: [2],
  coaxial: 'none',
  top: 20,
};

/** Every train within the limits, by plain nested loops: nothing shared with the search. */
function everyTrain({ least, most, stages, coaxial }: CountQuery): Candidate[] {
  const found: Candidate[] = [];
  const pairs: Stage[] = [];
  for (let driving = least; driving <= most; driving++)
    for (let driven = least; driven <= most; driven++) pairs.push({ driving, driven });
  if (stages.includes(1) && coaxial === 'none') for (const p of pairs) found.push(candidateOf([p]));
  if (!stages.includes(2)) return found;
  for (const p of pairs) {
    for (const q of pairs) {
      const difference = p.driving + p.driven - q.driving - q.driven;
      if (coaxial === 'equal sums' && difference !== 0) continue;
      if (coaxial === 'idler' && difference < 6) continue;
      found.push(candidateOf([p, q]));
    }
  }
  return found;
}

function bruteForce(query: CountQuery): { top: [string, number][]; front: [string, number][] } {
  const all = everyTrain(query);
  const best = new Map<string, Candidate>();
  for (const c of all) {
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
  const short = (list: Candidate[]): [string, number][] => list.map(c => [toFraction(c.ratio), c.total]);
  return { top: short(sorted.slice(0, query.top)), front: short(front) };
}

const short = (list: readonly Candidate[]): [string, number][] =>
  list.map(c => [toFraction(c.ratio), c.total]);

describe('count search', () => {
  it('finds 41·61/(56·84) for Mars against a year, −0.0324 ppm (conventions 1 and 2)', () => {
    const { top } = search({ ...QUERY, target: must(parseRational('0.5316751872932182')) });
    expect(toFraction(top[0]!.ratio)).to.equal('2501/4704');
    expect(top[0]!.total).to.equal(242);
    const counts = top[0]!.stages.flatMap(s => [s.driving, s.driven]).sort((a, b) => a - b);
    expect(counts).to.deep.equal([41, 56, 61, 84]);
  });

  const limits = fc.record({
    least: fc.integer({ min: 4, max: 14 }),
    span: fc.integer({ min: 0, max: 7 }),
    num: fc.integer({ min: 1, max: 3000 }),
    den: fc.integer({ min: 1, max: 3000 }),
    stages: fc.constantFrom([1], [2], [1, 2]),
    coaxial: fc.constantFrom('none' as const, 'equal sums' as const, 'idler' as const),
  });

  it('gives the same front and the same best as plain nested loops, whatever the limits', () => {
    fc.assert(
      fc.property(limits, ({ least, span, num, den, stages, coaxial }) => {
        const query = {
          ...QUERY,
          target: rational(num, den),
          least,
          most: least + span,
          stages,
          coaxial,
          top: 12,
        };
        const found = answer(query);
        if (!found.ok) return ['coaxial-needs-two', 'idler-no-room'].includes(found.problem.code);
        if (found.value.outOfReach) return true;
        const expected = bruteForce(query);
        expect(short(found.value.top)).to.deep.equal(expected.top);
        expect(short(found.value.front)).to.deep.equal(expected.front);
        return true;
      }),
      { numRuns: 150 },
    );
  });

  it('lists the nearest of an unreachable rate, and names the reach', () => {
    for (const [text, side] of [
      ['1000000000000', 'above'],
      ['1/1000000000000', 'below'],
      [`1${'0'.repeat(390)}`, 'above'],
    ] as const) {
      const query = { ...QUERY, target: must(parseRational(text)), least: 10, most: 20 };
      const found = search(query);
      expect(found.outOfReach).to.equal(side);
      expect(toFraction(found.reach.most)).to.equal('4');
      expect(short(found.top).slice(0, 5)).to.deep.equal(bruteForce({ ...query, top: 5 }).top);
    }
  });

  it('orders ratios that a double cannot tell apart', () => {
    const root2 = must(parseRational('1.41421356237309504880168872420969807856967187537694'));
    const { top } = search({ ...QUERY, target: root2 });
    const order = byError(root2);
    for (let i = 1; i < top.length; i++) expect(order(top[i - 1]!, top[i]!)).to.be.below(0);
    const mirror = (r: Rational): string => toFraction(rational(2n * r.den, r.num));
    const names = top.map(c => toFraction(c.ratio));
    const pairs = top.filter(c => names.includes(mirror(c.ratio)));
    expect(pairs.length, 'mirror pairs x and 2/x are among the best').to.be.greaterThan(1);
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
    expect(code({ stages: [1], coaxial: 'equal sums' })).to.equal('coaxial-needs-two');
    expect(code({ target: rational(0n) })).to.equal('ratio-zero');
    expect(code({ least: 20, most: 21, coaxial: 'idler' })).to.equal('idler-no-room');
    expect(code({})).to.equal(undefined);
  });

  it('reports rising progress and gives the same answer twice', () => {
    const job = searchCounts(QUERY);
    let last = 0;
    let step = job.next();
    for (; !step.done; step = job.next()) {
      expect(step.value.done).to.be.at.least(last).and.at.most(1);
      last = step.value.done;
    }
    expect(short(must(step.value).front)).to.deep.equal(short(search(QUERY).front));
  });

  it('makes the golden ratio and other well-known ratios exactly where they exist', () => {
    const twelve = search({ ...QUERY, target: rational(1n, 12n), coaxial: 'equal sums' });
    expect(toFraction(twelve.top[0]!.ratio)).to.equal('1/12');
    for (const { stages } of twelve.top) {
      const sums = stages.map(s => s.driving + s.driven);
      expect(sums[0]).to.equal(sums[1]);
    }
  });
});
