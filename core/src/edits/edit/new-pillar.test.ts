import { expect } from 'chai';
import { arrange } from '../../../test/arrange.ts';
import { DEMOS } from '../../../test/machines.ts';
import type { Machine } from '../../document/machine/index.ts';
import { derive } from '../../state/derive/index.ts';
import { setPlates } from '../change/index.ts';
import { newPillar, standOnFeet } from './index.ts';

describe('a new pillar', () => {
  for (const name of ['saltreach-tide-clock', 'quartet-of-moons', 'ossel-brine-pump', 'wading-heron'])
    it(`stands where it strikes nothing, four in a row: ${name}`, function () {
      this.timeout(20000);
      const demo = DEMOS[name]!;
      const usual = {
        thickness: 4,
        margin: 8,
        shape: 'round the holes',
        fit: 'sliding',
        pillars: [],
      } as const;
      let m: Machine = { ...demo, layout: { ...demo.layout, plates: demo.layout.plates ?? usual } };
      const before = derive(m).findings.filter(f => f.code === 'pillar-strikes');
      const start = m.layout.plates!.pillars.length;
      for (let i = 0; i < 4; i++) {
        const pillar = newPillar(derive(m));
        const plates = m.layout.plates!;
        m = { ...m, layout: { ...m.layout, plates: { ...plates, pillars: [...plates.pillars, pillar] } } };
      }
      const after = derive(m);
      expect(after.findings.filter(f => f.code === 'pillar-strikes').length).to.equal(before.length);
      const { pillars } = after.machine.layout.plates!;
      expect(new Set(pillars.map(p => p.id)).size).to.equal(start + 4);
      for (const [i, p] of pillars.entries())
        for (const q of pillars.slice(i + 1)) expect(Math.hypot(p.x - q.x, p.y - q.y)).to.be.above(6);
      for (const p of pillars.slice(start))
        for (const w of after.machine.wheels) {
          const arbor = after.machine.members.find(a => a.id === w.member);
          const axis = after.machine.axes.find(a => arbor?.kind === 'arbor' && a.id === arbor.axis);
          const at = axis?.frame === 'ground' ? after.positions.at[axis.id] : undefined;
          const tip = after.wheels[w.id]?.dimensions.tipRadius;
          if (at && tip) expect(Math.hypot(p.x - at.x, p.y - at.y), w.name).to.be.above(tip + 3);
        }
    });

  it('stands opposite the first, then across from both: three hold the middle of the machine between them', () => {
    const pair = arrange({ a: {}, b: { at: [30, 0] } }, { 'a.u': 30, 'b.w': 30 }, [['a.u', 'b.w']]);
    const usual = { thickness: 4, margin: 8, shape: 'round the holes', fit: 'sliding', pillars: [] } as const;
    let m: Machine = { ...pair, layout: { ...pair.layout, plates: usual } };
    const angles: number[] = [];
    for (let i = 0; i < 4; i++) {
      const pillar = newPillar(derive(m));
      angles.push((Math.atan2(pillar.y, pillar.x - 15) * 180) / Math.PI);
      m = setPlates({ pillars: [...m.layout.plates!.pillars, pillar] })(m);
    }
    const between = (i: number, j: number): number => {
      const d = Math.abs(angles[i]! - angles[j]!) % 360;
      return Math.min(d, 360 - d);
    };
    expect(between(0, 1)).to.be.at.least(150);
    for (const j of [0, 1]) expect(between(2, j)).to.be.at.least(60);
    for (const j of [0, 1, 2]) expect(between(3, j)).to.be.at.least(60);
    const feet = derive(standOnFeet(derive(m), true)(m)).findings.map(f => f.code);
    expect(feet).to.not.include('feet-tip').and.not.include('pillar-strikes');
  });
});
