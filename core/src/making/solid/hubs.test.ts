import { expect } from 'chai';
import { arrange } from '../../../test/arrange.ts';
import { KINDS } from '../../../test/kinds.ts';
import { derive, layoutOf } from '../../state/derive/index.ts';
import { setProud, setToothing, setWheel } from '../../edits/change/index.ts';
import { mend } from '../../edits/edit/index.ts';
import { flatten, isClosed, type Path, signedArea, type TriMesh } from '../../ground/geometry/index.ts';
import { estimateOf, flatParts } from '../workshop/index.ts';
import { type Machine, readMachine, type Wheel, writeMachine } from '../../document/machine/index.ts';
import { findLayers, proudHub, sectionThrough, withLayers } from '../../place/layout/index.ts';
import { type Finding, must } from '../../ground/result/index.ts';
import { grubScrewFor } from '../../document/bought/index.ts';
import { partMaker, spaceScene } from './index.ts';

type Proud = NonNullable<NonNullable<Wheel['body']>['proud']>;
const area = (p: Path): number => Math.abs(signedArea(flatten(p, 0.001)));
const bare = arrange({ a: {}, b: { at: [100, 0] } }, { 'a.u': 40, 'b.w': 60 }, [['a.u', 'b.w']]);
const plain: Machine = {
  ...setToothing('toothing1', { size: { by: 'module', module: 2 } })(
    setWheel('b-w', { bore: { kind: 'round', diameter: 4 } })(bare),
  ),
  processes: [{ id: 'p', name: 'Printer', kind: 'printer' }],
  process: 'p',
};
/** The wheel of 60 with its hub standing out, in a frame of two plates. */
const made = (proud: Proud | undefined, more: Partial<Wheel> = {}): Machine => {
  const m = setProud('b-w', proud)(setWheel('b-w', more)(plain));
  return { ...m, layout: { ...m.layout, plates: FRAME } };
};
const FRAME: NonNullable<Machine['layout']['plates']> = {
  ...{ thickness: 4, margin: 6, pillars: [], shape: 'round the holes', fit: 'sliding' },
};
const hub = (m: Machine): ReturnType<typeof proudHub> =>
  proudHub(
    m,
    derive(m).layout.stack.layers,
    m.wheels.find(w => w.id === 'b-w')!,
  );
const told = (m: Machine, code: Finding['code']): Finding | undefined =>
  derive(m).findings.find(f => f.code === code);

describe('hubs that stand out of their wheels', function () {
  this.timeout(60_000);
  const volumes = async (
    m: Machine,
  ): Promise<{ volume: number; low: number; high: number; mesh: TriMesh }> => {
    const { default: Module } = await import('manifold-3d');
    const kit = await Module();
    kit.setup();
    const mesh = must(partMaker(kit, derive(m))({ id: 'b-w', name: 'w' }));
    const body = new kit.Manifold(
      new kit.Mesh({
        numProp: 3,
        vertProperties: Float32Array.from(mesh.positions),
        triVerts: mesh.triangles,
      }),
    );
    const { min, max } = body.boundingBox();
    expect(body.decompose()).to.have.length(1);
    return { volume: body.volume(), low: min[2], high: max[2], mesh };
  };

  for (const side of ['front', 'back'] as const)
    it(`${side}: one closed body on its bed, as much more as a ring of its height`, async () => {
      const flush = await volumes(made(undefined));
      const proud = await volumes(made({ side, height: 0.8 }));
      expect(isClosed(proud.mesh)).to.equal(true);
      const { outline, holes, height } = flatParts(derive(made({ side, height: 0.8 }))).parts.find(
        p => p.id === 'b-w',
      )!.hub!;
      const ring = (area(outline) - area(holes[0]!)) * height;
      expect((proud.volume - flush.volume) / ring).to.be.closeTo(1, 0.01);
      expect(proud.low).to.be.closeTo(0, 1e-6);
      expect(proud.high).to.be.closeTo(4 + 0.8, 1e-5);
      // In the machine it reaches to the side that is said.
      const m = made({ side, height: 0.8 });
      const item = spaceScene(derive(m)).items.find(i => i.body === 'b-w')!;
      const [low, high] = item.over
        ? [item.at.z - proud.high, item.at.z]
        : [item.at.z, item.at.z + proud.high];
      const band = derive(m).layout.stack.layers.get(m.wheels.find(w => w.id === 'b-w')!.layer)!;
      expect([low, high].map(x => Number(x.toFixed(4)))).to.deep.equal(
        side === 'front' ? [band.from, band.to + 0.8] : [band.from - 0.8, band.to],
      );
    });

  it('is drilled for the grub screw that the list names', async () => {
    const more: Partial<Wheel> = { hold: 'grub screw' };
    const solid = await volumes(made({ side: 'front', height: 5 }));
    const drilled = await volumes(made({ side: 'front', height: 5 }, more));
    const screw = grubScrewFor(4, 8)!;
    const { radius } = hub(made({ side: 'front', height: 5 }))!;
    // A round of the drill through the wall of the hub, 2 mm thick.
    const hole = (Math.PI / 4) * screw.thread.drill ** 2 * (radius - 2);
    expect((solid.volume - drilled.volume) / hole).to.be.closeTo(1, 0.15);
  });

  it('is mass of a printed wheel, and a part of its own where a sheet is cut', () => {
    const printed = made({ side: 'front', height: 0.8 });
    const process = printed.processes[0]!;
    const of = (m: Machine): number =>
      estimateOf(
        flatParts(derive(m)).parts.find(p => p.id === 'b-w')!,
        process,
        undefined,
      ).volume;
    const { radius } = hub(printed)!;
    expect(of(printed) - of(made(undefined))).to.be.closeTo(Math.PI * (radius ** 2 - 4) * 0.8, 0.8);
    const cut: Machine = { ...printed, processes: [{ id: 'p', name: 'Laser', kind: 'laser' }] };
    const part = flatParts(derive(cut)).parts.find(p => p.kind === 'hub')!;
    expect([part.thickness, part.number, part.name]).to.deep.equal([0.8, 1, 'hub, b.w']);
    expect(area(part.outline)).to.be.closeTo(Math.PI * radius ** 2, 0.1);
    // In space it stands on the face of its wheel, whoever makes it.
    const item = spaceScene(derive(cut)).items.find(i => i.body === 'hub b-w')!;
    expect(item.at.z).to.be.closeTo(hub(cut)!.band.from, 1e-9);
    expect(spaceScene(derive(printed)).items.some(i => i.body === 'hub b-w')).to.equal(false);
  });

  it('stands in the section, and takes the place of washers and spacers', () => {
    const m = made({ side: 'front', height: 0.8 });
    const d = derive(m);
    const axis = m.members.find(x => x.id === 'b');
    const cut = sectionThrough({ ...layoutOf(d), plates: d.layout.plates, pieces: d.layout.pieces }, [
      axis?.kind === 'arbor' ? axis.axis : '',
    ]);
    const { band, radius } = hub(m)!;
    const own = cut.cuts.filter(c => c.id === 'b-w' && Math.abs(c.low - band.from) < 1e-9);
    expect(own.map(c => [c.high, Math.abs(c.right - c.left)])).to.have.length(2);
    expect(Math.max(...own.map(c => c.right))).to.be.closeTo(radius, 1e-9);
    for (const p of d.layout.pieces.filter(x => x.arbor === 'b' && x.kind !== 'rod'))
      expect(p.band.from >= band.to - 1e-9 || p.band.to <= band.from + 1e-9, p.kind).to.equal(true);
    expect(must(readMachine(writeMachine(m)))).to.deep.equal(m);
  });

  it('is told where it strikes a plate or a wheel beside it, with the height that fits', () => {
    const m = made({ side: 'front', height: 5 });
    const struck = told(m, 'hub-strikes')!;
    expect(struck.severity).to.equal('stop');
    const mended = must(mend(struck.fixes[0]!)(m));
    expect(told(mended, 'hub-strikes')).to.equal(undefined);
    expect(hub(mended)!.height).to.be.closeTo(m.stack.gap, 0.11);
    // Behind there is as much as to the back plate.
    const { stack } = derive(m).layout;
    const room = stack.layers.get(m.wheels.find(w => w.id === 'b-w')!.layer)!.from - stack.back!.to;
    expect(told(made({ side: 'back', height: room }), 'hub-strikes')).to.equal(undefined);
    expect(told(made({ side: 'back', height: room + 0.1 }), 'hub-strikes')).to.not.equal(undefined);
  });

  it('is asked for by a grub screw in a thin wheel, and high and wide enough for it', () => {
    const thin = made(undefined, { hold: 'grub screw', thickness: 3 });
    const wants = told(thin, 'screw-wants-hub')!;
    expect(wants.data).to.deep.equal({ screw: 'M2', thick: 3, least: 4 });
    const free = { ...thin, layout: plain.layout };
    const given = must(mend(told(free, 'screw-wants-hub')!.fixes[0]!)(free));
    expect(hub(given)!.height).to.equal(4);
    expect(told(given, 'screw-wants-hub')).to.equal(undefined);
    const low = setProud('b-w', { side: 'front', height: 2 })(free);
    expect(hub(must(mend(told(low, 'hub-too-low')!.fixes[0]!)(low)))!.height).to.equal(4);
    const narrow = setWheel('b-w', {
      body: { ...given.wheels.find(w => w.id === 'b-w')!.body!, hubDiameter: 6 },
    })(given);
    const wider = must(mend(told(narrow, 'hub-too-narrow')!.fixes[0]!)(narrow));
    expect(told(wider, 'hub-too-narrow')).to.equal(undefined);
    expect(2 * hub(wider)!.radius).to.equal(8);
  });

  it('keeps the next layer free when layers are found, as far as it needs it', () => {
    const own = plain.wheels.find(w => w.id === 'b-w')!;
    const m: Machine = setProud('b-w', { side: 'front', height: 4 })({
      ...plain,
      wheels: [...plain.wheels, { ...own, id: 'top', name: 'top', layer: own.layer + 1 }],
    });
    expect(told(m, 'hub-strikes')).to.not.equal(undefined);
    const laid = withLayers(m, must(findLayers(layoutOf(derive(m)))));
    expect(told(laid, 'hub-strikes')).to.equal(undefined);
  });

  it('is told where no body would show it, and takes no room there', () => {
    const swung = setProud('lobes', { side: 'front', height: 2 })(
      setWheel('lobes', { bore: { kind: 'round', diameter: 8 } })(KINDS['reducer with output pins']!),
    );
    const disc = swung.wheels.find(w => w.id === 'lobes')!;
    expect(proudHub(swung, derive(swung).layout.stack.layers, disc)).to.equal(undefined);
    const found = told(swung, 'hub-not-here')!;
    expect(told(must(mend(found.fixes[0]!)(swung)), 'hub-not-here')).to.equal(undefined);
    expect(told(made({ side: 'front', height: 0.8 }), 'hub-not-here')).to.equal(undefined);
  });
});
