import { expect } from 'chai';
import { plated, type Plates } from '../../../test/plated.ts';
import { type Machine, readMachine, writeMachine } from '../../document/machine/index.ts';
import { derive, layoutOf } from '../../state/derive/index.ts';
import { distance, isClosed, meshVolume, type Point } from '../../ground/geometry/index.ts';
import { setArbor, setPlates } from '../../edits/change/index.ts';
import { mend, onPlank, standOnBase, standOnFeet } from '../../edits/edit/index.ts';
import { expectApart } from '../../../test/apart.ts';
import { flatParts } from '../../making/workshop/index.ts';
import Module from 'manifold-3d';
import { must } from '../../ground/result/index.ts';
import { partMaker, spaceScene } from '../../making/solid/index.ts';
import { notMade, partsList } from '../../making/lists/index.ts';
import { drillingTable } from '../../files/drawings/index.ts';
import { baseOf, outBelow, sectionThrough } from './index.ts';

const between = plated();
const based = (m: Machine = between): Machine => standOnBase(derive(m), true)(m);
const codes = (m: Machine): string[] =>
  derive(m)
    .findings.map(f => f.code)
    .filter(c => /column|base|hole/.test(c));
const change = (m: Machine, to: Partial<NonNullable<Plates['base']>>): Machine =>
  setPlates({ base: { ...m.layout.plates!.base!, ...to } })(m);

describe('a base with a column', function () {
  this.timeout(60_000);

  it('stands where the column has room, high enough and wide enough, in place of feet; taken away again', () => {
    const m = based(standOnFeet(derive(between), true)(between));
    expect(m.layout.plates?.feet).to.equal(undefined);
    expect(codes(m)).to.deep.equal([]);
    expect(must(readMachine(writeMachine(m)))).to.deep.equal(JSON.parse(JSON.stringify(m)));
    const d = derive(m);
    const at: Point = m.layout.plates!.base!;
    const back = d.layout.plates.find(p => p.side === 'back')!;
    for (const h of back.holes.filter(x => x.kind !== 'column'))
      expect(distance(h.at, at), `hole ${h.number}`).to.be.above(8 + h.diameter / 2);
    expect(standOnBase(d, false)(m).layout.plates?.base).to.equal(undefined);
    expect(standOnFeet(d, true)(m).layout.plates?.base, 'feet in its place').to.equal(undefined);
  });

  it('falls at the lean that its width and height give, by hand; the width that is offered stands', () => {
    const m = change(based(), { x: 0, y: 0, across: 40, column: { height: 60, diameter: 16 } });
    const d = derive(m);
    const back = d.layout.plates.find(p => p.side === 'back')!;
    // The pillars are a triangle whose middle is at 40/3; a round about each corner moves it by little.
    const finding = d.findings.find(f => f.code === 'base-tips')!;
    const { lean, least } = finding.data as { lean: number; least: number };
    const high = 12 + 60 + d.layout.stack.height / 2;
    expect(back.band.from).to.equal(d.layout.stack.back!.from);
    // tan of the lean = (20 − off)/high, and the least base off + high·tan 10°: `off` must agree in both.
    const off = 20 - high * Math.tan((lean * Math.PI) / 180);
    expect(off).to.be.closeTo(40 / 3, 1.5);
    expect(least).to.be.closeTo(2 * (off + high * 0.17632698), 1e-6);
    expect(codes(must(mend(finding.fixes[0]!)(m)))).to.not.include('base-tips');
    expect(codes(change(m, { across: least - 0.1 }))).to.include('base-tips');
  });

  it('too short for what reaches out below, or in its way, is told and mended', () => {
    const behind = setArbor('a', { reach: 'back' })(between);
    const m = based(behind);
    expect(codes(m)).to.deep.equal([]);
    const out = outBelow(derive(m).layout);
    expect(out).to.be.above(0);
    const short = change(m, { column: { height: out / 2, diameter: 16 } });
    const finding = derive(short).findings.find(f => f.code === 'column-too-short')!;
    expect(must(mend(finding.fixes[0]!)(short)).layout.plates!.base!.column.height).to.equal(
      Math.ceil(out + 1),
    );
    expect(codes(change(m, { x: 9, y: 0 }))).to.include('column-strikes');
    expect(codes(change(based(), { x: 9, y: 0 })), 'where nothing reaches out below').to.not.include(
      'column-strikes',
    );
    expect(codes(change(based(), { x: 3, y: 0 })), 'its hole in that of an arbor').to.include('holes-meet');
  });

  it('is in the section, the lists, the drilling table; bodies closed, apart, and as long as drawn', async () => {
    const m = based();
    const d = derive(m);
    const base = baseOf(m, d.layout.stack)!;
    const through = derive(change(m, { x: 15, y: 0 }));
    const parts = { ...layoutOf(through), plates: through.layout.plates, pieces: through.layout.pieces };
    const cuts = sectionThrough(
      parts,
      through.machine.axes.map(a => a.id),
    ).cuts;
    expect(cuts.map(c => c.kind)).to.include.members(['column', 'base']);
    const rows = partsList(d).rows.map(r => String(r[0]));
    expect(rows).to.include('base').and.include('column');
    expect(drillingTable(d).rows.map(r => r[2])).to.include('column');
    const board = flatParts(d).parts.find(p => p.id === 'base')!;
    expect([board.thickness, board.holes.length]).to.deep.equal([12, 1]);
    const kit = await Module();
    kit.setup();
    const mesh = must(partMaker(kit, d)({ id: 'column', name: 'column' }));
    expect(isClosed(mesh)).to.equal(true);
    // 16 across for 60, its ends 9.6 through 12 of board and 4 of plate: volumes of cylinders.
    const volume = Math.PI * (64 * 60 + 4.8 ** 2 * (12 + 4));
    expect(meshVolume(mesh) / volume).to.be.closeTo(1, 0.005);
    expect(base.board.to - base.board.from + 60 + 4).to.equal(76);
    // Pressed in, its ends are wider than their holes: by a tenth narrower here, to see that nothing else is shared.
    const eased = derive({
      ...m,
      processes: [{ id: 'p', name: 'Printer', kind: 'printer', fits: { press: 0.1 } }],
      process: 'p',
    });
    const items = spaceScene(eased).items.filter(i => /^(column|base|plate back)$/.test(i.body));
    expect(items).to.have.length(3);
    await expectApart(eased, items, 1);
    expect(
      notMade(eased)
        .map(l => l.name)
        .join(' '),
    ).to.not.match(/base|column/);
  });

  it('bears a plank as well, which stands in the list of parts', () => {
    const plank = onPlank(true)(between);
    const m = based(plank);
    expect(codes(m)).to.deep.equal([]);
    expect(partsList(derive(m)).rows.map(r => String(r[0]))).to.include.members([
      'back plate',
      'base',
      'column',
    ]);
  });
});
