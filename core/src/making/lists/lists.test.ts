import { expect } from 'chai';
import Module from 'manifold-3d';
import { arrange } from '../../../test/arrange.ts';
import { KINDS } from '../../../test/kinds.ts';
import { DEMOS } from '../../../test/machines.ts';
import type { Machine } from '../../document/machine/index.ts';
import { setArbor } from '../../edits/change/index.ts';
import { meshBounds, meshVolume } from '../../ground/geometry/index.ts';
import { must } from '../../ground/result/index.ts';
import { derive } from '../../state/derive/index.ts';
import { extraParts, partMaker, solidParts } from '../solid/index.ts';
import { bevelMeasures } from '../workshop/index.ts';
import { hardwareList, notMade, partsList } from './index.ts';

const PRINTER = {
  ...{ id: 'printer', name: 'Printer', kind: 'printer' as const, material: 'pla' },
  bed: { width: 220, depth: 220, height: 250 },
};
const printed = (m: Machine): Machine => ({
  ...m,
  processes: [PRINTER],
  process: 'printer',
  making: [],
  materials: [{ id: 'pla', name: 'PLA', density: 1.24, sheets: [] }],
});
const byHand = (m: Machine): Machine => ({
  ...m,
  drive: { ...m.drive!, by: 'hand' as const },
  layout: {
    ...m.layout,
    plates: {
      ...{ thickness: 4, margin: 8, fit: 'free', shape: 'round the holes', back: -1 },
      pillars: [{ id: 'pillar1', x: 40, y: 60, diameter: 6 }],
    } as never,
  },
});
const cranked = (): Machine =>
  byHand(
    setArbor('a', { reach: 'back' })(
      arrange({ a: {}, b: { at: [60, 0] } }, { 'a.u': 20, 'b.v': 40 }, [['a.u', 'b.v']]),
    ),
  );

describe('what parts weigh in the list', function () {
  this.timeout(60_000);

  it('is what their bodies hold: cranks, knobs, pins, caps, pillars, clips, bevels, eccentrics', async () => {
    const kit = await Module();
    kit.setup();
    const machines = [
      printed(cranked()),
      printed(DEMOS['ossel-brine-pump']!),
      printed(KINDS['reducer with output pins']!),
      printed(DEMOS['wading-heron']!),
    ];
    let seen = 0;
    for (const m of machines) {
      const d = derive(m);
      const make = partMaker(kit, d);
      for (const part of extraParts(d)) {
        const mesh = make(part);
        if (!mesh.ok) continue;
        seen++;
        const { least, most } = meshBounds(mesh.value);
        // Bodies are turned in 96 steps: at most 0.1 % less than round ones.
        expect(part.volume / meshVolume(mesh.value), part.name).to.be.within(0.9999, 1.0025);
        const tall = (most[2] ?? 0) - (least[2] ?? 0);
        const [wide, deep] = [0, 1].map(k => (most[k] ?? 0) - (least[k] ?? 0)) as [number, number];
        if (part.kind !== 'key') expect(part.height, part.name).to.be.closeTo(tall, 1e-6);
        expect(part.outside, part.name).to.be.closeTo(Math.max(wide, deep), 0.05);
      }
      for (const w of m.wheels) {
        const measures = bevelMeasures(d, w);
        if (!measures) continue;
        seen++;
        const mesh = must(make(w));
        const { least, most } = meshBounds(mesh);
        expect(measures.height, w.name).to.be.closeTo((most[2] ?? 0) - (least[2] ?? 0), 1e-4);
        expect(measures.volume / meshVolume(mesh), w.name).to.be.within(0.999, 1.001);
      }
    }
    expect(seen).to.be.greaterThan(15);
  });

  it('stands in a row of every body that can be printed, with its number', () => {
    for (const m of [printed(cranked()), printed(DEMOS['ossel-brine-pump']!)]) {
      const d = derive(m);
      const list = partsList(d);
      const [mass, number] = [list.columns.indexOf('mass g'), list.columns.indexOf('number')];
      for (const part of solidParts(d)) {
        if (['rod', 'pin', 'key', 'tube', 'spacer', 'washers', 'pillar', 'plate'].includes(part.kind))
          continue;
        const row = list.rows.find(r => r[0] === part.name);
        expect(row, part.name).to.not.equal(undefined);
        expect(Number(row![mass]), part.name).to.be.greaterThan(0);
        expect(row![number], part.name).to.equal(part.number);
      }
    }
  });

  it('of a bevel is that of its cone, and its thickness that of its body, by hand', () => {
    const d = derive(printed(DEMOS['ossel-brine-pump']!));
    const bevel = d.machine.wheels.find(w => w.name === 'Wind bevel')!;
    const list = partsList(d);
    const row = list.rows.find(r => r[0] === 'Wind bevel')!;
    const { height, volume } = bevelMeasures(d, bevel)!;
    expect(row[list.columns.indexOf('thickness mm')]).to.be.closeTo(height, 1e-3);
    expect(row[list.columns.indexOf('mass g')]).to.be.closeTo((volume / 1000) * 1.24, 0.06);
    // Between the cone frustum of its roots and that of its tips, less the bore.
    expect(height).to.not.be.closeTo(d.machine.stack.thickness, 0.1);
  });
});

describe('what is not made', () => {
  const names = (m: Machine): string[] => notMade(derive(m)).map(l => `${l.name}: ${l.problem.code}`);

  it('is every body where only a cutter is set, and nothing where a printer is', () => {
    const laser = {
      ...cranked(),
      processes: [{ id: 'l', name: 'Laser', kind: 'laser' as const, kerf: 0.1 }],
      process: 'l',
    };
    expect(names(laser)).to.deep.equal([
      'crank, a: body-needs-printer',
      'crank pin: body-needs-printer',
      'knob: body-needs-printer',
      'end for a drill, a: body-needs-printer',
    ]);
    expect(names(printed(cranked()))).to.deep.equal([]);
    expect(names(DEMOS['ossel-brine-pump']!)).to.deep.equal([
      'Wind bevel: bevel-needs-printer',
      'Upright bevel: bevel-needs-printer',
    ]);
    expect(names(printed(DEMOS['ossel-brine-pump']!))).to.deep.equal([]);
  });

  it('names sprockets, chains, guides, universal joints, half gears and balls, whatever the tool', () => {
    const all = (kind: string): string[] =>
      [KINDS[kind]!, printed(KINDS[kind]!)].flatMap(m => [names(m).join('; ')]);
    for (const said of all('chain over three wheels')) {
      expect(said).to.contain('a: teeth-not-drawn');
      expect(said).to.contain('chain or belt, a and b and c: bodies-not-yet');
    }
    for (const said of all('crank and rod')) {
      expect(said).to.contain('guides, slide, pump: guides-by-hand');
      expect(said, 'rods and slides are made').to.not.contain('bodies-not-yet');
    }
    for (const said of all('sector wheel')) expect(said).to.contain('a: teeth-not-drawn');
    for (const said of all('counter carry, friction, cam, universal joint, half gear')) {
      expect(said).to.contain('universal joint, ');
      expect(said, 'cams are made').to.not.contain('cam, ');
    }
    const moons = DEMOS['quartet-of-moons']!;
    expect(names(moons), 'printed').to.not.include('Io: ball-no-file');
    const cut = { ...moons, processes: [{ id: 'l', name: 'Laser', kind: 'laser' as const }], process: 'l' };
    expect(names(cut)).to.include('Io: ball-no-file');
    expect(hardwareList(derive(cut)).rows.filter(r => r[0] === 'ball')).to.have.length.above(0);
  });

  it('names both wheels of a worm: a spur wheel in their place would be a wrong part', () => {
    const m = arrange({ a: {}, b: { at: [60, 0] } }, { 'a.u': 1, 'b.v': 40 }, [['a.u', 'b.v', 'worm']]);
    for (const machine of [m, printed(m)]) {
      expect(names(machine)).to.include('a.u: bodies-not-yet');
      expect(names(machine)).to.include('b.v: bodies-not-yet');
    }
  });
});
