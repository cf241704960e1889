import { expect } from 'chai';
import { readFileSync } from 'node:fs';
import { type Machine, newAim, newMachine, readMachine } from '../../document/machine/index.ts';
import { AT_REST } from '../../place/motion/index.ts';
import { add, mul, rational, type Rational, toNumber } from '../../ground/rational/index.ts';
import { must } from '../../ground/result/index.ts';
import { heliocentric, seenFromEarth } from '../../document/sky/index.ts';
import { parseDate, secondsSince2000 } from '../../ground/units/index.ts';
import type { AimState } from '../state/index.ts';
import { derive } from '../derive/index.ts';
import { driftShare, sharesOf, skyAspects, skyBody, synodicDays, unevenSky } from './index.ts';

const demo = (name: string): Machine =>
  must(readMachine(readFileSync(new URL(`../../../../demo/${name}.json`, import.meta.url), 'utf8')));
const dayOf = (text: string): number => Number(secondsSince2000(must(parseDate(text))).num) / 86400;

describe('meetings and phases', () => {
  it(
    'bodies meet again after the published synodic periods (NASA planetary fact sheets; ' +
      'months and moons: Meeus)',
    () => {
      const days = (a: string, b = 'earth'): number => synodicDays(skyBody(a), skyBody(b));
      const PUBLISHED = {
        mercury: 115.88,
        venus: 583.92,
        mars: 779.94,
        jupiter: 398.88,
        saturn: 378.09,
        uranus: 369.66,
        neptune: 367.49,
      };
      for (const [id, d] of Object.entries(PUBLISHED)) expect(days(id), id).to.be.closeTo(d, 0.011);
      expect(days('jupiter', 'saturn') / 365.25, 'great conjunctions').to.be.closeTo(19.86, 0.01);
      expect(days('moon'), 'lunation').to.be.closeTo(29.5306, 0.0005);
      expect(() => skyBody('vulcan')).to.throw('vulcan');
    },
  );

  it('the tide clock shows new moon when its own hand comes round, the sky within its swing of that', () => {
    const d = derive(demo('saltreach-tide-clock'));
    const start = dayOf('2026-01-01');
    const [phase] = skyAspects(d, start, toNumber(d.driveSeconds!), AT_REST);
    const [fresh, full] = phase!.events;
    // 18 January 2026, 19:52 UTC, and 3 January 10:03 (astronomical almanacs; from memory).
    expect(fresh!.sky).to.be.closeTo(dayOf('2026-01-18 19:52'), 1.5 / 24);
    expect(full!.sky).to.be.closeTo(dayOf('2026-01-03 10:03'), 1.5 / 24);
    const rate = toNumber(d.train.rates['arbor4']!);
    const expected = start + ((360 - phase!.machine) / 360 / rate) * 0.5;
    expect(fresh!.machine, 'turns of twelve hours').to.be.closeTo(expected, 1e-6);
    expect(Math.abs(fresh!.machine! - fresh!.sky!)).to.be.below(14 / 24);
  });

  it('Jupiter’s moons start in line with the sky’s, and Io meets Europa after their synodic period, 3.5255 d', () => {
    const d = derive(demo('quartet-of-moons'));
    const start = dayOf('2026-01-01');
    const aspects = skyAspects(d, start, toNumber(d.standsFor!), AT_REST);
    expect(aspects.map(a => a.key)).to.include('io europa');
    for (const a of aspects) expect(a.machine, a.key).to.be.closeTo(a.sky, 1e-6);
    const [first] = aspects.find(a => a.key === 'io europa')!.events;
    const later = skyAspects(d, start, toNumber(d.standsFor!), { whole: 40n, part: 0 }).find(
      a => a.key === 'io europa',
    )!.events[0]!;
    const periods = (later.sky! - first!.sky!) / synodicDays(skyBody('io'), skyBody('europa'));
    expect(periods).to.be.closeTo(Math.round(periods), 1e-6);
    expect(synodicDays(skyBody('io'), skyBody('europa'))).to.be.closeTo(3.5255, 0.0005);
  });

  it('a machine whose drive is the Earth’s year shows planets from the Earth', () => {
    let m: Machine = {
      ...newMachine('orrery'),
      start: '2026-01-01T00:00:00Z',
      drive: { member: 'drive', speed: { kind: 'period', text: '365.25636 d' } },
    };
    m = { ...m, aims: [{ ...newAim(m, 'Mars', '686.98 d'), member: 'drive' }] };
    const d = derive(m);
    const start = dayOf('2026-01-01');
    const [mars] = skyAspects(d, start, toNumber(d.driveSeconds!), AT_REST);
    const truly = seenFromEarth(heliocentric('mars', start), heliocentric('earth', start));
    expect(mars!.sky).to.equal(truly.elongation);
    expect(mars!.machine, 'circles against ellipses').to.be.closeTo(truly.elongation, 8);
    expect(mars!.events.map(e => e.what)).to.deep.equal(['conjunction', 'opposition']);
    expect(mars!.events[0]!.machine, 'Mars turned as the Earth never meets it').to.equal(undefined);
  });

  it('knows what runs unevenly', () => {
    const aim = (wanted: string): Parameters<typeof unevenSky>[0] => newAim(newMachine('m'), 'a', wanted);
    expect(unevenSky(aim('12 h'))).to.deep.equal({ kind: 'sundial' });
    expect(unevenSky(aim('1 d'))).to.deep.equal({ kind: 'sundial' });
    expect(unevenSky(aim('1 min'))).to.equal(undefined);
    expect(unevenSky(aim('12.4206 h'))).to.equal(undefined);
    expect(unevenSky(aim('686.98 d'))).to.deep.include({ kind: 'body', swing: 10.7 });
    expect(unevenSky(aim('235/19'))).to.equal(undefined);
  });
});

describe('whose error it is', () => {
  it('the error of a cascade is that of the output before and that of its own train, exactly', () => {
    const tide = demo('saltreach-tide-clock');
    // Name the lay arbor of the moon dial as an output of its own: the dial is then driven from it.
    const lay = {
      ...newAim(tide, 'Lay', '105/12'),
      id: 'lay',
      member: 'arbor3',
      wanted: '12/105.001',
      sense: 'either' as const,
    };
    const m = { ...tide, aims: [...tide.aims, lay] };
    const d = derive(m);
    const dial = m.aims.find(a => a.member === 'arbor4')!;
    const share = driftShare(m, d.aims, d.flow, dial.id)!;
    expect(share.from).to.equal('lay');
    const one = rational(1n);
    const product: Rational = mul(add(one, share.before), add(one, share.own));
    expect(product).to.deep.equal(add(one, share.whole));
    expect(share.whole).to.deep.equal(d.aims[dial.id]!.error);
    const parts = sharesOf(share, 10);
    expect(parts.before + parts.own).to.be.closeTo(10, 0.01);
    expect(driftShare(m, d.aims, d.flow, 'lay'), 'driven from the drive').to.equal(undefined);
    expect(driftShare(tide, d.aims, d.flow, dial.id), 'no output before it').to.equal(undefined);
    expect(sharesOf({ ...share, whole: rational(0n) }, 10)).to.deep.equal({ before: 0, own: 0 });
    const states: Record<string, AimState> = {};
    expect(driftShare(m, states, d.flow, dial.id)).to.equal(undefined);
  });
});
