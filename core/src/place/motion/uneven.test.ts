import { expect } from 'chai';
import { KINDS } from '../../../test/kinds.ts';
import { derive } from '../../state/derive/index.ts';
import type { Machine } from '../../document/machine/index.ts';
import { rational } from '../../ground/rational/index.ts';
import { liftOf } from '../../trains/cam/index.ts';
import { crankWay, genevaAngle, stepAngle, universalAngle } from '../../trains/train/index.ts';
import { memberAngle, stancesAt } from './index.ts';

const deg = (x: number): number => (x * Math.PI) / 180;

describe('joints that turn unevenly', () => {
  it('a universal joint bent by 30° runs ahead by up to tan δ = (1 − cos β)/(2√cos β): 4.1°, twice a turn', () => {
    const bend = deg(30);
    const most = Math.max(
      ...Array.from({ length: 3600 }, (_, i) => Math.abs(deg(i / 10) - universalAngle(deg(i / 10), bend))),
    );
    expect(most).to.be.closeTo(Math.atan((1 - Math.cos(bend)) / (2 * Math.sqrt(Math.cos(bend)))), 1e-6);
    for (const quarter of [0, 90, 180, 270, 360, 720, -90])
      expect(universalAngle(deg(quarter), bend)).to.be.closeTo(deg(quarter), 1e-12);
    const ratio = (universalAngle(1e-6, bend) - universalAngle(0, bend)) / 1e-6;
    expect(ratio, 'slowest: cos β (Machinery’s Handbook, universal joints; from memory)').to.be.closeTo(
      Math.cos(bend),
      1e-6,
    );
  });

  it('a Geneva wheel of four slots makes a quarter turn, at rest for three quarters of the driver’s', () => {
    expect(genevaAngle(0, 4)).to.be.closeTo(0, 1e-12);
    expect(genevaAngle(deg(134.9), 4)).to.be.closeTo(0, 1e-12);
    expect(genevaAngle(Math.PI, 4)).to.be.closeTo(deg(45), 1e-12);
    expect(genevaAngle(deg(226), 4)).to.be.closeTo(deg(90), 1e-12);
    expect(genevaAngle(2 * Math.PI * 4, 4), 'once round in four').to.be.closeTo(2 * Math.PI, 1e-12);
    // Greatest speed λ/(1 − λ), at the middle: 2.41 for four slots (Machinery's Handbook, Geneva motion; from memory).
    const speed = (genevaAngle(Math.PI + 1e-6, 4) - genevaAngle(Math.PI - 1e-6, 4)) / 2e-6;
    expect(speed).to.be.closeTo(2.414, 1e-3);
  });

  it('a half gear moves evenly for half a turn of its driver and stands for the other (common practice)', () => {
    const full = 2 * Math.PI;
    const at = (part: number): number => stepAngle(part * full, 1, 0.5) / full;
    expect([0, 0.25, 0.5, 0.75, 1, 1.5, 1.75].map(at)).to.deep.equal([0, 0, 0, 0.5, 1, 1, 1.5]);
  });

  it('a carry moves by a tenth in the last tenth of a turn', () => {
    expect(stepAngle(deg(300), 0.1, 0.1)).to.equal(0);
    expect(stepAngle(deg(342), 0.1, 0.1)).to.be.closeTo(deg(18), 1e-12);
    expect(stepAngle(deg(3600), 0.1, 0.1)).to.be.closeTo(deg(360), 1e-12);
  });

  it('a crank’s stroke is twice its radius (common practice, no source); of a rod too short the pin tells', () => {
    expect(crankWay(15, 0, 80) - crankWay(-15, 0, 80)).to.be.closeTo(30, 1e-12);
    expect(crankWay(0, 15, 17)).to.be.closeTo(8, 1e-12);
    expect(crankWay(3, 15, 10)).to.equal(3);
  });

  it('a cam lifts between its points and round the turn', () => {
    const points = [
      [0, 0],
      [180, 8],
    ] as const;
    const lift = liftOf({ kind: 'points', points, straight: true });
    [0, 4, 4, 4].forEach((wanted, i) => {
      expect(lift(deg([0, 90, 270, 450][i]!))[0]).to.be.closeTo(wanted, 1e-12);
    });
  });

  it('carry their unevenness to all that they drive', () => {
    const m = KINDS['counter carry, friction, cam, universal joint, half gear']!;
    const bent: Machine = {
      ...m,
      members: [...m.members, { kind: 'arbor', id: 'far', name: 'far', axis: 'axis1' }],
      wheels: [
        {
          id: 'a',
          name: 'a',
          member: 'tens',
          toothing: 'toothing1',
          role: 'wheel',
          teeth: { kind: 'count', count: 40 },
          layer: 0,
        },
        {
          id: 'b',
          name: 'b',
          member: 'far',
          toothing: 'toothing1',
          role: 'wheel',
          teeth: { kind: 'count', count: 20 },
          layer: 0,
        },
      ],
      joints: [
        { kind: 'universal', id: 'u', a: 'drive', b: 'tens', bendDeg: 40 },
        { kind: 'mesh', id: 'm', type: 'external', a: 'a', b: 'b' },
      ],
    };
    const d = derive(bent);
    for (const part of [0.1, 0.3, 0.77]) {
      const at = stancesAt(d.moving, { whole: 3n, part });
      const tens = universalAngle(2 * Math.PI * part, deg(40));
      expect(at.get('tens')!.angle).to.be.closeTo(tens, 1e-9);
      const off =
        at.get('far')!.angle -
        (memberAngle(rational(-2n), { whole: 3n, part }) - 2 * (tens - 2 * Math.PI * part));
      expect(Math.abs(off - 2 * Math.PI * Math.round(off / (2 * Math.PI)))).to.be.below(1e-9);
    }
  });

  it('a hundred years of days add no error of our own: planets come back to the very same place', () => {
    const d = derive(KINDS['planets in copies']!);
    const cycle = 21n * 7n; // every rate of the set is a multiple of 1/21 or 1/7
    const days = cycle * (36525n / cycle);
    const [start, end] = [
      stancesAt(d.moving, { whole: 0n, part: 0.25 }),
      stancesAt(d.moving, { whole: days, part: 0.25 }),
    ];
    for (const [id, s] of start) expect(end.get(id), id).to.deep.equal(s);
    expect(start.size).to.equal(6);
  });
});
