import { expect } from 'chai';
import { KINDS } from '../../../test/kinds.ts';
import { DEMOS as ALL } from '../../../test/machines.ts';
import { derive } from '../derive/index.ts';
import type { Derived } from '../state/index.ts';
import { type Machine, type Material, newMachine, type Process } from '../../document/machine/index.ts';
import { setMaking } from '../../edits/change/index.ts';

const demo = (name: string): Machine => ALL[name]!;
const DEMOS = Object.keys(ALL);

describe('judgements about making', () => {
  const codes = (
    process: Partial<Process>,
    material?: Partial<Material>,
    name = 'saltreach-tide-clock',
  ): string[] => {
    const m = demo(name);
    const stock = material && { id: 'stock', name: 'ply', sheets: [], ...material };
    const changed = { ...m.processes[0]!, ...process, ...(stock && { material: 'stock' }) } as Process;
    return derive({ ...m, processes: [changed], materials: stock ? [stock] : [] })
      .findings.filter(f => f.station === 'make')
      .map(f => f.code);
  };

  it('demos have none; stock that measures otherwise, and sheets that are too small, are told', () => {
    for (const name of DEMOS) expect(codes({}, undefined, name), name).to.deep.equal([]);
    expect(codes({}, { thickness: 4.02 })).to.deep.equal([]);
    expect(codes({}, { thickness: 3.6 })).to.include('stock-thickness');
    expect(codes({}, { sheets: [{ width: 600, height: 90 }] })).to.include('part-too-large');
  });

  it('a part that is too large says whether it is a sheet or a bed that is too small', () => {
    const m = demo('saltreach-tide-clock');
    const place = (process: Partial<Process>, sheets: { width: number; height: number }[]): unknown => {
      const changed = { ...m.processes[0]!, ...process, material: 'stock' } as Process;
      const materials = [{ id: 'stock', name: 'ply', sheets }];
      const found = derive({ ...m, processes: [changed], materials }).findings;
      return found.flatMap(f => (f.code === 'part-too-large' ? [f.data] : []))[0];
    };
    expect(place({}, [{ width: 600, height: 90 }])).to.include({ place: 'sheet', width: 600, height: 90 });
    const bed = { width: 100, depth: 90, height: 200 };
    expect(place({ kind: 'printer', bed }, [])).to.include({ place: 'bed', width: 100, height: 90 });
  });

  it('every part is held against sheet or bed as it lies: rings by their outside, racks, arms, dials, tubes', () => {
    const large = (m: Machine, width: number, depth: number, height = 400): Map<string, [number, number]> => {
      const processes = [
        { id: 'p', name: 'p', kind: 'printer' as const, nozzle: 0.1, bed: { width, depth, height } },
      ];
      const found = derive({ ...m, processes, process: 'p', making: [] }).findings;
      return new Map(
        found.flatMap(f => (f.code === 'part-too-large' ? [[f.subjects[0]!, [f.data.is, f.data.by]]] : [])),
      );
    };
    const heron = demo('wading-heron');
    const ring = heron.wheels.find(w => w.role === 'ring')!;
    const outside = 2 * derive(heron).extents[ring.id]!.outer;
    expect(outside, 'more than its 60 teeth of 1.5 mm').to.be.greaterThan(60 * 1.5 + 2 * 1.25 * 1.5);
    expect(large(heron, outside - 0.1, 400).get(ring.id)).to.deep.equal([outside, outside]);
    expect(large(heron, outside + 0.1, 400).has(ring.id)).to.equal(false);
    // Four planets on 30 mm about the arm's middle, and a bar's width beyond.
    const arm = [...large(heron, 50, 50)].find(([id]) => id.startsWith('arm '))!;
    const width = derive(heron).layout.sizes.get(arm[0].slice(4))!.diameter * 2 + 2;
    expect(arm[1][0]).to.be.closeTo(60 + width, 1e-6);
    const rack = KINDS['rack']!;
    const [long, deep] = large(rack, 150, 150).get('r')!;
    expect(long, '30·π·2').to.be.closeTo(188.496, 0.001);
    expect(deep).to.be.below(20);
    expect(large(rack, 200, 30).has('r')).to.equal(false);
    const dial = demo('saltreach-tide-clock').indicators.find(i => i.kind === 'dial')!;
    const size = 2 * (dial as { radius: number }).radius;
    expect(large(demo('saltreach-tide-clock'), size - 1, 900).get(dial.id)![0]).to.be.closeTo(size, 0.2);
    const tall = (height: number): boolean =>
      derive({
        ...heron,
        processes: [{ ...heron.processes[0]!, bed: { width: 300, depth: 300, height } }],
      }).findings.some(f => f.code === 'part-too-high');
    const tubes = derive(heron)
      .layout.pieces.filter(p => p.kind === 'tube')
      .map(p => p.length);
    expect(tall(Math.max(...tubes) + 0.1)).to.equal(false);
    expect(tall(Math.max(...tubes) - 0.1)).to.equal(true);
  });

  it('a cutter that is too thick for the roots is told once for wheels of one kind, a thin one not', () => {
    expect(codes({ kind: 'router', cutter: 3 })).to.include('corner-too-sharp');
    expect(codes({ kind: 'router', cutter: 0.4 })).to.not.include('corner-too-sharp');
  });

  it('a printer whose bed or height is too small, and walls thinner than two lines, are told', () => {
    expect(codes({ kind: 'printer', bed: { width: 100, depth: 100, height: 200 } })).to.include(
      'part-too-large',
    );
    expect(codes({ kind: 'printer', bed: { width: 400, depth: 400, height: 3 } })).to.include(
      'part-too-high',
    );
    const m = demo('saltreach-tide-clock');
    const bored = {
      ...m,
      wheels: m.wheels.map(w => ({
        ...w,
        body: { web: { kind: 'spokes' as const, number: 4, width: 1 }, mark: false, engraved: false },
      })),
    };
    const told = (nozzle: number, more: { flare?: number } = {}): string[] =>
      derive({
        ...bored,
        processes: [{ id: m.process!, name: 'p', kind: 'printer', nozzle, ...more }],
      }).findings.flatMap(f => (f.code === 'wall-too-fine' ? [f.data.what] : []));
    expect(told(0.8)).to.include('a spoke');
    expect(told(0.4)).to.not.include('a spoke');
    // A spoke of 1 mm is 0.6 wide in a first layer that is drawn in by 0.2 on both sides; two lines are 0.8.
    expect(told(0.4, { flare: 0.2 })).to.include('the first layer of a spoke');
    expect(told(0.4, { flare: 0.05 })).to.not.include('the first layer of a spoke');
    const wall = 'the wall of the tube';
    const printed = demo('wading-heron');
    const walls = (thick: number): Derived =>
      derive({ ...printed, layout: { ...printed.layout, tubes: { rod: 3, running: 0.1, wall: thick } } });
    expect(walls(0.8).findings.map(f => f.code)).to.not.include('wall-too-fine');
    const thin = walls(0.5);
    const tubes = thin.findings.filter(f => f.code === 'wall-too-fine' && f.data.what === wall);
    expect(tubes.length)
      .to.equal(thin.layout.pieces.filter(p => p.kind === 'tube').length)
      .and.above(0);
  });

  it('exceptions for single parts leave a whole document, and go when they say nothing more', () => {
    const m = newMachine('x');
    const one = setMaking('plate back', { process: 'process1', number: 2 })(m);
    expect(one.making).to.deep.equal([{ part: 'plate back', process: 'process1', number: 2 }]);
    expect(setMaking('plate back', { process: undefined, number: undefined })(one).making).to.deep.equal([]);
  });
});
