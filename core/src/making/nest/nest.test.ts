import { expect } from 'chai';
import fc from 'fast-check';
import { MaxRectsPacker } from 'maxrects-packer';
import { bounds, distanceToSegment, inside, type Point, rotate } from '../../ground/geometry/index.ts';
import { nest, type Nesting, type NestPart, type NestQuestion } from './index.ts';

const circleOf = (r: number, n = 72): Point[] =>
  Array.from({ length: n }, (_, i) => rotate({ x: r, y: 0 }, (2 * Math.PI * i) / n));
const box = (w: number, h: number): Point[] => [
  { x: 0, y: 0 },
  { x: w, y: 0 },
  { x: w, y: h },
  { x: 0, y: h },
];
const disc = (r: number, number = 1): NestPart => ({ outline: circleOf(r), holes: [], number });
const plank = (w: number, h: number, number = 1): NestPart => ({ outline: box(w, h), holes: [], number });
const SHEET = { width: 300, height: 200 };

function laid(question: Partial<NestQuestion> & Pick<NestQuestion, 'parts'>): Nesting {
  const job = nest({ sheets: [SHEET], gap: 2, grain: false, tries: 1, seed: 1, ...question });
  for (;;) {
    const step = job.next();
    if (step.done) return step.value;
  }
}

/**
 * The least distance between two closed figures, by every corner of one against every edge of the other; 0 when one
 * holds the other.
 */
function apart(a: readonly Point[], b: readonly Point[]): number {
  let least = Infinity;
  for (const [p, q] of [
    [a, b],
    [b, a],
  ] as const)
    for (const v of p)
      q.forEach((e, i) => (least = Math.min(least, distanceToSegment(e, q[(i + 1) % q.length]!, v))));
  return least;
}
const placed = (
  parts: readonly NestPart[],
  n: Nesting,
): { outline: Point[]; holes: Point[][]; sheet: number }[] =>
  n.places.map(p => {
    const put = (path: readonly Point[]): Point[] =>
      path.map(v => {
        const t = rotate(v, p.angle);
        return { x: t.x + p.x, y: t.y + p.y };
      });
    const of = parts[p.part]!;
    return { outline: put(of.outline), holes: of.holes.map(put), sheet: p.sheet };
  });

describe('parts laid on sheets', function () {
  this.timeout(120_000);

  it('keep the gap from each other and from the edge, whatever they are', () => {
    const part = fc.oneof(
      fc.double({ min: 3, max: 40, noNaN: true }).map(r => disc(r)),
      fc
        .tuple(fc.double({ min: 3, max: 90, noNaN: true }), fc.double({ min: 3, max: 60, noNaN: true }))
        .map(([w, h]) => plank(w, h)),
      fc
        .double({ min: 20, max: 45, noNaN: true })
        .map((r): NestPart => ({ outline: circleOf(r), holes: [circleOf(r - 6).reverse()], number: 1 })),
    );
    fc.assert(
      fc.property(
        fc.array(part, { minLength: 2, maxLength: 14 }),
        fc.double({ min: 0, max: 6, noNaN: true }),
        (parts, gap) => {
          const n = laid({ parts, gap, tries: 2 });
          expect(n.places.length + n.left.reduce((s, l) => s + l.number, 0)).to.equal(parts.length);
          const all = placed(parts, n);
          all.forEach((a, i) => {
            const b = bounds(a.outline);
            expect(Math.min(b.minX, b.minY, SHEET.width - b.maxX, SHEET.height - b.maxY)).to.be.at.least(
              gap / 2 - 1e-6,
            );
            for (const other of all.slice(i + 1)) {
              if (other.sheet !== a.sheet) continue;
              const within = (x: typeof a, y: typeof a): boolean =>
                x.holes.some(h => y.outline.every(v => inside(h, v)));
              const meet = inside(a.outline, other.outline[0]!) || inside(other.outline, a.outline[0]!);
              if (meet)
                expect(within(a, other) || within(other, a), 'one lies in a hole of the other').to.equal(
                  true,
                );
              const lines = [a.outline, ...a.holes];
              for (const line of lines)
                for (const theirs of [other.outline, ...other.holes])
                  expect(apart(line, theirs)).to.be.at.least(gap - 1e-3);
            }
          });
        },
      ),
      { numRuns: 25 },
    );
  });

  it('go into the holes of others where they fit', () => {
    const ring: NestPart = { outline: circleOf(60), holes: [circleOf(50).reverse()], number: 1 };
    const parts = [ring, disc(30), disc(6, 3)];
    const all = placed(parts, laid({ parts }));
    const inRing = all.slice(1).filter(p => p.outline.every(v => inside(all[0]!.holes[0]!, v)));
    expect(inRing.length).to.equal(4);
  });

  it('are turned by a quarter only where there is no grain', () => {
    const tall = [plank(30, 190, 4), plank(190, 30)];
    const free = laid({ parts: [plank(20, 250)] });
    expect(Math.abs(Math.sin(free.places[0]!.angle))).to.be.closeTo(1, 1e-9);
    expect(laid({ parts: [plank(20, 250)], grain: true }).left).to.deep.equal([{ part: 0, number: 1 }]);
    for (const p of laid({ parts: tall, grain: true }).places)
      expect(Math.abs(Math.sin(p.angle))).to.be.below(1e-9);
  });

  it('take another sheet when one is full, and say what is left when there are no more', () => {
    const parts = [plank(140, 190, 5)];
    expect(
      laid({ parts, tries: 3 }).sheets.length,
      'two stand side by side, unless the first is laid down',
    ).to.equal(3);
    const two = laid({ parts, tries: 3, sheets: [{ ...SHEET, number: 2 }] });
    expect(two.sheets.length).to.equal(2);
    expect(two.left).to.deep.equal([{ part: 0, number: 1 }]);
    const mixed = laid({
      parts: [disc(90), disc(20)],
      sheets: [
        { width: 60, height: 60 },
        { width: 200, height: 200 },
      ],
    });
    expect(mixed.sheets.map(s => s.stock)).to.deep.equal([1]);
    expect(laid({ parts: [disc(200)] }).left).to.deep.equal([{ part: 0, number: 1 }]);
    expect(laid({ parts: [disc(20)], sheets: [{ width: 2, height: 1 }] }).left.length).to.equal(1);
  });

  it('lie the same way every time, and no worse the more orders are tried', () => {
    const parts = Array.from({ length: 18 }, (_, i) =>
      i % 3 ? disc(8 + ((i * 7) % 20)) : plank(20 + i, 50 - i),
    );
    expect(laid({ parts, tries: 4 })).to.deep.equal(laid({ parts, tries: 4 }));
    const height = (n: Nesting): number => n.sheets.reduce((s, x) => s + x.used, 0);
    expect(height(laid({ parts, tries: 8 }))).to.be.at.most(height(laid({ parts })));
    const n = laid({ parts });
    const area = parts.reduce((s, p) => s + Math.abs(areaOf(p.outline)), 0);
    expect(n.filled).to.be.closeTo(area / (height(n) * SHEET.width), 1e-9);
  });

  it(
    'lie at least as tight as rectangles packed by the common packer (maxrects-packer), ' +
      'wheels as well as planks',
    () => {
      const sheet = { width: 300, height: 1000 };
      const sets = [
        Array.from({ length: 30 }, (_, i) => disc(8 + ((i * 37) % 30))),
        Array.from({ length: 24 }, (_, i) => plank(12 + ((i * 31) % 60), 15 + ((i * 17) % 40))),
      ];
      for (const parts of sets) {
        const packer = new MaxRectsPacker(sheet.width - 2, sheet.height, 2, {
          allowRotation: true,
          smart: false,
          pot: false,
          square: false,
        });
        const boxes = parts.map(p => bounds(p.outline));
        packer.addArray(boxes.map(b => ({ width: b.maxX - b.minX, height: b.maxY - b.minY })) as never);
        const used = Math.max(
          ...packer.bins.flatMap(b => b.rects.map(r => r.y + (r.rot ? r.width : r.height))),
        );
        const tops = Math.max(used, 0);
        const n = laid({ parts, sheets: [sheet], tries: 6 });
        expect(n.left).to.deep.equal([]);
        expect(n.sheets[0]!.used).to.be.at.most(tops + 2);
      }
    },
  );
});

function areaOf(points: readonly Point[]): number {
  return points.reduce((s, p, i) => {
    const q = points[(i + 1) % points.length]!;
    return s + (p.x * q.y - q.x * p.y) / 2;
  }, 0);
}
