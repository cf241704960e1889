import { expect } from 'chai';
import { readFileSync } from 'node:fs';
import { arrange } from '../../../test/arrange.ts';
import { type Machine, readMachine } from '../../document/machine/index.ts';
import { setArbor, setLayout } from '../../edits/change/index.ts';
import { bounds, flatten, inside, signedArea } from '../../ground/geometry/index.ts';
import { drillingTable } from '../../files/drawings/index.ts';
import { notMade, partsList } from '../../making/lists/index.ts';
import { spaceScene } from '../../making/solid/index.ts';
import { flatParts } from '../../making/workshop/index.ts';
import { derive, layoutOf } from '../../state/derive/index.ts';
import { must } from '../../ground/result/index.ts';
import { inSpace } from './index.ts';

const demo = (name: string): Machine =>
  must(readMachine(readFileSync(new URL(`../../../../demo/${name}.json`, import.meta.url), 'utf8')));
const plated = setLayout({
  plates: { thickness: 6, margin: 8, shape: 'round the holes', fit: 'free', pillars: [] },
});
const codes = (m: Machine): string[] => derive(m).findings.map(f => f.code);

describe('axes that cross the plan', () => {
  it('are all beyond a bevel, those too that a second one brings upright again, but elsewhere', () => {
    const row = arrange(
      { a: {}, b: { at: [40, 0] }, c: { at: [80, 0] }, d: { at: [120, 0] } },
      { 'a.u': 30, 'b.v': 30, 'b.w': 30, 'c.x': 30, 'c.y': 20, 'd.z': 20 },
      [
        ['a.u', 'b.v', 'bevel'],
        ['b.w', 'c.x', 'bevel'],
        ['c.y', 'd.z'],
      ],
    );
    const parts = layoutOf(derive(row));
    expect([...parts.crossing.keys()]).to.deep.equal(['on-b', 'on-c', 'on-d']);
    // Its wheels mesh on both sides of b; c and d stand upright again.
    expect([...parts.crossing.values()].map(c => c.outboard)).to.deep.equal([-1, undefined, undefined]);
    const made = derive(plated(row));
    for (const plate of made.layout.plates)
      expect(
        plate.holes.filter(h => h.kind !== 'bracket').map(h => h.for),
        plate.side,
      ).to.deep.equal(['a']);
    expect(
      layoutOf(derive(arrange({ a: {}, b: { at: [30, 0] } }, { 'a.u': 30, 'b.w': 30 }, [['a.u', 'b.w']])))
        .crossing,
    ).to.be.empty;
  });

  it('no plate is drilled for their arbors, no rod of theirs goes from plate to plate, and it is told', () => {
    const pump = demo('ossel-brine-pump');
    const [bare, m] = [derive(pump), derive(plated(pump))];
    const turningIn = m.layout.plates.flatMap(p => p.holes.filter(h => h.kind === 'bearing').map(h => h.for));
    expect([...new Set(turningIn)]).to.deep.equal(['drive']);
    const long = (d: typeof m, id: string): number => {
      const { whole } = d.layout.spans.of.get(id)!;
      return whole.to - whole.from;
    };
    expect(long(m, 'crank')).to.be.closeTo(long(bare, 'crank'), 1e-9);
    expect(long(m, 'drive')).to.be.greaterThan(long(bare, 'drive') + 6);
    expect(m.findings.filter(f => f.code === 'lies-across').map(f => f.subjects)).to.deep.equal([['crank']]);
    expect(codes(pump)).to.not.include('lies-across');
    // A slot in a plate sets no mesh of an arbor that no plate holds.
    expect(codes(m.machine)).to.not.include('mesh-wants-setting');
  });
});

describe('brackets', () => {
  const m = plated(demo('ossel-brine-pump'));
  const d = derive(m);
  const [near, far] = d.layout.brackets;
  const frame = spaceScene(d).frames.get('upright-axis')!;

  it('stand two by two behind the wheels of a level arbor, holes on its line, tabs in the back plate', () => {
    expect(d.layout.brackets.map(b => b.arbor)).to.deep.equal(['upright', 'upright']);
    // The arbor lies level: its line is at one height, x from the axis of the bevel's mate outwards.
    const at = d.positions.at['upright-axis']!;
    for (const b of [near!, far!]) {
      const middle = inSpace(frame, at, (b.band.from + b.band.to) / 2);
      expect([middle.x, middle.y]).to.deep.equal([b.at.x, b.at.y]);
      expect(middle.z - d.layout.stack.back!.to).to.be.closeTo(b.height, 1e-9);
      const slot = d.layout.plates[0]!.holes.find(h => h.kind === 'bracket' && h.at.x === b.at.x)!;
      // Pressed into a slot as wide as it is thick, less 0.05, straight as long as the tab is wide.
      expect(slot.diameter).to.be.closeTo(6 - 0.05, 1e-9);
      expect(2 * slot.slot!.travel).to.be.closeTo(b.tab, 1e-9);
      expect(inside(flatten(d.layout.plates[0]!.outline, 0.1), b.at)).to.equal(true);
    }
    // The first 1 mm behind the wheel, the second 20 mm on, and the arbor 8 mm out of that.
    const { own, whole } = d.layout.spans.of.get('upright')!;
    expect(own.from - near!.band.to).to.be.closeTo(1, 1e-9);
    expect(near!.band.from - far!.band.to).to.be.closeTo(20, 1e-9);
    expect(far!.band.from - whole.from).to.be.closeTo(8, 1e-9);
    expect(
      d.layout.plates.every(p => p.side === 'back' || p.holes.every(h => h.kind !== 'bracket')),
    ).to.equal(true);
  });

  it('are a part each: upright, as high as they say, tab through the plate, in lists, files and space', () => {
    const part = flatParts(d).parts.find(p => p.kind === 'bracket')!;
    expect([part.number, part.thickness, part.name]).to.deep.equal([2, 6, 'bracket, Upright shaft']);
    const box = bounds(flatten(part.outline, 0.001));
    expect(box.minY).to.be.closeTo(-near!.height - 6, 1e-9);
    expect(box.maxY).to.be.closeTo(near!.width / 2, 0.01);
    expect(box.maxX - box.minX).to.be.closeTo(near!.width, 1e-9);
    // A rectangle, half a disc, the tab, less the hole.
    const { width: w, height, tab, hole } = near!;
    const area = signedArea(flatten(part.outline, 0.0005)) - (Math.PI / 4) * hole ** 2;
    expect(area).to.be.closeTo(
      w * height + (Math.PI / 8) * w ** 2 + tab * 6 - (Math.PI / 4) * hole ** 2,
      0.05,
    );
    expect(
      partsList(d)
        .rows.filter(r => r[0] === 'bracket, Upright shaft')
        .map(r => r[13]),
    ).to.deep.equal([2]);
    expect(
      drillingTable(d)
        .rows.filter(r => r[3] === 'bracket')
        .map(r => r[2]),
    ).to.deep.equal(['bracket, Upright shaft', 'bracket, Upright shaft']);
    expect(notMade(d).join()).to.not.include('bracket');
    // 62 + 6 mm high with its tab and its round top: too long for a sheet of 60.
    const small: Machine = {
      ...m,
      processes: [{ id: 'l', name: 'Laser', kind: 'laser' }],
      process: 'l',
      materials: [{ id: 'x', name: 'Sheet', thickness: 6, sheets: [{ width: 60, height: 60 }] }],
      making: [{ part: 'bracket upright', material: 'x', process: 'l' }],
    };
    expect(
      derive(small)
        .findings.filter(f => f.subjects.includes('bracket upright'))
        .map(f => f.code),
    ).to.not.be.empty;
    // In space the tab reaches down to the underside of the back plate, and nothing lower.
    const items = spaceScene(d).items.filter(i => i.body === 'bracket upright');
    expect(items).to.have.length(2);
    for (const i of items) {
      const [c, s] = [Math.cos(i.spin), Math.sin(i.spin)];
      const heights = flatten(part.outline, 0.01).map(
        p => inSpace(frame, { x: i.at.x + c * p.x - s * p.y, y: i.at.y + s * p.x + c * p.y }, i.at.z).z,
      );
      expect(Math.min(...heights)).to.be.closeTo(d.layout.stack.back!.from, 1e-6);
    }
  });

  it('too low for stock under the arbor, or in the way of a wheel or of the front plate, are told', () => {
    const row = (at: number, teeth: number): Machine =>
      plated(
        arrange(
          { a: {}, b: { at: [at, 0] }, c: { at: [70, 0] } },
          { 'a.u': teeth, 'b.v': teeth, 'a.w': 20, 'c.x': 50 },
          [
            ['a.u', 'b.v', 'bevel'],
            ['a.w', 'c.x'],
          ],
        ),
      );
    const found = (m2: Machine): string[] =>
      derive(m2).findings.flatMap(f =>
        /^bracket-/.test(f.code) ? [`${f.code} ${f.subjects.join(' ')}`] : [],
      );
    expect(found(row(30, 30)).sort())
      .to.include('bracket-strikes b c-x')
      .and.include('bracket-strikes b plate front');
    const thick = setArbor('b', { section: { kind: 'rod', diameter: 120 } })(row(30, 30));
    expect(found(thick)).to.deep.equal(['bracket-low b']);
    expect(derive(thick).layout.plates[0]!.holes.map(h => h.kind)).to.not.include('bracket');
    expect(found(m)).to.deep.equal([]);
  });
});
