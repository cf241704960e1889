import Module from 'manifold-3d';
import { expect } from 'chai';
import fc from 'fast-check';
import { RANDOM_TEETH } from '../../../test/random-teeth.ts';
import { derive } from '../../state/derive/index.ts';
import {
  flatten,
  isClosed,
  meshBounds,
  meshVolume,
  signedArea,
  type TriMesh,
} from '../../ground/geometry/index.ts';
import { readThreeMf, writeThreeMf } from '../../files/format/index.ts';
import { newMachine, type Wheel } from '../../document/machine/index.ts';
import { must } from '../../ground/result/index.ts';
import { sayProblem } from '../../files/words/index.ts';
import { type TeethSpec, toothFigure } from '../../teeth/tooth/index.ts';
import { bedPlates, type SolidFacts, type SolidKit, wheelSolid } from './index.ts';

const RUNS = Number(process.env['TESSERON_RUNS'] ?? 30);
const CHORD = 0.02;
let kit: SolidKit;
before(async () => {
  const module = await Module();
  module.setup();
  kit = module;
});

const bare = derive(newMachine('m'));
const WHEEL: Wheel = {
  id: 'w',
  name: 'wheel',
  member: 'drive',
  toothing: 't',
  role: 'wheel',
  layer: 0,
  teeth: { kind: 'count', count: 20 },
  thickness: 5,
};

/** What a wheel of those teeth alone is made from. */
function factsOf(teeth: TeethSpec, helixDeg: number, double: boolean): SolidFacts | undefined {
  const figure = toothFigure(teeth, CHORD);
  if (!figure.ok) return undefined;
  const toothing = {
    ...bare.machine.toothings[0]!,
    id: 't',
    ...(helixDeg > 0 ? { helixDeg } : {}),
    ...(double ? { double: true as const } : {}),
  };
  const machine = { ...bare.machine, toothings: [toothing], wheels: [WHEEL] };
  const state = {
    teeth,
    figure,
    dimensions: figure.value,
    outline: { ok: true as const, value: figure.value.outline },
    spec: undefined,
    involute: undefined,
    key: '',
  };
  return {
    machine,
    wheels: { w: state },
    chordError: CHORD,
    layout: bare.layout,
    positions: bare.positions,
    phases: bare.phases,
  };
}

/** So near to the end of a step a cut is made, as a part of the height. */
const END = 1e-5;

describe('solids of random teeth', () => {
  for (const [family, arbitrary] of Object.entries(RANDOM_TEETH))
    it(`${family}: closed, outward, as much as area times thickness, or a sentence`, () => {
      fc.assert(
        fc.property(arbitrary, fc.constantFrom(0, 0, 15, 30), fc.boolean(), (teeth, helix, double) => {
          const facts = factsOf(teeth, helix, double);
          if (!facts) return;
          const made = wheelSolid(kit, facts, WHEEL);
          if (!made.ok) {
            expect(sayProblem(made.problem).length).to.be.above(20);
            return;
          }
          expect(isClosed(made.value)).to.equal(true);
          const volume = meshVolume(made.value);
          expect(volume).to.be.above(0);
          const figure = facts.wheels['w']!.figure;
          if (teeth.family === 'bevel' || !figure.ok) return;
          const { outline, holes } = figure.value;
          const area = (paths: readonly Parameters<typeof flatten>[0][]): number =>
            paths.reduce((s, p) => s + Math.abs(signedArea(flatten(p, CHORD))), 0);
          const exact = (area([outline]) - area(holes)) * 5;
          // Cut at three heights by a library that is not ours, it shows its outlines: area within 0.1 %. Between two
          // steps of a helix an edge runs over a diagonal: there the cut is made at the ends of steps.
          const solid = kit.Manifold.ofMesh(
            new kit.Mesh({
              ...{ numProp: 3, vertProperties: Float32Array.from(made.value.positions) },
              triVerts: Uint32Array.from(made.value.triangles),
            }),
          );
          for (const part of helix > 0 ? [END, double ? 0.5 : END, 1 - END] : [0.17, 0.5, 0.83]) {
            const cut = solid.slice(5 * part).area();
            expect(Math.abs(cut * 5 - exact) / exact, `at ${part} of its height`).to.be.below(0.001);
          }
          solid.delete();
          // Between two steps of a helix a chord of the outline is bent over a diagonal: off by a quarter of its
          // length times the step of 2°.
          const points = flatten(outline, CHORD);
          const bent = points.reduce((s, p, i) => {
            const q = points[(i + 1) % points.length]!;
            return s + Math.hypot(q.x - p.x, q.y - p.y) ** 2;
          }, 0);
          // A magnet's pocket without a wall may break through the rim by a chord.
          const within = exact * (teeth.family === 'magnets' ? 0.001 : 0.00005);
          expect(Math.abs(volume - exact)).to.be.below(
            helix > 0 ? within + (bent * 5 * 2 * Math.PI) / 180 / 4 + 0.01 * exact : within,
          );
        }),
        { numRuns: RUNS },
      );
    }).timeout(600_000);
});

describe('bodies as data', () => {
  /** A box from the origin. */
  const box = (w: number, d: number, h: number): TriMesh => ({
    positions: Float64Array.from([0, 0, 0, w, 0, 0, w, d, 0, 0, d, 0, 0, 0, h, w, 0, h, w, d, h, 0, d, h]),
    triangles: Uint32Array.from([
      0, 2, 1, 0, 3, 2, 4, 5, 6, 4, 6, 7, 0, 1, 5, 0, 5, 4, 1, 2, 6, 1, 6, 5, 2, 3, 7, 2, 7, 6, 3, 0, 4, 3, 4,
      7,
    ]),
  });

  it('a box has width times depth times height, is closed, and is inside out with its corners the other way', () => {
    const b = box(2, 3, 5);
    expect(meshVolume(b)).to.be.closeTo(30, 1e-12);
    expect(isClosed(b)).to.equal(true);
    expect(meshBounds(b)).to.deep.equal({ least: [0, 0, 0], most: [2, 3, 5] });
    const turned = { ...b, triangles: b.triangles.slice().reverse() };
    expect(meshVolume(turned)).to.be.closeTo(-30, 1e-12);
  });

  it('is not closed with a triangle gone, one turned over, one twice, or none at all', () => {
    const b = box(1, 1, 1);
    expect(isClosed({ ...b, triangles: b.triangles.slice(3) }), 'gone').to.equal(false);
    const over = b.triangles.slice();
    [over[0], over[1]] = [over[1]!, over[0]!];
    expect(isClosed({ ...b, triangles: over }), 'turned over').to.equal(false);
    expect(
      isClosed({ ...b, triangles: Uint32Array.from([...b.triangles, ...b.triangles.slice(0, 3)]) }),
      'twice',
    ).to.equal(false);
    expect(isClosed({ ...b, triangles: new Uint32Array() }), 'none').to.equal(false);
  });

  it('bodies on beds never overlap, keep their gap and stay on the bed; what is too large or too high is named', () => {
    const printer = {
      id: 'p',
      name: 'P',
      kind: 'printer' as const,
      bed: { width: 120, depth: 100, height: 50 },
      gap: 4,
    };
    fc.assert(
      fc.property(
        fc.array(
          fc.tuple(
            fc.integer({ min: 2, max: 130 }),
            fc.integer({ min: 2, max: 60 }),
            fc.integer({ min: 1, max: 60 }),
          ),
          { minLength: 1, maxLength: 9 },
        ),
        sizes => {
          const parts = sizes.map(([w, d, h], i) => ({
            name: `b${i}`,
            number: 1 + (i % 2),
            mesh: box(w, d, h),
          }));
          const job = bedPlates(parts, printer);
          let step = job.next();
          while (!step.done) step = job.next();
          const { plates, left } = step.value;
          const wanted = parts.reduce((n, p) => n + p.number, 0);
          const gone = left.reduce(
            (n, l) =>
              n +
              (l.problem.code === 'no-room-on-bed'
                ? l.problem.data.number
                : parts.find(p => p.name === l.name)!.number),
            0,
          );
          expect(plates.flat().reduce((n, b) => n + b.at.length, 0) + gone).to.equal(wanted);
          for (const plate of plates) {
            const read = must(readThreeMf(writeThreeMf(plate, 'plate'))).map(b => meshBounds(b.mesh));
            read.forEach((a, i) => {
              expect(a.least[2]).to.equal(0);
              expect(Math.min(a.least[0]!, a.least[1]!, 120 - a.most[0]!, 100 - a.most[1]!)).to.be.at.least(
                1.99,
              );
              for (const b of read.slice(i + 1))
                expect(
                  Math.max(
                    b.least[0]! - a.most[0]!,
                    a.least[0]! - b.most[0]!,
                    b.least[1]! - a.most[1]!,
                    a.least[1]! - b.most[1]!,
                  ),
                ).to.be.at.least(3.99);
            });
          }
        },
      ),
      { numRuns: 20 },
    );
  });

  it('a plate of the same bodies is the same, byte for byte', () => {
    const parts = [
      { name: 'rod', number: 3, mesh: box(4, 4, 20) },
      { name: 'plate', number: 1, mesh: box(30, 8, 2) },
    ];
    const file = (): Uint8Array => {
      const job = bedPlates(parts, { id: 'p', name: 'P', kind: 'printer' });
      let step = job.next();
      while (!step.done) step = job.next();
      return writeThreeMf(step.value.plates[0]!, 'two');
    };
    expect(file()).to.deep.equal(file());
  });
});
