import { expect } from 'chai';
import { derive } from '../../state/derive/index.ts';
import {
  byId,
  circleCount,
  integrityProblems,
  type Machine,
  newMachine,
  readMachine,
  writeMachine,
} from '../../document/machine/index.ts';
import { add, toFraction } from '../../ground/rational/index.ts';
import { must } from '../../ground/result/index.ts';
import { groundRate, trainRates } from '../../trains/train/index.ts';
import { sayProblem } from '../../files/words/index.ts';
import { READY } from './index.ts';
import { parsePairs } from './pairs.ts';

const ready = (id: string): (typeof READY)[number] => READY.find(r => r.id === id)!;
const offered = (id: string): Record<string, string> =>
  Object.fromEntries(ready(id).fields.map(f => [f.key, f.offered]));
const built = (id: string, values: Record<string, string> = {}, start = newMachine('m')): Machine =>
  must(ready(id).build(start, { ...offered(id), ...values }));
const named = (m: Machine, name: string): string => m.members.find(x => x.name === name)!.id;
const rate = (m: Machine, name: string): string => {
  const r = groundRate(m, trainRates(m).rates, named(m, name));
  return r ? toFraction(r) : 'free';
};
const refused = (id: string, values: Record<string, string>): string => {
  const r = ready(id).build(newMachine('m'), { ...offered(id), ...values });
  if (!r.ok) expect(sayProblem(r.problem).length).to.be.greaterThan(20);
  return r.ok ? 'ok' : r.problem.code;
};

const teethOf = (m: Machine, arbor: string): number =>
  circleCount(m.wheels.find(w => w.member === named(m, arbor))!)!;

describe('ready arrangements', () => {
  for (const r of READY) {
    it(`${r.title}: as offered it turns, is placed and meshes, and is an ordinary document`, () => {
      const m = built(r.id);
      expect(integrityProblems(m)).to.deep.equal([]);
      expect(must(readMachine(writeMachine(m)))).to.deep.equal(m);
      const d = derive(m);
      const codes = d.findings.filter(f => f.station === 'train' || f.station === 'plan').map(f => f.code);
      expect(
        codes.filter(
          c => !['wheels-strike', 'wheel-strikes-arbor', 'not-worked-out', 'stands-in-nothing'].includes(c),
        ),
      ).to.deep.equal([]);
      const twice = built(r.id, {}, m);
      expect(integrityProblems(twice), 'a second one beside it').to.deep.equal([]);
      expect(refused(r.id, Object.fromEntries(r.fields.map(f => [f.key, 'x']))), 'nonsense').to.equal(
        'pairs-unreadable',
      );
    });
  }

  it('compound reduction: four-to-one stages multiply (common practice, no source)', () => {
    expect(rate(built('compound', { stages: '15:60, 15:60, 12:48' }), 'Reduction output')).to.equal('-1/64');
  });

  it('a cascade multiplies from neighbour to neighbour, all on one line', () => {
    const m = built('cascade');
    expect(rate(m, 'Cascade output 1')).to.equal('1/3');
    expect(rate(m, 'Cascade output 2')).to.equal(
      toFraction({ num: 18n * 25n, den: 42n * 35n * 3n }).replace('450/4410', '5/49'),
    );
    expect(m.axes).to.have.length(2);
    expect(refused('cascade', { pairs: '20:40, 24:37' })).to.equal('pairs-sums');
    expect(refused('cascade', { pairs: '20:40, 24:36, 10:50' })).to.equal('pairs-odd');
  });

  it('branches turn by their own counts alone', () => {
    const m = built('branches');
    expect([1, 2, 3].map(n => rate(m, `Branch output ${n}`))).to.deep.equal(['1/3', '1/2', '5/7']);
  });

  it('motion work is 12 : 1 for the classic counts, whatever sums to one (common practice, no source)', () => {
    expect(rate(built('motion-work'), 'Hour tube')).to.equal('1/12');
    expect(rate(built('motion-work', { pairs: '10:30, 8:32' }), 'Hour tube')).to.equal('1/12');
    expect(refused('motion-work', { pairs: '12:36, 10:40' }), '48 against 50').to.equal('pairs-sums');
    expect(refused('motion-work', { pairs: '15:45, 15:45' })).to.equal('motion-work-ratio');
    expect(refused('motion-work', { pairs: '15:45' })).to.equal('pairs-two');
  });

  it('an orrery arm’s globe points one way; 254/19 turns of the Moon, 235/19 months (the cycle of Meton)', () => {
    const m = built('orrery-arm');
    expect(rate(m, 'Globe')).to.equal('0');
    expect(rate(m, 'Moon arm')).to.equal('254/19');
    const d = derive(m);
    expect(toFraction(d.train.rates[named(m, 'Moon arm')]!), 'as seen from the arm').to.equal('235/19');
    // A larger globe wheel takes the globe further out: the idler that reaches over grows with it.
    const far = built('orrery-arm', { globe: '100' });
    expect(teethOf(far, 'Moon idler')).to.be.greaterThan(teethOf(m, 'Moon idler'));
    for (const x of [m, far]) expect(derive(x).positions.findings).to.deep.equal([]);
    const { at } = d.positions;
    const idler = byId(m.members, named(m, 'Moon idler'));
    expect(at[idler!.kind === 'arbor' ? idler!.axis : '']).to.not.equal(undefined);
  });

  it('a demonstration drive: the clock turns the crank, or the crank the train while the clock stands', () => {
    const m = built('demonstration');
    const [run, show] = m.modes;
    expect([
      rate({ ...m, mode: run!.id }, 'Train arbor'),
      rate({ ...m, mode: run!.id }, 'Crank'),
    ]).to.deep.equal(['1', '-3']);
    const shown = { ...m, mode: show!.id };
    expect([rate(shown, 'Train arbor'), rate(shown, 'Drive')]).to.deep.equal(['-1/3', '0']);
    expect(trainRates(shown).findings.map(f => f.code)).to.deep.equal(['slips']);
    const withTrain = built('demonstration', {}, built('compound'));
    const of = (mode: string): string => rate({ ...withTrain, mode }, 'Reduction output');
    expect([of(withTrain.modes[0]!.id), of(withTrain.modes[1]!.id)]).to.deep.equal(['1/16', '-1/48']);
  });

  it('winding and setting: running turns the barrel down, winding clicks the ratchet, setting slips the hands', () => {
    const m = built('winding');
    const [run, set, wind] = m.modes.map(x => ({ ...m, mode: x.id }));
    expect([rate(run!, 'Hands'), rate(run!, 'Barrel'), rate(run!, 'Barrel arbor')]).to.deep.equal([
      '1',
      '-1/6',
      '-1/6',
    ]);
    expect(trainRates(run!).findings.map(f => f.code)).to.deep.equal([]);
    expect([rate(set!, 'Hands'), rate(set!, 'Drive')]).to.deep.equal(['-1/2', '0']);
    expect([rate(wind!, 'Barrel arbor'), rate(wind!, 'Barrel'), rate(wind!, 'Hands')]).to.deep.equal([
      '1',
      '0',
      '0',
    ]);
    expect(trainRates(wind!).findings.map(f => f.code)).to.deep.equal(['ratchet-clicks']);
    const wrong: Machine = {
      ...wind!,
      joints: m.joints.map(j => (j.kind === 'ratchet' ? { ...j, turns: 'forward' } : j)),
    };
    expect(trainRates(wrong).findings.map(f => f.code)).to.deep.equal(['ratchet-locks']);
    expect(toFraction(add(trainRates(run!).rates[named(m, 'Drive')]!, { num: 0n, den: 1n }))).to.equal('1');
  });

  it('a differential’s cage turns at half the sum of its sides (Willis 1841)', () => {
    // −20/40 and −24/36: half of −1/2 − 2/3.
    expect(rate(built('differential'), 'Differential cage')).to.equal('-7/12');
    expect(rate(built('differential', { inputs: '30:30, 20:40' }), 'Differential cage')).to.equal('-3/4');
  });

  it('sun and planet: twice for equal counts, 1 + planet/sun for others (common practice, no source)', () => {
    expect(rate(built('sun-and-planet'), 'Sun arbor')).to.equal('2');
    expect(rate(built('sun-and-planet', { sun: '40', planet: '20' }), 'Sun arbor')).to.equal('3/2');
    expect(rate(built('sun-and-planet'), 'Planet on its rod')).to.equal('0');
  });

  it('a reducer of 15 lobes in 16 pins gives −1/15 at its output plate (common practice, no source)', () => {
    const m = built('reducer');
    expect(rate(m, 'Reducer output')).to.equal('-1/15');
    expect(rate(built('reducer', { lobes: '10', pins: '11' }), 'Reducer output')).to.equal('-1/10');
    expect(refused('reducer', { lobes: '16' })).to.equal('reducer-counts');
    expect(refused('reducer', { lobes: '8', pins: '14' })).to.equal('reducer-no-room');
  });

  it('hang on the arbor that is chosen, and turn by it', () => {
    const start = built('compound', { stages: '15:60' });
    const arbor = named(start, 'Reduction output');
    const on = (id: string, m = start, at = arbor): Machine => must(ready(id).build(m, offered(id), at));
    expect(rate(on('motion-work'), 'Hour tube')).to.equal('-1/48');
    expect(rate(on('branches'), 'Branch output 1')).to.equal('-1/12');
    // The arm goes round with the chosen arbor, a quarter as fast and the other way: 254/19 of it.
    expect(rate(on('orrery-arm'), 'Moon arm')).to.equal('-127/38');
    expect(rate(on('sun-and-planet'), 'Sun arbor')).to.equal('-1/2');
    for (const r of READY) {
      const m = on(r.id);
      expect(integrityProblems(m), r.id).to.deep.equal([]);
      expect(must(r.build(start, offered(r.id), arbor)), r.id).to.not.deep.equal(
        must(r.build(start, offered(r.id))),
      );
    }
    expect(ready('motion-work').build(start, offered('motion-work'), 'nothing').ok).to.equal(false);
    // What is carried by an arm stays on it.
    const arm = built('orrery-arm');
    const onArm = must(ready('compound').build(arm, offered('compound'), named(arm, 'Moon pinion')));
    const out = byId(onArm.members, named(onArm, 'Reduction output'));
    expect(byId(onArm.axes, out?.kind === 'arbor' ? out.axis : '')?.frame).to.equal(arm.drive!.member);
  });

  it('winding joins the barrel and the motion work that are there', () => {
    // A barrel drives the centre arbor 72 : 12, and that its motion work.
    const driven = built('compound', { stages: '72:12, 60:10' });
    const centre = named(driven, 'Reduction arbor 1');
    const clock = must(ready('motion-work').build(driven, offered('motion-work'), centre));
    expect(ready('winding').asked?.(clock, centre)).to.deep.equal(['setting']);
    expect(ready('winding').asked?.(clock)).to.deep.equal(['barrel', 'setting']);
    const m = must(ready('winding').build(clock, offered('winding'), centre));
    const [run, set, wind] = m.modes.map(x => ({ ...m, mode: x.id }));
    const ratesOf = (x: Machine): string[] =>
      ['Drive', 'Reduction arbor 1', 'Reduction output', 'Hands', 'Hour tube'].map(n => rate(x, n));
    expect(ratesOf(run!)).to.deep.equal(['1', '-6', '36', '-6', '-1/2']);
    // Setting: the train stands, the hands and their motion work turn with the knob.
    expect(ratesOf(set!)).to.deep.equal(['0', '0', '0', '-1/2', '-1/24']);
    expect(ratesOf(wind!)).to.deep.equal(['0', '0', '0', '0', '0']);
    expect(m.members.filter(x => x.name === 'Barrel')).to.deep.equal([]);
    expect(rate(wind!, 'Barrel arbor')).to.equal('1');
  });

  it('pairs are read as people write them, and refused with what is wrong', () => {
    expect(must(parsePairs(' 20:60 ;15/45, '))).to.deep.equal([
      [20, 60],
      [15, 45],
    ]);
    const why = (text: string): string => {
      const r = parsePairs(text);
      return r.ok ? '' : r.problem.code;
    };
    expect(['', '20', '2:60', '20:6000'].map(why)).to.deep.equal([
      'pairs-empty',
      'pairs-unreadable',
      'pairs-count',
      'pairs-count',
    ]);
  });
});
