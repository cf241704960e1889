import { expect } from 'chai';
import { KINDS } from '../../../test/kinds.ts';
import { derive } from '../../state/derive/index.ts';
import { type Machine, newMachine, type Wheel } from '../../document/machine/index.ts';
import { setWheel } from '../../edits/change/index.ts';
import { plantPlanetary } from '../../edits/planting/index.ts';
import { hardwareList, partsList } from './index.ts';

const wheel = (more: Partial<Wheel> = {}): Machine => ({
  ...newMachine('m'),
  wheels: [
    {
      id: 'w',
      name: 'Wheel',
      member: 'drive',
      toothing: 'toothing1',
      role: 'wheel',
      layer: 0,
      teeth: { kind: 'count', count: 30 },
      ...more,
    },
  ],
});
const items = (m: Machine, item: string): (string | number)[][] =>
  hardwareList(derive(m))
    .rows.filter(r => r[0] === item)
    .map(r => [...r]);

describe('the hardware list', () => {
  it('has a screw, a cross pin or a key for each wheel that is held so, and none for one that is pressed on', () => {
    expect(items(wheel({ hold: 'grub screw' }), 'grub screw').map(r => r[3])).to.deep.equal([1]);
    expect(items(wheel({ hold: 'cross pin' }), 'cross pin').length).to.equal(1);
    expect(items(wheel({ hold: 'press' }), 'grub screw')).to.deep.equal([]);
    const keyed = wheel({ bore: { kind: 'keyed', diameter: 6, width: 2, depth: 1 } });
    expect(items(keyed, 'key')[0]!.slice(1, 4)).to.deep.equal(['2 by 2', 4, 1]);
  });

  it('counts the pins of a reducer’s ring and the magnets of a rim, poles in turn: two to a pair', () => {
    const reducer = KINDS['reducer with output pins']!;
    const pins = items(reducer, 'pin').reduce((n, r) => n + Number(r[3]), 0);
    const ring = reducer.wheels.find(w => w.role === 'pins')!;
    expect(pins).to.equal(ring.teeth.kind === 'count' ? ring.teeth.count : 0);
  });

  it('puts equal things in one row, and says what they are for', () => {
    const two: Machine = {
      ...wheel({ hold: 'grub screw' }),
      wheels: [
        ...wheel({ hold: 'grub screw' }).wheels,
        { ...wheel().wheels[0]!, id: 'v', name: 'Other', layer: 1, hold: 'grub screw' },
      ],
    };
    const [row, more] = items(two, 'grub screw');
    expect(more).to.equal(undefined);
    expect(row![3]).to.equal(2);
    expect(row![5]).to.equal('Wheel; Other');
  });

  it('follows an edit: a thicker wheel makes a longer rod', () => {
    const length = (m: Machine): number => items(m, 'rod').reduce((n, r) => n + Number(r[4]), 0);
    const thin = wheel({ thickness: 3 });
    expect(length(setWheel('w', { thickness: 9 })(thin)) - length(thin)).to.be.closeTo(6, 0.02);
  });
});

describe('a key', () => {
  it('is as long as its wheel is thick, whatever the stock is', () => {
    const keyed = wheel({ thickness: 9, bore: { kind: 'keyed', diameter: 6, width: 2, depth: 1 } });
    expect(items(keyed, 'key')[0]![2]).to.equal(9);
    expect(keyed.stack.thickness).to.not.equal(9);
  });

  it('counts everything of a planet once for every planet and stage, and clips for the rods they go on', () => {
    // Three planets in each of two stages: six planets, six rods, and six clips on rods of 3 mm, the usual rod.
    const set = { sun: 12, planet: 15, ring: 42, planets: 3 };
    const m = plantPlanetary(newMachine('m'), { set, held: 'ring', driver: 'sun', module: 2, stages: 2 });
    const d = derive(m);
    const copied = d.machine.axes.filter(a => a.copies).map(a => a.id);
    const on = (id: string): string | undefined =>
      d.machine.members.flatMap(a => (a.kind === 'arbor' && a.id === id ? [a.axis] : []))[0];
    const planets = d.machine.wheels.filter(w => copied.includes(on(w.member) ?? ''));
    expect(planets).to.have.length(2);
    for (const w of planets) {
      const row = partsList(d).rows.find(r => r[0] === w.name)!;
      expect(row[13], w.name).to.equal(3);
      const arbor = d.machine.members.find(a => a.id === w.member)!.name;
      const clips = hardwareList(d).rows.filter(
        r => r[0] === 'clip or collar' && String(r[5]).includes(arbor),
      );
      expect(
        clips.every(r => /^for a rod of [1-9]/.test(String(r[1]))),
        'of a size',
      ).to.equal(true);
      const lengths = partsList(d).rows.filter(r => r[1] === arbor && /^(rod|tube),/.test(String(r[0])));
      expect(lengths.map(r => r[13])).to.deep.equal(lengths.map(() => 3));
    }
    const clips = hardwareList(d).rows.filter(r => r[0] === 'clip or collar');
    expect(clips.reduce((n, r) => n + Number(r[3]), 0)).to.be.at.least(6);
    const arms = partsList(d).rows.filter(r => String(r[0]).startsWith('arm,'));
    expect(arms.length, 'the arms stand in the list').to.equal(2);
  });
});
