import { expect } from 'chai';
import fc from 'fast-check';
import { readFileSync } from 'node:fs';
import { KINDS } from '../../../test/kinds.ts';
import { derive } from '../../state/derive/index.ts';
import { indicatorFacts } from '../../state/ask/index.ts';
import { type Indicator, type Machine, readMachine } from '../../document/machine/index.ts';
import { setDriveWay } from '../../edits/change/index.ts';
import { AT_REST, type DriveTurns, exactTurns, stancesAt } from '../motion/index.ts';
import { rational } from '../../ground/rational/index.ts';
import { must } from '../../ground/result/index.ts';
import { parseDate, secondsSince2000 } from '../../ground/units/index.ts';
import { sayReading } from '../../files/words/index.ts';
import { type IndicatorFacts, pointingOf, readIndicator } from './index.ts';
import {
  parseReading,
  setAlone,
  setHandsTo,
  setIndicatorTo,
  turnsForReading,
} from '../../edits/indicators/index.ts';
import { withFix } from '../../../test/find.ts';

const demo = (name: string): Machine =>
  must(readMachine(readFileSync(new URL(`../../../../demo/${name}.json`, import.meta.url), 'utf8')));
const factsOf = (machine: Machine): IndicatorFacts & { machine: Machine } => ({
  machine,
  rates: derive(machine).train.rates,
});
const noons = factsOf(demo('two-noons'));
const of = (facts: { machine: Machine }, id: string): Indicator =>
  facts.machine.indicators.find(i => i.id === id)!;
const says = (facts: IndicatorFacts & { machine: Machine }, id: string, turns: DriveTurns): string =>
  sayReading(readIndicator(facts, of(facts, id), turns)!);
/** Hours of the demo clock’s minute arbor, as turns of the drive. */
const hours = (h: number, min = 0, s = 0): DriveTurns =>
  exactTurns(rational(BigInt(h * 3600 + min * 60 + s), 3600n));

describe('what hands read', () => {
  it(
    'hour and minute hand stand at 250.125° and 121.5° from twelve at 8:20:15 (clock ' +
      'arithmetic: 0.5° a minute, 6° a minute)',
    () => {
      const at = hours(8, 20, 15);
      expect(pointingOf(noons, of(noons, 'hour-hand'), at)!.part * 360).to.be.closeTo(250.125, 1e-9);
      expect(pointingOf(noons, of(noons, 'minute-hand'), at)!.part * 360).to.be.closeTo(121.5, 1e-9);
      expect(says(noons, 'hour-hand', at)).to.equal('08:20:15');
      expect(says(noons, 'minute-hand', at)).to.equal('20:15');
      expect(says(noons, 'seconds-hand', at)).to.equal('15.0 s');
    },
  );

  it(
    'after twelve hours solar hands stand as before, and the sidereal one is ahead by 118 s ' +
      '(1/365.2422 of twelve hours)',
    () => {
      const [start, later] = [hours(3, 7), hours(15, 7)];
      for (const id of ['hour-hand', 'minute-hand', 'seconds-hand'])
        expect(says(noons, id, later), id).to.equal(says(noons, id, start));
      const [a, b] = [start, later].map(t => pointingOf(noons, of(noons, 'star-hand'), t)!.part);
      expect((b! - a! - 0.5) * 86400).to.be.closeTo(118.28, 0.1);
    },
  );

  it('does not lose a second in a thousand million turns', () => {
    const far = exactTurns(rational(10n ** 9n * 3600n * 12n + 8n * 3600n + 20n * 60n + 15n, 3600n));
    expect(says(noons, 'hour-hand', far)).to.equal('08:20:15');
    expect(says(noons, 'minute-hand', far)).to.equal('20:15');
  });

  it('reads a step that is just made as made: every whole metre of a drum of ten, every tenth of a turn', () => {
    const names = Array.from({ length: 10 }, (_, i) => String(i));
    const machine = {
      ...noons.machine,
      indicators: noons.machine.indicators.map(i =>
        i.id === 'hour-hand' ? { ...i, settingDeg: 0, dial: undefined, reads: { kind: 'names', names } } : i,
      ),
    } as unknown as Machine;
    const hand = machine.indicators.find(i => i.id === 'hour-hand')!;
    const facts: IndicatorFacts = {
      ...noons,
      machine,
      rates: { ...noons.rates, [hand.member]: rational(1n, 3n) },
    };
    let below = 0;
    for (let step = 0; step <= 1000; step++) {
      const turns = { whole: BigInt(Math.floor((3 * step) / 10)), part: ((3 * step) % 10) / 10 };
      const read = readIndicator(facts, hand, turns);
      expect(read?.kind === 'names' && read.name, String(step)).to.equal(String(step % 10));
      const { part } = pointingOf(facts, hand, turns)!;
      if (Math.floor(part * 10) !== step % 10) below += 1;
    }
    expect(below, 'places that doubles put before their step').to.be.greaterThan(50);
  });

  it('says a moon’s age, days, a scale, names and turns in words', () => {
    const with1 = (reads: Indicator['reads']): string => {
      const machine = {
        ...noons.machine,
        indicators: noons.machine.indicators.map(i => (i.id === 'hour-hand' ? { ...i, reads } : i)),
      } as Machine;
      return says({ ...noons, machine }, 'hour-hand', hours(3));
    };
    expect(with1({ kind: 'age', full: '29.530588 d' })).to.equal('moon 7.4 days old');
    expect(with1({ kind: 'days', full: '40 d' })).to.equal('10.0 days');
    expect(with1({ kind: 'scale', full: '6', unit: 'm' })).to.equal('1.500 m');
    expect(with1({ kind: 'names', names: ['spring', 'summer', 'autumn', 'winter'] })).to.equal('summer');
    expect(with1({ kind: 'degrees' })).to.equal('90.0°');
    expect(with1({ kind: 'turns' })).to.equal('0.3 turns');
    const free = {
      ...noons.machine,
      indicators: [{ ...of(noons, 'minute-hand'), dial: undefined, reads: { kind: 'turns' } }],
    } as unknown as Machine;
    expect(says({ ...noons, machine: free }, 'minute-hand', hours(247, 18)), 'turns count on').to.equal(
      '247.3 turns',
    );
  });

  it('a disc with two moons goes through a lunation in half a turn', () => {
    const moons = KINDS['open counts, indicators, poses, log']!;
    const facts = factsOf(moons);
    expect(says(facts, 'i3', { whole: 0n, part: 0.25 })).to.equal('moon 14.8 days old');
    expect(says(facts, 'i3', { whole: 0n, part: 0.75 })).to.equal('moon 14.8 days old');
  });

  it('a turning dial is read at the place of its nought, the number that has come there', () => {
    const dial: Indicator = {
      id: 'd',
      name: 'd',
      kind: 'dial',
      member: 'drive',
      radius: 20,
      settingDeg: 90,
      sense: 'clockwise',
      rings: [],
      windows: [],
      reads: { kind: 'scale', full: '12', unit: 'h' },
    };
    const machine = { ...noons.machine, indicators: [dial] };
    // The drive turns clockwise: a quarter on, what stood a quarter before nought, counted clockwise, is at the top.
    expect(says({ ...noons, machine }, 'd', { whole: 0n, part: 0.25 })).to.equal('9.00 h');
  });
});

describe('setting hands', () => {
  const turns = fc.record({
    whole: fc.bigInt(-1000n, 1000n),
    part: fc.double({ min: 0, max: 0.999, noNaN: true }),
  });

  it('the drive turned to a reading shows it, by the short way', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 43199 }), turns, (seconds, now) => {
        const pad = (n: number): string => String(n).padStart(2, '0');
        const text = `${pad(Math.floor(seconds / 3600))}:${pad(Math.floor(seconds / 60) % 60)}:${pad(seconds % 60)}`;
        const to = must(turnsForReading(noons, of(noons, 'hour-hand'), text, now));
        const read = readIndicator(noons, of(noons, 'hour-hand'), to)!;
        const off = Math.abs((read.kind === 'clock' ? read.seconds : NaN) - seconds);
        expect(Math.min(off, 43200 - off)).to.be.below(1e-3);
        const moved = Number(to.whole - now.whole) + to.part - now.part;
        expect(Math.abs(moved)).to.be.at.most(6 + 1e-6);
      }),
      { numRuns: 200 },
    );
  });

  it('a hand set alone reads as it is asked, and nothing else moves', () => {
    fc.assert(
      fc.property(fc.double({ min: 0, max: 0.9999, noNaN: true }), turns, (part, now) => {
        const next = must(setIndicatorTo(noons, 'star-hand', part, now));
        const got = pointingOf({ ...noons, machine: next }, of({ machine: next }, 'star-hand'), now)!.part;
        const off = Math.abs(got - part);
        expect(Math.min(off, 1 - off)).to.be.below(1e-7);
        expect(next.indicators.filter((x, i) => x !== noons.machine.indicators[i])).to.have.length(1);
      }),
      { numRuns: 200 },
    );
  });

  it('bodies that turn clockwise are set by their readings too', () => {
    const machine = demo('quartet-of-moons');
    for (const clockwise of [false, true]) {
      const facts = factsOf(setDriveWay(clockwise)(machine));
      const next = must(setIndicatorTo(facts, 'moon2', 0.3, { whole: 3n, part: 0.4 }));
      const read = pointingOf({ ...facts, machine: next }, of({ machine: next }, 'moon2'), {
        whole: 3n,
        part: 0.4,
      })!;
      expect(read.part).to.be.closeTo(0.3, 1e-7);
    }
  });

  it('refuses what cannot be read, lies beyond the dial, stands still, or has no nought', () => {
    const codes = (id: string, text: string): string => {
      const r = turnsForReading(noons, of(noons, id), text, AT_REST);
      return r.ok ? 'ok' : r.problem.code;
    };
    expect(codes('hour-hand', 'noon')).to.equal('reading-clock');
    expect(codes('hour-hand', '12:00')).to.equal('reading-beyond');
    expect(codes('hour-hand', '8:61')).to.equal('reading-clock');
    const names = parseReading({ kind: 'names', names: ['Jan', 'Feb'] }, 'Mar');
    expect(!names.ok && names.problem.code).to.equal('reading-name');
    expect(must(parseReading({ kind: 'names', names: ['Jan', 'Feb'] }, 'feb'))).to.equal(0.5);
    const number = parseReading({ kind: 'scale', full: '10', unit: '' }, 'x');
    expect(!number.ok && number.problem.code).to.equal('reading-number');
    const free = {
      ...noons.machine,
      indicators: [{ ...of(noons, 'minute-hand'), dial: undefined }],
    } as unknown as Machine;
    const alone = setIndicatorTo({ ...noons, machine: free }, 'minute-hand', 0.5, AT_REST);
    expect(!alone.ok && alone.problem.code).to.equal('reading-no-dial');
    const stands = turnsForReading(
      { machine: noons.machine, rates: { ...noons.rates, hour: rational(0n) } },
      of(noons, 'hour-hand'),
      '8:20',
      AT_REST,
    );
    expect(!stands.ok && stands.problem.code).to.equal('reading-stands');
  });

  it('all hands set to a date: clock hands to the time of day, the moon to its mean age', () => {
    const facts = factsOf(demo('saltreach-tide-clock'));
    const date = parseDate('2026-03-01 15:40');
    const seconds = Number(secondsSince2000(must(date)).num);
    const { machine, set, left } = setHandsTo(facts, seconds, { whole: 5n, part: 0.1 });
    expect(set).to.deep.equal(['hour-hand', 'moon-hand']);
    expect(left).to.deep.equal(['tide-hand', 'spring-hand']);
    expect(says({ ...facts, machine }, 'hour-hand', { whole: 5n, part: 0.1 })).to.match(/^03:(40:00|39:59)$/);
    // New moon of 17 February 2026, 12:01 UTC (astronomical almanacs; from memory): 12.15 days before, by the true
    // Moon.
    const age = readIndicator({ ...facts, machine }, of({ machine }, 'moon-hand'), { whole: 5n, part: 0.1 })!;
    expect(age.kind === 'age' ? age.days : NaN).to.be.closeTo(12.15, 0.8);
  });

  it('says what gives way on the road from the drive, and what turns along', () => {
    const slipping = Object.values(KINDS).find(m => m.joints.some(j => j.kind === 'slip'))!;
    const joint = slipping.joints.find(j => j.kind === 'slip')!;
    const flow = derive(slipping).flow;
    const behind = Object.entries(flow.into).find(([, into]) => into.joint === joint.id)!;
    const how = setAlone(slipping, flow, behind[0]);
    expect(how.by).to.equal('slip');
    expect(how.joint).to.equal(joint.id);
    expect(setAlone(slipping, flow, slipping.drive!.member).by).to.equal(undefined);
    expect(setAlone(noons.machine, derive(noons.machine).flow, 'hour')).to.deep.include({
      by: undefined,
      modes: [],
    });
  });
});

describe('hands against their dials', () => {
  it('a hand that turns backwards is a stop, and either offered fix cures it', () => {
    const wrong = setDriveWay(false)(noons.machine);
    const found = derive(wrong).findings.filter(f => f.code === 'hand-backwards');
    expect(found.map(f => f.subjects[0])).to.have.members([
      'hour-hand',
      'minute-hand',
      'star-hand',
      'seconds-hand',
    ]);
    const first = found.find(f => f.subjects[0] === 'star-hand')!;
    const [dial, drive] = first.fixes;
    const after = (m: Machine): string[] =>
      derive(m)
        .findings.filter(f => f.code === 'hand-backwards')
        .map(f => f.subjects[0]!);
    expect(after(withFix(wrong, drive))).to.deep.equal([]);
    expect(after(withFix(wrong, dial))).not.to.include('star-hand');
  });

  it('tells of a hand too long for its dial, and of one about another axis', () => {
    const change = (more: object): Machine => ({
      ...noons.machine,
      indicators: noons.machine.indicators.map(i =>
        i.id === 'star-hand' ? { ...i, ...more } : i,
      ) as Indicator[],
    });
    const long = derive(change({ radius: 90 })).findings.find(f => f.code === 'hand-beyond-dial')!;
    expect(derive(withFix(change({ radius: 90 }), long.fixes[0])).findings.map(f => f.code)).not.to.include(
      'hand-beyond-dial',
    );
    expect(derive(change({ dial: 'solar-dial' })).findings.map(f => f.code)).to.include('hand-off-dial');
  });
});

describe('a hand on a member that turns unevenly', () => {
  it('reads where it is seen to stand, through the whole turn, whichever way the drive turns', () => {
    const plain = Object.values(KINDS).find(m => m.joints.some(j => j.kind === 'universal'))!;
    const bent = {
      ...plain,
      joints: plain.joints.map(j => (j.kind === 'universal' ? { ...j, bendDeg: 30 } : j)),
    };
    const joint = bent.joints.find(j => j.kind === 'universal')!;
    const member = joint.kind === 'universal' ? joint.b : '';
    const axis = bent.members.find(m => m.id === member)!;
    for (const clockwise of [false, true]) {
      const dial = {
        kind: 'dial',
        id: 'd1',
        name: 'd',
        member: 'ground',
        axis: axis.kind === 'arbor' ? axis.axis : '',
        radius: 20,
        settingDeg: 0,
        sense: 'counter-clockwise',
        rings: [],
        windows: [],
      } as const;
      const hand = {
        kind: 'hand',
        id: 'h1',
        name: 'h',
        member,
        radius: 15,
        settingDeg: 0,
        shape: 'leaf',
        dial: 'd1',
      } as const;
      const d = derive(setDriveWay(clockwise)({ ...bent, indicators: [dial, hand] }));
      const facts = indicatorFacts(d);
      let most = 0;
      for (let i = 0; i < 40; i++) {
        const turns = { whole: 3n, part: i / 40 };
        const seen = stancesAt(d.moving, turns).get(member)!.angle / (2 * Math.PI);
        const part = (f: IndicatorFacts): number => pointingOf(f, hand, turns)!.part;
        const off = (x: number): number => Math.abs(x - seen - Math.round(x - seen));
        expect(off(part(facts)), `${clockwise} ${i}`).to.be.below(1e-9);
        most = Math.max(most, off(part({ machine: d.machine, rates: d.train.rates })));
      }
      const to = must(turnsForReading(facts, hand, '77', { whole: 1n, part: 0.3 }));
      expect(pointingOf(facts, hand, to)!.part * 360, 'and is turned to what it shall read').to.be.closeTo(
        77,
        1e-6,
      );
      expect(most, 'which its mean rate alone would miss').to.be.above(0.005);
    }
  });
});

describe('a hand over a dial that turns unevenly', () => {
  it('reads so much less as the dial is ahead of its mean', () => {
    const plain = Object.values(KINDS).find(m => m.joints.some(j => j.kind === 'universal'))!;
    const joint = plain.joints.find(j => j.kind === 'universal')!;
    const [one, other] = joint.kind === 'universal' ? [joint.a, joint.b] : ['', ''];
    const common = { radius: 20, settingDeg: 0 };
    const dial = {
      ...{ kind: 'dial' as const, id: 'd1', name: 'd', member: other, ...common },
      ...{ sense: 'counter-clockwise' as const, rings: [], windows: [] },
    };
    const hand = {
      ...{ kind: 'hand' as const, id: 'h1', name: 'h', member: one, ...common },
      ...{ shape: 'leaf' as const, dial: 'd1' },
    };
    const d = derive({ ...plain, indicators: [dial, hand] });
    const turns = { whole: 0n, part: 0.2 };
    const at = (uneven?: IndicatorFacts['uneven']): number =>
      pointingOf({ machine: d.machine, rates: d.train.rates, ...(uneven && { uneven }) }, hand, turns)!.part;
    const moved = at(m => (m === other ? 0.3 : 0)) - at();
    expect(moved - Math.round(moved)).to.be.closeTo(-0.3 / (2 * Math.PI), 1e-9);
    const own = at(m => (m === one ? 0.3 : 0)) - at();
    expect(own - Math.round(own)).to.be.closeTo(0.3 / (2 * Math.PI), 1e-9);
  });
});
