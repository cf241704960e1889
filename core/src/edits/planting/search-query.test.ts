import { expect } from 'chai';
import { branchOutputs } from './branch-outputs.ts';
import { derive } from '../../state/derive/index.ts';
import { type Machine, newAim, newMachine } from '../../document/machine/index.ts';
import { rational, toFraction, toNumber } from '../../ground/rational/index.ts';
import { must } from '../../ground/result/index.ts';
import { queryOf, type SearchLimits } from './search-query.ts';

const LIMITS: SearchLimits = { least: 12, most: 100, stages: [1, 2], coaxial: false, module: 1.5 };
const AIM = {
  wanted: rational(2n, 15n),
  sense: 'with the drive' as const,
  limit: undefined,
  problem: undefined,
};

describe('limits as they are kept, and the question they ask', () => {
  it('say nothing that was not set', () => {
    const query = must(queryOf(LIMITS, AIM));
    expect(query).to.deep.equal({
      target: rational(2n, 15n),
      least: 12,
      most: 100,
      stages: [1, 2],
      coaxial: 'none',
      top: 20,
      modules: [rational(3n, 2n)],
    });
  });

  it('read stock, bans, modules and slopes as typed, exactly', () => {
    const query = must(
      queryOf(
        {
          ...LIMITS,
          ...{ stock: '20, 30×2', forbidden: '41 43', secondModule: 1.25, stageRatio: 2.5, hunting: true },
          ...{
            noPrimes: false,
            reach: 120,
            centre: { distance: 40, within: 0 },
            exactTotal: 150,
            alike: 'driven',
          },
        },
        AIM,
      ),
    );
    expect(query.stock).to.deep.equal([{ count: 20 }, { count: 30, pieces: 2 }]);
    expect(query.forbidden).to.deep.equal([41, 43]);
    expect(query.modules?.map(toFraction)).to.deep.equal(['3/2', '5/4']);
    expect([query.stageRatio!.least, query.stageRatio!.most].map(toFraction)).to.deep.equal(['2/5', '5/2']);
    expect(query).to.include({ hunting: true, reach: 120, exactTotal: 150, alike: 'driven' });
    expect(query, 'switched off is not asked').to.not.have.property('noPrimes');
  });

  it('ask for one side only where the aim is a speed limit, and for an idler where the sense needs one', () => {
    expect(must(queryOf(LIMITS, { ...AIM, limit: 'most' })).side).to.equal('below');
    expect(must(queryOf(LIMITS, { ...AIM, limit: 'least' })).side).to.equal('above');
    const back = { ...LIMITS, stages: [2], coaxial: true };
    expect(must(queryOf(back, AIM)).coaxial).to.equal('equal sums');
    expect(must(queryOf(back, { ...AIM, sense: 'against the drive' })).coaxial).to.equal('idler');
  });

  it('pass on what cannot be read, and what is wrong with the aim', () => {
    const code = (
      limits: Partial<SearchLimits>,
      aim: Partial<Parameters<typeof queryOf>[1]> = {},
    ): string => {
      const read = queryOf({ ...LIMITS, ...limits }, { ...AIM, ...aim });
      return read.ok ? 'ok' : read.problem.code;
    };
    expect(code({ stock: '12, 12' })).to.equal('stock-twice');
    expect(code({ forbidden: 'many' })).to.equal('stock-not-a-count');
    expect(code({ module: 0 })).to.equal('module-not-positive');
    expect(code({}, { wanted: undefined, problem: { code: 'year-unnamed', data: {} } })).to.equal(
      'year-unnamed',
    );
    expect(code({ stock: '  ' })).to.equal('ok');
  });
});

describe('the outputs that a plan can drive', () => {
  const withAims = (speed: NonNullable<Machine['drive']>['speed'], ...wanted: string[]): Machine =>
    wanted.reduce<Machine>((m, w) => ({ ...m, aims: [...m.aims, newAim(m, w, w)] }), {
      ...newMachine('m'),
      drive: { member: 'drive', speed },
    });
  const rates = (m: Machine, drive: 'given' | 'free'): number[] =>
    branchOutputs(derive(m), drive).map(o => toNumber(o.rate));

  it('have the rates that the aims ask of a given drive; limits and what cannot be read stay out', () => {
    const m = withAims({ kind: 'period', text: '1 d' }, '2 d', '1/4', 'under 12 rpm', 'still', '1 per 3 m');
    expect(rates(m, 'given')).to.deep.equal([0.5, 0.25]);
  });

  it('have turns a day for a free one, or plain ratios where there are no periods', () => {
    expect(rates(withAims({ kind: 'free' }, '2 d', '12 h', '1/4'), 'free')).to.deep.equal([0.5, 2]);
    expect(rates(withAims({ kind: 'free' }, '1/4', '3'), 'free')).to.deep.equal([0.25, 3]);
    const [onArm, ...others] = withAims({ kind: 'free' }, '2 d', '3 d').aims;
    const seenFrom = {
      arm: '9 d',
      armSense: 'with the drive' as const,
      stated: 'against the ground' as const,
      drivenBy: 'the drive' as const,
    };
    const m = { ...withAims({ kind: 'free' }), aims: [{ ...onArm!, seenFrom }, ...others] };
    expect(
      rates(m, 'free').map(r => 1 / r),
      'what an arm carries stays out',
    ).to.deep.equal([3]);
  });
});
