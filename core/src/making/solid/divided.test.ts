import { expect } from 'chai';
import { arrange } from '../../../test/arrange.ts';
import { derive, wheelPiece } from '../../state/derive/index.ts';
import { divisionsOf, pieceRoom, splitPeg } from '../../teeth/body/index.ts';
import { setToothing, setWheel } from '../../edits/change/index.ts';
import { mend } from '../../edits/edit/index.ts';
import {
  bounds,
  flatten,
  isClosed,
  type Path,
  signedArea,
  type TriMesh,
} from '../../ground/geometry/index.ts';
import { type FlatPart, flatParts } from '../workshop/index.ts';
import type { Manifold } from 'manifold-3d';
import { hardwareList, partsList } from '../lists/index.ts';
import type { Machine, Wheel } from '../../document/machine/index.ts';
import { type Finding, must } from '../../ground/result/index.ts';
import { partMaker, solidParts, spaceScene } from './index.ts';

type Divided = NonNullable<Wheel['divided']>;
const area = (p: Path): number => Math.abs(signedArea(flatten(p, 0.001)));
const net = (p: { outline: Path; holes: readonly Path[] }): number =>
  area(p.outline) - p.holes.reduce((s, h) => s + area(h), 0);
const bare = arrange({ a: {}, b: { at: [50, 0] } }, { 'a.u': 20, 'b.w': 60 }, [['a.u', 'b.w']]);
const spoked: NonNullable<Wheel['body']> = {
  web: { kind: 'spokes', number: 6 },
  mark: false,
  engraved: false,
};
/** A wheel of 60, module 1 or 2, with a bore and six spokes. */
const made = (divided: Divided | undefined, body?: Wheel['body']): Machine =>
  setWheel('b-w', { bore: { kind: 'round', diameter: 8 }, hold: 'glue', body, divided })(
    setToothing('toothing1', { size: { by: 'module', module: 2 } })(bare),
  );
const part = (m: Machine): FlatPart => flatParts(derive(m)).parts.find(p => p.id === 'b-w')!;
const whole = net(part(made(undefined)));

describe('wheels made in pieces', () => {
  it('split only into what is alike: teeth, web, lugs, bore', () => {
    const [, w] = made(undefined).wheels;
    expect(divisionsOf(w!)).to.deep.equal([2, 3, 4, 5, 6, 10, 12]);
    expect(divisionsOf({ ...w!, body: spoked })).to.deep.equal([2, 3, 6]);
    expect(divisionsOf({ ...w!, bore: { kind: 'square', across: 5 } })).to.deep.equal([2, 4]);
    expect(divisionsOf({ ...w!, bore: { kind: 'D', diameter: 5, flat: 4 } })).to.deep.equal([]);
  });

  it('are split through gaps: half a tooth off the middle of a tooth', () => {
    for (const pieces of [2, 3]) {
      const d = derive(made({ pieces, by: 'pegs' }));
      const { from } = must(wheelPiece(d, d.machine.wheels[1]!)!);
      const teeth = (from * 60) / (2 * Math.PI);
      expect(teeth - Math.floor(teeth)).to.be.closeTo(0.5, 1e-9);
    }
  });

  for (const pieces of [2, 3, 6])
    it(`${pieces} pieces with pegs are the whole, neither more nor less, and take the room that is reckoned`, () => {
      const piece = part(made({ pieces, by: 'pegs' }));
      expect(pieces * net(piece)).to.be.closeTo(whole, 1e-4 * whole);
      expect(piece.number).to.equal(pieces);
      const box = bounds(flatten(piece.outline, 0.01));
      const room = pieceRoom(0, 62, pieces);
      expect(box.maxX - box.minX).to.be.at.most(room.along + 1e-6);
      expect(box.maxY - box.minY).to.be.at.most(room.across + 1e-6);
      expect(box.maxY - box.minY).to.be.at.least(0.92 * room.across);
      // Two splits, one stretch of stock along each from the bore to a root.
      expect(piece.engraved).to.have.length(2);
    });

  it('dovetails lose nothing but the play of their sockets, and stay within spokes and rims', () => {
    const d = derive(made({ pieces: 3, by: 'dovetails' }, spoked));
    const piece = wheelPiece(d, d.machine.wheels[1]!)!;
    const { joints } = must(piece);
    expect(joints.length).to.be.at.least(1);
    const all = net(part(made(undefined, spoked)));
    const is = 3 * net(part(made({ pieces: 3, by: 'dovetails' }, spoked)));
    // A twentieth of a millimetre round each tail, whose sides are under 16 mm long.
    expect(all - is).to.be.within(0, 3 * joints.length * 0.05 * 16 + 0.01);
    expect(all - is).to.be.greaterThan(0.1);
  });

  it('are bodies that go together: closed, apart from each other, the volume of the whole', async function () {
    this.timeout(60_000);
    const { default: Module } = await import('manifold-3d');
    const kit = await Module();
    kit.setup();
    const body = (mesh: TriMesh): Manifold =>
      kit.Manifold.ofMesh(
        new kit.Mesh({
          ...{ numProp: 3, vertProperties: Float32Array.from(mesh.positions) },
          triVerts: Uint32Array.from(mesh.triangles),
        }),
      );
    for (const by of ['dovetails', 'pegs'] as const) {
      const d = derive(made({ pieces: 4, by }));
      const mesh = must(partMaker(kit, d)({ id: 'b-w', name: 'w' }));
      expect(isClosed(mesh)).to.equal(true);
      const piece = body(mesh);
      const next = piece.rotate([0, 0, 90]);
      expect(piece.intersect(next).volume(), by).to.be.closeTo(0, 1e-3);
      const thick = d.machine.stack.thickness;
      const { diameter, length } = splitPeg(thick);
      // Two faces, each with half a peg's hole, a little deeper and tighter than the peg.
      const drilled = by === 'pegs' ? 2 * (Math.PI / 4) * (diameter - 0.05) ** 2 * (length / 2 + 0.2) : 0;
      expect(4 * (piece.volume() + drilled)).to.be.closeTo(whole * thick, 0.004 * whole * thick);
      expect(solidParts(d).find(p => p.id === 'b-w')).to.include({ number: 4 });
      const items = spaceScene(d).items.filter(i => i.body === 'b-w');
      expect(new Set(items.map(i => (i.spin % (2 * Math.PI)).toFixed(4))).size).to.equal(4);
      const row = partsList(d).rows.find(r => r[0] === 'b.w')!;
      expect(row[13]).to.equal(4);
      const pegs = hardwareList(d).rows.filter(r => r[0] === 'peg');
      expect(pegs.map(r => r[3])).to.deep.equal(by === 'pegs' ? [4] : []);
    }
  });

  it('are told where they are not alike, have no room for a joint, or where nothing holds them', () => {
    const found = (m: Machine, code: string): Finding | undefined =>
      derive(m).findings.find(f => f.code === code);
    const uneven = made({ pieces: 7, by: 'pegs' });
    const { fixes } = found(uneven, 'split-uneven')!;
    expect(fixes[0]).to.include({ code: 'divide', value: 6 });
    expect(found(must(mend(fixes[0]!)(uneven)), 'split-uneven')).to.equal(undefined);
    expect(part(uneven).number).to.equal(1);
    const pressed = setWheel('b-w', { hold: undefined })(made({ pieces: 2, by: 'pegs' }));
    const through = found(pressed, 'split-through-bore')!;
    expect(found(must(mend(through.fixes[0]!)(pressed)), 'split-through-bore')).to.equal(undefined);
    // A bore that leaves two millimetres below the roots.
    const thin = setWheel('b-w', { bore: { kind: 'round', diameter: 110 } })(made({ pieces: 2, by: 'pegs' }));
    expect(found(thin, 'split-no-joint')).to.not.equal(undefined);
    expect(found(made({ pieces: 2, by: 'pegs' }), 'split-no-joint')).to.equal(undefined);
    const bevel: Machine = {
      ...made({ pieces: 2, by: 'pegs' }),
      joints: [{ kind: 'mesh', id: 'm', type: 'bevel', a: 'a-u', b: 'b-w' }],
    };
    const flat = found(bevel, 'split-not-flat')!;
    expect(solidParts(derive(bevel)).find(p => p.id === 'b-w')).to.include({ number: 1 });
    expect(found(must(mend(flat.fixes[0]!)(bevel)), 'split-not-flat')).to.equal(undefined);
  });

  it('are offered where a wheel goes on no bed', () => {
    const m: Machine = {
      ...made(undefined),
      processes: [
        { id: 'p', name: 'small', kind: 'printer', bed: { width: 100, depth: 100, height: 100 } },
      ] as never,
      process: 'p',
    };
    const found = derive(m).findings.find(f => f.code === 'part-too-large')!;
    // 124 mm across: half of it is 62 by 124, a third 93 by 107.4; a quarter 62 by 87.7 goes on a bed of 100.
    expect(found.fixes).to.deep.equal([{ code: 'divide', subject: 'b-w', value: 4 }]);
    expect(derive(must(mend(found.fixes[0]!)(m))).findings.map(f => f.code)).to.not.include('part-too-large');
  });
});
