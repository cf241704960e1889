import { expect } from 'chai';
import { DEMOS } from '../../../test/machines.ts';
import type { Machine } from '../../document/machine/index.ts';
import { derive } from '../../state/derive/index.ts';
import { newPillar } from './index.ts';

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
});
