import { fix } from '../../ground/result/index.ts';
import { expect } from 'chai';
import { plantTrain } from '../planting/index.ts';
import { KINDS } from '../../../test/kinds.ts';
import { compare, neg } from '../../ground/rational/index.ts';
import { trainRates } from '../../trains/train/index.ts';
import { type Aim, integrityProblems, type Machine, newMachine } from '../../document/machine/index.ts';
import { editForFix, insertIdler, removeAim, removeTrainTo, renameMember, setWheel } from './index.ts';

const aim = (id: string): Aim => ({
  id,
  name: id,
  wanted: '1/2',
  sense: 'with the drive',
  tolerance: { amount: '1', over: '100 turns' },
  frame: 'ground',
});
const stages = [
  { driving: 20, driven: 40 },
  { driving: 30, driven: 30 },
];
const planted = (): Machine => {
  const start = { ...newMachine('m'), aims: [aim('a'), aim('b')] };
  const one = plantTrain(start, 'a', { stages, module: 2, coaxial: 'equal sums' });
  return plantTrain(one, 'b', { stages, module: 2, coaxial: 'none' });
};

describe('edits', () => {
  it('name an arbor, and with it the wheels that are called after it, and no others', () => {
    const m = newMachine('x');
    const wheel = (id: string, name: string): Machine['wheels'][number] => ({
      ...{ id, name, member: 'drive', toothing: 'toothing1', role: 'wheel', layer: 0 },
      teeth: { kind: 'count', count: 20 },
    });
    const before = {
      ...m,
      wheels: [wheel('a', 'Drive wheel'), wheel('b', 'Drive wheel 2'), wheel('c', 'Own')],
    };
    const after = renameMember('drive', 'Barrel')(before);
    expect(after.wheels.map(w => w.name)).to.deep.equal(['Barrel wheel', 'Barrel wheel 2', 'Own']);
    expect(after.members[0]!.name).to.equal('Barrel');
    expect(renameMember('drive', 'Drive')(before).wheels).to.equal(before.wheels);
  });

  it('leave every part they do not touch the very same value', () => {
    const m = planted();
    const before = m.wheels[0]!.layer;
    const next = setWheel(m.wheels[0]!.id, { layer: 9 })(m);
    expect(next.axes).to.equal(m.axes);
    expect(next.wheels[1]).to.equal(m.wheels[1]);
    expect([next.wheels[0]!.layer, m.wheels[0]!.layer]).to.deep.equal([9, before]);
  });

  it('removing an output takes its train and nothing of the other’s', () => {
    const m = planted();
    const rest = removeAim('a')(m);
    expect(rest.wheels.length).to.equal(4);
    expect(rest.joints.length).to.equal(2);
    expect(rest.aims.map(a => a.id)).to.deep.equal(['b']);
    expect(integrityProblems(rest)).to.deep.equal([]);
    const none = removeAim('b')(rest);
    expect([none.wheels.length, none.members.length, none.axes.length]).to.deep.equal([0, 1, 1]);
    expect(integrityProblems(none)).to.deep.equal([]);
  });

  it('removing a train that sized the teeth keeps their size', () => {
    const m = planted();
    const wheel = m.wheels.find(w => w.member === m.aims[0]!.member)!;
    const sized: Machine = {
      ...m,
      toothings: m.toothings.map(t => ({
        ...t,
        size: { by: 'outside diameter', wheel: wheel.id, diameter: 64 },
      })),
    };
    const rest = removeTrainTo(m.aims[0]!.member!)(sized);
    expect(integrityProblems(rest)).to.deep.equal([]);
    expect(rest.toothings[0]!.size).to.deep.equal({ by: 'module', module: 2 });
    const byRoot: Machine = {
      ...m,
      toothings: m.toothings.map(t => ({
        ...t,
        size: { by: 'root diameter', wheel: wheel.id, diameter: 55 },
      })),
    };
    expect(removeTrainTo(m.aims[0]!.member!)(byRoot).toothings[0]!.size, 'by the root').to.deep.equal({
      by: 'module',
      module: 2,
    });
    const shifted = removeTrainTo(m.aims[0]!.member!)(setWheel(wheel.id, { shift: 0.5 })(sized));
    expect(shifted.toothings[0]!.size, 'shift and addendum count').to.deep.equal({
      by: 'module',
      module: 64 / 33,
    });
  });

  it('an idler changes the sign of the rate and nothing else (common practice, no source)', () => {
    for (const target of ['a', 'b']) {
      const m = planted();
      const member = m.aims.find(a => a.id === target)!.member!;
      const last = m.joints.find(
        j => j.kind === 'mesh' && m.wheels.find(w => w.id === j.b)?.member === member,
      )!;
      const next = insertIdler(last.id, 25)(m);
      expect(integrityProblems(next)).to.deep.equal([]);
      const [before, after] = [trainRates(m).rates, trainRates(next).rates];
      expect(compare(after[member]!, neg(before[member]!))).to.equal(0);
      for (const id of Object.keys(before))
        if (id !== member) expect(compare(before[id]!, after[id]!)).to.equal(0);
    }
  });

  it('exist for every fix', () => {
    const m = planted();
    const fixed = editForFix(fix('set-shift', m.wheels[0]!.id, 0.3))(m);
    expect(fixed.wheels[0]!.shift).to.equal(0.3);
  });

  it('removing any arbor of any kind of machine leaves a whole document', () => {
    for (const machine of Object.values(KINDS)) {
      for (const m of machine.members) {
        const rest = removeTrainTo(m.id)(machine);
        expect(integrityProblems(rest), `${machine.name}: ${m.id}`).to.deep.equal([]);
      }
    }
  });
});

describe('an aim that is removed', () => {
  it('takes its own searches with it, and no others', () => {
    const m = planted();
    const search = (id: string, of: string): Machine['searches'][number] => ({
      ...({ id, aim: of } as Machine['searches'][number]),
    });
    const searched = { ...m, searches: [search('s1', 'a'), search('s2', 'b')] };
    expect(removeAim('a')(searched).searches.map(s => s.id)).to.deep.equal(['s2']);
  });
});
