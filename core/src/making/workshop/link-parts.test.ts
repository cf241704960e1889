import { expect } from 'chai';
import { linkage, pin, rod, slideBeside } from '../../../test/linkage.ts';
import type { Joint, Machine } from '../../document/machine/index.ts';
import {
  crossesItself,
  flatten,
  inside,
  type Path,
  type Point,
  rotate,
} from '../../ground/geometry/index.ts';
import { linkPins, linkPlates } from '../../place/layout/index.ts';
import { stancesAt } from '../../place/motion/index.ts';
import { derive } from '../../state/derive/index.ts';
import type { Derived } from '../../state/state/index.ts';
import { diameterOf, flatParts } from './index.ts';

const cam = (follower: string, more: Partial<Extract<Joint, { kind: 'cam' }>> = {}): Joint => ({
  ...{ kind: 'cam', id: `cam-${follower}`, cam: 'drive', follower, radius: 30, layer: 0 },
  ...{ touch: { kind: 'roller', diameter: 10 }, kept: { kind: 'weight' } },
  motion: { kind: 'waves', waves: [{ times: 1, height: 6, atDeg: 40 }] },
  ...more,
});
const arm = { length: 70, angleDeg: 170 };

/** Every kind of linkage, and cams kept and touched in every way. Invented. */
const CASES: Readonly<Record<string, Machine>> = {
  crank: linkage(
    {},
    [slideBeside('s', 5, 30), rod('r', 70)],
    [{ kind: 'crank', id: 'j', pin: pin('drive', 20, 15), rod: 'r', slide: 's' }],
  ),
  'crank, slide behind': linkage(
    {},
    [slideBeside('s', 0, 90), rod('r', 70)],
    [{ kind: 'crank', id: 'j', pin: pin('drive', 20), rod: 'r', slide: 's', other: true }],
  ),
  yoke: linkage({}, [slideBeside('s')], [{ kind: 'yoke', id: 'j', pin: pin('drive', 18), slide: 's' }]),
  slot: linkage(
    { a: [0, -50] },
    [],
    [{ kind: 'slot', id: 'j', pin: pin('drive', 20), driven: 'a', slotDeg: 90 }],
  ),
  'four-bar': linkage(
    { a: [80, 0] },
    [rod('r', 75)],
    [{ kind: 'four-bar', id: 'j', pin: pin('drive', 20), rod: 'r', to: pin('a', 50, 90) }],
  ),
  'two rods': linkage(
    { a: [90, 0] },
    [rod('p', 80), rod('q', 85)],
    [
      { kind: 'slot', id: 's', pin: pin('drive', 12), driven: 'a', slotDeg: 180 },
      { kind: 'two rods', id: 'j', a: pin('drive', 20), rodA: 'p', b: pin('a', 25, 30), rodB: 'q' },
    ],
  ),
  'cam, slide': linkage({}, [slideBeside('s', 4, 90)], [cam('s')]),
  'cam, groove': linkage({}, [slideBeside('s', 0, 90)], [cam('s', { kept: { kind: 'groove' } })]),
  'cam, arm': linkage({ a: [80, 10] }, [], [cam('a', { arm })]),
  'cam, knife': linkage({}, [slideBeside('s', 0, 90)], [cam('s', { touch: { kind: 'knife' } })]),
  'cam, flat': linkage({}, [slideBeside('s', 0, 90)], [cam('s', { touch: { kind: 'flat' } })]),
};

interface Laid {
  readonly outline: readonly Point[];
  readonly holes: readonly {
    readonly path: Path;
    readonly points: readonly Point[];
    readonly middle: Point;
  }[];
}

type Made = ReturnType<typeof flatParts> & { readonly derived: Derived };
const makeAll = (machine: Machine): Made => {
  const derived = derive(machine);
  return { ...flatParts(derived), derived };
};

/** Every part as it lies when the drive has turned by a part of a turn. */
function laid(made: Made, part: number): ReadonlyMap<string, Laid> {
  const places = stancesAt(made.derived.moving, { whole: 0n, part });
  const parts = new Map(made.parts.map(p => [p.id, p] as const));
  return new Map(
    linkPlates(made.derived.machine).flatMap(plate => {
      const [of, at] = [parts.get(plate.id), places.get(plate.member)];
      if (!of || !at) return [];
      const there = (p: Point): Point => {
        const q = rotate(p, at.angle);
        return { x: q.x + at.centre.x, y: q.y + at.centre.y };
      };
      const drawn = (path: Path): Point[] => flatten(path, 0.01).map(there);
      const holes = of.holes.map(path => {
        const points = drawn(path);
        const sum = points.reduce((s, p) => ({ x: s.x + p.x, y: s.y + p.y }), { x: 0, y: 0 });
        return { path, points, middle: { x: sum.x / points.length, y: sum.y / points.length } };
      });
      return [[plate.id, { outline: drawn(of.outline), holes }] as const];
    }),
  );
}

describe('the parts of linkages', () => {
  for (const [name, machine] of Object.entries(CASES))
    it(`of a ${name} are there, whole, with their holes within them`, () => {
      const { parts, left } = flatParts(derive(machine));
      for (const plate of linkPlates(machine)) {
        const part = parts.find(p => p.id === plate.id);
        expect(part, plate.id).not.to.equal(undefined);
        const outline = flatten(part!.outline, 0.02);
        expect(crossesItself(outline), plate.id).to.equal(false);
        for (const h of part!.holes)
          for (const p of flatten(h, 0.1))
            expect(inside(outline, p), `${plate.id} at ${p.x}, ${p.y}`).to.equal(true);
      }
      expect(left.map(l => l.problem.code).filter(c => c !== 'guides-by-hand')).to.deep.equal([]);
    });

  for (const [name, machine] of Object.entries(CASES))
    it(`of a ${name} have one pin go through both that it joins, wherever they stand`, () => {
      const made = makeAll(machine);
      for (let i = 0; i < 12; i++) {
        const at = laid(made, i / 12);
        for (const { in: from, through } of linkPins(machine)) {
          if (through.startsWith('roller')) continue;
          const [a, b] = [at.get(from)!, at.get(through)!];
          const fits = a.holes.some(
            h =>
              diameterOf(h.path) !== undefined &&
              b.holes.some(o =>
                diameterOf(o.path) === undefined
                  ? inside(o.points, h.middle)
                  : Math.hypot(o.middle.x - h.middle.x, o.middle.y - h.middle.y) < 1e-6,
              ),
          );
          expect(fits, `${from} and ${through} at ${i}/12`).to.equal(true);
        }
      }
    });

  it('of slides keep both guide pins in their slot, wherever they stand', () => {
    for (const [name, machine] of Object.entries(CASES)) {
      const made = makeAll(machine);
      const told = made.left.find(l => l.problem.code === 'guides-by-hand');
      if (!told) continue;
      const { ax, ay, bx, by } = told.problem.data as Record<string, number>;
      for (let i = 0; i < 24; i++) {
        const slide = [...laid(made, i / 24)].find(([id]) => id.startsWith('slide'))![1];
        for (const p of [
          { x: ax!, y: ay! },
          { x: bx!, y: by! },
        ])
          expect(
            slide.holes.some(h => diameterOf(h.path) === undefined && inside(h.points, p)),
            `${name} ${i}`,
          ).to.equal(true);
      }
    }
  });

  it('of a second cam tell of its roller, which is not made: as far off as twice the middle way', () => {
    const machine = linkage({}, [slideBeside('s', 0, 90)], [cam('s', { kept: { kind: 'second cam' } })]);
    const { parts, left } = flatParts(derive(machine));
    expect(parts.filter(p => p.kind !== 'wheel').map(p => p.id)).to.include.members([
      'cam cam-s',
      'second cam cam-s',
    ]);
    const told = left.find(l => l.problem.code === 'second-roller-by-hand')!;
    // A cosine about 35 mm: its middle lies there.
    expect((told.problem.data as { apart: number }).apart).to.be.closeTo(70, 1e-3);
  });

  it('of cams roll: no roller, edge or face enters its cam, and each touches it', () => {
    for (const [name, machine] of Object.entries(CASES)) {
      const joint = machine.joints.find(j => j.kind === 'cam');
      if (joint?.kind !== 'cam') continue;
      const radius = joint.touch.kind === 'roller' ? joint.touch.diameter / 2 : 0;
      const made = makeAll(machine);
      for (let i = 0; i < 24; i++) {
        const of = laid(made, i / 24).get(`cam ${joint.id}`)!;
        const places = stancesAt(made.derived.moving, { whole: 0n, part: i / 24 });
        const follower = places.get(joint.follower)!;
        const out = rotate(
          { x: joint.arm?.length ?? 0, y: 0 },
          follower.angle + (joint.arm?.angleDeg ?? 0) * (Math.PI / 180),
        );
        const middle = { x: follower.centre.x + out.x, y: follower.centre.y + out.y };
        const away = of.outline.map(p =>
          joint.touch.kind === 'flat'
            ? -rotate({ x: p.x - middle.x, y: p.y - middle.y }, -follower.angle).x
            : Math.hypot(p.x - middle.x, p.y - middle.y),
        );
        expect(Math.min(...away), `${name} at ${i}/24`).to.be.within(radius - 0.002, radius + 0.02);
      }
    }
  });
});
