import { expect } from 'chai';
import { readFileSync } from 'node:fs';
import { derive } from '../core/src/state/derive/index.ts';
import { byId, readMachine, writeMachine } from '../core/src/document/machine/index.ts';
import { distance } from '../core/src/ground/geometry/index.ts';
import { flatParts } from '../core/src/making/workshop/index.ts';
import { jointCourse, stancesAt, tracedPaths } from '../core/src/place/motion/index.ts';
import { toFraction } from '../core/src/ground/rational/index.ts';
import { must } from '../core/src/ground/result/index.ts';
import { heron, STEP } from '../scripts/heron.ts';

const file = readFileSync(new URL('./wading-heron.json', import.meta.url), 'utf8');

describe('wading heron', () => {
  const machine = must(readMachine(file));
  const d = derive(machine);

  it('is what its script makes, and has nothing to mend', () => {
    expect(writeMachine(heron())).to.equal(file);
    expect(d.findings.filter(f => f.severity !== 'note')).to.deep.equal([]);
    expect(d.aims[machine.aims[0]!.id]!.status).to.equal('met');
  });

  it('strides once in sixteen turns of its motor, worked by hand: 1 + 60/20 = 4, twice', () => {
    const out = machine.aims[0]!.member!;
    expect(toFraction(d.train.rates[out]!)).to.equal('1/16');
    const places = stancesAt(d.moving, { whole: 16n, part: 0 });
    const rest = stancesAt(d.moving, { whole: 0n, part: 0 });
    expect(places.get(out)!.angle).to.be.closeTo(rest.get(out)!.angle, 1e-12);
    const further = [...places.keys()].filter(k => k.includes(' '));
    expect(further, 'three more places in each of two stages').to.have.length(6);
  });

  it('steps through the places that were wanted of its foot, as near as was said when it was found', () => {
    const leg = machine.members.find(m => m.name === 'Leg')!;
    const point = leg.kind === 'link' ? leg.points![0]! : { radius: 0, angleDeg: 0 };
    const axis = d.positions.at[axisOf(machine.aims[0]!.member!)]!;
    const foot = { member: leg.id, radius: point.radius, angleDeg: point.angleDeg };
    const { points: path, turns } = tracedPaths(d.moving, [foot], 1440)[0]!;
    expect(turns, 'traced until it comes back: a whole stride').to.equal(16);
    expect(distance(path[0]!, path.at(-1)!)).to.be.below(1e-9);
    for (const p of STEP) {
      const wanted = { x: axis.x + p.x, y: axis.y + p.y };
      expect(Math.min(...path.map(q => distance(q, wanted)))).to.be.below(2.55);
    }
    const low = path.filter(p => p.y < axis.y - 86);
    expect(low.length / path.length, 'on the bed for nearly a third of its stride').to.be.above(0.3);
  });

  it('nods by twice its crank, and all of it is made', () => {
    const neck = machine.joints.find(j => j.kind === 'crank')!;
    const { swing, transmission } = jointCourse(d.moving, neck)!;
    expect(swing!.most - swing!.least).to.be.closeTo(2 * neck.pin.radius, 1e-3);
    expect(transmission! * (180 / Math.PI)).to.be.above(80);
    const parts = flatParts(d)
      .parts.filter(p => p.kind === 'link')
      .map(p => p.name);
    expect(parts).to.have.members([
      ...['crank, Stride', 'crank, Hip', 'rod, Leg', 'rod, Neck rod', 'slide, Neck'],
    ]);
  });
  const axisOf = (id: string): string => {
    const m = byId(machine.members, id);
    return m?.kind === 'arbor' ? m.axis : '';
  };
});
