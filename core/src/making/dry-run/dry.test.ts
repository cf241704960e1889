import { expect } from 'chai';
import Module from 'manifold-3d';
import type { Drawing } from '../../ground/drawing/index.ts';
import {
  type PlacedBody,
  readStl,
  readThreeMf,
  writeDxf,
  writeStl,
  writeSvg,
  writeThreeMf,
} from '../../files/format/index.ts';
import {
  circle,
  flatten,
  meshVolume,
  type Path,
  type Point,
  polygon,
  type TriMesh,
} from '../../ground/geometry/index.ts';
import { must } from '../../ground/result/index.ts';
import {
  type CutRun,
  type Dropped,
  judge,
  type PrintedBody,
  type Printer,
  runCutter,
  runPrinter,
  sectionAt,
} from './index.ts';

const box = (x: number, y: number, w: number, h: number): Path =>
  polygon([
    { x, y },
    { x: x + w, y },
    { x: x + w, y: y + h },
    { x, y: y + h },
  ]);
const drawing = (paths: readonly Path[], role: 'cut' | 'engrave' = 'cut'): Drawing => ({
  title: 't',
  notes: [],
  groups: [
    {
      name: 'g',
      x: 0,
      y: 0,
      angle: 0,
      labels: [],
      shapes: paths.map(p => ({ name: 's', role, paths: [p] })),
    },
  ],
});
const CUTTER = { kerf: 0.2, rate: 10, travel: 100, pierce: 2 };
const cut = (d: Drawing, more: Partial<typeof CUTTER> = {}): CutRun =>
  must(runCutter({ name: 'a.dxf', text: writeDxf(d) }, { ...CUTTER, ...more }));

describe('the cutter that stands in', () => {
  it('takes half its width off a part and as much out of a hole, in the order of the file', () => {
    const run = cut(drawing([circle({ x: 20, y: 20 }, 5), box(0, 0, 40, 40)]));
    expect(run.dropped.map(d => d.kind)).to.deep.equal(['waste', 'part']);
    const [slug, part] = run.dropped;
    expect(slug!.width).to.be.closeTo(9.8, 0.005);
    expect([part!.width, part!.height]).to.satisfy((s: number[]) => s.every(x => Math.abs(x - 39.8) < 1e-6));
    expect(part!.area).to.be.closeTo(39.8 ** 2 - Math.PI * 5.1 ** 2, 0.05);
    expect(run.mishaps).to.deep.equal([]);
  });

  it('adds up way and time: a square of 40 mm at 10 mm/s is 16 s and its piercing', () => {
    const run = cut(drawing([box(30, 40, 40, 40)]));
    expect(run.cut).to.be.closeTo(160, 1e-6);
    expect(run.travelled, 'from the corner of the bed to (30, 40)').to.be.closeTo(50, 1e-6);
    expect(run.seconds).to.be.closeTo(16 + 0.5 + 2, 1e-6);
  });

  it('sees what would go wrong: open lines, lines cut twice, holes cut after their part is loose, nothing left', () => {
    const open: Path = {
      start: { x: 0, y: 0 },
      segments: [{ kind: 'line', to: { x: 9, y: 0 } }],
      closed: false,
    };
    const codes = (d: Drawing): string[] => cut(d).mishaps.map(m => m.code);
    expect(codes(drawing([open]))).to.deep.equal(['open-line']);
    expect(codes(drawing([box(0, 0, 9, 9), box(0, 0, 9, 9)]))).to.include('cut-twice');
    expect(codes(drawing([box(0, 0, 40, 40), circle({ x: 20, y: 20 }, 5)]))).to.deep.equal([
      'cut-after-loose',
    ]);
    expect(codes(drawing([circle({ x: 0, y: 0 }, 0.05)]))).to.deep.equal(['nothing-left']);
    expect(cut(drawing([box(0, 0, 9, 9)], 'engrave')).dropped).to.deep.equal([]);
  });

  it('sees what is engraved on a piece that has come loose, and not what is engraved before', () => {
    const line = {
      ...polygon([
        { x: 5, y: 5 },
        { x: 15, y: 5 },
      ]),
      closed: false,
    };
    const shape = (role: 'cut' | 'engrave', path: Path): Drawing['groups'][number]['shapes'][number] => ({
      ...{ name: role, role, paths: [path] },
    });
    const run = (first: 'cut' | 'engrave'): string[] => {
      const both = [shape('engrave', line), shape('cut', box(0, 0, 20, 20))];
      const [group] = drawing([]).groups;
      const shapes = first === 'cut' ? both.reverse() : both;
      return cut({ title: 't', notes: [], groups: [{ ...group!, shapes }] }).mishaps.map(m => m.code);
    };
    expect(run('cut')).to.deep.equal(['engraved-after-loose']);
    expect(run('engrave')).to.deep.equal([]);
  });

  it('finds a part in a hole of another to be a part, and the ring round it', () => {
    const run = cut(
      drawing([circle({ x: 0, y: 0 }, 5), circle({ x: 0, y: 0 }, 15), circle({ x: 0, y: 0 }, 20)]),
    );
    expect(run.dropped.map(d => d.kind)).to.deep.equal(['part', 'waste', 'part']);
    expect(run.dropped[2]!.paths.length).to.equal(2);
  });

  it('reads SVG as well as DXF, and says when a file is neither, has no unit, or no line', () => {
    const d = drawing([box(0, 0, 30, 20)]);
    const svg = must(runCutter({ name: 'a.svg', text: writeSvg(d) }, CUTTER));
    expect(svg.dropped[0]!.width).to.be.closeTo(29.8, 1e-3);
    const code = (name: string, text: string): string => {
      const r = runCutter({ name, text }, CUTTER);
      return r.ok ? 'ok' : r.problem.code;
    };
    expect(code('a.svg', '<svg xmlns="http://www.w3.org/2000/svg"><path d="M0 0L9 9"/></svg>')).to.equal(
      'dry-no-units',
    );
    expect(
      code(
        'a.svg',
        '<svg xmlns="http://www.w3.org/2000/svg" width="9mm" height="9mm" viewBox="0 0 9 9"></svg>',
      ),
    ).to.equal('dry-nothing');
    expect(code('a.dxf', 'nonsense')).to.equal('outline-unreadable');
  });

  it('a part that is not there, or has lost a hole, is not found whole', () => {
    const run = cut(drawing([circle({ x: 20, y: 20 }, 4.9), box(-0.1, -0.1, 40.2, 40.2)]));
    const outline = flatten(box(0, 0, 40, 40), 0.01);
    const hole = flatten(circle({ x: 20, y: 20 }, 5), 0.001);
    const [good, moved, two] = judge(
      [
        { name: 'a', outline, holes: [hole] },
        { name: 'b', outline: outline.map(p => ({ x: p.x + 60, y: p.y })), holes: [] },
        { name: 'c', outline, holes: [hole, hole] },
      ],
      run.dropped,
    );
    expect(good!.off).to.be.below(0.01);
    expect([good!.found, moved!.found]).to.deep.equal([true, false]);
    expect(two!.holes).to.deep.equal({ wanted: 2, found: 1 });
  });
});

describe('the printer that stands in', function () {
  this.timeout(120_000);

  let kit: Awaited<ReturnType<typeof Module>>;
  before(async () => {
    kit = await Module();
    kit.setup();
  });
  const PRINTER: Printer = { line: 0.4, layer: 0.25, rate: 5, bed: { width: 100, depth: 100, height: 50 } };
  const meshOf = (body: InstanceType<typeof kit.Manifold>): TriMesh => {
    const m = body.getMesh();
    return { positions: Float64Array.from(m.vertProperties), triangles: m.triVerts };
  };
  const print = (mesh: TriMesh, more: Partial<Printer> = {}): PrintedBody => {
    const job = runPrinter({ name: 'a.stl', bytes: writeStl(mesh, 'a') }, { ...PRINTER, ...more });
    let step = job.next();
    while (!step.done) step = job.next();
    return must(step.value)[0]!;
  };

  it(
    'builds a block in its layers: as many as its height holds, each its area, and as long ' +
      'as its volume takes',
    () => {
      const b = print(meshOf(kit.Manifold.cube([20, 10, 5])));
      expect(b.layers.length).to.equal(20);
      for (const l of b.layers) expect(l.area).to.be.closeTo(200, 0.01);
      expect(b.seconds).to.be.closeTo(1000 / 5, 0.1);
      expect([b.onBed, b.layers[3]!.hanging]).to.deep.equal([true, 0]);
    },
  );

  it('sees walls that are thinner than its line, what hangs in the air, and what is off the bed', () => {
    const thin = print(meshOf(kit.Manifold.cube([20, 0.3, 5])));
    expect(thin.layers[0]!.thin).to.be.closeTo(6, 0.01);
    const cap = kit.Manifold.union([
      kit.Manifold.cube([10, 10, 4]),
      kit.Manifold.cube([30, 10, 2]).translate([0, 0, 4]),
    ]);
    const hanging = print(meshOf(cap)).layers.map(l => l.hanging);
    expect(Math.max(...hanging)).to.be.closeTo((30 - 10 - 0.25) * 10, 1);
    const cone = print(meshOf(kit.Manifold.cylinder(10, 20, 5, 128)));
    expect(
      Math.max(...cone.layers.map(l => l.hanging)),
      'a cone that narrows upwards holds itself',
    ).to.be.closeTo(0, 1e-6);
    expect(print(meshOf(kit.Manifold.cube([120, 10, 5]))).onBed).to.equal(false);
    expect(print(meshOf(kit.Manifold.cube([10, 10, 60]))).onBed).to.equal(false);
  });

  it('says how far a bed of bodies is, by body and layer, and each layer is the cut of the whole mesh there', () => {
    const bodies = [kit.Manifold.sphere(5, 48).translate([0, 0, 5]), kit.Manifold.cylinder(6, 4, 2, 32)];
    const placed = bodies.map((b, i): PlacedBody => ({
      name: `b${i}`,
      mesh: meshOf(b),
      at: [[20 * i + 20, 20, 0]],
    }));
    const job = runPrinter({ name: 'bed.3mf', bytes: writeThreeMf(placed, 't') }, PRINTER);
    const said: string[] = [];
    let last = -1;
    let step = job.next();
    for (; !step.done; step = job.next()) {
      expect(step.value.done).to.be.greaterThan(last).and.lessThan(1);
      [last] = [step.value.done];
      said.push(step.value.doing);
    }
    expect([said.length, said[0], said.at(-1)]).to.deep.equal([
      40 + 24,
      'b0, 1 of 2: layer 1 of 40',
      'b1, 2 of 2: layer 24 of 24',
    ]);
    const whole = must(readThreeMf(writeThreeMf(placed, 't')));
    must(step.value).forEach((body, i) => {
      for (const [k, l] of body.layers.entries())
        expect(l.paths, `${body.name}, layer ${k}`).to.deep.equal(
          sectionAt(whole[i]!.mesh, 0.25 * (k + 0.5)),
        );
    });
  });

  it('cuts a ball in circles: the area at a height is π(r² − h²), outer lines to the left, holes to the right', () => {
    const ball = meshOf(kit.Manifold.sphere(10, 256));
    for (const z of [-6, 0.3, 7]) {
      const [circleAt] = sectionAt(ball, z);
      const area = circleAt!.reduce(
        (s, p, i) =>
          s +
          (p.x * circleAt![(i + 1) % circleAt!.length]!.y - circleAt![(i + 1) % circleAt!.length]!.x * p.y) /
            2,
        0,
      );
      expect(area / (Math.PI * (100 - z * z))).to.be.closeTo(1, 2e-3);
    }
    expect(sectionAt(ball, 20)).to.deep.equal([]);
    const tube = meshOf(kit.Manifold.cylinder(5, 10, 10, 64).subtract(kit.Manifold.cylinder(5, 4, 4, 64)));
    const signs = sectionAt(tube, 2).map(p =>
      Math.sign(
        p.reduce((s, q, i) => s + q.x * p[(i + 1) % p.length]!.y - p[(i + 1) % p.length]!.x * q.y, 0),
      ),
    );
    expect(signs.sort()).to.deep.equal([-1, 1]);
  });

  it('reads what it is given: STL and 3MF with places and turns; a file that is neither gets a sentence', () => {
    const mesh = meshOf(kit.Manifold.cube([20, 10, 5]));
    expect(meshVolume(must(readStl(writeStl(mesh, 'block'))).mesh)).to.be.closeTo(1000, 1e-3);
    const placed: PlacedBody = {
      name: 'a',
      mesh,
      at: [
        [5, 6, 0],
        [50, 50, 0, Math.PI / 2],
      ],
    };
    const [one, two] = must(readThreeMf(writeThreeMf([placed], 't')));
    expect(one!.mesh.positions[0]).to.be.closeTo(5, 1e-6);
    const xs = [...two!.mesh.positions].filter((_, i) => i % 3 === 0);
    expect(
      [Math.min(...xs), Math.max(...xs)].map(x => Math.round(x * 1000) / 1000),
      'turned by a quarter: 10 wide, to the left',
    ).to.deep.equal([40, 50]);
    for (const bad of [
      readStl(new Uint8Array(3)),
      readStl(new Uint8Array(200).fill(255)),
      readThreeMf(new Uint8Array(50)),
    ])
      expect(bad.ok ? '' : bad.problem.code).to.equal('mesh-unreadable');
  });
});

describe('a hole that is not where it should be', () => {
  it('is told by how far its edge is off, however true the outline is', () => {
    const square = flatten(box(0, 0, 40, 40), 0.01);
    const hole = (x: number): readonly Point[] => flatten(circle({ x, y: 20 }, 5), 0.01);
    const piece = (x: number): Dropped => ({
      ...cut(drawing([circle({ x: 20, y: 20 }, 5), box(0, 0, 40, 40)])).dropped.find(d => d.kind === 'part')!,
      paths: [square, hole(x)],
    });
    const expected = [{ name: 'p', outline: square, holes: [hole(20)] }];
    expect(judge(expected, [piece(20)])[0]!.off).to.be.closeTo(0, 1e-6);
    expect(judge(expected, [piece(20.4)])[0]!.off).to.be.closeTo(0.4, 0.01);
  });
});
