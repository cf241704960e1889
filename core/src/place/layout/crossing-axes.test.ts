import { expect } from 'chai';
import { readFileSync } from 'node:fs';
import { arrange } from '../../../test/arrange.ts';
import { type Machine, readMachine } from '../../document/machine/index.ts';
import { setLayout } from '../../edits/change/index.ts';
import { derive, layoutOf } from '../../state/derive/index.ts';
import { must } from '../../ground/result/index.ts';

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
    expect([...parts.crossing]).to.deep.equal(['on-b', 'on-c', 'on-d']);
    const made = derive(plated(row));
    for (const plate of made.layout.plates)
      expect(plate.holes.map(h => h.for).sort(), plate.side).to.deep.equal(['a']);
    expect(
      layoutOf(derive(arrange({ a: {}, b: { at: [30, 0] } }, { 'a.u': 30, 'b.w': 30 }, [['a.u', 'b.w']])))
        .crossing,
    ).to.be.empty;
  });

  it('no plate is drilled for their arbors, no rod of theirs goes from plate to plate, and it is told', () => {
    const pump = demo('ossel-brine-pump');
    const [bare, m] = [derive(pump), derive(plated(pump))];
    const crossing = layoutOf(m).crossing;
    expect(crossing.size).to.equal(2);
    const across = m.machine.members.flatMap(x => (x.kind === 'arbor' && crossing.has(x.axis) ? [x.id] : []));
    for (const plate of m.layout.plates) for (const h of plate.holes) expect(across).to.not.include(h.for);
    const long = (d: typeof m, id: string): number => {
      const { whole } = d.layout.spans.of.get(id)!;
      return whole.to - whole.from;
    };
    for (const id of across) expect(long(m, id), id).to.be.closeTo(long(bare, id), 1e-9);
    expect(long(m, m.machine.drive!.member)).to.be.greaterThan(long(bare, m.machine.drive!.member) + 6);
    const told = m.findings.filter(f => f.code === 'lies-across').map(f => f.subjects[0]!);
    expect(told.sort()).to.deep.equal([...across].sort());
    expect(codes(pump)).to.not.include('lies-across');
    // A slot in a plate sets no mesh of an arbor that no plate holds.
    expect(codes(m.machine)).to.not.include('mesh-wants-setting');
  });
});
