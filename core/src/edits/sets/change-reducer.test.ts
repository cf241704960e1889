import { expect } from 'chai';
import { byId, type Machine, newMachine, readMachine, writeMachine } from '../../document/machine/index.ts';
import { derive } from '../../state/derive/index.ts';
import { mend } from '../edit/index.ts';
import { setAxisPlace } from '../change/index.ts';
import { must } from '../../ground/result/index.ts';
import { READY } from '../arrangements/index.ts';
import { toFraction } from '../../ground/rational/index.ts';
import { groundRate, trainRates } from '../../trains/train/index.ts';
import { sectionThrough } from '../../place/layout/index.ts';
import { layoutOf } from '../../state/derive/index.ts';
import { changeReducer, type ReducerChange, type ReducerFacts, reducerFacts, reducerParts } from './index.ts';

const OFFERED = { lobes: '15', pins: '16', output: '6', discs: '1', ring: 'lobes', turns: 'plate' };
const start: Machine = {
  ...newMachine('r'),
  processes: [{ id: 'p', name: 'Printer', kind: 'printer' }],
  process: 'p',
};
const built = must(READY.find(r => r.id === 'reducer')!.build(start, OFFERED));
const disc = (m: Machine): string => m.wheels.find(w => w.role === 'disc')!.id;
const changed = (m: Machine, change: ReducerChange): Machine => must(changeReducer(disc(m), change)(m));
const refused = (m: Machine, change: ReducerChange): string => {
  const made = changeReducer(disc(m), change)(m);
  return made.ok ? 'ok' : made.problem.code;
};
const facts = (m: Machine): ReducerFacts => reducerFacts(m, reducerParts(m, disc(m))!)!;
const rate = (m: Machine, name: string): string => {
  const { rates } = trainRates(m);
  const id = m.members.find(x => x.name === name)!.id;
  return toFraction((groundRate(m, rates, id) ?? rates[id])!);
};
const worst = (m: Machine): string[] =>
  derive(m)
    .findings.filter(f => f.severity !== 'note')
    .map(f => f.code);

describe('a reducer that is changed as one', () => {
  it('is known by every part of it, and by the arbor that swings it', () => {
    const parts = reducerParts(built, disc(built))!;
    const [first] = parts.discs;
    for (const id of [
      ...[first.ring.id, first.mesh.id, first.arbor.id, parts.ringArbor.id],
      ...[parts.plate!.id, parts.driver.id, first.output!.id],
    ])
      expect(reducerParts(built, id)?.discs[0].wheel.id, id).to.equal(first.wheel.id);
    expect(reducerParts(built, 'nothing')).to.equal(undefined);
  });

  it('keeps the difference of lobes and pins, and finds room for its output again', () => {
    const before = facts(built);
    const m = changed(built, { lobes: 20 });
    expect([facts(m).lobes, facts(m).pins]).to.deep.equal([20, 21]);
    expect(rate(m, 'Reducer output')).to.equal('-1/20');
    expect(facts(m).outputPin).to.be.above(before.outputPin);
    expect(worst(m)).to.deep.equal([]);
    // The output of two pins of difference (common practice, no source): −2/14.
    const two = changed(built, { lobes: 14, pins: 16 });
    expect(rate(two, 'Reducer output')).to.equal('-1/7');
    expect(facts(two).eccentricity).to.be.closeTo(2 * before.eccentricity, 1e-9);
  });

  it('is as wide outside as is asked, in the figures and in the part made', () => {
    for (const ring of ['lobes', 'pins'] as const) {
      const m = changed(changed(built, { ring }), { outside: 100 });
      expect(facts(m).outside).to.be.closeTo(100, 1e-3);
      const d = derive(m);
      const extent = d.extents[reducerParts(m, disc(m))!.discs[0].ring.id]!;
      expect(2 * extent.outer, ring).to.be.closeTo(100, 1e-3);
      expect(worst(m), ring).to.deep.equal([]);
    }
    expect(refused(built, { outside: 1e6 })).to.equal('reducer-outside-out-of-reach');
  });

  it('gets a second disc opposite the first, and loses it again, as it was', () => {
    for (const ring of ['lobes', 'pins'] as const) {
      const one = changed(built, { ring });
      const two = changed(one, { discs: 2 });
      const { discs } = reducerParts(two, disc(two))!;
      const at = derive(two).positions.at;
      const [p, q] = discs.map(d => at[d.axis.id]!);
      expect(p!.x + q!.x, ring).to.be.closeTo(0, 1e-9);
      expect(Math.hypot(p!.x, p!.y), ring).to.be.closeTo(facts(two).eccentricity, 1e-9);
      expect(rate(two, 'Lobed disc opposite')).to.equal('-1/15');
      expect(worst(two), ring).to.deep.equal([]);
      const back = changed(two, { discs: 1 });
      expect(back.wheels.map(w => w.name)).to.deep.equal(one.wheels.map(w => w.name));
      expect(back.joints.length).to.equal(one.joints.length);
      expect(worst(back)).to.deep.equal([]);
    }
    // Wherever the eccentric points when the machine stands at 0.
    const axis = reducerParts(built, disc(built))!.discs[0].axis;
    const place = { ...axis.place, angleDeg: 70 } as typeof axis.place;
    const swung = changed(setAxisPlace(axis.id, place)(built), { discs: 2 });
    const [p, q] = reducerParts(swung, disc(swung))!.discs.map(d => derive(swung).positions.at[d.axis.id]!);
    expect(Math.hypot(p!.x + q!.x, p!.y + q!.y)).to.be.closeTo(0, 1e-9);
    // From one plate of pins to two rings and back.
    const pins = changed(changed(built, { discs: 2 }), { ring: 'pins' });
    expect(pins.wheels.filter(w => w.role === 'pins').map(w => w.name)).to.deep.equal(['Plate of pins']);
    const lobes = changed(pins, { ring: 'lobes' });
    expect(lobes.wheels.filter(w => w.role === 'ring')).to.have.length(2);
    expect(worst(lobes)).to.deep.equal([]);
  });

  it('turns its ring instead of its plate: (pins − lobes)/pins, and what hung on the one hangs on the other', () => {
    const shown = READY.find(r => r.id === 'reducer')!;
    const withHand: Machine = {
      ...built,
      indicators: [
        {
          ...{ kind: 'hand', id: 'h', name: 'Hand', member: reducerParts(built, disc(built))!.plate!.id },
          ...{ shape: 'tapered', radius: 30, settingDeg: 0 },
        } as Machine['indicators'][number],
      ],
    };
    const m = changed(withHand, { output: 'ring' });
    expect(rate(m, 'Ring of half-round pins')).to.equal('1/16');
    expect(rate(m, 'Reducer output')).to.equal('0');
    expect(m.indicators[0]!.kind === 'hand' && m.indicators[0]!.member).to.equal(
      reducerParts(m, disc(m))!.ringArbor.id,
    );
    expect(toFraction(facts(m).ratio)).to.equal('1/16');
    const back = changed(m, { output: 'plate' });
    expect(rate(back, 'Reducer output')).to.equal('-1/15');
    expect(toFraction(facts(back).ratio)).to.equal('-1/15');
    expect(refused(m, { discs: 2 })).to.equal('reducer-ring-turns');
    const refusedToo = shown.build(start, { ...OFFERED, discs: '2', turns: 'ring' });
    expect(refusedToo.ok ? '' : refusedToo.problem.code).to.equal('reducer-ring-turns');
  });

  it('refuses what cannot be, with what would work', () => {
    expect(refused(built, { lobes: 16, pins: 16 })).to.equal('reducer-counts');
    expect(refused(built, { lobes: 15.5 })).to.equal('limits-not-whole');
    expect(refused(built, { shaft: 60 })).to.equal('reducer-no-room');
    const small = changeReducer(disc(built), { module: 0.8 })(built);
    expect(small.ok).to.equal(false);
    if (!small.ok && small.problem.code === 'reducer-no-room') {
      const { module } = small.problem.data;
      expect(module).to.be.above(0.8);
      expect(facts(changed(built, { module })).outputPin).to.be.above(0.8);
      expect(refused(built, { module: module - 0.02 })).to.equal('reducer-no-room');
    }
  });

  it('puts a plate of pins that lies elsewhere behind its discs, even where something lies there', () => {
    const two = changed(changed(built, { ring: 'pins' }), { discs: 2 });
    const plate = two.wheels.find(w => w.role === 'pins')!;
    for (const layer of [plate.layer + 1, plate.layer - 1]) {
      const moved = {
        ...two,
        wheels: two.wheels.map(w => (w.id === plate.id ? { ...w, layer } : w)),
      };
      const found = derive(moved).findings.find(f => f.code === 'pins-not-behind')!;
      expect(found.severity).to.equal('stop');
      const mended = must(mend(found.fixes[0]!)(moved));
      expect(worst(mended)).to.deep.equal([]);
    }
    // A wheel in the way goes up with the discs.
    const loose = { ...plate, id: 'w', name: 'In the way', role: 'wheel' as const };
    const taken = {
      ...two,
      wheels: [...two.wheels.map(w => (w.id === plate.id ? { ...w, layer: w.layer + 1 } : w)), loose],
    };
    const fixed = must(
      mend(derive(taken).findings.find(f => f.code === 'pins-not-behind')!.fixes[0]!)(taken),
    );
    const parts = reducerParts(fixed, disc(fixed))!;
    expect(parts.discs[0].wheel.layer - parts.discs[0].ring.layer).to.equal(1);
    expect(byId(fixed.wheels, 'w')!.layer).to.not.equal(parts.discs[0].ring.layer);
  });

  it('shows eccentric, pins and plate in section, and comes back from its file', () => {
    const m = changed(changed(built, { ring: 'pins' }), { discs: 2 });
    const d = derive(m);
    const parts = reducerParts(m, disc(m))!;
    const [first] = parts.discs;
    const cut = sectionThrough({ ...layoutOf(d), plates: d.layout.plates, pieces: d.layout.pieces }, [
      parts.driver.axis,
      first.axis.id,
    ]);
    const bore = first.wheel.bore?.kind === 'round' ? first.wheel.bore.diameter : 0;
    const swings = cut.cuts.filter(c => c.kind === 'wheel' && c.id === parts.driver.id);
    expect(Math.max(...swings.map(c => c.right)) - Math.min(...swings.map(c => c.left))).to.be.closeTo(
      bore,
      0.5,
    );
    const pins = cut.cuts.filter(c => parts.discs.some(x => x.mesh.id === c.id));
    expect(pins).to.have.length(4);
    expect(must(readMachine(writeMachine(m)))).to.deep.equal(m);
  });
});
