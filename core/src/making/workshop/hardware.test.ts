import { expect } from 'chai';
import { KINDS } from '../../../test/kinds.ts';
import { derive } from '../../state/derive/index.ts';
import { type Machine, newMachine, type Wheel } from '../../document/machine/index.ts';
import { setWheel } from '../../edits/change/index.ts';
import { hardwareList } from './index.ts';

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
});
