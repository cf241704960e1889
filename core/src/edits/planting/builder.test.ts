import { expect } from 'chai';
import { derive } from '../../state/derive/index.ts';
import { byId, integrityProblems, newMachine } from '../../document/machine/index.ts';
import { toFraction } from '../../ground/rational/index.ts';
import { builderOn } from './index.ts';

describe('building part by part', () => {
  it('leaves the machine it was given as it is, and never gives an id twice', () => {
    const start = newMachine('m');
    const b = builderOn(start);
    const ids = [b.id('mesh'), b.id('mesh'), b.arbor({ name: 'a' }), b.arbor({ name: 'b' })];
    expect(new Set(ids).size).to.equal(4);
    expect(start.members).to.have.length(1);
    expect(b.machine().members).to.have.length(3);
    expect(integrityProblems(b.machine())).to.deep.equal([]);
  });

  it('makes a mesh with both wheels, on a new axis that hangs on it, or on one that is there', () => {
    const b = builderOn(newMachine('m'));
    const first = b.mesh({
      from: 'drive',
      to: { name: 'One' },
      counts: [20, 40],
      toothing: 'toothing1',
      angleDeg: 30,
    });
    const one = byId(b.machine().members, first.arbor)!;
    const axis = byId(b.machine().axes, one.kind === 'arbor' ? one.axis : '')!;
    expect(axis.place).to.deep.equal({ kind: 'mesh', joint: first.joint, angleDeg: 30 });
    const back = b.mesh({
      from: first.arbor,
      to: { name: 'Two', axis: 'axis1' },
      counts: [30, 30],
      toothing: 'toothing1',
    });
    const d = derive(b.machine());
    expect(toFraction(d.train.rates[back.arbor]!)).to.equal('1/2');
    expect(d.findings.filter(f => f.severity === 'stop')).to.deep.equal([]);
    expect(
      b.machine().wheels.map(w => w.layer),
      'each mesh in a layer of its own',
    ).to.deep.equal([0, 0, 1, 1]);
  });

  it('drives from a wheel that is there, and makes the larger of an internal mesh a ring', () => {
    const b = builderOn(newMachine('m'));
    const wheel = b.wheel({ name: 'own', member: 'drive', teeth: 20, toothing: 'toothing1', layer: 5 });
    const ring = b.mesh({
      from: 'drive',
      wheel,
      to: { name: 'Ring' },
      counts: [20, 60],
      toothing: 'toothing1',
      type: 'internal',
    });
    expect(ring.wheels[0]).to.equal(wheel);
    expect(byId(b.machine().wheels, ring.wheels[1])).to.include({ role: 'ring', layer: 5 });
    const d = derive(b.machine());
    expect(toFraction(d.train.rates[ring.arbor]!)).to.equal('1/3');
    const axis = byId(b.machine().members, ring.arbor);
    const at = d.positions.at[axis?.kind === 'arbor' ? axis.axis : '']!;
    expect(Math.hypot(at.x, at.y), 'centres differ by half the difference of pitch diameters').to.be.closeTo(
      40,
      1e-9,
    );
  });
});
