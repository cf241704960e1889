import { fusedParts, onePieces } from '../../place/layout/index.ts';
import { expect } from 'chai';
import { DEMOS as ALL } from '../../../test/machines.ts';
import { derive } from '../../state/derive/index.ts';
import type { Derived } from '../../state/state/index.ts';
import { readDxf, readSvg, writeDxf, writeSvg } from '../../files/format/index.ts';
import { judge, runCutter } from '../dry-run/index.ts';
import { bounds, circle, flatten, polygon, signedArea } from '../../ground/geometry/index.ts';
import { type Machine, type Material, type Process } from '../../document/machine/index.ts';
import { setMaking } from '../../edits/change/index.ts';
import { gapOf } from '../process/index.ts';
import { must } from '../../ground/result/index.ts';
import {
  batchesOf,
  batchName,
  batchTotals,
  digitStrip,
  drillText,
  estimateOf,
  finishedOn,
  type FlatPart,
  flatParts,
  type LaidBatch,
  layOutBatch,
  lengthOf,
  patternsOf,
  sheetDrawing,
} from './index.ts';
import { hardwareList, partsList } from '../lists/index.ts';

const demo = (name: string): Machine => ALL[name]!;
const DEMOS = Object.keys(ALL);

function laid(derived: Derived, sets = 1, tries = 1): LaidBatch[] {
  return batchesOf(derived).batches.map(batch => {
    const job = layOutBatch(derived, batch, sets, tries);
    for (;;) {
      const step = job.next();
      if (step.done) return step.value;
    }
  });
}
const plate = (more: Partial<FlatPart> = {}): FlatPart => ({
  ...{
    id: 'p',
    kind: 'plate',
    name: 'plate',
    number: 1,
    thickness: 3,
    holes: [],
    drilled: new Set(),
    engraved: [],
    labels: [],
  },
  outline: polygon([
    { x: 0, y: 0 },
    { x: 100, y: 0 },
    { x: 100, y: 50 },
    { x: 0, y: 50 },
  ]),
  ...more,
});
const LASER: Process = { id: 'l', name: 'Laser', kind: 'laser', kerf: 0.2, rate: 20 };
const PLY: Material = {
  id: 'm',
  name: 'birch',
  density: 0.68,
  thickness: 3.1,
  sheets: [{ width: 300, height: 200 }],
};

describe('what parts take', () => {
  it(
    'a steel plate of 100 × 50 × 3 mm weighs 117.75 g at 7.85 g/cm³ (density of steel: ' +
      'common tables), less with a hole',
    () => {
      const steel = { ...PLY, density: 7.85 };
      expect(estimateOf(plate(), LASER, steel).mass).to.be.closeTo(117.75, 1e-9);
      const drilled = estimateOf(plate({ holes: [circle({ x: 50, y: 25 }, 10, false)] }), LASER, steel);
      expect(drilled.mass).to.be.closeTo(117.75 - 0.3 * Math.PI * 7.85, 0.01);
      expect(estimateOf(plate(), LASER, undefined).mass).to.equal(undefined);
    },
  );

  it('a cut is as long as its lines and takes as long as its rate says; a print takes its volume', () => {
    const made = estimateOf(plate({ holes: [circle({ x: 50, y: 25 }, 10, false)] }), LASER, PLY);
    expect(made.cutLength).to.be.closeTo(300 + 20 * Math.PI, 0.02);
    expect(made.seconds).to.be.closeTo(made.cutLength / 20 + 2, 1e-9);
    const printed = estimateOf(plate(), { id: 'p', name: 'p', kind: 'printer', rate: 5 }, PLY);
    expect([printed.cutLength, printed.seconds]).to.deep.equal([0, 3000]);
    expect(
      lengthOf({ start: { x: 0, y: 0 }, segments: [{ kind: 'line', to: { x: 3, y: 4 } }], closed: false }),
    ).to.equal(5);
  });

  it('a price by weight or by the sheet comes down to the part', () => {
    const byWeight = estimateOf(plate(), LASER, { ...PLY, price: { amount: 10, per: 'kg' } });
    expect(byWeight.cost).to.be.closeTo((15 * 0.68 * 10) / 1000, 1e-9);
    const bySheet = estimateOf(plate(), LASER, { ...PLY, price: { amount: 6, per: 'sheet' } });
    expect(bySheet.cost).to.be.closeTo((6 * 5000) / 60000, 1e-9);
    const printer = { id: 'p', name: 'p', kind: 'printer' } as const;
    const printed = estimateOf(plate(), printer, { ...PLY, price: { amount: 6, per: 'sheet' } });
    expect(printed.cost, 'a printer uses no sheet').to.equal(undefined);
  });
});

describe('parts of a machine', () => {
  it('are wheels, plates, hands and dials; planets as often as there are, or as many as the maker says', () => {
    const heron = derive(demo('wading-heron'));
    const planets = heron.moving.copies.map(c => c.member);
    const planet = heron.machine.wheels.find(w => planets.includes(w.member))!;
    const find = (m: Machine): number | undefined =>
      flatParts(derive(m)).parts.find(p => p.id === planet.id)?.number;
    expect(find(heron.machine)).to.equal(1 + planets.filter(p => p === planet.member).length);
    expect(find(setMaking(planet.id, { number: 7 })(heron.machine))).to.equal(7);
    const clock = derive(demo('two-noons'));
    const kinds = new Set(flatParts(clock).parts.map(p => p.kind));
    for (const i of clock.machine.indicators) if (i.kind === 'hand') expect(kinds.has('hand')).to.equal(true);
  });

  it('come in batches by tool, stock and thickness', () => {
    const d = derive(demo('saltreach-tide-clock'));
    const { batches } = batchesOf(d);
    const all = batches.flatMap(b => b.parts);
    expect(all.length).to.equal(flatParts(d).parts.length);
    for (const b of batches) for (const p of b.parts) expect(p.thickness).to.be.closeTo(b.thickness!, 1e-6);
    const [first] = d.machine.wheels;
    const printed: Machine = {
      ...d.machine,
      processes: [...d.machine.processes, { id: 'pr', name: 'Printer', kind: 'printer' }],
    };
    const two = batchesOf(derive(setMaking(first!.id, { process: 'pr' })(printed))).batches;
    expect(two.find(b => b.process.id === 'pr')?.parts.map(p => p.id)).to.deep.equal([first!.id]);
    expect(batchName(two.find(b => b.process.id === 'pr')!)).to.equal('Printer');
  });

  it('every demo gives a list in which each made part has a process and a time, and hardware that adds up', () => {
    for (const name of DEMOS) {
      const d = derive(demo(name));
      const list = partsList(d);
      const column = (c: string): number => list.columns.indexOf(c);
      for (const row of list.rows)
        expect(row.length, `${name} ${String(row[0])}`).to.equal(list.columns.length);
      const made = new Set(flatParts(d).parts.map(p => p.name));
      for (const row of list.rows)
        if (made.has(String(row[0])) && !String(row[column('process')]).startsWith('one piece with'))
          expect(Number(row[column('time min')]), `${name}: ${String(row[0])}`).to.be.above(0);
      const bought = hardwareList(d);
      const times = (arbor: string): number => 1 + d.moving.copies.filter(c => c.member === arbor).length;
      const fused = fusedParts(onePieces(d.machine, d.layout.pieces));
      const cut = d.layout.pieces.filter((p, i) => p.kind === 'rod' && !fused.has(`piece ${i}`));
      const lugs = d.layout.lugRods.reduce((s, r) => s + r.whole.to - r.whole.from, 0);
      const rods = cut.reduce((s, p) => s + p.length * times(p.arbor), lugs);
      const listed = bought.rows.filter(r => r[0] === 'rod').reduce((s, r) => s + Number(r[4]), 0);
      expect(listed, name).to.be.closeTo(rods, 0.1 * Math.max(1, bought.rows.length));
    }
    const pump = hardwareList(derive(demo('ossel-brine-pump')));
    const pegs = pump.rows.filter(r => r[0] === 'peg').reduce((s, r) => s + Number(r[3]), 0);
    expect(pegs, '14 pegs against 33').to.equal(14 + 33);
  });
});

describe('sheets', function () {
  this.timeout(180_000);

  it('cut as pads hold as many parts as are needed in fewer cuts, and take the stock of all', () => {
    const d = derive(demo('saltreach-tide-clock'));
    const [batch] = batchesOf(d).batches;
    const lay = (pad?: number, sets = 4): LaidBatch => {
      const process = { ...batch!.process, ...(pad !== undefined && { pad }) };
      const job = layOutBatch(d, { ...batch!, process }, sets, 1);
      for (;;) {
        const step = job.next();
        if (step.done) return step.value;
      }
    };
    const [single, pads] = [lay(), lay(3)];
    const count = (of: LaidBatch, i: number): number => of.nesting.places.filter(p => p.part === i).length;
    batch!.parts.forEach((p, i) => {
      expect(count(single, i)).to.equal(4 * p.number);
      expect(count(pads, i)).to.equal(Math.ceil((4 * p.number) / 3));
    });
    // Four of one part are two pads of three: half as much again of stock, in half the time.
    const [once, padded] = [batchTotals(single), batchTotals(pads)];
    expect(padded.seconds).to.be.below(0.6 * once.seconds);
    if (once.mass !== undefined) expect(padded.mass).to.be.within(once.mass, 2 * once.mass);
    expect(sheetDrawing(d, pads, 0).notes.join(' ')).to.match(/3 sheets into a pad/);
    expect(sheetDrawing(d, single, 0).notes.join(' ')).to.not.match(/pad/);
  });

  it('of a laser-cut demo, written as DXF and cut dry from the file, drop the finished parts to 0.01 mm', () => {
    const d = derive(demo('saltreach-tide-clock'));
    const wheels = new Set(d.machine.wheels.map(w => w.name));
    for (const of of laid(d)) {
      expect(of.left).to.deep.equal([]);
      of.sheets.forEach((_, i) => {
        const drawing = sheetDrawing(d, of, i);
        for (const file of [
          { name: 's.dxf', text: writeDxf(drawing) },
          { name: 's.svg', text: writeSvg(drawing) },
        ]) {
          const run = must(
            runCutter(file, { kerf: of.batch.process.kerf ?? 0, rate: 10, travel: 100, pierce: 1 }),
          );
          expect(run.mishaps, file.name).to.deep.equal([]);
          const judged = judge(finishedOn(of, i, 0.002), run.dropped);
          expect(judged.length).to.be.above(0);
          for (const j of judged) {
            expect(j.found, `${j.name} in ${file.name}`).to.equal(true);
            // A round cut leaves r·(√2 − 1) in a square inside corner; teeth have fillets, the necks of hands have
            // corners.
            const corner = ((of.batch.process.kerf ?? 0) / 2) * (Math.SQRT2 - 1);
            expect(j.off, j.name).to.be.below(wheels.has(j.name) ? 0.01 : corner + 0.01);
            expect(j.holes.found, j.name).to.equal(j.holes.wanted);
          }
        }
      });
    }
  });

  it('cut with another kerf than they were made for, show by how much the parts are off', () => {
    const d = derive(demo('round-of-kestrels'));
    const [of] = laid(d);
    const run = must(
      runCutter(
        { name: 'x.dxf', text: writeDxf(sheetDrawing(d, of!, 0)) },
        { kerf: 0.5, rate: 10, travel: 100, pierce: 1 },
      ),
    );
    for (const j of judge(finishedOn(of!, 0, 0.002), run.dropped)) expect(j.off).to.be.closeTo(0.15, 0.02);
  });

  it('keep every line inside the sheet, each part apart from the next, and no line twice', () => {
    for (const name of ['saltreach-tide-clock', 'round-of-kestrels', 'ossel-brine-pump']) {
      const d = derive(demo(name));
      for (const of of laid(d))
        of.sheets.forEach((size, i) => {
          const { lines } = must(readSvg(writeSvg(sheetDrawing(d, of, i))));
          const cut = lines.filter(l => l.layer !== 'reference');
          for (const l of cut.filter(x => x.layer === 'cut')) {
            const b = bounds(l.points);
            expect(Math.min(b.minX, b.minY, size.width - b.maxX, size.height - b.maxY)).to.be.above(0);
            expect(l.closed).to.equal(true);
          }
          const keys = cut.map(l =>
            l.points
              .slice(0, 3)
              .map(p => `${p.x.toFixed(3)} ${p.y.toFixed(3)}`)
              .join(),
          );
          expect(new Set(keys).size).to.equal(keys.length);
          expect(gapOf(of.batch.process)).to.be.above(0);
        });
    }
  });

  it('have holes before outlines, and drilled holes in a layer of their own where they are drilled', () => {
    const d = derive(demo('ossel-brine-pump'));
    const [of] = laid(d);
    const drawing = sheetDrawing(d, of!, 0);
    const layers = new Set(must(readDxf(writeDxf(drawing))).lines.map(l => l.layer));
    expect([...layers]).to.include.members(['cut', 'drill', 'reference']);
    for (const g of drawing.groups.slice(1).filter(q => q.shapes.some(s => s.role !== 'engrave'))) {
      const last = g.shapes.at(-1)!;
      expect(last.paths.length).to.equal(1);
      const outer = Math.abs(signedArea(flatten(last.paths[0]!, 0.1)));
      for (const s of g.shapes.slice(0, -1))
        for (const p of s.paths)
          if (p.closed) expect(Math.abs(signedArea(flatten(p, 0.1)))).to.be.below(outer);
    }
  });

  it('have all marks before any cut, as the file is read', () => {
    const clock = demo('saltreach-tide-clock');
    const marked = derive({
      ...clock,
      wheels: clock.wheels.map(w => ({
        ...w,
        body: { ...(w.body ?? { web: { kind: 'solid' as const } }), mark: true, engraved: true },
      })),
    });
    let engraved = 0;
    for (const of of laid(marked))
      of.sheets.forEach((_, i) => {
        const { lines } = must(readDxf(writeDxf(sheetDrawing(marked, of, i))));
        const first = lines.findIndex(l => l.layer === 'cut' || l.layer === 'drill');
        const marks = lines.flatMap((l, k) => (l.layer === 'engrave' ? [k] : []));
        engraved += marks.length;
        expect(Math.max(-1, ...marks), 'the last mark before the first cut').to.be.below(first);
      });
    expect(engraved).to.be.above(20);
  });

  it('of several sets hold so many times the parts; a part too large for any is named', () => {
    const d = derive(demo('round-of-kestrels'));
    const [one, three] = [laid(d)[0]!, laid(d, 3)[0]!];
    expect(three.nesting.places.length).to.equal(3 * one.nesting.places.length);
    const small: Machine = {
      ...d.machine,
      materials: [{ id: 'm', name: 'offcut', sheets: [{ width: 60, height: 40 }] }],
    };
    const process = small.processes[0]!;
    const cut = derive({ ...small, processes: [{ ...process, material: 'm' }] });
    expect(cut.findings.map(f => f.code)).to.include('part-too-large');
    const left = laid(cut)[0]!.left;
    expect(left.length).to.be.above(0);
    expect(left[0]!.problem.code).to.equal('no-room-on-sheet');
  });

  it('a kerf wider than a part leaves it out and says so', () => {
    const d = derive(demo('round-of-kestrels'));
    const wide = { ...d.machine, processes: d.machine.processes.map(p => ({ ...p, kerf: 3 })) };
    const of = laid(derive(wide))[0]!;
    const codes = new Set(of.left.map(l => l.problem.code));
    for (const code of codes) expect(code).to.equal('compensation-swallows');
    expect(of.left.length + of.parts.length).to.equal(of.batch.parts.length);
  });
});

describe('what a tool leaves', () => {
  it('in its coupons is left in the bearing holes of plates that it makes, and in no others', () => {
    const m = demo('quartet-of-moons');
    const holes = (machine: Machine): number[] =>
      derive(machine).layout.plates.flatMap(p =>
        p.holes.filter(h => h.kind === 'bearing').map(h => h.diameter),
      );
    const fitted = (id: string): Machine => ({
      ...m,
      processes: m.processes.map(p => (p.id === id ? { ...p, fits: { free: 0.41 } } : p)),
    });
    const before = holes(m);
    holes(fitted('process2')).forEach((d, i) => expect(d - before[i]!).to.be.closeTo(0.41 - 0.25, 1e-9));
    expect(holes(fitted('process1')), 'the printer makes no plate').to.deep.equal(before);
  });

  it('adds up over the sheets of a batch: every part as often as it lies there, every sheet paid whole', () => {
    const [of] = laid(derive(demo('round-of-kestrels')), 2);
    const totals = batchTotals(of!);
    const each = of!.nesting.places.map(p =>
      estimateOf(of!.parts[p.part]!.part, of!.batch.process, of!.batch.material),
    );
    expect(totals.seconds).to.be.closeTo(
      each.reduce((s, e) => s + e.seconds, 0),
      1e-6,
    );
    expect(totals.mass).to.be.closeTo(
      each.reduce((s, e) => s + e.mass!, 0),
      1e-6,
    );
    expect(totals.cost).to.equal(9 * of!.sheets.length);
    const { material: _, ...bare } = of!.batch;
    expect(batchTotals({ ...of!, batch: { ...bare, material: undefined } }).mass).to.equal(undefined);
  });
});

describe('patterns', () => {
  it('name the drill: 6.35 mm is 1/4 in exactly, 6 mm is nearest to 15/64 in (5.953)', () => {
    expect(drillText(6.35)).to.match(/6\.4 mm \(\+0\.05\) or 1\/4 in$|6\.3 mm \(−0\.05\) or 1\/4 in$/);
    expect(drillText(6)).to.equal('drill 6 mm or 15/64 in (−0.05)');
    expect(drillText(12.7)).to.match(/1\/2 in$/);
    expect(drillText(25.4)).to.match(/ 1 in$/);
  });

  it('of every demo show each wheel at its size, plates with their holes, and of bevels the strip π·d long', () => {
    for (const name of DEMOS) {
      const d = derive(demo(name));
      const patterns = patternsOf(d);
      expect(patterns.filter(p => p.kind === 'plate').length).to.equal(d.layout.plates.length);
      for (const p of patterns.filter(x => x.kind === 'wheel')) {
        const state = d.wheels[p.id]!;
        const [cut] = p.drawing.groups[0]!.shapes;
        const far = Math.max(...flatten(cut!.paths[0]!, 0.01).map(q => Math.hypot(q.x, q.y)));
        if (state.teeth.family === 'involute') expect(far).to.be.closeTo(state.dimensions.tipRadius, 1e-6);
      }
    }
    const strips = patternsOf(derive(demo('ossel-brine-pump'))).filter(p => p.id.endsWith(' strip'));
    expect(strips.length).to.equal(2);
  });

  it('parts that are alike are sawn together: as many layers as a scroll saw cuts square', () => {
    const base = demo('ossel-brine-pump');
    const wheel = base.wheels.find(w => w.id === 'upright-pegs');
    const d = derive(setMaking(wheel!.id, { number: 6 })(base));
    const says = patternsOf(d)
      .find(p => p.id === wheel!.id)!
      .drawing.groups[0]!.labels.map(l => l.text)
      .join(' ');
    expect(says).to.match(/6 of [\d.]+ mm, \d layers nailed together/);
  });

  it('a digit strip has every digit in the middle of its own tenth, in the order in which they pass the window', () => {
    const up = digitStrip({ diameter: 40, width: 12, digits: [...'0123456789'], moves: 'up' });
    const down = digitStrip({ diameter: 40, width: 12, digits: [...'0123456789'], moves: 'down' });
    const part = (Math.PI * 40) / 10;
    const at = (d: typeof up, digit: string): number => {
      const label = d.groups[0]!.labels.find(l => l.text === digit)!;
      return (label.y + 0.36 * label.height) / part;
    };
    // The face moves up: the next digit comes from below, so 1 stands below 0.
    expect(at(up, '0') - at(up, '1')).to.be.closeTo(1, 1e-9);
    expect(at(down, '1') - at(down, '0')).to.be.closeTo(1, 1e-9);
    for (let i = 0; i < 10; i++) expect(at(up, String(i)) % 1).to.be.closeTo(0.5, 1e-9);
    const box = bounds(up.groups[0]!.shapes[0]!.paths.flatMap(p => flatten(p, 0.1)));
    expect(box.maxY - box.minY).to.be.closeTo(Math.PI * 40, 1e-9);
    expect(() => digitStrip({ diameter: 1, width: 1, digits: [], moves: 'up' })).to.throw('digits');
  });
});
