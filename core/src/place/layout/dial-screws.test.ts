import { expect } from 'chai';
import { arrange } from '../../../test/arrange.ts';
import {
  type Dial,
  GROUND,
  integrityProblems,
  type Machine,
  readMachine,
  writeMachine,
} from '../../document/machine/index.ts';
import { derive } from '../../state/derive/index.ts';
import { distance, type Point } from '../../ground/geometry/index.ts';
import { FIXING_SCREWS, fixingScrew } from '../../document/bought/index.ts';
import { flatParts } from '../../making/workshop/index.ts';
import { diameterOf } from '../../making/workshop/index.ts';
import { hardwareList } from '../../making/lists/index.ts';
import { mend } from '../../edits/edit/index.ts';
import { must } from '../../ground/result/index.ts';
import { radians } from '../../ground/units/index.ts';
import { sayFinding, sayProblem } from '../../files/words/index.ts';
import { setIndicator, setLayout, setPlates, shapeArbor } from '../../edits/change/index.ts';
import { dialScrews } from './index.ts';

const pair = arrange({ a: {}, b: { at: [30, 0] } }, { 'a.u': 30, 'b.w': 30 }, [['a.u', 'b.w']]);
const dial: Dial = {
  ...{ kind: 'dial', id: 'dial', name: 'Hours', member: GROUND, axis: pair.axes[0]!.id, radius: 40 },
  ...{ settingDeg: 90, sense: 'clockwise', rings: [], windows: [] },
};
const plated = shapeArbor('a', { kind: 'rod', diameter: 5 })(
  shapeArbor('b', { kind: 'rod', diameter: 5 })(
    setLayout({
      plates: {
        ...{ thickness: 4, margin: 6, shape: 'round the wheels', fit: 'free' },
        pillars: [{ id: 'p1', x: -30, y: 0, diameter: 6 }],
      },
    })({ ...pair, indicators: [dial] }),
  ),
);
const found = (m: Machine): ReturnType<typeof derive>['findings'] =>
  derive(m).findings.filter(f => f.code.startsWith('dial-'));
const screwed = must(mend(found(plated)[0]!.fixes[0]!)(plated));
const fixedOf = (m: Machine): Extract<NonNullable<Dial['fixed']>, { by: 'screws' }> => {
  const [d] = m.indicators;
  if (d?.kind !== 'dial' || d.fixed?.by !== 'screws') throw new Error('not screwed');
  return d.fixed;
};

describe('a dial that stands', () => {
  it('floats until something holds it: by screws where there is room, or by glue', () => {
    const [finding] = found(plated);
    expect(finding!.code).to.equal('dial-floats');
    expect(finding!.fixes.map(f => f.code)).to.deep.equal(['screw-dial', 'glue-dial']);
    expect(found(screwed)).to.deep.equal([]);
    expect(found(must(mend(finding!.fixes[1]!)(plated)))).to.deep.equal([]);
    expect(integrityProblems(screwed)).to.deep.equal([]);
    expect(must(readMachine(writeMachine(screwed)))).to.deep.equal(JSON.parse(JSON.stringify(screwed)));
    const bare = setLayout({ plates: undefined })(plated);
    expect(found(bare), 'without plates nothing is judged').to.deep.equal([]);
    const plank = setPlates({ plank: true, pillars: [] })(plated);
    expect(sayFinding(found(plank)[0]!, plank).why).to.include('no front plate');
  });

  it('has its holes over those of the plate, however it is turned: drilled for a thread, and to pass', () => {
    for (const settingDeg of [0, 90, 217]) {
      const m = setIndicator('dial', { settingDeg })(screwed);
      const d = derive(m);
      const middle = d.positions.at[dial.axis!]!;
      const plate = d.layout.plates.find(p => p.side === 'front')!.holes.filter(h => h.kind === 'screw');
      expect(
        plate.map(h => h.diameter),
        'M2 by 0.4',
      ).to.deep.equal([1.6, 1.6, 1.6]);
      const cut = flatParts(d)
        .parts.find(p => p.id === 'dial')!
        .holes.filter(h => Math.abs((diameterOf(h) ?? 0) - 2.4) < 1e-9);
      expect(cut).to.have.length(3);
      const turn = radians(settingDeg);
      const centres = cut.map((h): Point => {
        const { x, y } = (h.segments[0] as { centre: Point }).centre;
        return {
          x: middle.x + x * Math.cos(turn) - y * Math.sin(turn),
          y: middle.y + x * Math.sin(turn) + y * Math.cos(turn),
        };
      });
      for (const h of plate) expect(Math.min(...centres.map(c => distance(c, h.at)))).to.be.below(1e-9);
      expect(d.layout.plates.find(p => p.side === 'back')!.holes.some(h => h.kind === 'screw')).to.equal(
        false,
      );
    }
  });

  it('lies on the plate; one that stands before it gets spacers, and glue is told not to reach', () => {
    const rows = (m: Machine): (string | number)[][] =>
      hardwareList(derive(m))
        .rows.filter(r => r[5] === 'Hours')
        .map(r => [...r]);
    // Dial 1.6 and plate 4: of 3, 4, 5, 6 … the longest that does not come out behind is 5.
    expect(rows(screwed)).to.deep.equal([['countersunk screw', 'M2, ISO 7046', 5, 3, 15, 'Hours']]);
    const two: Machine = {
      ...screwed,
      indicators: [...screwed.indicators, { ...dial, id: 'other', name: 'Other' }],
    };
    const both = setIndicator('other', { axis: pair.axes[1]!.id, fixed: fixedOf(screwed) })(two);
    const shared = hardwareList(derive(both)).rows.find(r => r[0] === 'countersunk screw')!;
    expect([shared[3], shared[5]], 'of both dials, and for both').to.deep.equal([6, 'Hours; Other']);
    const high = { ...screwed, wheels: screwed.wheels.map(w => ({ ...w, layer: w.layer + 1 })) };
    const before = setPlates({ back: 0, front: 0 })(high);
    const gap = derive(before).layout.spans.seats.get('dial')!.low - derive(before).layout.stack.front!.to;
    expect(gap).to.be.above(1);
    expect(rows(before).map(r => r[0])).to.include('spacer');
    const glued = setIndicator('dial', { fixed: { by: 'glue' } })(before);
    expect(found(glued).map(f => f.code)).to.deep.equal(['dial-glued-off']);
  });

  it('is told of screws off its rim and of those that are too short; an unknown screw is refused', () => {
    const off = setIndicator('dial', { fixed: { ...fixedOf(screwed), circle: 79 } })(screwed);
    const [finding] = found(off);
    // 40 − half a head of 3.8 − 1 of stock.
    expect(finding!.data).to.deep.equal({ circle: 79, most: 2 * (40 - 1.9 - 1) });
    expect(found(must(mend(finding!.fixes[0]!)(off)))).to.deep.equal([]);
    const thin = setPlates({ thickness: 0.5 })(screwed);
    expect(found(thin).map(f => f.code)).to.deep.equal(['dial-screw-short']);
    const odd = setIndicator('dial', { fixed: { ...fixedOf(screwed), screw: 'M2.2' } })(screwed);
    expect(integrityProblems(odd).map(p => sayProblem(p))[0]).to.include('M2.2');
    expect(dialScrews(odd, derive(odd).positions.at)).to.deep.equal([]);
  });

  it('is held by screws of the published sizes', () => {
    // ISO 7046-1: heads 3.8, 4.7, 5.5, 8.4; ISO 273 medium: 2.4, 2.9, 3.4, 4.5 (from memory).
    expect(FIXING_SCREWS.map(s => [s.name, s.head, s.clearance])).to.deep.equal([
      ['M2', 3.8, 2.4],
      ['M2.5', 4.7, 2.9],
      ['M3', 5.5, 3.4],
      ['M4', 8.4, 4.5],
    ]);
    for (const s of FIXING_SCREWS) expect(s.drill).to.be.below(s.diameter);
    expect(fixingScrew('M7')).to.equal(undefined);
  });
});
