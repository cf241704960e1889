import { expect } from 'chai';
import fc from 'fast-check';
import { arrange } from '../../../test/arrange.ts';
import { circle, flatten, polygon, signedArea } from '../../ground/geometry/index.ts';
import { derive } from '../../state/derive/index.ts';
import { setArbor, setIndicator, setLayout } from '../../edits/change/index.ts';
import { mend } from '../../edits/edit/index.ts';
import { ballsInOnePlane, weigh } from '../../edits/indicators/index.ts';
import { diameterOf, flatParts } from '../../making/workshop/index.ts';
import { hardwareList } from '../../making/lists/index.ts';
import { isClosed } from '../../ground/geometry/index.ts';
import type { Machine } from '../../document/machine/index.ts';
import { must } from '../../ground/result/index.ts';
import { meshBounds, meshVolume } from '../../ground/geometry/index.ts';
import { partMaker, extraParts, solidParts, spaceScene } from '../../making/solid/index.ts';
import { ballVolume, bodyArm, bodyArmOf, bodyBalance, type BodyIndicator, momentOfArea } from './index.ts';

const body = (more: Partial<BodyIndicator>): BodyIndicator => ({
  ...{ kind: 'body', id: 'p', name: 'Planet', member: 'b', settingDeg: 0, radius: 6, distance: 60, ...more },
});
/** Two arbors 30 mm apart whose wheels are 30 mm wide, and bodies on the second. */
const orrery = (...bodies: readonly Partial<BodyIndicator>[]): Machine => ({
  ...setLayout({
    plates: { thickness: 4, margin: 6, shape: 'round the holes', fit: 'free', pillars: [] },
  })(arrange({ a: {}, b: { at: [30, 0] } }, { 'a.u': 30, 'b.w': 30 }, [['a.u', 'b.w']])),
  indicators: bodies.map((more, i) => body({ id: `p${i}`, ...more })),
});
const codes = (m: Machine): string[] => derive(m).findings.map(f => f.code);
const seatOf = (m: Machine, id: string): { low: number; high: number; ball: number | undefined } =>
  derive(m).layout.spans.seats.get(id)!;

describe('moments', () => {
  it('of an area about an axis are area times the way of its middle', () => {
    const at = fc.record({
      x: fc.integer({ min: -50, max: 50 }),
      w: fc.integer({ min: 1, max: 40 }),
      h: fc.integer({ min: 1, max: 40 }),
    });
    fc.assert(
      fc.property(at, ({ x, w, h }) => {
        const box = polygon([
          { x, y: 2 },
          { x: x + w, y: 2 },
          { x: x + w, y: 2 + h },
          { x, y: 2 + h },
        ]);
        expect(momentOfArea(box)).to.be.closeTo(w * h * (x + w / 2), 1e-6);
      }),
    );
    expect(momentOfArea(circle({ x: 10, y: 0 }, 3))).to.be.closeTo(Math.PI * 9 * 10, 1);
    expect(momentOfArea(circle({ x: 10, y: 0 }, 3, false))).to.be.closeTo(-Math.PI * 90, 1);
  });

  it('a ball cut flat and bored has the volume of what is left', () => {
    // By slices: π (r² − z²) from the flat up, less the bore to the middle.
    const [r, bore] = [6, 2];
    let sum = 0;
    const n = 20_000;
    const from = -0.9 * r;
    for (let i = 0; i < n; i++) {
      const z = from + ((r - from) * (i + 0.5)) / n;
      sum += (Math.PI * (r * r - z * z) * (r - from)) / n;
    }
    expect(ballVolume(r, bore)).to.be.closeTo(sum - (Math.PI / 4) * bore ** 2 * 0.9 * r, 1e-4);
  });

  it('a counterweight balances ball and arm by their densities, and is told when it does not', () => {
    const bare = orrery({});
    const m = weigh(derive(bare), 'p0', true)(bare);
    const one = m.indicators[0] as BodyIndicator;
    const d = derive(m);
    const parts = { machine: m, sizes: d.layout.sizes };
    const balance = bodyBalance(parts, one)!;
    expect(balance.known).to.equal(false);
    expect(balance.weight / balance.out).to.be.closeTo(1, 0.002);
    expect(codes(m)).to.not.include('out-of-balance');
    // By hand: the bar and its eye beyond the hub, as a rectangle and a half disc, and the tail taken off again.
    const arm = bodyArmOf(parts, one);
    const plate =
      momentOfArea(arm.seen.outline) - 60 * Math.PI * (1.95 / 2) ** 2 + 20 * Math.PI * (1.95 / 2) ** 2;
    const byHand = (ballVolume(6, 2) * 60 + plate * 1.6) / 1000;
    expect(balance.out).to.be.closeTo(byHand, 1e-3 * byHand);
    expect(balance.weight).to.be.closeTo(
      ((Math.PI / 4) * one.weight!.diameter ** 2 * one.weight!.height * 20) / 1000,
      1e-9,
    );

    expect(one.weight!.height / one.weight!.diameter).to.be.closeTo(0.5, 0.01);
    const doubled = setIndicator('p0', { weight: { ...one.weight!, height: 2 * one.weight!.height } })(m);
    const found = derive(doubled).findings.find(f => f.code === 'out-of-balance')!;
    expect(codes(must(mend(found.fixes[0]!)(doubled)))).to.not.include('out-of-balance');
    expect(weigh(d, 'p0', false)(m).indicators[0]).to.not.have.property('weight');
    // A weight of brass is a seventh as high as one of plastic, and its arm holds it by a pin of its own.
    const dense: Machine = {
      ...m,
      materials: [
        { id: 'light', name: 'light', density: 1.24 },
        { id: 'brass', name: 'brass', density: 8.5 },
      ] as never,
      making: [
        { part: 'p0', material: 'light' },
        { part: 'ball p0', material: 'light' },
        { part: 'weight p0', material: 'brass' },
      ],
    };
    const heavy = bodyBalance({ machine: dense, sizes: d.layout.sizes }, one)!;
    expect(heavy.known).to.equal(true);
    expect(heavy.height / balance.height).to.be.closeTo(1.24 / 8.5, 1e-9);
    expect(extraParts(d).map(p => p.id)).to.include.members(['weight p0', 'pin weight p0']);
    expect(hardwareList(d).rows.some(r => /counterweight/.test(String(r[5])))).to.equal(true);
  });
});

describe('arms of bodies', () => {
  it('are bored in the shape of their arbor, pressed or glued', () => {
    const m = setArbor('b', { section: { kind: 'square', across: 4 } })(orrery({}));
    const square = bodyArmOf({ machine: m, sizes: derive(m).layout.sizes }, m.indicators[0] as BodyIndicator);
    expect(square.holes[0]!.segments).to.have.length(4);
    expect(Math.abs(signedArea(flatten(square.holes[0]!, 0.001)))).to.be.closeTo(3.95 ** 2, 1e-9);
    const glued = { ...(m.indicators[0] as BodyIndicator), hold: 'glue' as const };
    const slides = bodyArmOf({ machine: m, sizes: derive(m).layout.sizes }, glued);
    expect(Math.abs(signedArea(flatten(slides.holes[0]!, 0.001)))).to.be.closeTo(4.1 ** 2, 1e-9);
  });

  it('a bent one is longer by lift (√2 − 1) before it is bent, and reaches where it should', async function () {
    this.timeout(30_000);
    const m = orrery({ lift: 20, bent: true });
    const d = derive(m);
    const part = flatParts(d).parts.find(p => p.id === 'p0')!;
    const reach = Math.max(...flatten(part.outline, 0.001).map(p => p.x));
    const seen = Math.max(...flatten(part.raised!.outline, 0.001).map(p => p.x));
    expect(reach - seen).to.be.closeTo(20 * (Math.SQRT2 - 1), 1e-6);
    const [first, second] = part.engraved.map(p => p.start.x);
    expect(second! - first!).to.be.closeTo(20 * Math.SQRT2, 1e-9);
    // Bent: as high as lift and sheet, of the sheet's own volume to what the inside of two bends takes.
    const { default: Module } = await import('manifold-3d');
    const kit = await Module();
    kit.setup();
    const mesh = must(partMaker(kit, d)({ id: 'p0', name: 'arm' }));
    expect(isClosed(mesh)).to.equal(true);
    const { most, least } = meshBounds(mesh);
    expect(most[2]! - least[2]!).to.be.closeTo(21.6, 1e-6);
    expect(most[0]!).to.be.closeTo(seen, 1e-3);
    const flat = signedArea(flatten(part.outline, 0.001)) * 1.6;
    const solid = kit.Manifold.ofMesh(
      new kit.Mesh({
        numProp: 3,
        vertProperties: Float32Array.from(mesh.positions),
        triVerts: Uint32Array.from(mesh.triangles),
      }),
    );
    const holes = part.holes.reduce((s, h) => s + Math.abs(signedArea(flatten(h, 0.001))), 0) * 1.6;
    expect(solid.volume()).to.be.closeTo(flat - holes, 0.02 * flat);
    // Its pin is short, and ball and pin stand where the arm ends.
    const pin = extraParts(d).find(p => p.id === 'pin ball p0')!;
    expect(pin.height).to.be.closeTo(1.6 + 0.9 * 6, 1e-9);
    const straight = derive(setIndicator('p0', { bent: undefined })(m));
    expect(extraParts(straight).find(p => p.id === 'pin ball p0')!.height).to.be.closeTo(
      pin.height + 20,
      1e-9,
    );
    const z = (body: string): number => spaceScene(d).items.find(i => i.body === body)!.at.z;
    expect(z('ball p0') - z('pin ball p0')).to.be.closeTo(1.6, 1e-9);
    expect(z('pin ball p0') - z('p0')).to.be.closeTo(20, 1e-9);
  });

  it('held by a grub screw: a boss tapped through its side, past which its arbor and the next go', async function () {
    this.timeout(30_000);
    const pressed = orrery({}, { distance: 30 });
    const m = setIndicator('p0', { hold: 'grub screw' })(pressed);
    expect(seatOf(m, 'p1').low - seatOf(pressed, 'p1').low).to.be.closeTo(6, 1e-9);
    const top = (x: Machine): number => derive(x).layout.spans.of.get('b')!.whole.to;
    expect(top(m) - top(pressed)).to.be.closeTo(6, 1e-9);
    expect(seatOf(m, 'p0').ball, 'the ball stands on the arm, not on the boss').to.equal(
      seatOf(pressed, 'p0').ball,
    );
    // A rod of 3 mm takes an M2 screw through 4 mm of wall: 4 mm long, tapped in 1.6 (ISO 4026, ISO 261).
    const row = hardwareList(derive(m)).rows.find(r => r[0] === 'grub screw')!;
    const across = derive(m).layout.sizes.get('b')!.diameter;
    expect([across, row[1], row[2], row[5]]).to.deep.equal([3, 'M2', 4, 'Planet']);
    const { default: Module } = await import('manifold-3d');
    const kit = await Module();
    kit.setup();
    const print = (x: Machine): Machine => ({
      ...x,
      processes: [{ id: 'p', name: 'p', kind: 'printer' }],
      process: 'p',
    });
    const volume = (x: Machine): number => {
      const mesh = must(partMaker(kit, derive(x))({ id: 'p0', name: 'arm' }));
      expect(isClosed(mesh)).to.equal(true);
      return meshVolume(mesh);
    };
    // A ring of 11 across round a bore of 3.1, less a hole of 1.6 through one wall; its arm has a hub as wide.
    const boss = (Math.PI / 4) * (11 ** 2 - 3.1 ** 2) * 6 - (Math.PI / 4) * 1.6 ** 2 * 3.95;
    const [part] = flatParts(derive(print(m))).parts.filter(p => p.id === 'p0');
    const face = [part!.outline, ...part!.holes].reduce((s, p) => s + signedArea(flatten(p, 0.002)), 0);
    expect(volume(print(m))).to.be.closeTo(1.6 * face + boss, 0.005 * boss);
    expect(diameterOf(part!.holes[0]!)).to.be.closeTo(3.1, 1e-9);
    // Cut from a sheet, the boss is a part of its own and stands on the arm in space.
    const cut: Machine = { ...m, processes: [{ id: 'l', name: 'l', kind: 'laser' }], process: 'l' };
    expect(
      flatParts(derive(cut))
        .parts.filter(p => p.kind === 'hub')
        .map(p => [p.id, p.thickness]),
    ).to.deep.equal([['hub p0', 6]]);
    const z = (body: string): number => spaceScene(derive(cut)).items.find(i => i.body === body)!.at.z;
    expect(z('hub p0') - z('p0')).to.be.closeTo(1.6, 1e-9);
    expect(spaceScene(derive(print(m))).items.map(i => i.body)).to.not.include('hub p0');
  });

  it('one too short to be bent is told, and stays straight', () => {
    const m = orrery({ lift: 50, bent: true });
    const found = derive(m).findings.find(f => f.code === 'arm-not-bent')!;
    expect(bodyArm(m.indicators[0] as BodyIndicator, undefined, 2, 2).bend).to.equal(undefined);
    expect(codes(must(mend(found.fixes[0]!)(m)))).to.not.include('arm-not-bent');
  });

  it('balls of one line are lifted into one plane', () => {
    const two = arrange(
      { a: {}, b: { at: [30, 0] }, c: { with: 'b' } },
      { 'a.u': 30, 'b.w': 30, 'a.v': 20, 'c.x': 40 },
      [
        ['a.u', 'b.w'],
        ['a.v', 'c.x'],
      ],
    );
    const m: Machine = {
      ...two,
      indicators: [
        body({ id: 'near', member: 'b', distance: 40, radius: 4 }),
        body({ id: 'far', member: 'c', distance: 70, radius: 7 }),
      ],
    };
    const level = must(ballsInOnePlane('near')(m));
    expect(seatOf(level, 'near').ball).to.be.closeTo(seatOf(level, 'far').ball!, 0.011);
    // With the longer arm on the inner tube it passes over the other ball, however that is lifted.
    const swapped = setIndicator('far', { distance: 40 })(setIndicator('near', { distance: 70 })(m));
    const no = ballsInOnePlane('near')(swapped);
    expect(no.ok ? '' : no.problem.code).to.equal('balls-not-level');
    expect(seatOf(m, 'near').ball).to.not.be.closeTo(seatOf(m, 'far').ball!, 0.5);
    expect(solidParts(derive(level)).filter(p => p.kind === 'pin')).to.have.length(2);
  });

  it('are held against what else stands out in front: another arbor, another ball, all the way round', () => {
    // A globe on the other arbor, 30 mm off, higher than the arm: an arm of 60 sweeps through its arbor.
    const m = orrery({});
    const globe: Machine['indicators'][number] = {
      ...{ kind: 'globe', id: 'g', name: 'Globe', member: 'a', settingDeg: 0, radius: 8 },
    };
    const struck = derive({ ...m, indicators: [...m.indicators, globe] }).findings.filter(
      f => f.code === 'shown-strikes',
    );
    expect(struck.map(f => [...f.subjects].sort().join(' '))).to.include('g p0');
    // At 15 mm it stays clear of all of it.
    const near = derive({
      ...setIndicator('p0', { distance: 14, radius: 2 })(m),
      indicators: [body({ id: 'p0', distance: 14, radius: 2 }), globe],
    });
    expect(near.findings.map(f => f.code)).to.not.include('shown-strikes');
  });
});
