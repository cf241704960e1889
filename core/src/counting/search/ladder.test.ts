import { expect } from 'chai';
import { parseRational, rational, toFraction } from '../../ground/rational/index.ts';
import { must } from '../../ground/result/index.ts';
import { type CountQuery, ladder, type Rung } from './index.ts';

const QUERY: CountQuery = {
  target: rational(191n, 23n),
  least: 8,
  most: 100,
  stages: [1],
  coaxial: 'none',
  top: 5,
};
function rungs(query: CountQuery): Rung[] {
  const job = ladder(query);
  for (let step = job.next(); ; step = job.next()) if (step.done) return step.value;
}
const find = (list: Rung[], ratio: string): Rung | undefined => list.find(r => toFraction(r.ratio) === ratio);

describe('the ladder of convergents', () => {
  it(
    'climbs Brocot’s example, 191/23, by 8, 25/3 and 83/10 (Brocot, Calcul des rouages par ' +
      'approximation, 1861; from memory)',
    () => {
      const list = rungs(QUERY);
      const convergents = list.filter(r => r.convergent).map(r => toFraction(r.ratio));
      expect(convergents).to.deep.equal(['8', '25/3', '83/10', '191/23']);
      expect(find(list, '58/7')?.convergent, 'an intermediate of his table').to.equal(false);
    },
  );

  it('says which wheel a fraction needs, and what can be cut', () => {
    const list = rungs(QUERY);
    expect(find(list, '191/23')?.verdict).to.deep.equal({
      kind: 'needs a wheel',
      side: 'driving',
      count: 191,
    });
    const ten = find(list, '83/10')?.verdict;
    expect(ten?.kind === 'can' && ten.train.stages).to.deep.equal([{ driving: 83, driven: 10 }]);
    expect(find(rungs({ ...QUERY, most: 191 }), '191/23')?.verdict.kind).to.equal('can');
  });

  it('says when more stages would do, and when a limit forbids what the counts allow', () => {
    const target = rational(2501n, 4704n);
    const one = find(rungs({ ...QUERY, target }), '2501/4704');
    expect(one?.verdict).to.deep.equal({ kind: 'needs stages', stages: 2 });
    const two = find(rungs({ ...QUERY, target, stages: [2] }), '2501/4704');
    expect(two?.verdict.kind).to.equal('can');
    const returned = find(rungs({ ...QUERY, target, stages: [2], coaxial: 'equal sums' }), '2501/4704');
    expect(returned?.verdict.kind).to.equal('limits forbid');
    const banned = find(rungs({ ...QUERY, target, stages: [1, 2, 3], forbidden: [41, 61, 82] }), '2501/4704');
    expect(banned?.verdict.kind, '41 and 61 divide nothing else up to 100').to.equal('limits forbid');
  });

  it('looks through four stages from more counts than are held at once, and says when there are too many', function () {
    this.timeout(120000);
    // 12 to 128 teeth are 117 counts, and this fraction is cut with primes alone.
    const target = rational(127n * 113n * 109n * 97n, 107n * 103n * 101n * 89n);
    const wide: CountQuery = { ...QUERY, target, least: 12, most: 128, stages: [4] };
    const found = rungs(wide).at(-1)!;
    expect(toFraction(found.ratio)).to.equal(toFraction(target));
    expect(found.verdict.kind).to.equal('can');
    const steep = rungs({ ...wide, target: rational(131n, 12n) });
    expect(steep.at(-1)!.verdict).to.deep.equal({ kind: 'needs a wheel', side: 'driving', count: 131 });
    const endless = rungs({ ...QUERY, target, least: 8, most: 900, stages: [4] }).at(-1)!;
    expect(endless.verdict.kind).to.equal('not looked through');
  });

  it('reaches 206/7 for Saturn as Huygens did (Descriptio automati planetarii, 1703)', () => {
    const target = must(parseRational('29.425')); // 77708431 / 2640858, his figure, from memory
    const his = rungs({ ...QUERY, target: rational(77708431n, 2640858n), most: 300, least: 7 });
    expect(his.filter(r => r.convergent).map(r => toFraction(r.ratio))).to.include('206/7');
    expect(find(rungs({ ...QUERY, target, least: 7, most: 250 }), '206/7')?.verdict.kind).to.equal('can');
  });
});
