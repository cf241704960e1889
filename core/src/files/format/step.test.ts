import { expect } from 'chai';
import { readFileSync } from 'node:fs';
import opencascade from 'replicad-opencascadejs';
import { derive, wheelPlane } from '../../state/derive/index.ts';
import { circle, flatten, type Path, polygon, signedArea, turnedOver } from '../../ground/geometry/index.ts';
import { circleCount, readMachine, type Wheel } from '../../document/machine/index.ts';
import { must } from '../../ground/result/index.ts';
import { bossOf, writeStep } from './index.ts';

/** A geometry kernel that reads STEP: the judge of what is written. */
type Kernel = Awaited<ReturnType<typeof opencascade>>;
let kernel: Kernel;
before(async function () {
  this.timeout(60_000);
  kernel = await opencascade();
});

/** Volume, faces and soundness of the one solid in a file. */
function judged(step: string, curved = false): { volume: number; faces: number; valid: boolean } {
  const name = '/judged.step';
  kernel.FS.writeFile(name, step);
  const reader = new kernel.STEPControl_Reader();
  expect(reader.ReadFile(name)).to.equal(kernel.IFSelect_ReturnStatus.IFSelect_RetDone);
  reader.TransferRoots(new kernel.Message_ProgressRange());
  const shape = reader.OneShape();
  const properties = new kernel.GProp_GProps();
  // Its integrals over faces with hundreds of edges are coarse; over triangles within 0.005 mm they are not.
  if (curved) new kernel.BRepMesh_IncrementalMesh(shape, 0.005, false, 0.5, false);
  kernel.BRepGProp.VolumeProperties(shape, properties, true, false, curved);
  const explorer = new kernel.TopExp_Explorer(
    shape,
    kernel.TopAbs_ShapeEnum.TopAbs_FACE,
    kernel.TopAbs_ShapeEnum.TopAbs_SHAPE,
  );
  let faces = 0;
  for (; explorer.More(); explorer.Next()) faces++;
  const valid = new kernel.BRepCheck_Analyzer(shape, true, false).IsValid();
  return { volume: properties.Mass(), faces, valid };
}

const countOf = (wheel: Wheel): number => circleCount(wheel) ?? 1;

describe('STEP', () => {
  const demo = derive(
    must(
      readMachine(
        readFileSync(new URL('../../../../demo/saltreach-tide-clock.json', import.meta.url), 'utf8'),
      ),
    ),
  );

  it(
    'a drilled block has 6 + 2 faces and the volume length × width × height − π·r²·height, ' +
      'seen by another kernel',
    () => {
      const outline = polygon([
        { x: 0, y: 0 },
        { x: 40, y: 0 },
        { x: 40, y: 30 },
        { x: 0, y: 30 },
      ]);
      const made = judged(
        writeStep({ name: 'block', outline, holes: [circle({ x: 20, y: 15 }, 5)], height: 4 }),
      );
      expect(made.valid).to.equal(true);
      expect(made.faces).to.equal(8);
      expect(made.volume).to.be.closeTo(4 * (1200 - Math.PI * 25), 1e-6);
    },
  );

  it('a slot with round ends keeps its true arcs, hollow or full', () => {
    const slot: Path = {
      start: { x: 0, y: -3 },
      segments: [
        { kind: 'line', to: { x: 10, y: -3 } },
        { kind: 'arc', to: { x: 10, y: 3 }, centre: { x: 10, y: 0 }, ccw: true },
        { kind: 'line', to: { x: 0, y: 3 } },
        { kind: 'arc', to: { x: 0, y: -3 }, centre: { x: 0, y: 0 }, ccw: true },
      ],
      closed: true,
    };
    const area = 60 + Math.PI * 9;
    const solid = judged(writeStep({ name: 'slot', outline: slot, holes: [], height: 2 }));
    expect([solid.valid, solid.faces]).to.deep.equal([true, 6]);
    expect(solid.volume).to.be.closeTo(2 * area, 1e-6);
    const outline = circle({ x: 5, y: 0 }, 20);
    const cut = judged(writeStep({ name: 'cut', outline, holes: [slot], height: 2 }));
    expect([cut.valid, cut.volume]).to.satisfy(
      ([v, x]: [boolean, number]) => v && Math.abs(x - 2 * (400 * Math.PI - area)) < 1e-6,
    );
  });

  it('a wheel has its area times its thickness, a few faces a tooth, and is sound', function () {
    this.timeout(60_000);
    for (const wheel of [...demo.machine.wheels].sort((a, b) => countOf(a) - countOf(b)).slice(0, 2)) {
      const plane = must(wheelPlane(demo, wheel));
      const area = [plane.outline, ...plane.holes].reduce(
        (s, p, i) => s + (i === 0 ? 1 : -1) * Math.abs(signedArea(flatten(p, 1e-4))),
        0,
      );
      const made = judged(
        writeStep({ name: wheel.name, outline: plane.outline, holes: plane.holes, height: 4 }),
      );
      expect(made.valid, wheel.name).to.equal(true);
      expect(made.volume / (4 * area)).to.be.closeTo(1, 3e-4);
      expect(made.faces / countOf(wheel)).to.be.below(8);
    }
  });

  it('writes names that other programs can read, quotes doubled', () => {
    const made = writeStep({
      name: "Moon's wheel ☾/№1",
      outline: circle({ x: 0, y: 0 }, 3),
      holes: [],
      height: 1,
    });
    expect(made).to.include("PRODUCT('Moon''s wheel ?/?1'");
    expect(judged(made).volume).to.be.closeTo(9 * Math.PI, 1e-6);
  });

  it('a boss stands on its face with the bore through both: faces and volume, also where it touches openings', () => {
    const window = (angle: number): Path => {
      const at = (r: number, a: number): { x: number; y: number } => ({
        x: r * Math.cos(a),
        y: r * Math.sin(a),
      });
      const [a, b] = [angle, angle + 0.8];
      return {
        start: at(8, a),
        segments: [
          { kind: 'line', to: at(15, a) },
          { kind: 'arc', to: at(15, b), centre: { x: 0, y: 0 }, ccw: true },
          { kind: 'line', to: at(8, b) },
          { kind: 'arc', to: at(8, a), centre: { x: 0, y: 0 }, ccw: false },
        ],
        closed: true,
      };
    };
    const bore = circle({ x: 0, y: 0 }, 3);
    const windows = [0, 2, 4].map(window);
    const disc = {
      name: 'hubbed',
      outline: circle({ x: 0, y: 0 }, 20),
      holes: [bore, ...windows],
      height: 5,
    };
    const openings = 3 * 0.4 * (15 ** 2 - 8 ** 2);
    const flat = 5 * (Math.PI * (400 - 9) - openings);
    const plain = judged(writeStep(disc));
    expect(plain.volume).to.be.closeTo(flat, 1e-4);
    for (const radius of [6, 8]) {
      const made = judged(writeStep({ ...disc, boss: { radius, height: 7 } }));
      expect(made.valid).to.equal(true);
      // A circle is two arcs here: the boss has two sides and a top more.
      expect(made.faces).to.equal(plain.faces + 3);
      expect(made.volume).to.be.closeTo(flat + 7 * Math.PI * (radius ** 2 - 9), radius === 8 ? 0.5 : 1e-4);
    }
    expect(bossOf({ ...disc, boss: { radius: 9, height: 7 } }), 'over the openings').to.equal(false);
    expect(() => writeStep({ ...disc, boss: { radius: 21, height: 7 } })).to.throw(RangeError);
  });

  it('what is turned over is its mirror image, of the same area', () => {
    const wedge = polygon([
      { x: 0, y: 0 },
      { x: 10, y: 0 },
      { x: 10, y: 3 },
    ]);
    expect(signedArea(flatten(turnedOver(wedge), 0.01))).to.be.closeTo(-15, 1e-9);
    expect(turnedOver(turnedOver(wedge))).to.deep.equal(wedge);
    const arc = circle({ x: 2, y: 3 }, 1);
    expect(
      flatten(turnedOver(arc), 0.01).every(p => Math.abs(Math.hypot(p.x - 2, p.y + 3) - 1) < 1e-9),
    ).to.equal(true);
  });
});
