import { expect } from 'chai';
import { readFileSync } from 'node:fs';
import opencascade from 'replicad-opencascadejs';
import { derive } from '../../state/derive/index.ts';
import { flatParts } from '../../making/workshop/index.ts';
import { centroid, flatten, type Path, rotate, signedArea, type Space } from '../../ground/geometry/index.ts';
import { radians } from '../../ground/units/index.ts';
import { arrange } from '../../../test/arrange.ts';
import { proudHub } from '../../place/layout/index.ts';
import { setProud, setWheel } from '../../edits/change/index.ts';
import { type Machine, readMachine } from '../../document/machine/index.ts';
import { must } from '../../ground/result/index.ts';
import { writeStepAssembly } from '../format/index.ts';
import { assemblyStep } from './index.ts';

type Kernel = Awaited<ReturnType<typeof opencascade>>;
let kernel: Kernel;
before(async function () {
  this.timeout(60_000);
  kernel = await opencascade();
});

/** The solids that another kernel finds in a file: how large, and where their middles are. */
function solids(step: string): { volume: number; at: readonly [number, number, number] }[] {
  kernel.FS.writeFile('/whole.step', step);
  const reader = new kernel.STEPControl_Reader();
  expect(reader.ReadFile('/whole.step')).to.equal(kernel.IFSelect_ReturnStatus.IFSelect_RetDone);
  reader.TransferRoots(new kernel.Message_ProgressRange());
  const explorer = new kernel.TopExp_Explorer(
    reader.OneShape(),
    kernel.TopAbs_ShapeEnum.TopAbs_SOLID,
    kernel.TopAbs_ShapeEnum.TopAbs_SHAPE,
  );
  const found: ReturnType<typeof solids> = [];
  for (; explorer.More(); explorer.Next()) {
    const properties = new kernel.GProp_GProps();
    new kernel.BRepMesh_IncrementalMesh(explorer.Current(), 0.02, false, 0.5, false);
    kernel.BRepGProp.VolumeProperties(explorer.Current(), properties, true, false, true);
    const c = properties.CentreOfMass();
    found.push({ volume: properties.Mass(), at: [c.X(), c.Y(), c.Z()] });
  }
  return found;
}

const area = (p: Path): number => Math.abs(signedArea(flatten(p, 0.002)));

describe('a machine as one STEP', () => {
  it('one part in two places, turned and turned over, as another kernel sees it', () => {
    const corner = (x: number, y: number): { kind: 'line'; to: { x: number; y: number } } => ({
      kind: 'line',
      to: { x, y },
    });
    // A block of 10 × 4 × 3 from the origin: its middle is at (5, 2, 1.5).
    const block = {
      ...{ name: 'block', holes: [], height: 3, colour: [0.2, 0.4, 0.6] as const },
      outline: {
        start: { x: 0, y: 0 },
        segments: [corner(10, 0), corner(10, 4), corner(0, 4), corner(0, 0)],
        closed: true,
      },
    };
    const at = (x: number, y: number, z: number): Space => ({ x, y, z });
    const step = writeStepAssembly(
      'two',
      [block],
      [
        { part: 0, name: 'quarter turn', origin: at(100, 0, 0), x: at(0, 1, 0), z: at(0, 0, 1) },
        { part: 0, name: 'over', origin: at(0, 0, 50), x: at(1, 0, 0), z: at(0, 0, -1) },
      ],
    );
    const found = solids(step);
    expect(found.map(s => Number(s.volume.toFixed(6)))).to.deep.equal([120, 120]);
    expect(found[0]!.at.map(x => Number(x.toFixed(6)))).to.deep.equal([98, 5, 1.5]);
    expect(found[1]!.at.map(x => Number(x.toFixed(6)))).to.deep.equal([5, -2, 48.5]);
    expect(step)
      .to.include("COLOUR_RGB('',0.2,0.4,0.6)")
      .and.include("PRODUCT('block'")
      .and.include("'quarter turn'");
  });

  it('a wheel with a printed hub at its back: both stand where the layout says', function () {
    this.timeout(60_000);
    const pair = arrange({ a: {}, b: { at: [40, 0] } }, { 'a.u': 20, 'b.w': 60 }, [['a.u', 'b.w']]);
    for (const side of ['back', 'front'] as const) {
      const m: Machine = {
        ...setProud('b-w', { side, height: 3 })(
          setWheel('b-w', { bore: { kind: 'round', diameter: 4 } })(pair),
        ),
        processes: [{ id: 'p', name: 'Printer', kind: 'printer' }],
        process: 'p',
      };
      const d = derive(m);
      const { band, radius } = proudHub(
        m,
        d.layout.stack.layers,
        m.wheels.find(w => w.id === 'b-w')!,
      )!;
      const found = solids(assemblyStep(d).step);
      const ring = found.find(f => Math.abs(f.volume / (Math.PI * (radius ** 2 - 4) * 3) - 1) < 0.05)!;
      expect(ring.at[2], side).to.be.closeTo((band.from + band.to) / 2, 1e-3);
      const wheel = found.reduce((p, q) => (q.volume > p.volume ? q : p));
      const layer = d.layout.stack.layers.get(m.wheels.find(w => w.id === 'b-w')!.layer)!;
      expect(wheel.at[2], side).to.be.closeTo((layer.from + layer.to) / 2, 1e-3);
    }
  });

  for (const name of ['two-noons'])
    it(`${name}: every part where it stands, as large as it is drawn`, function () {
      this.timeout(120_000);
      const file = readFileSync(new URL(`../../../../demo/${name}.json`, import.meta.url), 'utf8');
      const d = derive(must(readMachine(file)));
      const { step } = assemblyStep(d);
      const found = solids(step);
      const { parts } = flatParts(d);
      for (const p of parts) {
        const volume = (area(p.outline) - p.holes.reduce((s, h) => s + area(h), 0)) * p.thickness;
        const same = found.filter(s => Math.abs(s.volume - volume) < 0.003 * volume);
        expect(same.length, p.name).to.be.at.least(p.number);
      }
      // A wheel's middle is on its axis, at the middle of its layer.
      for (const w of d.machine.wheels) {
        const member = d.machine.members.find(m => m.id === w.member);
        const at = member?.kind === 'arbor' ? d.positions.at[member.axis] : undefined;
        const band = d.layout.stack.layers.get(w.layer)!;
        const z = band.from + (w.thickness ?? d.machine.stack.thickness) / 2;
        const near = found.filter(s => at && Math.hypot(s.at[0] - at.x, s.at[1] - at.y, s.at[2] - z) < 0.25);
        expect(near.length, w.name).to.be.at.least(1);
      }
      // A hand's middle lies out along it, where it is set.
      for (const i of d.machine.indicators) {
        const part = parts.find(q => q.id === i.id);
        const member = d.machine.members.find(m => m.id === i.member);
        if (i.kind !== 'hand' || !part || member?.kind !== 'arbor') continue;
        const at = d.positions.at[member.axis]!;
        const outline = flatten(part.outline, 0.002);
        const net = signedArea(outline) - part.holes.reduce((sum, h) => sum + area(h), 0);
        // Its holes lie about the axis, and take nothing from its moment.
        const { x, y } = centroid(outline);
        const out = { x: (x * signedArea(outline)) / net, y: (y * signedArea(outline)) / net };
        const way = rotate(out, radians(i.settingDeg));
        const there = found.filter(f => Math.hypot(f.at[0] - at.x - way.x, f.at[1] - at.y - way.y) < 0.3);
        expect(there.length, i.name).to.be.at.least(1);
      }
      expect(step.match(/STYLED_ITEM/g)!.length).to.equal(step.match(/MANIFOLD_SOLID_BREP/g)!.length);
    });

  it('names what no prism stands for in the head of the file, all of it, and puts nothing in its place', () => {
    const file = readFileSync(new URL('../../../../demo/orchard-turntable.json', import.meta.url), 'utf8');
    const d = derive(must(readMachine(file)));
    const { step, without } = assemblyStep(d);
    expect(without).to.include('Table stage 1, one piece').and.include('pillar');
    for (const name of without) expect(step.split('ENDSEC')[0]).to.include(`'without ${name}'`);
    const planets = d.machine.wheels.filter(w => /planet/.test(w.name));
    for (const w of planets) expect(step.match(new RegExp(`PRODUCT\\('${w.name}'`, 'g'))).to.have.length(1);
    expect(step).to.not.include("PRODUCT('Table stage 2: sun wheel'");
  });
});
