import { inPlaceSets } from '../../place/layout/index.ts';
import { Clipper, FillRule } from 'clipper2-ts';
import { expect } from 'chai';
import Module from 'manifold-3d';
import { readFileSync } from 'node:fs';
import { KINDS } from '../../../test/kinds.ts';
import { derive } from '../../state/derive/index.ts';
import type { Derived } from '../../state/state/index.ts';
import { judgeLayer, runPrinter, sectionAt } from '../dry-run/index.ts';
import { writeStl } from '../../files/format/index.ts';
import { flatten, isClosed, meshBounds, meshVolume, type TriMesh } from '../../ground/geometry/index.ts';
import { type Machine, newMachine, readMachine, type Wheel } from '../../document/machine/index.ts';
import { setWheel } from '../../edits/change/index.ts';
import { AS_IS } from '../process/index.ts';
import { plantPlanetary } from '../../edits/planting/index.ts';
import { must } from '../../ground/result/index.ts';
import { flatParts } from '../workshop/index.ts';
import {
  extraParts,
  partMaker,
  printedInPlace,
  printGrowth,
  type SolidKit,
  solidParts,
  wheelSolid,
} from './index.ts';

const demo = (name: string): Machine =>
  must(readMachine(readFileSync(new URL(`../../../../demo/${name}.json`, import.meta.url), 'utf8')));
let kit: SolidKit;
before(async () => {
  const module = await Module();
  module.setup();
  kit = module;
});
const made = (d: Derived, id: string): TriMesh =>
  must(partMaker(kit, d)(solidParts(d).find(p => p.id === id)!));
const areaAt = (mesh: TriMesh, z: number): number =>
  Math.abs(Clipper.areaPathsD(Clipper.unionD(sectionAt(mesh, z), [], FillRule.EvenOdd, 5)));

describe('bodies beside wheels', function () {
  this.timeout(120_000);

  const byHand = (m: Machine): Machine => ({ ...m, drive: { ...m.drive!, by: 'hand' } });

  it('of every kind of machine are closed, turned outwards, and stand on the bed', () => {
    const machines = [
      ...Object.values(KINDS),
      ...['quartet-of-moons', 'ossel-brine-pump', 'two-noons'].map(demo),
    ];
    const kinds = new Set<string>();
    for (const machine of machines.map(byHand)) {
      const d = derive(machine);
      for (const extra of extraParts(d)) {
        const body = extra.make(kit, AS_IS);
        if (!body.ok) continue;
        const mesh = made(d, extra.id);
        kinds.add(extra.kind);
        expect(isClosed(mesh), `${machine.name}: ${extra.name}`).to.equal(true);
        expect(meshVolume(mesh), extra.name).to.be.above(0);
        expect(meshBounds(mesh).least[2], extra.name).to.be.closeTo(0, 1e-4);
        expect(extra.number).to.be.above(0);
      }
    }
    expect([...kinds]).to.include.members(['knob', 'pin', 'peg wheel', 'pillar', 'output']);
  });

  it('a crank is its bar of two half discs and a rectangle, less two holes, times its thickness', () => {
    const d = derive(byHand(demo('quartet-of-moons')));
    const size = d.layout.sizes.get(d.machine.drive!.member)!.diameter;
    const wide = Math.max(12, size + 6);
    const area = (r: number): number => Math.PI * r * r;
    const exact = 5 * (45 * wide + area(wide / 2) - area((size - 0.05) / 2) - area((5 - 0.05) / 2));
    expect(meshVolume(made(d, 'crank')) / exact).to.be.closeTo(1, 1e-3);
    const end = meshBounds(made(d, 'drill end'));
    expect(end.most[2], 'a quarter-inch hexagon 25 mm long above its socket').to.be.closeTo(25 + 12, 1e-6);
    const shank = areaAt(made(d, 'drill end'), 30);
    expect(shank, 'a hexagon 6.35 mm across flats: √3/2·s²').to.be.closeTo(
      (Math.sqrt(3) / 2) * 6.35 ** 2,
      0.01,
    );
  });

  it('a peg wheel in one piece has a peg at every place, as long as its pegs stand out', () => {
    const d = derive(demo('ossel-brine-pump'));
    const wheel = d.machine.wheels.find(w => d.wheels[w.id]?.teeth.family === 'pegs')!;
    const form = d.machine.toothings.find(t => t.id === wheel.toothing)!.form as {
      pegLength: number;
      pegDiameter: number;
    };
    const mesh = made(d, `standing ${wheel.id}`);
    const top = meshBounds(mesh).most[2]!;
    const thick = wheel.thickness ?? d.machine.stack.thickness;
    expect(top).to.be.closeTo(thick + form.pegLength, 1e-6);
    const count = wheel.teeth.kind === 'count' ? wheel.teeth.count : 0;
    expect(areaAt(mesh, top - 0.5) / (count * Math.PI * (form.pegDiameter / 2) ** 2)).to.be.closeTo(1, 2e-3);
  });

  it('an arm is a bar to every axis that it carries, with a hole at each', () => {
    const d = derive(demo('round-of-kestrels'));
    const arm = solidParts(d).find(p => p.kind === 'arm')!;
    const mesh = made(d, arm.id);
    const section = sectionAt(mesh, 1);
    const holes = section.filter(p => Clipper.areaD(p) < 0).length;
    const carried = d.machine.axes.filter(a => a.frame !== 'ground' && a.place.kind !== 'coaxial');
    expect(holes).to.equal(1 + carried.length);
  });
});

describe('first layers and engraving', function () {
  this.timeout(120_000);

  const wheel: Wheel = {
    id: 'w',
    name: 'Moon 7',
    member: 'drive',
    toothing: 'toothing1',
    role: 'wheel',
    layer: 0,
    teeth: { kind: 'count', count: 24 },
    bore: { kind: 'round', diameter: 6 },
  };
  const machine = (flare: number, body?: Wheel['body']): Machine => ({
    ...newMachine('m'),
    processes: [{ id: 'process1', name: 'P', kind: 'printer', layer: 0.2, flare }],
    wheels: [{ ...wheel, ...(body && { body }) }],
  });

  it('the first layer is narrower all round by the flare, the next ones are not', () => {
    const d = derive(machine(0.15));
    const part = solidParts(d).find(p => p.id === 'w')!;
    const { growth, process } = printGrowth(d, part);
    const mesh = must(partMaker(kit, d)(part, growth, process));
    expect(isClosed(mesh)).to.equal(true);
    const outer = (z: number): number =>
      Math.max(
        ...sectionAt(mesh, z)
          .flat()
          .map(p => Math.hypot(p.x, p.y)),
      );
    expect(outer(1) - outer(0.1)).to.be.closeTo(0.15, 0.002);
    const bore = (z: number): number =>
      Math.min(
        ...sectionAt(mesh, z)
          .flat()
          .map(p => Math.hypot(p.x, p.y)),
      );
    expect(bore(0.1) - bore(1)).to.be.closeTo(0.15, 0.01);
    const plain = must(
      partMaker(kit, derive(machine(0)))(part, growth, derive(machine(0)).machine.processes[0]),
    );
    expect(areaAt(plain, 0.1)).to.be.closeTo(areaAt(plain, 1), 1e-3);
  });

  it('printed by a printer that is as far off as its profile says, the body comes out as the finished wheel', () => {
    const m = machine(0.1);
    const off = { ...m, processes: [{ ...m.processes[0]!, outlineGrowth: 0.08, holeShrink: 0.3 }] };
    const d = derive(off);
    const part = solidParts(d).find(p => p.id === 'w')!;
    const { growth, process } = printGrowth(d, part);
    const mesh = must(partMaker(kit, d)(part, growth, process));
    const [finished] = flatParts(d).parts;
    const expected = {
      name: 'w',
      outline: flatten(finished!.outline, 0.001),
      holes: finished!.holes.map(h => flatten(h, 0.001)),
    };
    const judged = judgeLayer(sectionAt(mesh, 2), { outline: 0.08, hole: 0.15 }, expected);
    expect(judged.off).to.be.below(0.01);
    expect(judged.holes).to.deep.equal({ wanted: 1, found: 1 });
    const wrong = judgeLayer(sectionAt(mesh, 2), { outline: 0, hole: 0 }, expected);
    expect(wrong.off, 'and by another it does not').to.be.closeTo(0.15, 0.01);
    expect(judgeLayer([], { outline: 0, hole: 0 }, expected).found).to.equal(false);
  });

  it('count, name and mark are sunk into the upper face only', () => {
    const d = derive(machine(0, { web: { kind: 'solid' }, mark: true, engraved: true }));
    const bare = derive(machine(0));
    const sunk = must(wheelSolid(kit, d, d.machine.wheels[0]!));
    const plain = must(wheelSolid(kit, bare, bare.machine.wheels[0]!));
    expect(isClosed(sunk)).to.equal(true);
    expect(areaAt(sunk, 1)).to.be.closeTo(areaAt(plain, 1), 1e-4);
    const lost = areaAt(plain, 3.9) - areaAt(sunk, 3.9);
    expect(lost).to.be.within(2, 60);
    expect(meshVolume(plain) - meshVolume(sunk)).to.be.closeTo(0.4 * lost, 0.02 * lost);
  });
});

describe('planetary sets printed in place', function () {
  this.timeout(120_000);

  /** A set of 12, 12 and 36 with three planets, printed, of straight or double helical teeth. */
  function set(double: boolean, chordError?: number): Derived {
    const base = newMachine('set');
    const aim = {
      id: 'a',
      name: 'out',
      wanted: '1/4',
      sense: 'either' as const,
      tolerance: { amount: '1', over: '100 turns' },
      frame: 'ground',
    };
    const m = plantPlanetary(
      { ...base, aims: [aim] },
      {
        aim: 'a',
        set: { sun: 12, planet: 12, ring: 36, planets: 3 },
        held: 'ring',
        driver: 'sun',
        module: 1.5,
      },
    );
    return derive(
      {
        ...m,
        processes: [{ id: 'process1', name: 'P', kind: 'printer', nozzle: 0.4, layer: 0.2, flare: 0.2 }],
        toothings: m.toothings.map(t => ({
          ...t,
          play: 0.3,
          ...(double ? { helixDeg: 30, double: true as const } : {}),
        })),
      },
      undefined,
      chordError,
    );
  }

  for (const double of [false, true])
    it(
      `${double ? 'with chevrons' : 'with straight teeth and lips'} are closed bodies that ` +
        'touch nowhere, at any height',
      () => {
        const d = set(double);
        const [found] = inPlaceSets(d.machine);
        const bodies = must(printedInPlace(kit, d, found!));
        expect(bodies.length).to.equal(5);
        for (const b of bodies) {
          expect(isClosed(b.mesh), b.name).to.equal(true);
          expect(meshBounds(b.mesh).least[2]).to.be.closeTo(0, 1e-4);
        }
        const height = meshBounds(bodies[0]!.mesh).most[2]!;
        for (const z of [0.1, 0.3, 0.8, height / 3, height / 2, (2 * height) / 3, height - 0.3]) {
          const sections = bodies.map(b => sectionAt(b.mesh, z));
          sections.forEach((a, i) => {
            for (const b of sections.slice(i + 1)) {
              const both = Clipper.intersectD(
                Clipper.unionD(a, [], FillRule.EvenOdd, 5),
                Clipper.unionD(b, [], FillRule.EvenOdd, 5),
                FillRule.NonZero,
                5,
              );
              expect(Math.abs(Clipper.areaPathsD(both)), `at ${z}`).to.be.below(1e-6);
            }
          });
        }
      },
    );

  it('cut at several heights they roll on through a pitch and touch nowhere', () => {
    for (const double of [false, true]) {
      const d = set(double, 0.02);
      const [found] = inPlaceSets(d.machine);
      const bodies = must(printedInPlace(kit, d, found!));
      const distance = d.meshes[d.machine.joints[0]!.id]!.distance;
      const height = meshBounds(bodies[0]!.mesh).most[2]!;
      for (const z of [0.5, height / 2, height - 0.4]) {
        const sections = bodies.map(b => ({
          b,
          paths: Clipper.unionD(sectionAt(b.mesh, z), [], FillRule.EvenOdd, 5),
        }));
        for (let k = 0; k <= 4; k++) {
          // Seen from the arm: the sun turns by this much, planets back by 12/12 of it, the ring back by 12/36.
          const turn = (k / 4) * ((2 * Math.PI) / 12);
          const placed = sections.map(({ b, paths }) => {
            const box = meshBounds(b.mesh);
            const middle =
              b.wheel === found!.planet.id
                ? { x: (box.least[0]! + box.most[0]!) / 2, y: (box.least[1]! + box.most[1]!) / 2 }
                : { x: 0, y: 0 };
            const out = Math.hypot(middle.x, middle.y);
            const centre =
              out < 1 ? middle : { x: (middle.x / out) * distance, y: (middle.y / out) * distance };
            const by =
              b.wheel === found!.sun!.id ? turn : b.wheel === found!.planet.id ? -turn : (-turn * 12) / 36;
            const [c, s] = [Math.cos(by), Math.sin(by)];
            return paths.map(p =>
              p.map(q => ({
                x: centre.x + c * (q.x - centre.x) - s * (q.y - centre.y),
                y: centre.y + s * (q.x - centre.x) + c * (q.y - centre.y),
              })),
            );
          });
          placed.forEach((a, i) => {
            for (const o of placed.slice(i + 1))
              expect(
                Math.abs(Clipper.areaPathsD(Clipper.intersectD(a, o, FillRule.EvenOdd, 5))),
                `${double ? 'chevrons' : 'straight'} at ${z}, ${k}/4 of a pitch`,
              ).to.be.below(1e-4);
          });
        }
      }
    }
  });

  it('straight teeth are held: seen from above, ring and sun reach over the planets’ full width', () => {
    const d = set(false);
    const [found] = inPlaceSets(d.machine);
    const bodies = must(printedInPlace(kit, d, found!));
    const height = meshBounds(bodies[0]!.mesh).most[2]!;
    const ring = bodies.find(b => b.wheel === found!.ring.id)!;
    const planet = bodies.find(b => b.wheel === found!.planet.id)!;
    const middle = Clipper.unionD(sectionAt(planet.mesh, height / 2), [], FillRule.EvenOdd, 5);
    const lid = Clipper.unionD(sectionAt(ring.mesh, height - 0.1), [], FillRule.EvenOdd, 5);
    expect(Math.abs(Clipper.areaPathsD(Clipper.intersectD(middle, lid, FillRule.NonZero, 5)))).to.be.above(
      0.5,
    );
  });

  it('the printer that stands in finds no layer of them hanging by more than 45°', () => {
    const d = set(false, 0.03);
    const [found] = inPlaceSets(d.machine);
    for (const b of must(printedInPlace(kit, d, found!))) {
      const job = runPrinter(
        { name: 'x.stl', bytes: writeStl(b.mesh, b.name) },
        { line: 0.4, layer: 0.2, rate: 6, bed: { width: 200, depth: 200, height: 200 } },
      );
      let step = job.next();
      while (!step.done) step = job.next();
      const [body] = must(step.value);
      const whole = body!.layers.reduce((s, l) => s + l.area, 0);
      // The first layer is drawn in by the flare, and so the second hangs over it a little on purpose.
      const hanging = body!.layers.slice(2).reduce((s, l) => s + l.hanging, 0);
      expect(hanging / whole, b.name).to.be.below(0.002);
      expect(body!.volume / meshVolume(b.mesh)).to.be.closeTo(1, 0.01);
      expect(body!.onBed).to.equal(true);
    }
  });

  it('are found in no machine without planets, and in the heron', () => {
    expect(inPlaceSets(demo('saltreach-tide-clock'))).to.deep.equal([]);
    expect(inPlaceSets(demo('wading-heron')).length).to.equal(2);
    const m = demo('wading-heron');
    const planet = inPlaceSets(m)[0]!.planet;
    expect(
      inPlaceSets(setWheel(planet.id, { layer: 40 })(m)).length,
      'not when its ring lies in another layer',
    ).to.equal(1);
  });
});
