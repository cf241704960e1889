import { expect } from 'chai';
import { driveNew } from '../../edits/edit/index.ts';
import { byId, type Machine, meshes, newMachine } from '../../document/machine/index.ts';
import { setWheel } from '../../edits/change/index.ts';
import { must } from '../../ground/result/index.ts';
import { derive } from '../derive/index.ts';
import { wheelFigures } from './index.ts';

const figures = (m: Machine, id: string): Record<string, number> =>
  Object.fromEntries(wheelFigures(derive(m), byId(m.wheels, id)!, 0));

describe('the figures of a wheel', () => {
  const base: Machine = {
    ...newMachine('m'),
    wheels: [
      {
        id: 'w',
        name: 'Pinion',
        member: 'drive',
        toothing: 'toothing1',
        role: 'wheel',
        layer: 0,
        teeth: { kind: 'count', count: 15 },
      },
    ],
  };
  const module = Object.values(derive(base).modules)[0]!;

  it('of a rack are its pitch, length and travel, not diameters', () => {
    const m = must(driveNew('w', 20, 'rack')(base)).machine;
    const rack = m.wheels.find(w => w.role === 'rack')!;
    const found = figures(m, rack.id);
    expect(Object.keys(found)).to.deep.equal(['pitch', 'length', 'travel for a turn of Pinion']);
    expect(found['pitch']).to.be.closeTo(Math.PI * module, 1e-12);
    expect(found['length']).to.be.closeTo(20 * Math.PI * module, 1e-9);
    expect(found['travel for a turn of Pinion']).to.be.closeTo(15 * Math.PI * module, 1e-9);
  });

  it('of a worm of one start: its lead is the pitch, 9.42 for module 3 (common practice, no source)', () => {
    const one = setWheel('w', { teeth: { kind: 'count', count: 1 } })(base);
    const m = must(driveNew('w', 30, 'worm')(one)).machine;
    const worm = meshes(m).find(j => j.type === 'worm')!;
    expect(worm.a).to.equal('w');
    const found = figures(m, 'w');
    expect(found['lead']! / module).to.be.closeTo(9.42 / 3, 0.002);
    expect(Object.keys(found)).to.not.include('base Ø');
  });

  it('of a plain wheel are its circles', () => {
    const found = figures(base, 'w');
    expect(found['pitch Ø']).to.be.closeTo(15 * module, 1e-12);
    expect(found['outside Ø']! - found['pitch Ø']!).to.be.closeTo(2 * module, 1e-9);
  });
});
