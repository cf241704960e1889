import Module from 'manifold-3d';
import { expect } from 'chai';
import { unzipSync } from 'fflate';
import { readFileSync } from 'node:fs';
import { KINDS } from '../../../test/kinds.ts';
import { derive, wheelPlane } from '../../state/derive/index.ts';
import { writeStl, writeThreeMf } from '../../files/format/index.ts';
import {
  flatten,
  isClosed,
  meshBounds,
  meshVolume,
  signedArea,
  type TriMesh,
} from '../../ground/geometry/index.ts';
import { wheelThickness } from '../../place/layout/index.ts';
import { type Machine, readMachine } from '../../document/machine/index.ts';
import { AS_IS } from '../process/index.ts';
import { must } from '../../ground/result/index.ts';
import { bevelOf } from '../../files/drawings/index.ts';
import { backConeHalf, upperHalf } from '../../teeth/tooth/index.ts';
import { partMaker, type SolidKit, solidParts, wheelSolid } from './index.ts';

const demo = (name: string): Machine =>
  must(readMachine(readFileSync(new URL(`../../../../demo/${name}.json`, import.meta.url), 'utf8')));
let kit: SolidKit;
before(async () => {
  const module = await Module();
  module.setup();
  kit = module;
});

/** Area of a wheel's plane figure by the shoelace formula, its holes taken out. */
function areaOf(machine: Machine, id: string): number {
  const d = derive(machine);
  const plane = must(
    wheelPlane(
      d,
      machine.wheels.find(w => w.id === id)!,
    ),
  );
  const area = (paths: readonly Parameters<typeof flatten>[0][]): number =>
    paths.reduce((s, p) => s + Math.abs(signedArea(flatten(p, d.chordError))), 0);
  return area([plane.outline]) - area(plane.holes);
}

describe('solids', () => {
  it('every part of every demo is closed, turned outwards, and lies on the bed', () => {
    for (const name of [
      'saltreach-tide-clock',
      'two-noons',
      'quartet-of-moons',
      'round-of-kestrels',
      'wading-heron',
      'ossel-brine-pump',
    ]) {
      const d = derive(demo(name));
      for (const part of solidParts(d)) {
        const made = partMaker(kit, d)(part);
        if (!made.ok) {
          // Pegs are drilled, not printed: their wheels have no plane figure.
          expect([name, made.problem.code]).to.deep.equal(['ossel-brine-pump', 'teeth-not-drawn']);
          continue;
        }
        expect(isClosed(made.value), `${name}: ${part.name}`).to.equal(true);
        expect(meshVolume(made.value), part.name).to.be.above(0);
        expect(meshBounds(made.value).least[2], part.name).to.be.closeTo(0, 1e-4);
      }
    }
  }).timeout(120000);

  it('a spur wheel’s volume is its area times its thickness', () => {
    const machine = demo('saltreach-tide-clock');
    const d = derive(machine);
    for (const wheel of machine.wheels.slice(0, 4)) {
      const volume = meshVolume(must(wheelSolid(kit, d, wheel)));
      const exact = areaOf(machine, wheel.id) * wheelThickness(machine.stack, wheel);
      expect(volume / exact, wheel.id).to.be.closeTo(1, 1e-5);
    }
  });

  it(
    'a print’s growth is taken off: a spacer as much narrower outside and wider inside, a ' +
      'wheel by about its edge times the growth',
    () => {
      const machine = demo('quartet-of-moons');
      const d = derive(machine);
      const tube = solidParts(d).find(p => p.kind === 'tube')!;
      const piece = d.layout.pieces[Number(tube.id.replace('piece ', ''))]!;
      const growth = { outline: -0.1, hole: -0.15 };
      const made = meshVolume(must(partMaker(kit, d)(tube, growth)));
      const [outside, inside] = [piece.outside / 2 - 0.1, piece.bore! / 2 + 0.15];
      expect(made / (Math.PI * (outside ** 2 - inside ** 2) * piece.length)).to.be.closeTo(1, 0.003);
      const wheel = machine.wheels[0]!;
      const plane = must(wheelPlane(d, wheel));
      const edge = (points: readonly { x: number; y: number }[]): number =>
        points.reduce(
          (sum, p, i) =>
            sum +
            Math.hypot(p.x - points[(i + 1) % points.length]!.x, p.y - points[(i + 1) % points.length]!.y),
          0,
        );
      const around = edge(flatten(plane.outline, d.chordError));
      const [whole, small] = [AS_IS, { outline: -0.02, hole: 0 }].map(g =>
        meshVolume(must(wheelSolid(kit, d, wheel, g))),
      );
      expect((whole! - small!) / (around * 0.02 * wheelThickness(machine.stack, wheel))).to.be.closeTo(
        1,
        0.03,
      );
    },
  );

  it('leaning teeth keep the volume, and turn by b·tan β / r to the hand’s side', () => {
    const base = demo('saltreach-tide-clock');
    const lean = (
      double: boolean,
      hand: 'left' | 'right',
    ): { mesh: TriMesh; upright: number; turn: number } => {
      const machine: Machine = {
        ...base,
        toothings: base.toothings.map(t => ({
          ...t,
          helixDeg: 20,
          ...(double ? { double: true as const } : {}),
        })),
        wheels: base.wheels.map(w => ({ ...w, hand })),
      };
      const d = derive(machine);
      const wheel = machine.wheels[0]!;
      const height = wheelThickness(machine.stack, wheel);
      const turn = (height * Math.tan(Math.PI / 9)) / d.wheels[wheel.id]!.dimensions.pitchRadius;
      return { mesh: must(wheelSolid(kit, d, wheel)), upright: areaOf(machine, wheel.id) * height, turn };
    };
    for (const double of [false, true]) {
      const { mesh, upright } = lean(double, 'right');
      expect(isClosed(mesh)).to.equal(true);
      expect(meshVolume(mesh) / upright, 'by steps, a hair less').to.be.within(0.997, 1.0005);
    }
    // The angle of the first tooth's tip at the top, against that at the bottom.
    // Where the tips stand, as an angle within one pitch: the phase of their points round the circle.
    const teeth = 83;
    const phase = (mesh: TriMesh, z: number): number => {
      const far: { r: number; a: number }[] = [];
      for (let i = 0; i < mesh.positions.length; i += 3)
        if (Math.abs(mesh.positions[i + 2]! - z) < 1e-3)
          far.push({
            r: Math.hypot(mesh.positions[i]!, mesh.positions[i + 1]!),
            a: Math.atan2(mesh.positions[i + 1]!, mesh.positions[i]!),
          });
      const most = Math.max(...far.map(p => p.r));
      const tips = far.filter(p => p.r > most - 1e-3);
      const sum = (f: (x: number) => number): number => tips.reduce((n, p) => n + f(teeth * p.a), 0);
      return Math.atan2(sum(Math.sin), sum(Math.cos)) / teeth;
    };
    for (const hand of ['left', 'right'] as const) {
      const { mesh, turn } = lean(false, hand);
      const apart =
        phase(mesh, meshBounds(mesh).most[2]!) - phase(mesh, 0) - (hand === 'right' ? turn : -turn);
      const pitch = (2 * Math.PI) / teeth;
      expect(Math.abs(apart - pitch * Math.round(apart / pitch)), hand).to.be.below(0.0005);
    }
  }).timeout(60000);

  it(
    'a bevel has the volume of the cone over its large end less the small one: (1 − t³)/3 · ' +
      '(π r² H within the roots + R · area of the teeth on the back cone)',
    () => {
      // The back cone stands square to the lines of the pitch cone, so its every tangent plane is R from the apex
      // (derived here).
      const machine = Object.values(KINDS).find(m =>
        m.joints.some(j => j.kind === 'mesh' && j.type === 'bevel'),
      )!;
      const d = derive(machine);
      const bevels = machine.wheels.filter(w => d.wheels[w.id]?.teeth.family === 'bevel');
      expect(bevels.length).to.be.above(1);
      for (const wheel of bevels) {
        const { cone, coneDistance, faceWidth, teeth } = bevelOf(d, wheel.id)!;
        const mesh = must(wheelSolid(kit, d, { ...wheel, bore: { kind: 'none' } }));
        expect(isClosed(mesh)).to.equal(true);
        const half = must(backConeHalf(teeth.spec, cone, d.chordError));
        const tooth = [half, upperHalf(half)].flatMap(h => flatten({ ...h, closed: false }, d.chordError));
        const root = Math.min(...tooth.map(p => Math.hypot(p.x, p.y))) - 0.1 * teeth.spec.module;
        const [cos, sin, t] = [
          Math.cos(cone.pitchAngle),
          Math.sin(cone.pitchAngle),
          1 - faceWidth / coneDistance,
        ];
        const step = (2 * Math.PI) / cone.virtualCount;
        const area =
          cone.count * (Math.abs(signedArea([{ x: 0, y: 0 }, ...tooth])) - 0.5 * root * root * step);
        const within = Math.PI * (root * cos) ** 2 * (coneDistance / cos - root * sin);
        const exact = ((1 - t ** 3) / 3) * (within + coneDistance * area);
        expect(meshVolume(mesh) / exact, wheel.id).to.be.closeTo(1, 0.003);
        expect(2 * meshBounds(mesh).most[0]!, 'outside diameter').to.be.closeTo(
          cone.outsideDiameter,
          0.15 * teeth.spec.module,
        );
      }
    },
  );

  it('STL says its triangles in millimetres, and reads back to the same volume', () => {
    const machine = demo('saltreach-tide-clock');
    const d = derive(machine);
    const mesh = must(wheelSolid(kit, d, machine.wheels[0]!));
    const bytes = writeStl(mesh, 'Tide hand wheel');
    const view = new DataView(bytes.buffer);
    const count = view.getUint32(80, true);
    expect(bytes.length).to.equal(84 + 50 * count);
    const positions = new Float64Array(count * 9);
    for (let i = 0; i < count; i++)
      for (let k = 0; k < 9; k++) positions[9 * i + k] = view.getFloat32(84 + 50 * i + 12 + 4 * k, true);
    const read = { positions, triangles: Uint32Array.from({ length: 3 * count }, (_, i) => i) };
    expect(meshVolume(read) / meshVolume(mesh)).to.be.closeTo(1, 1e-5);
  });

  it('3MF has its three parts, names that XML minds made safe, and one item a copy', () => {
    const d = derive(demo('saltreach-tide-clock'));
    const mesh = must(partMaker(kit, d)(solidParts(d)[0]!));
    const bytes = writeThreeMf(
      [
        {
          name: 'a <b> & "c" 🛠',
          mesh,
          at: [
            [0, 0, 0],
            [50, 0, 0],
          ],
        },
      ],
      'Tide',
    );
    expect(
      writeThreeMf(
        [
          {
            name: 'a <b> & "c" 🛠',
            mesh,
            at: [
              [0, 0, 0],
              [50, 0, 0],
            ],
          },
        ],
        'Tide',
      ),
    ).to.deep.equal(bytes);
    const files = unzipSync(bytes);
    expect(Object.keys(files)).to.have.members(['[Content_Types].xml', '_rels/.rels', '3D/3dmodel.model']);
    const model = new TextDecoder().decode(files['3D/3dmodel.model']);
    expect(model.match(/<item /g)).to.have.length(2);
    expect(model.match(/<triangle /g)).to.have.length(mesh.triangles.length / 3);
    expect(model).to.include('a &#60;b&#62; &#38; &#34;c&#34;');
  });

  it('refuses a body of too many triangles by name, and a bevel whose face reaches its apex', () => {
    const base = demo('saltreach-tide-clock');
    const machine: Machine = {
      ...base,
      toothings: base.toothings.map(t => ({ ...t, helixDeg: 60 })),
      wheels: base.wheels.map(w => ({ ...w, thickness: 4000 })),
    };
    const d = derive(machine);
    const made = wheelSolid(kit, d, machine.wheels[0]!);
    expect(!made.ok && made.problem.code).to.equal('too-many-triangles');
    const bevels = Object.values(KINDS).find(m =>
      m.joints.some(j => j.kind === 'mesh' && j.type === 'bevel'),
    )!;
    const wide = { ...bevels, toothings: bevels.toothings.map(t => ({ ...t, faceWidth: 1000 })) };
    const wheel = wide.wheels.find(w => derive(wide).wheels[w.id]?.teeth.family === 'bevel')!;
    const refused = wheelSolid(kit, derive(wide), wheel);
    expect(!refused.ok && refused.problem.code).to.equal('bevel-face-too-wide');
  });
});
