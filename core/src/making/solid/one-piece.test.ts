import { Clipper, FillRule } from 'clipper2-ts';
import { expect } from 'chai';
import Module from 'manifold-3d';
import { arrange } from '../../../test/arrange.ts';
import { derive } from '../../state/derive/index.ts';
import type { Derived } from '../../state/state/index.ts';
import { sectionAt } from '../dry-run/index.ts';
import { flatten, isClosed, meshBounds, meshVolume, type TriMesh } from '../../ground/geometry/index.ts';
import { type Machine, newMachine } from '../../document/machine/index.ts';
import { setLayout, setWheel } from '../../edits/change/index.ts';
import { carriersOfOnePiece } from '../../edits/sets/index.ts';
import { plantPlanetary, plantTwoRing } from '../../edits/planting/index.ts';
import { setFrom, twoRingFrom } from '../../counting/planetary/index.ts';
import { mend } from '../../edits/edit/index.ts';
import { must } from '../../ground/result/index.ts';
import { fusedParts, onePieces } from '../../place/layout/index.ts';
import { hardwareList, partsList } from '../lists/index.ts';
import { onePieceBand, onePieceVolume, partMaker, solidParts, spaceScene, type SolidKit } from './index.ts';

let kit: SolidKit;
before(async () => {
  const module = await Module();
  module.setup();
  kit = module;
});

const PRINTER = { id: 'p', name: 'Printer', kind: 'printer' as const };
const printed = (m: Machine): Machine => ({ ...m, processes: [PRINTER], process: 'p' });

/** Three stages, the arm of each with the next sun, its pegs and its tube as one piece. */
function turntable(): Machine {
  const set = must(setFrom({ sun: 16, planet: 20 }, 3));
  const start = { ...printed(newMachine('t')), stack: { thickness: 6, gap: 1 } };
  const planted = plantPlanetary(start, { set, held: 'ring', driver: 'sun', module: 1.5, stages: 3 });
  const fused = carriersOfOnePiece(planted.sets[0]!.id, true)(planted);
  // Bored so widely that wheel and tube would not touch, were the bores not filled.
  const suns = fused.wheels.filter(w => w.hold === 'one piece').map(w => w.id);
  const wide = suns.reduce(
    (m, id) => setWheel(id, { bore: { kind: 'round', diameter: 5, fit: 'free' } })(m),
    fused,
  );
  return setLayout({ tubes: { rod: 3, wall: 0.9, running: 0.1 } })(wide);
}

/** How many pieces a mesh falls into that share no corner. */
function shells({ positions, triangles: t }: TriMesh): number {
  const of = Array.from({ length: positions.length / 3 }, (_, i) => i);
  const find = (x: number): number => (of[x] === x ? x : (of[x] = find(of[x]!)));
  for (let i = 0; i < t.length; i += 3) {
    of[find(t[i]!)] = find(t[i + 1]!);
    of[find(t[i + 1]!)] = find(t[i + 2]!);
  }
  return new Set(Array.from(t, find)).size;
}
const areaAt = (mesh: TriMesh, z: number): number =>
  Math.abs(Clipper.areaPathsD(Clipper.unionD(sectionAt(mesh, z), [], FillRule.EvenOdd, 5)));
const made = (d: Derived, id: string): TriMesh =>
  must(partMaker(kit, d)(solidParts(d).find(p => p.id === id)!));

describe('what is made as one piece', function () {
  this.timeout(120_000);

  it('arm, tube, pegs and next sun are one closed body at their heights, for each of three stages', () => {
    const d = derive(turntable());
    const ones = onePieces(d.machine, d.layout.pieces);
    expect(ones.map(o => [o.wheels.length, o.arm, o.pegs.length])).to.deep.equal([
      [1, true, 1],
      [1, true, 1],
      [0, true, 1],
    ]);
    for (const one of ones) {
      const mesh = made(d, one.id);
      expect(isClosed(mesh), one.name).to.equal(true);
      expect(shells(mesh), one.name).to.equal(1);
      const band = onePieceBand(d, one);
      const box = meshBounds(mesh);
      expect(box.least[2]).to.be.closeTo(0, 1e-6);
      expect(box.most[2]).to.be.closeTo(band.to - band.from, 1e-6);
      expect(onePieceVolume(d, one) / meshVolume(mesh)).to.be.closeTo(1, 0.005);
    }
  });

  it('cut across at three heights, has the area of what is there: pegs, arm, sun with its tube', () => {
    const d = derive(turntable());
    const [one] = onePieces(d.machine, d.layout.pieces);
    const mesh = made(d, one!.id);
    const low = onePieceBand(d, one!).from;
    const { layers } = d.layout.stack;
    const sun = d.machine.wheels.find(w => w.id === one!.wheels[0])!;
    const size = d.layout.sizes.get(one!.arbor)!;
    const bore = size.bore === undefined ? 0 : (Math.PI / 4) * size.bore ** 2;
    const at = (band: { from: number; to: number }): number => (band.from + band.to) / 2 - low;
    const figure = d.wheels[sun.id]!.figure;
    const face = figure.ok
      ? Math.abs(Clipper.areaD(flatten(figure.value.outline, 0.001).map(p => ({ x: p.x, y: p.y }))))
      : 0;
    expect(areaAt(mesh, at(layers.get(sun.layer)!)) / (face - bore), 'sun, within 0.1 %').to.be.closeTo(
      1,
      1e-3,
    );
    const peg = d.layout.pieces[one!.pegs[0]!.piece]!;
    const planets = d.machine.wheels.find(w => w.member === one!.pegs[0]!.arbor)!;
    const tube = (Math.PI / 4) * (size.diameter ** 2 - (size.bore ?? 0) ** 2);
    const pegs = (3 * Math.PI * peg.outside ** 2) / 4;
    const both = areaAt(mesh, at(layers.get(planets.layer)!));
    const [span, layer] = [d.layout.spans.of.get(one!.arbor)!.whole, layers.get(planets.layer)!];
    const hasTube = span.to > layer.from && span.from < layer.to;
    expect(both / (pegs + (hasTube ? tube : 0)), 'three pegs and the tube').to.be.closeTo(1, 5e-3);
  });

  it('stands in parts, lists and space once, and nothing of it anywhere beside', () => {
    const d = derive(turntable());
    const ones = onePieces(d.machine, d.layout.pieces);
    const fused = fusedParts(ones);
    const parts = solidParts(d);
    for (const one of ones) expect(parts.filter(p => p.id === one.id)).to.have.length(1);
    expect(parts.filter(p => fused.has(p.id) && p.kind !== 'one piece')).to.deep.equal([]);
    const bodies = spaceScene(d).items.map(i => i.body);
    for (const one of ones) expect(bodies.filter(b => b === one.id)).to.have.length(1);
    expect(bodies.filter(b => fused.has(b) && !ones.some(o => o.id === b))).to.deep.equal([]);
    const rows = partsList(d).rows.map(r => String(r[0]));
    for (const one of ones) {
      expect(rows).to.include(`${one.name}, one piece`);
      expect(rows).to.not.include(`arm, ${one.name}`);
      for (const kind of ['rod', 'tube']) expect(rows).to.not.include(`${kind}, ${one.name}`);
      expect(hardwareList(d).rows.map(r => String(r[5]))).to.not.include(one.name);
    }
    const row = partsList(d).rows.find(r => r[0] === `${ones[0]!.name}, one piece`)!;
    expect(row[9], 'as high as it is').to.be.closeTo(
      onePieceBand(d, ones[0]!).to - onePieceBand(d, ones[0]!).from,
      1e-3,
    );
  });

  it('a turning ring, its wall and its arbor are one; without a wall they fall apart, and that is told', () => {
    const set = must(twoRingFrom(18, 24, 23, 3));
    const m = printed(plantTwoRing(newMachine('two'), { set, module: 1.5 }));
    const ring = m.sets[0]!.stages[0]!.second!.ring;
    const d = derive(setWheel(ring, { hold: 'one piece' })(m));
    const [one] = onePieces(d.machine, d.layout.pieces);
    expect([one!.wheels, one!.walls]).to.deep.equal([[ring], [ring]]);
    const mesh = made(d, ring);
    expect([isClosed(mesh), shells(mesh)]).to.deep.equal([true, 1]);
    expect(onePieceVolume(d, one!) / meshVolume(mesh)).to.be.closeTo(1, 0.005);
    const open: Machine = {
      ...d.machine,
      wheels: d.machine.wheels.map(w =>
        w.id === ring ? { ...w, mount: { kind: 'lugs', number: 3, hole: 3 } } : w,
      ),
      aims: [],
    };
    expect(derive(open).findings.map(f => f.code)).to.include('ring-off-arbor');
  });

  it('is only what a printer makes: of a sheet it is told', () => {
    const m = turntable();
    const cut: Machine = { ...m, processes: [{ id: 'l', name: 'Laser', kind: 'laser' }], process: 'l' };
    expect(onePieces(cut, derive(cut).layout.pieces)).to.deep.equal([]);
    expect(derive(cut).findings.filter(f => f.code === 'one-piece-not-cut')).to.have.length(2);
    expect(derive(m).findings.map(f => f.code)).to.not.include('one-piece-not-cut');
  });
});

describe('a hand or an arm of a body that is one piece with its arbor', function () {
  this.timeout(120_000);

  const hand = {
    ...{
      kind: 'hand' as const,
      id: 'h',
      name: 'Hand',
      member: 'b',
      settingDeg: 30,
      shape: 'tapered' as const,
    },
    ...{ radius: 40, tail: 12, width: 6, hold: 'one piece' as const },
  };
  const planet = {
    ...{
      kind: 'body' as const,
      id: 'p',
      name: 'Planet',
      member: 'b',
      settingDeg: 90,
      radius: 6,
      distance: 60,
    },
    hold: 'one piece' as const,
  };
  const plates = {
    thickness: 4,
    margin: 6,
    shape: 'round the holes' as const,
    fit: 'free' as const,
    pillars: [],
  };
  const plated = (...indicators: Machine['indicators']): Machine => ({
    ...printed(
      setLayout({ plates })(
        arrange({ a: {}, b: { at: [30, 0] } }, { 'a.u': 30, 'b.w': 30 }, [['a.u', 'b.w']]),
      ),
    ),
    indicators,
  });

  for (const [what, shown, out] of [
    ['a hand', hand, 40],
    ['an arm', planet, 60],
    ['an arm that is bent up', { ...planet, bent: true as const, lift: 8 }, 60],
  ] as const)
    it(`${what}: one closed body from the foot of its arbor to its seat, turned as it is set`, () => {
      const d = derive(plated(shown));
      const [one] = onePieces(d.machine, d.layout.pieces);
      expect([one!.id, one!.wheels, one!.shown]).to.deep.equal([shown.id, [], [shown.id]]);
      const mesh = made(d, shown.id);
      expect([isClosed(mesh), shells(mesh)]).to.deep.equal([true, 1]);
      const [box, seat] = [meshBounds(mesh), d.layout.spans.seats.get(shown.id)!];
      const rod = d.layout.spans.of.get('b')!.whole;
      const top = Math.max(rod.to, seat.low + 1.6 + ('lift' in shown ? shown.lift : 0));
      expect(box.least[2]).to.be.closeTo(0, 1e-6);
      expect(box.most[2]).to.be.closeTo(top - rod.from, 1e-6);
      const tip = shown.settingDeg === 30 ? [0, Math.cos(Math.PI / 6)] : [1, 1];
      expect(box.most[tip[0]!]! / (out * tip[1]!), 'as far as it reaches').to.be.within(0.97, 1.12);
      expect(onePieceVolume(d, one!) / meshVolume(mesh)).to.be.closeTo(1, 0.01);
      const names = partsList(d).rows.map(r => String(r[0]));
      expect(names).to.include('b, one piece').and.not.include('rod, b');
      expect(names).to.not.include('Hand').and.not.include('arm, Planet');
      expect(d.findings.map(f => f.code)).to.not.include('one-piece-through-plate');
      expect(spaceScene(d).items.filter(i => i.body === shown.id)).to.have.length(1);
    });

  it('with a wheel within the plates goes through no hole of the front one: told, and mended', () => {
    const m = setWheel('b-w', { hold: 'one piece' })(plated(hand));
    const found = derive(m).findings.find(f => f.code === 'one-piece-through-plate')!;
    expect(found.data).to.deep.equal({ name: 'b', side: 'front' });
    const mended = must(mend(found.fixes[0]!)(m));
    expect(derive(mended).findings.map(f => f.code)).to.not.include('one-piece-through-plate');
    expect(
      derive({ ...m, layout: { ...m.layout, plates: undefined } }).findings.map(f => f.code),
    ).to.not.include('one-piece-through-plate');
  });

  it('of a sheet is told', () => {
    const m: Machine = {
      ...plated(hand),
      processes: [{ id: 'l', name: 'Laser', kind: 'laser' }],
      process: 'l',
    };
    expect(
      derive(m)
        .findings.filter(f => f.code === 'one-piece-not-cut')
        .map(f => f.subjects),
    ).to.deep.equal([['h']]);
  });
});
