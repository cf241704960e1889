import { expect } from 'chai';
import fc from 'fast-check';
import { arrange } from '../../../test/arrange.ts';
import { derive } from '../../state/derive/index.ts';
import { distance, mirrored, onLine, segmentGap } from '../../ground/geometry/index.ts';
import { mend, placeAs, type PlaceKind, swingTo } from '../../edits/edit/index.ts';
import type { Axis, Machine } from '../../document/machine/index.ts';
import { setAxis, setAxisPlace } from '../../edits/change/index.ts';
import { must } from '../../ground/result/index.ts';
import { sayProblem } from '../../files/words/index.ts';

/** Three axes in a row of meshes, all given. */
const row = (za: number, zb: number, zc: number): Machine =>
  arrange(
    { a: {}, b: { at: [za + zb, 0] }, c: { at: [za + 2 * zb + zc, 0] } },
    { 'a.w': za, 'b.w': zb, 'c.w': zc },
    [
      ['a.w', 'b.w'],
      ['b.w', 'c.w'],
    ],
  );
const flat = (m: Machine): Machine => ({ ...m, wheels: m.wheels.map(w => ({ ...w, layer: 0 })) });
const place = (m: Machine, id: string, to: Axis['place']): Machine => setAxisPlace(`on-${id}`, to)(m);
const at = (m: Machine, id: string): { x: number; y: number } => derive(m).positions.at[`on-${id}`]!;

describe('places of axes', () => {
  it('between two: the triangle closes by the law of cosines (Euclid, Elements II.12–13)', () => {
    const count = fc.integer({ min: 12, max: 60 });
    fc.assert(
      fc.property(count, count, count, fc.integer({ min: 30, max: 99 }), (za, zb, zc, part) => {
        const [ab, bc] = [za + zb, zb + zc];
        const ac = ((ab + bc) * part) / 100;
        if (ac <= Math.abs(ab - bc) + 0.5) return;
        const m = flat(
          place(place(row(za, zb, zc), 'c', { kind: 'given', x: ac, y: 0 }), 'b', {
            kind: 'between',
            joints: ['m0', 'm1'],
            side: 'left',
          }),
        );
        const b = at(m, 'b');
        const cosA = (ab * ab + ac * ac - bc * bc) / (2 * ab * ac);
        expect(b.x).to.be.closeTo(ab * cosA, 1e-9);
        expect(b.y).to.be.closeTo(ab * Math.sqrt(1 - cosA * cosA), 1e-6);
        expect(derive(m).positions.findings).to.deep.equal([]);
      }),
      { numRuns: 40 },
    );
  });

  it('on a line: at the centre distance, on that line, in either of its two places', () => {
    const line = (further: boolean): Machine =>
      place(place(row(20, 30, 25), 'b', { kind: 'given', x: 30, y: 40 }), 'c', {
        kind: 'line',
        through: 'on-a',
        angleDeg: 10,
        joint: 'm1',
        further,
      });
    for (const further of [true, false]) {
      const [b, c] = [at(line(further), 'b'), at(line(further), 'c')];
      expect(distance(b, c)).to.be.closeTo(55, 1e-9);
      expect(Math.atan2(c.y, c.x) % Math.PI).to.be.closeTo(
        further ? Math.PI / 18 : Math.PI / 18 - Math.PI,
        1e-9,
      );
    }
    expect(at(line(true), 'c').x).to.be.greaterThan(at(line(false), 'c').x);
    expect(onLine({ x: 0, y: 0 }, 0, { x: 0, y: 9 }, 5, true), 'a line that passes by').to.equal(undefined);
  });

  it('mirrored: as far from every point of the mirror as what it mirrors', () => {
    const m = place(row(20, 30, 25), 'c', { kind: 'mirror', of: 'on-b', through: 'on-a', angleDeg: 35 });
    const [b, c] = [at(m, 'b'), at(m, 'c')];
    for (const t of [-40, 0, 25]) {
      const p = { x: t * Math.cos((35 * Math.PI) / 180), y: t * Math.sin((35 * Math.PI) / 180) };
      expect(distance(p, b)).to.be.closeTo(distance(p, c), 1e-9);
    }
    expect(mirrored(mirrored(b, { x: 3, y: 1 }, 0.7), { x: 3, y: 1 }, 0.7).x).to.be.closeTo(b.x, 1e-12);
  });

  it('a change of a centre flows to all that hangs on it', () => {
    const m = place(place(row(20, 30, 25), 'b', { kind: 'mesh', joint: 'm0', angleDeg: 90 }), 'c', {
      kind: 'mesh',
      joint: 'm1',
      angleDeg: 0,
    });
    const larger = {
      ...m,
      wheels: m.wheels.map(w =>
        w.id === 'a-w' ? { ...w, teeth: { kind: 'count' as const, count: 40 } } : w,
      ),
    };
    expect(at(m, 'c')).to.deep.equal({ x: 55, y: 50 });
    expect(at(larger, 'c').y).to.be.closeTo(70, 1e-9);
  });

  it('are kept when an axis is placed in another way, wherever that way lets it', () => {
    const m = place(row(20, 30, 25), 'c', { kind: 'given', x: 30, y: 75 });
    const spread = flat(place(m, 'b', { kind: 'given', x: 30, y: 40 }));
    const kinds: PlaceKind[] = ['given', 'mesh', 'polar', 'line'];
    for (const kind of kinds) {
      const placed = must(placeAs('on-b', kind, derive(spread).positions.at)(spread));
      expect(placed.axes.find(a => a.id === 'on-b')!.place.kind).to.equal(kind);
      expect(distance(at(placed, 'b'), { x: 30, y: 40 }), kind).to.be.below(1e-3);
    }
    const between = must(placeAs('on-b', 'between', derive(row(20, 30, 25)).positions.at)(row(20, 30, 25)));
    expect(at(between, 'b').x).to.be.closeTo(50, 1e-9);
    const mirror = must(placeAs('on-c', 'mirror', derive(spread).positions.at)(spread));
    expect(mirror.axes.find(a => a.id === 'on-c')!.place.kind).to.equal('mirror');
  });

  it('say what is missing where an axis cannot be placed so', () => {
    const lone = arrange({ a: {}, b: { at: [50, 0] } }, { 'a.w': 20, 'b.w': 30 }, []);
    for (const kind of ['mesh', 'between', 'line', 'mirror'] as const) {
      const refused = placeAs('on-b', kind, derive(lone).positions.at)(lone);
      expect(refused.ok).to.equal(false);
      if (!refused.ok) expect(sayProblem(refused.problem)).to.match(/\.$/);
    }
  });

  it('are kept by dragging as far as they are tied', () => {
    const base = row(20, 30, 25);
    const drag = (m: Machine, id: string, x: number, y: number): { x: number; y: number } =>
      at(swingTo(`on-${id}`, { x, y }, derive(m).positions.at)(m), id);
    expect(drag(setAxis('on-b', { locked: true })(base), 'b', 5, 5), 'locked').to.deep.equal({ x: 50, y: 0 });
    const polar = place(base, 'b', { kind: 'polar', from: 'on-a', radius: 33, angleDeg: 0 });
    expect(drag(polar, 'b', 0, 900).y, 'so far from').to.be.closeTo(33, 1e-9);
    const line = place(place(base, 'b', { kind: 'given', x: 0, y: 30 }), 'c', {
      kind: 'line',
      through: 'on-a',
      angleDeg: 0,
      joint: 'm1',
      further: true,
    });
    expect(drag(line, 'c', -80, 3).x, 'the nearer place on its line').to.be.below(0);
    const mirror = place(base, 'c', { kind: 'mirror', of: 'on-b', through: 'on-a', angleDeg: 90 });
    expect(distance(drag(mirror, 'c', -20, 10), { x: -20, y: 10 }), 'what it mirrors moves').to.be.below(
      1e-9,
    );
    const between = place(base, 'b', { kind: 'between', joints: ['m0', 'm1'], side: 'left' });
    const near = place(between, 'c', { kind: 'given', x: 70, y: 0 });
    expect(drag(near, 'b', 30, -40).y, 'the other side').to.be.below(0);
  });
});

describe('a loop that does not close', () => {
  /** Two meshes between the same two axes, whose tooth sums differ. */
  const returned = (sum: number): Machine => {
    const m = arrange(
      { a: {}, lay: { at: [60, 0] }, back: { with: 'a' } },
      { 'a.w': 20, 'lay.w': 40, 'lay.p': 15, 'back.w': sum - 15 },
      [
        ['a.w', 'lay.w'],
        ['lay.p', 'back.w'],
      ],
    );
    const level = (id: string): number => (id === 'a-w' || id === 'lay-w' ? 0 : 1);
    return { ...m, wheels: m.wheels.map(w => ({ ...w, layer: level(w.id) })) };
  };

  it('closes when tooth sums are equal at one module (common practice, no source)', () => {
    for (const sum of [50, 59, 60, 61, 75])
      expect(derive(returned(sum)).positions.findings.length, `${sum}`).to.equal(sum === 60 ? 0 : 1);
  });

  it(
    'says by how much it misses, which sum would do, and offers counts, a module and a ' +
      'shift that each close it',
    () => {
      const m = returned(59);
      const found = derive(m).findings.find(f => f.code === 'centres-disagree')!;
      expect(Number(found.data['is']) - Number(found.data['needs'])).to.be.closeTo(1, 1e-9);
      expect(found.data['sum']).to.be.closeTo(60, 1e-9);
      expect(new Set(found.fixes.map(f => f.code))).to.deep.equal(
        new Set(['set-teeth', 'set-shift', 'own-module']),
      );
      for (const fix of found.fixes) {
        const mended = derive(must(mend(fix)(m)));
        const left = mended.findings.filter(f => f.code === 'centres-disagree');
        const off = left.map(f => Math.abs(Number(f.data['is']) - Number(f.data['needs'])));
        expect(Math.max(0, ...off), fix.code).to.be.below(2e-3);
      }
    },
  );

  it('a shift that would be too large is not offered, and a sum that is no whole number gives no counts', () => {
    const far = derive(returned(45)).findings.find(f => f.code === 'centres-disagree')!;
    expect(far.fixes.map(f => f.code)).to.not.include('set-shift');
    const half = {
      ...returned(58),
      axes: returned(58).axes.map(a =>
        a.id === 'on-lay' ? { ...a, place: { kind: 'given' as const, x: 60.7, y: 0 } } : a,
      ),
    };
    const odd = derive(half).findings.filter(f => f.code === 'centres-disagree');
    for (const f of odd) expect(f.fixes.map(x => x.code)).to.not.include('set-teeth');
  });
});

describe('segments', () => {
  it('are as far apart as their nearest points, and not at all where they cross', () => {
    const p = (x: number, y: number): { x: number; y: number } => ({ x, y });
    expect(segmentGap(p(0, 0), p(10, 0), p(0, 3), p(10, 5))).to.equal(3);
    expect(segmentGap(p(0, 0), p(10, 0), p(13, 4), p(20, 9))).to.equal(5);
    expect(segmentGap(p(0, 0), p(10, 10), p(0, 10), p(10, 0))).to.equal(0);
  });
});

describe('an axis between two meshes', () => {
  it('is dragged to the side of the line between them where it is let go', () => {
    const m = must(placeAs('on-b', 'between', derive(row(20, 30, 25)).positions.at)(row(20, 30, 25)));
    // The two ends nearer to each other than the row is long, so that the middle one stands aside.
    const bent = place(place(m, 'a', { kind: 'given', x: -20, y: -10 }), 'c', {
      kind: 'given',
      x: 60,
      y: 30,
    });
    const side = (x: number, y: number): unknown => {
      const moved = swingTo('on-b', { x, y }, derive(bent).positions.at)(bent);
      const { place: at } = moved.axes.find(a => a.id === 'on-b')!;
      return at.kind === 'between' ? at.side : at.kind;
    };
    expect(side(-20, 50)).to.not.equal(side(40, -10));
    expect(side(-10, 40)).to.equal(side(-20, 50));
    expect(side(50, -30)).to.equal(side(40, -10));
  });
});
