import { expect } from 'chai';
import fc from 'fast-check';
import { PAIR as pair, plated, type Plates, PLATES } from '../../../test/plated.ts';
import {
  BALL_BEARINGS,
  ballBearing,
  bearingsFor,
  DOWELS,
  dowelFor,
  E_CLIPS,
  eClipFor,
  grubScrewFor,
} from '../../document/bought/index.ts';
import { type Machine, newMachine, readMachine, writeMachine } from '../../document/machine/index.ts';
import { derive } from '../../state/derive/index.ts';
import { distance, flatten, type Point, signedArea } from '../../ground/geometry/index.ts';
import { setArbor, setLayout, shapeArbor } from '../../edits/change/index.ts';
import {
  bearingChoices,
  hangOnWall,
  mend,
  onPlank,
  shapePlates,
  standOnFeet,
} from '../../edits/edit/index.ts';
import { plantPlanetary } from '../../edits/planting/index.ts';
import { setFrom } from '../../counting/planetary/index.ts';
import { extraParts } from '../../making/solid/index.ts';
import { must } from '../../ground/result/index.ts';
import { hardwareList, notMade } from '../../making/lists/index.ts';
import { fittingsOf, sectionThrough, holePath, LEAST_BRIDGE, shortestTree } from './index.ts';
import { layoutOf } from '../../state/derive/index.ts';

const area = (m: Machine, side: 'back' | 'front' = 'front'): number =>
  signedArea(flatten(derive(m).layout.plates.find(p => p.side === side)!.outline, 0.001));
const codes = (m: Machine): string[] => derive(m).findings.map(f => f.code);

describe('what is bought', () => {
  it('is of the published sizes', () => {
    // ISO 15:2017, dimension series 10 and 02, and the trade's names (from memory).
    expect(ballBearing('608')).to.include({ bore: 8, outside: 22, width: 7, series: '10' });
    expect(ballBearing('625')).to.include({ bore: 5, outside: 16, width: 5, series: '02' });
    expect(ballBearing('6201')).to.include({ bore: 12, outside: 32, width: 10 });
    expect(ballBearing('999')).to.equal(undefined);
    expect(bearingsFor(5).map(b => b.name)).to.deep.equal(['685', '695', '605', '625']);
    expect(bearingsFor(5.4)).to.deep.equal([]);
  });

  it('grows from series to series of one bore: outside and width, 18, 19, 10, 02 (ISO 15)', () => {
    for (const bore of new Set(BALL_BEARINGS.map(b => b.bore))) {
      const same = BALL_BEARINGS.filter(b => b.bore === bore);
      expect(same.map(b => b.series)).to.deep.equal(
        ['18', '19', '10', '02'].filter(s => same.some(b => b.series === s)),
      );
      same.slice(1).forEach((b, i) => {
        expect(b.outside).to.be.greaterThan(same[i]!.outside);
        expect(b.width).to.be.at.least(same[i]!.width);
      });
    }
  });

  it('takes the longest grub screw that stays within the hub', () => {
    // ISO 261: M3 × 0.5 is drilled 2.5 for its thread; ISO 4026 lengths (from memory).
    expect(grubScrewFor(6, 16)).to.deep.include({ length: 5 });
    expect(grubScrewFor(6, 16)!.thread).to.include({ name: 'M3', drill: 2.5 });
    expect(grubScrewFor(6, 9)).to.equal(undefined);
  });
});

describe('plates of any outline', () => {
  it('are joined over the least length, as trying every tree says', () => {
    const point = fc.record({ x: fc.integer({ min: 0, max: 50 }), y: fc.integer({ min: 0, max: 50 }) });
    fc.assert(
      fc.property(
        fc.uniqueArray(point, { minLength: 4, maxLength: 4, selector: p => `${p.x} ${p.y}` }),
        points => {
          const long = (t: readonly (readonly [Point, Point])[]): number =>
            t.reduce((s, [p, q]) => s + distance(p, q), 0);
          // All 16 trees of four points, by their Prüfer words of two (A. Cayley, 1889).
          const all = [0, 1, 2, 3].flatMap(i => [0, 1, 2, 3].map(k => long(treeOf([i, k], points))));
          expect(long(shortestTree(points))).to.be.closeTo(Math.min(...all), 1e-9);
        },
      ),
      { numRuns: 60 },
    );
  });

  it('a rectangle is as large as its holes and margins ask', () => {
    // Middles from −40 to 40 both ways; half the largest hole, margin and bridge beyond.
    const d = derive(plated({ shape: 'rectangle' }));
    const largest = Math.max(...d.layout.plates[1]!.holes.map(h => h.diameter));
    expect(area(plated({ shape: 'rectangle' }))).to.be.closeTo(
      (80 + 2 * (largest / 2 + 6 + LEAST_BRIDGE)) ** 2,
      1e-6,
    );
  });

  it('bars meet in a Y, and have the area of their lengths', () => {
    // Two holes on one line and three pillars: a tree of four bars; a capsule less what two share at each joint.
    const made = plated({ shape: 'bars', barWidth: 12, pillars: [] });
    expect(area(made)).to.be.closeTo(30 * 12 + Math.PI * 36, 0.2);
    expect(area(plated({ shape: 'bars', barWidth: 12 }))).to.be.within(100 * 12, 200 * 12);
    expect(codes(plated({ shape: 'bars', barWidth: 12 }))).to.not.include('hole-at-edge');
    const narrow = derive(plated({ shape: 'bars', barWidth: 7 })).findings.find(
      f => f.code === 'hole-at-edge',
    )!;
    expect(narrow.fixes[0]!.code).to.equal('plates-round-holes');
    expect(codes(must(mend(narrow.fixes[0]!)(plated({ shape: 'bars', barWidth: 7 }))))).to.not.include(
      'hole-at-edge',
    );
  });

  it('round the wheels covers every wheel all the way round', () => {
    const made = plated({ shape: 'round the wheels', pillars: [], margin: 0 });
    const { extents, layout } = derive(made);
    const r = Object.values(extents)[0]!.outer + LEAST_BRIDGE;
    // Two equal circles 30 mm apart: their hull, to what 72 corners leave out.
    const hull = 30 * 2 * r + Math.PI * r * r;
    expect(area(made)).to.be.within(0.998 * hull, hull + 1e-6);
    expect(layout.plates).to.have.length(2);
  });

  it('a border begins as what they were, and a hole outside it is told', () => {
    const d = derive(plated());
    const bordered = shapePlates(d, 'a border')(d.machine);
    const { border } = bordered.layout.plates!;
    expect(border?.kind).to.equal('rectangle');
    expect(codes(bordered)).to.not.include('hole-at-edge');
    const small = setLayout({
      plates: { ...bordered.layout.plates!, border: { kind: 'circle', x: 0, y: 0, diameter: 60 } },
    })(bordered);
    const out = derive(small).findings.filter(f => f.code === 'hole-at-edge');
    expect(out.map(f => f.severity)).to.include('stop');
    expect(area(small)).to.be.closeTo(Math.PI * 900, 0.2);
    // The way of a border that runs clockwise does not turn the plate inside out.
    const points: [number, number][] = [
      [-60, -60],
      [-60, 60],
      [60, 60],
      [60, -60],
    ];
    const drawn = { kind: 'outline' as const, name: 'border', points };
    expect(area(setLayout({ plates: { ...small.layout.plates!, border: drawn } })(small))).to.equal(14400);
  });
});

describe('what the frame stands on and turns in', () => {
  it('ball bearings take their place: seat, section, list; a bore that is not the arbor’s is told and mended', () => {
    const made = setArbor('a', { bearing: '625' })(plated());
    const d = derive(made);
    const seats = d.layout.plates.flatMap(p => p.holes.filter(h => h.seat));
    expect(seats.map(h => h.diameter)).to.deep.equal([15.95, 15.95]);
    const row = hardwareList(d).rows.find(r => r[0] === 'ball bearing')!;
    expect(row.slice(0, 4)).to.deep.equal(['ball bearing', '625: 5 by 16 by 5, ISO 15', '', 2]);
    const parts = layoutOf(d);
    const axis = made.axes[0]!.id;
    const cut = sectionThrough({ ...parts, plates: d.layout.plates, pieces: d.layout.pieces }, [axis]).cuts;
    const bearing = cut.filter(c => c.kind === 'bearing');
    // Two halves in each plate: 5.5 mm of steel between 2.5 and 8, flush inside, 1 mm out of a plate of 4.
    expect(bearing).to.have.length(4);
    for (const c of bearing)
      expect([c.right - c.left, c.high - c.low].map(x => Number(x.toFixed(2)))).to.deep.equal([5.5, 5]);
    expect(Math.min(...bearing.map(c => c.low))).to.be.closeTo(d.layout.stack.back!.from - 1, 1e-9);
    expect(extraParts(d).find(p => p.id === 'bearing 625')).to.deep.include({
      number: 2,
      outside: 16,
      height: 5,
    });
    expect(notMade(d).map(p => p.name)).to.not.include('ball bearing 625');

    const wrong = setArbor('a', { bearing: '608' })(plated());
    const found = derive(wrong).findings.find(f => f.code === 'bearing-bore')!;
    expect(found).to.deep.include({ severity: 'stop', data: { name: '608', bore: 8, arbor: 5 } });
    expect(codes(must(mend(found.fixes[0]!)(wrong)))).to.not.include('bearing-bore');
    expect(bearingChoices(d).map(c => [c.arbor, c.across, c.now])).to.deep.equal([
      ['a', 5, '625'],
      ['b', 5, undefined],
    ]);
    // The innermost of nested arbors turns in no plate: a bearing of its own has no seat.
    const nowhere = derive(setArbor('a', { bearing: '625', bodiless: true })(plated()));
    const unused = nowhere.findings.find(f => f.code === 'bearing-unused')!;
    expect(unused.subjects).to.deep.equal(['a']);
    expect(codes(must(mend(unused.fixes[0]!)(nowhere.machine)))).to.not.include('bearing-unused');
    const unknown = readMachine(writeMachine(made).replace('"625"', '"62X"'));
    expect(!unknown.ok && unknown.problem.code).to.equal('bearing-unknown');
  });

  it('feet stand under the pillars, higher than what reaches out; each lack is told', () => {
    const cranked = setArbor('a', { reach: 'back' })(plated());
    const stood = standOnFeet(derive(cranked), true)(cranked);
    const d = derive(stood);
    expect(codes(stood).filter(c => c.startsWith('feet'))).to.deep.equal([]);
    const feet = fittingsOf(stood, d.layout.stack, d.layout.plates).filter(f => f.kind === 'foot');
    expect(feet).to.have.length(3);
    const { height, diameter } = stood.layout.plates!.feet!;
    const foot = extraParts(d).find(p => p.kind === 'foot')!;
    // A cylinder less a blind hole of 5.95 to seven tenths of its height.
    const volume = (Math.PI / 4) * height * (diameter ** 2 - 0.7 * 5.95 ** 2);
    expect(foot.volume).to.be.closeTo(volume, 1e-6);
    const pillar = extraParts(d).find(p => p.kind === 'pillar')!;
    const before = extraParts(derive(cranked)).find(p => p.kind === 'pillar')!;
    expect(pillar.height - before.height).to.be.closeTo(0.7 * height, 1e-9);

    const low = setLayout({ plates: { ...stood.layout.plates!, feet: { height: 2, diameter: 7 } } })(stood);
    const wrong = derive(low).findings.filter(f => f.code.startsWith('feet'));
    expect(wrong.map(f => f.code)).to.deep.equal(['feet-too-short', 'feet-too-thin']);
    const mended = wrong.reduce((m, f) => must(mend(f.fixes[0]!)(m)), low);
    expect(codes(mended).filter(c => c.startsWith('feet'))).to.deep.equal([]);
    expect(codes(setLayout({ plates: { ...stood.layout.plates!, pillars: [] } })(stood))).to.include(
      'feet-without-pillars',
    );
    expect(standOnFeet(d, false)(stood).layout.plates!.feet).to.equal(undefined);
  });

  it('a keyhole passes the head, holds the shank, and stands where there is stock round it', () => {
    const d = derive(plated());
    const hung = hangOnWall(d, true)(d.machine);
    const made = derive(hung);
    const [back, front] = made.layout.plates;
    const hole = back!.holes.find(h => h.kind === 'hanger')!;
    expect(front!.holes.some(h => h.kind === 'hanger')).to.equal(false);
    expect(made.findings.map(f => f.code))
      .to.not.include('holes-meet')
      .and.not.include('hole-at-edge');
    // A round of 8.4 for a head of 8, and a neck of 4.4 by 8 from its middle, rounded at the end.
    const [r, half] = [4.2, 2.2];
    const [angle, rise] = [Math.asin(half / r), Math.sqrt(r * r - half * half)];
    const round = Math.PI * r * r - (angle * r * r - half * rise);
    const exact = round + 2 * half * (8 - rise) + (Math.PI / 2) * half * half;
    expect(signedArea(flatten(holePath(hole), 0.0005))).to.be.closeTo(exact, 0.05);
  });
});

describe('a plank', () => {
  const planked = (more: Partial<Plates> = {}): Machine =>
    onPlank(true)(setLayout({ plates: { ...PLATES, ...more } })(pair));

  it('is one plate in which a rod stands for every line; wheels turn on it, and clips keep them there', () => {
    const d = derive(planked({ thickness: 12 }));
    expect([d.layout.stack.front, d.machine.layout.plates!.pillars]).to.deep.equal([undefined, []]);
    expect(d.layout.plates.map(p => [p.side, p.holes.map(h => h.kind)])).to.deep.equal([
      ['back', ['rod', 'rod']],
    ]);
    const rod = d.machine.layout.tubes?.rod ?? 3;
    // A rod of 3 is pressed in: the hole is 0.05 tighter (common practice of this page).
    for (const h of d.layout.plates[0]!.holes) expect(h.diameter).to.be.closeTo(rod - 0.05, 1e-9);
    for (const p of d.layout.pieces.filter(q => q.kind === 'rod')) {
      expect(p.outside).to.equal(rod);
      const on = d.layout.spans.of.get(p.arbor)!;
      expect([p.band.from, p.band.to - on.whole.to]).to.deep.equal([d.layout.stack.back!.from, 4]);
    }
    const clips = hardwareList(d).rows.filter(r => r[0] === 'clip or collar');
    expect(clips.reduce((n, r) => n + Number(r[3]), 0)).to.equal(2);
    expect(String(clips[0]![1])).to.match(/DIN 6799, 2.3, in a groove 0.64 wide/);
    expect(extraParts(d).filter(p => p.kind === 'pillar')).to.deep.equal([]);
    // A tube that ends free takes a collar: a groove would go through its wall.
    const bare = setArbor('b', { section: { kind: 'tube', bore: 3.1, diameter: 4.1 } })(pair);
    const sizes = hardwareList(derive(bare)).rows.flatMap(r =>
      r[0] === 'clip or collar' ? [String(r[1])] : [],
    );
    expect(sizes).to.include('for a tube of 4.1');
    expect(sizes.some(s => /^for a rod of 3: DIN 6799/.test(s))).to.equal(true);
    expect(must(readMachine(writeMachine(d.machine))).layout.plates!.plank).to.equal(true);
  });

  it('what is driven from behind turns in it, as does a ring’s lug rod stand in it, no higher than the ring', () => {
    const m = setArbor('a', { reach: 'back' })(planked({ thickness: 12 }));
    expect(
      derive(m)
        .layout.plates[0]!.holes.map(h => h.kind)
        .sort(),
    ).to.deep.equal(['bearing', 'rod']);
    const set = must(setFrom({ sun: 16, planet: 20 }, 3));
    const planted = plantPlanetary(newMachine('s'), { set, held: 'ring', driver: 'sun', module: 1.5 });
    const two = setLayout({ plates: { ...PLATES, pillars: [] } })(planted);
    const ring = two.wheels.find(w => w.role === 'ring')!;
    const lugged: Machine = {
      ...two,
      wheels: two.wheels.map(w =>
        w.id === ring.id ? { ...w, mount: { kind: 'lugs', number: 3, hole: 3 } } : w,
      ),
    };
    const [between, on] = [derive(lugged).layout, derive(onPlank(true)(lugged)).layout];
    expect([between.lugRods.length, on.lugRods.length]).to.deep.equal([3, 3]);
    expect(between.lugRods[0]!.whole.to).to.equal(between.stack.front!.to);
    expect(on.lugRods[0]!.whole.to).to.equal(on.stack.layers.get(ring.layer)!.to);
  });

  it('too thin for how far its rods stand out is told and mended; bevels on it are held on one side', () => {
    const thin = planked({ thickness: 1 });
    const found = derive(thin).findings.find(f => f.code === 'plank-too-thin')!;
    const { out, least } = found.data as { out: number; least: number };
    expect(least).to.be.within(out / 5, out / 5 + 0.5);
    expect(codes(must(mend(found.fixes[0]!)(thin)))).to.not.include('plank-too-thin');
    expect(codes(planked({ thickness: 12 })))
      .to.not.include('plank-too-thin')
      .and.not.include('held-one-side');
    const bevels: Machine = {
      ...planked({ thickness: 12 }),
      joints: pair.joints.map(j => (j.kind === 'mesh' ? { ...j, type: 'bevel' as const } : j)),
    };
    expect(codes(bevels)).to.include('held-one-side');
    expect(codes(onPlank(false)(thin))).to.not.include('plank-too-thin');
    // A solid rod cannot turn on a rod that stands.
    const solid = shapeArbor('a', { kind: 'rod', diameter: 5 })(planked({ thickness: 12 }));
    const round = derive(solid).findings.find(f => f.code === 'rod-round-rod')!;
    expect(round.subjects[0]).to.equal('a');
    expect(codes(must(mend(round.fixes[0]!)(solid)))).to.not.include('rod-round-rod');
  });
});

describe('a front plate that lifts off', () => {
  it('slides on pillars that stand out past it for a clip each; the back one stays pressed', () => {
    const [fixed, loose] = [plated(), plated({ liftsOff: true })].map(m => derive(m));
    const pillarHoles = (d: typeof fixed, side: string): number[] =>
      d!.layout.plates
        .find(p => p.side === side)!
        .holes.filter(h => h.kind === 'pillar')
        .map(h => h.diameter);
    expect(pillarHoles(loose, 'back')).to.deep.equal(pillarHoles(fixed, 'back'));
    // Sliding leaves 0.1, pressing takes 0.05 (common practice of this page): 6.1 against 5.95.
    expect(pillarHoles(loose, 'front').map(x => x.toFixed(2))).to.deep.equal(['6.10', '6.10', '6.10']);
    expect(pillarHoles(fixed, 'front').map(x => x.toFixed(2))).to.deep.equal(['5.95', '5.95', '5.95']);
    const tall = (d: typeof fixed): number => extraParts(d!).find(p => p.kind === 'pillar')!.height;
    expect(tall(loose) - tall(fixed)).to.be.closeTo(4, 1e-9);
    const clips = (d: typeof fixed): (readonly unknown[])[] =>
      hardwareList(d!).rows.filter(r => /front plate/.test(String(r[5])));
    expect(clips(fixed).filter(r => r[0] === 'clip or collar')).to.deep.equal([]);
    expect(clips(loose).find(r => r[0] === 'clip or collar')![3]).to.equal(3);
    expect(extraParts(loose!).find(p => p.id === 'clip 6')!.number).to.equal(3);
  });
});

describe('clips and pins as they are bought', () => {
  it('are of the published sizes', () => {
    // DIN 6799 (from memory): clip 3.2 on shafts of 4 to 5, 0.6 thick; clip 6 on 7 to 9, 0.7 thick.
    expect(eClipFor(4.5)).to.include({ groove: 3.2, thickness: 0.6, width: 0.64 });
    expect(eClipFor(8)).to.include({ groove: 7, thickness: 0.9 });
    expect(E_CLIPS.find(c => c.groove === 6)).to.include({ from: 7, to: 9, thickness: 0.7 });
    expect(eClipFor(1)).to.equal(undefined);
    // ISO 2338 (from memory): 3 by 8 to 30, and no 11 long.
    expect(dowelFor(3, 12.3)).to.deep.equal({ diameter: 3, length: 12 });
    expect(dowelFor(3, 11.6)).to.equal(undefined);
    expect(dowelFor(3.2, 12)).to.equal(undefined);
    expect(dowelFor(3, 31)).to.equal(undefined);
  });

  it('a clip is thinner than its groove is wide, which is thinner than its rods; each from 1.4 to 24 has one', () => {
    E_CLIPS.forEach((c, i) => {
      expect(c.thickness).to.be.lessThan(c.width);
      expect(c.groove).to.be.lessThan(c.from);
      expect(c.from).to.be.lessThan(c.to);
      if (i > 0) expect(c.groove).to.be.greaterThan(E_CLIPS[i - 1]!.groove);
    });
    fc.assert(
      fc.property(fc.double({ min: 1.4, max: 24, noNaN: true }), d => {
        const clip = eClipFor(d)!;
        expect(d).to.be.within(clip.from - 1e-9, clip.to + 1e-9);
      }),
    );
    for (const { diameter, lengths } of DOWELS)
      for (const l of lengths) expect(dowelFor(diameter, l)).to.deep.equal({ diameter, length: l });
  });
});

/** The tree of four points that a Prüfer word of two stands for. */
function treeOf(word: readonly number[], points: readonly Point[]): [Point, Point][] {
  const degree = points.map((_, i) => 1 + word.filter(w => w === i).length);
  const tree: [Point, Point][] = [];
  for (const w of word) {
    const leaf = degree.indexOf(1);
    tree.push([points[leaf]!, points[w]!]);
    degree[leaf]! -= 1;
    degree[w]! -= 1;
  }
  const [a, b] = degree.flatMap((x, i) => (x === 1 ? [points[i]!] : []));
  tree.push([a!, b!]);
  return tree;
}
