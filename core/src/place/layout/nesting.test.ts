import { expect } from 'chai';
import { readFileSync } from 'node:fs';
import { arrange } from '../../../test/arrange.ts';
import { fitLimits, type RunningFit } from '../../teeth/body/index.ts';
import { derive, layoutOf } from '../../state/derive/index.ts';
import type { Derived } from '../../state/state/index.ts';
import { mend } from '../../edits/edit/index.ts';
import { type Machine, newAim, readMachine } from '../../document/machine/index.ts';
import { setArbor, setLayout, setWheel } from '../../edits/change/index.ts';
import { must } from '../../ground/result/index.ts';
import { toFraction } from '../../ground/rational/index.ts';
import {
  bearingAllowance,
  fitBores,
  holdOf,
  hubbed,
  hullRound,
  rubbingPairs,
  sectionThrough,
  usualSection,
} from './index.ts';
import { bounds, flatten, signedArea } from '../../ground/geometry/index.ts';

const demo = (file: string): Machine =>
  must(readMachine(readFileSync(new URL(`../../../../demo/${file}.json`, import.meta.url), 'utf8')));
const quartet = derive(demo('quartet-of-moons'));
const codes = (d: Derived): string[] => d.findings.map(f => f.code);

/** Outputs on one line, each with one wheel at a layer of its own. */
const stacked = (layers: readonly number[]): Machine => {
  const names = layers.map((_, i) => `o${i}`);
  const m = arrange(
    {
      drive: { at: [200, 0] },
      ...Object.fromEntries(names.map((n, i) => [n, i === 0 ? {} : { with: 'o0' }])),
    },
    Object.fromEntries(names.map(n => [`${n}.w`, 40])),
    [],
  );
  const laid = layers.reduce((now, l, i) => setWheel(`o${i}-w`, { layer: l })(now), m);
  return { ...laid, aims: names.map(n => ({ ...newAim(m, n, '1 d'), id: `aim-${n}`, member: n })) };
};

describe('nested tubes', () => {
  it('of outputs that show at one end: the lowest wheel’s is the innermost, the outermost last', () => {
    const { spans, sizes } = derive(stacked([4, 1, 3])).layout;
    expect(spans.of.get('o1')!.within).to.deep.equal([]);
    expect(spans.of.get('o2')!.within).to.deep.equal(['o1']);
    expect(spans.of.get('o0')!.within).to.deep.equal(['o1', 'o2']);
    const across = ['o1', 'o2', 'o0'].map(id => sizes.get(id)!.diameter);
    expect([...across].sort((a, b) => a - b)).to.deep.equal(across);
  });

  it('have a bore, a wall and running play by the usual sizes: 3, then 3.1 in 4.1, then 4.2 in 5.2', () => {
    const { sizes } = derive(stacked([1, 2, 3])).layout;
    const figures = ['o0', 'o1', 'o2'].map(id =>
      [sizes.get(id)!.bore, sizes.get(id)!.diameter].map(x => x && Number(x.toFixed(6))),
    );
    expect(figures).to.deep.equal([
      [undefined, 3],
      [3.1, 4.1],
      [4.2, 5.2],
    ]);
  });

  it('cannot be where each would pass through the other’s wheel, and layers that can are found', () => {
    const crossed = stacked([1, 2]);
    const extra = { ...crossed.wheels[0]!, id: 'o0-x', name: 'above', layer: 3 };
    const m = { ...crossed, wheels: [...crossed.wheels, extra] };
    const found = derive(m).findings.find(f => f.code === 'tubes-cannot-nest')!;
    expect(found.subjects).to.deep.equal(['o0', 'o1']);
    const mended = must(mend(found.fixes[0]!)(m));
    expect(codes(derive(mended)).filter(c => c === 'tubes-cannot-nest')).to.deep.equal([]);
    const [low, high] = ['o0-w', 'o0-x'].map(id => mended.wheels.find(w => w.id === id)!.layer);
    const between = mended.wheels.find(w => w.id === 'o1-w')!.layer;
    expect(between > Math.max(low!, high!) || between < Math.min(low!, high!)).to.equal(true);
  });

  it('that bind, are solid or thin are found, and the offered bore turns', () => {
    const base = stacked([1, 2]);
    const tube = (bore: number, diameter: number): Machine =>
      setArbor('o1', { section: { kind: 'tube', bore, diameter } })(base);
    expect(codes(derive(tube(3, 5)))).to.include('tube-binds');
    expect(codes(derive(tube(3.2, 3.6)))).to.include('thin-tube');
    expect(
      codes(derive(tube(3.2, 5))).filter(c => /tube/.test(c) && c !== 'bore-not-for-tube'),
    ).to.deep.equal([]);
    const solid = derive(setArbor('o1', { section: { kind: 'rod', diameter: 5 } })(base));
    const found = solid.findings.find(f => f.code === 'rod-round-rod')!;
    expect(codes(derive(must(mend(found.fixes[0]!)(solid.machine))))).to.not.include('rod-round-rod');
  });

  it('bores that are not for their tube are found, and all can be made to fit at once', () => {
    const m = {
      ...stacked([1, 2, 3]),
      wheels: stacked([1, 2, 3]).wheels.map(w => ({ ...w, bore: { kind: 'round' as const, diameter: 2 } })),
    };
    expect(codes(derive(m)).filter(c => c === 'bore-not-for-tube').length).to.be.greaterThan(0);
    const fitted = fitBores(m);
    expect(codes(derive(fitted))).to.not.include('bore-not-for-tube');
    const hex = setWheel('o1-w', { bore: { kind: 'hex', across: 5 } })(fitted);
    expect(fitBores(hex).wheels.find(w => w.id === 'o1-w')!.bore!.kind, 'another shape stays').to.equal(
      'hex',
    );
  });

  it('of the quartet are four, between plates, with the moon that goes slowest outermost', () => {
    const { spans, sizes, stack } = quartet.layout;
    const outputs = quartet.machine.aims.map(a => a.member!);
    expect(spans.of.get(outputs[3]!)!.within, 'the crank’s rod, and three moons').to.have.length(4);
    const across = outputs.map(id => sizes.get(id)!.diameter);
    expect([...across].sort((a, b) => a - b)).to.deep.equal(across);
    for (const id of outputs) expect(spans.of.get(id)!.whole.to).to.be.greaterThan(stack.front!.to);
    expect(stack.height).to.be.closeTo(8 * 4 + 2 * 4 + 9 * 0.6, 1e-9);
  });
});

describe('a rod on which arbors turn side by side', () => {
  const plates = (m: Machine): Machine =>
    setLayout({
      plates: { thickness: 4, margin: 8, fit: 'free', shape: 'round the holes', pillars: [] } as never,
    })(m);
  const beside = (change: Parameters<typeof setArbor>[1]): Derived => {
    const m = arrange({ a: {}, b: { with: 'a' } }, { 'a.u': 20, 'b.v': 30 }, []);
    return derive(plates(setArbor('b', { reach: 'front' })(setArbor('a', change)(m))));
  };
  const rods = (d: Derived): number => d.layout.pieces.filter(p => p.kind === 'rod').length;

  it('stands still where a plate is left to hold it', () => {
    const d = beside({ reach: 'neither' });
    expect([...d.layout.spans.of.values()].map(s => s.stands)).to.deep.equal([
      'on a standing rod',
      'on a standing rod',
    ]);
    expect(d.layout.plates[0]!.holes.map(h => h.kind)).to.deep.equal(['rod']);
  });

  it('is the arbor that goes out at the back, where the other goes out at the front', () => {
    const d = beside({ reach: 'back' });
    const { spans, sizes, plates: made } = d.layout;
    expect(spans.of.get('a')!.stands).to.equal('in the plates');
    expect(spans.of.get('b')!.within).to.deep.equal(['a']);
    expect(sizes.get('b')!.bore).to.be.greaterThan(sizes.get('a')!.diameter);
    expect(made.map(p => p.holes.map(h => [h.for, h.kind]))).to.deep.equal([
      [['a', 'bearing']],
      [['b', 'bearing']],
    ]);
    expect(rods(d), 'one rod, and it is the crank’s').to.equal(1);
  });
});

describe('running fits', () => {
  it('are those of ISO 286 (table values from memory)', () => {
    const limits: [RunningFit, number, number, number][] = [
      ['H7/g6', 25, 7, 41],
      ['H8/f7', 20, 20, 74],
      ['H9/d9', 8, 40, 112],
      ['H11/c11', 3, 60, 180],
      ['H7/g6', 6, 4, 24],
      ['H9/d9', 3, 20, 70],
      ['H9/d9', 18, 50, 136],
      ['H9/d9', 30, 65, 169],
      ['H9/d9', 50, 80, 204],
      ['H8/f7', 50, 25, 89],
      ['H11/c11', 50, 130, 450],
    ];
    for (const [fit, diameter, least, most] of limits) {
      const { clearance, hole, shaft } = fitLimits(fit, diameter)!;
      expect(
        clearance.map(x => Math.round(x * 1000)),
        `${diameter} ${fit}`,
      ).to.deep.equal([least, most]);
      expect(hole[0] - shaft[1]).to.be.closeTo(clearance[0], 1e-12);
      expect(hole[1] - shaft[0]).to.be.closeTo(clearance[1], 1e-12);
      expect(bearingAllowance(fit, diameter)).to.be.closeTo((least + most) / 2000, 1e-9);
    }
    expect(fitLimits('H7/g6', 80)).to.equal(undefined);
  });

  it('leave more with every looser fit and with size', () => {
    const fits: RunningFit[] = ['H7/g6', 'H8/f7', 'H9/d9', 'H11/c11'];
    for (const d of [2, 5, 9, 15, 25, 45]) {
      const means = fits.map(f => bearingAllowance(f, d));
      expect([...means].sort((a, b) => a - b)).to.deep.equal(means);
    }
  });
});

describe('plates', () => {
  const saltreach = derive(demo('saltreach-tide-clock'));

  it('have a hole for the outermost arbor of every line that passes, with its fit, and pressed pillars', () => {
    const [back, front] = saltreach.layout.plates;
    expect([back!.side, front!.side]).to.deep.equal(['back', 'front']);
    const dial = front!.holes.find(h => h.for === 'arbor4')!;
    expect(dial.diameter).to.be.closeTo(4.1, 1e-9);
    expect(
      back!.holes.some(h => h.for === 'arbor4'),
      'held at the front only',
    ).to.equal(false);
    expect(front!.holes.filter(h => h.kind === 'pillar').map(h => h.diameter)).to.deep.equal([
      7.95, 7.95, 7.95, 7.95,
    ]);
    const tide = front!.holes.find(h => h.for === 'arbor2')!;
    const rod = saltreach.layout.sizes.get('drive')!.diameter;
    expect(tide.diameter, 'the tube, not the rod in it: play, two walls, fit').to.be.closeTo(
      rod + 0.2 + 2 + 0.1,
      1e-9,
    );
    expect(back!.holes.find(h => h.for === 'drive')!.diameter, 'the rod turns').to.be.closeTo(
      rod + 0.1,
      1e-9,
    );
    // Without an hour hand the drive ends below, and the tide tube turns on a rod of 4 mm that is pressed in.
    const bare = derive({ ...saltreach.machine, indicators: [] }).layout.plates[0]!;
    expect(bare.holes.find(h => h.kind === 'rod')!.diameter).to.be.closeTo(3.95, 1e-9);
  });

  it('slots lie along the line of centres of the mesh that they set, and lengthen both ways', () => {
    const m = demo('saltreach-tide-clock');
    const slotted = {
      ...m,
      axes: m.axes.map(a => (a.id === 'axis3' ? { ...a, slot: { joint: 'mesh3', travel: 1.5 } } : a)),
    };
    const d = derive(slotted);
    const hole = d.layout.plates[0]!.holes.find(h => h.for === 'arbor3')!;
    const [p, q] = [d.positions.at['axis1']!, d.positions.at['axis3']!];
    expect(hole.slot!.travel).to.equal(1.5);
    expect(hole.slot!.direction).to.be.closeTo(Math.atan2(q.y - p.y, q.x - p.x), 1e-12);
  });

  it('holes that meet, or come too near the edge, are found', () => {
    const m = demo('saltreach-tide-clock');
    const plates = m.layout.plates!;
    const at = saltreach.positions.at['axis3']!;
    const pillar = (x: number, y: number): Derived =>
      derive(setLayout({ plates: { ...plates, pillars: [{ id: 'pillar1', x, y, diameter: 8 }] } })(m));
    expect(codes(pillar(at.x + 5, at.y))).to.include('holes-meet');
    expect(codes(pillar(at.x + 5, at.y)), 'and wheels strike it').to.include('pillar-strikes');
    expect(codes(pillar(0, 135.5))).to.include('hole-at-edge');
  });

  it('an arbor held on one side at a mesh is found, pegs and bevels more so, and the fix holds it on both', () => {
    const held = saltreach.findings.filter(f => f.code === 'held-one-side');
    expect(held.map(f => f.severity)).to.deep.equal(['note', 'note']);
    const pump = setArbor('crank', { support: 'back' })(demo('ossel-brine-pump'));
    const found = derive(pump).findings.find(f => f.code === 'held-one-side')!;
    expect(found.severity).to.equal('warn');
    expect(codes(derive(must(mend(found.fixes[0]!)(pump))))).to.not.include('held-one-side');
  });

  it('sawn parts between plates want a bearing that can be set, until there is a slot', () => {
    const sawn = {
      ...demo('saltreach-tide-clock'),
      processes: [{ id: 'process1', name: 'Saw', kind: 'saw' as const }],
      process: 'process1',
    };
    const found = derive(sawn).findings.find(f => f.code === 'mesh-wants-setting')!;
    const mended = must(mend(found.fixes[0]!)(sawn));
    const next = derive(mended).findings.find(f => f.code === 'mesh-wants-setting');
    expect(next?.subjects).to.not.deep.equal(found.subjects);
    expect(mended.axes.filter(a => a.slot).length).to.equal(1);
  });

  it('reach further on every side by as much as the margin is wider', () => {
    const wide = (margin: number): number => {
      const { machine } = quartet;
      const plates = { ...machine.layout.plates!, shape: 'round the holes', margin } as const;
      const b = bounds(flatten(derive(setLayout({ plates })(machine)).layout.plates[0]!.outline, 1e-3));
      return b.maxX - b.minX;
    };
    expect(wide(17) - wide(5)).to.be.closeTo(2 * 12, 5e-3);
  });

  it('are drawn round their holes with the margin: as long as the hull and a circle round it', () => {
    const square = [0, 1, 2, 3].map(i => ({ x: 40 * (i % 2), y: 40 * Math.floor(i / 2) }));
    const outline = flatten(hullRound([...square, { x: 20, y: 15 }], 5), 1e-4);
    expect(signedArea(outline), 'a square, four strips and a circle').to.be.closeTo(
      1600 + 4 * 200 + 25 * Math.PI,
      0.02,
    );
  });
});

describe('standing rods', () => {
  /** Two arbors on one line, above each other, and a wheel of a third that covers the line between them. */
  const covered = (layer: number, plated: boolean): Derived => {
    const m = arrange(
      { low: {}, high: { with: 'low' }, far: { at: [45, 0] } },
      { 'low.w': 12, 'high.w': 12, 'far.w': 40 },
      [],
    );
    const laid = [
      ['low-w', 0],
      ['high-w', 4],
      ['far-w', layer],
    ] as const;
    const plates = {
      thickness: 4,
      margin: 4,
      shape: 'round the holes' as const,
      fit: 'free' as const,
      pillars: [],
    };
    const placed = laid.reduce((now, [id, l]) => setWheel(id, { layer: l })(now), m);
    return derive(plated ? setLayout({ plates })(placed) : placed);
  };
  const struck = (d: Derived): boolean =>
    d.layout.clearances.some(c => c.kind === 'wheel and arbor' && c.gap < 0 && c.a === 'far-w');

  it('carry arbors that do not turn in each other, from plate to plate', () => {
    const { pieces, spans, stack } = covered(8, true).layout;
    expect(spans.of.get('low')!.stands).to.equal('on a standing rod');
    const rod = pieces.find(p => p.kind === 'rod' && p.arbor === 'low')!;
    expect(rod.length).to.be.closeTo(stack.height, 1e-9);
  });

  it('are struck by a wheel that covers them, between the arbors as well as beyond them', () => {
    // 45 less a tip radius of 42 and half a rod of 3 leaves 1.5 mm; a rod of 8 is in the way.
    const thick = (layer: number, plated: boolean): Derived => {
      const d = covered(layer, plated);
      return derive(setLayout({ tubes: { rod: 8, wall: 1, running: 0.1 } })(d.machine));
    };
    expect(struck(covered(2, true))).to.equal(false);
    expect(struck(thick(2, true)), 'between').to.equal(true);
    expect(struck(thick(7, true)), 'above, where only the rod is').to.equal(true);
    expect(struck(thick(7, false)), 'without plates it ends with what turns on it').to.equal(false);
  });
});

describe('pieces cut to length', () => {
  it('of a line fill it from plate to plate: wheels, spacers, washers and their end play', () => {
    const { pieces, stack } = quartet.layout;
    /** Rods and tubes of the line of a piece that pass its band, across. */
    const tubesAt = (of: { arbor: string; band: { from: number; to: number } }): number[] => {
      const axis = (id: string): string | undefined => {
        const m = quartet.machine.members.find(x => x.id === id);
        return m?.kind === 'arbor' ? m.axis : undefined;
      };
      const line = pieces.filter(
        q => (q.kind === 'rod' || q.kind === 'tube') && axis(q.arbor) === axis(of.arbor),
      );
      return line.flatMap(q => (q.band.from < of.band.to && q.band.to > of.band.from ? [q.outside] : []));
    };
    for (const p of pieces.filter(x => x.kind === 'spacer' || x.kind === 'washers')) {
      const gap = p.band.to - p.band.from;
      expect(p.length, 'the end play is left, or the arbor’s own wheels are held apart').to.be.at.most(
        gap + 1e-9,
      );
      if (p.kind === 'washers') expect(gap - p.length, 'end play').to.be.at.least(0.2 - 1e-9);
      const on = tubesAt(p);
      expect(p.bore! - 0.1, 'bored for the outermost that passes there').to.be.closeTo(Math.max(...on), 1e-9);
      expect(gap - p.length).to.be.below(0.2 + 0.5 + 1e-9);
    }
    const rods = pieces.filter(p => p.kind === 'rod');
    expect(Math.max(...rods.map(r => r.length))).to.be.at.least(stack.height - 1e-9);
    const tubes = pieces.filter(p => p.kind === 'tube');
    for (const t of tubes) expect(t.outside - t.bore!).to.be.closeTo(1.6, 1e-9);
  });

  it('between wheels of one arbor a spacer fills the gap, whole', () => {
    const m = arrange({ a: {}, b: { at: [60, 0] } }, { 'a.w': 20, 'b.w': 40, 'a.v': 20 }, [['a.w', 'b.w']]);
    const laid = ['a-w', 'b-w'].reduce((now, id) => setWheel(id, { layer: 0 })(now), m);
    const spacer = derive(setWheel('a-v', { layer: 3 })(laid)).layout.pieces.find(p => p.kind === 'spacer')!;
    expect(spacer.length).to.be.closeTo(2 * 4 + 3 * 1, 1e-9);
  });

  it('what holds a wheel is said by its bore or by the maker', () => {
    const m = stacked([1]);
    const how = (change: Parameters<typeof setWheel>[1]): string =>
      holdOf(setWheel('o0-w', change)(m), 'o0-w').how;
    expect(how({ bore: { kind: 'hex', across: 4 } })).to.equal('shape');
    expect(how({ bore: { kind: 'round', diameter: 4, fit: 'press' } })).to.equal('press');
    expect(how({ bore: { kind: 'round', diameter: 4, fit: 'free' } })).to.equal('nothing');
    expect(how({ bore: { kind: 'round', diameter: 4, fit: 'free' }, hold: 'cross pin' })).to.equal(
      'cross pin',
    );
    const loose = derive(setWheel('o0-w', { bore: { kind: 'round', diameter: 3, fit: 'free' } })(m));
    const found = loose.findings.find(f => f.code === 'nothing-holds')!;
    expect(codes(derive(must(mend(found.fixes[0]!)(loose.machine))))).to.not.include('nothing-holds');
  });
});

describe('the section', () => {
  it('sets axes at their true distances, so that wheels in mesh meet at their pitch circles', () => {
    const axes = usualSection(quartet.machine);
    const s = sectionThrough(
      { ...layoutOf(quartet), plates: quartet.layout.plates, pieces: quartet.layout.pieces },
      axes,
    );
    expect(s.axes[1]!.at).to.be.closeTo(64.5, 1e-9);
    const wheel = (id: string): { left: number; right: number } => {
      const halves = s.cuts.filter(c => c.kind === 'wheel' && c.id === id);
      return { left: Math.min(...halves.map(h => h.left)), right: Math.max(...halves.map(h => h.right)) };
    };
    const mesh = quartet.machine.joints[0] as { a: string; b: string };
    const overlap = wheel(mesh.a).right - wheel(mesh.b).left;
    expect(overlap, 'two addenda of module 1').to.be.closeTo(2, 1e-6);
    const plates = s.cuts.filter(c => c.kind === 'plate');
    expect(plates.length, 'two plates, each open at two bearings and at two pillars').to.equal(10);
    for (const c of s.cuts) expect(c.high).to.be.greaterThan(c.low);
  });

  it('shows plates as far as their border reaches, and pillars as they are made', () => {
    const { layout } = quartet;
    const s = sectionThrough({ ...layoutOf(quartet), plates: layout.plates, pieces: layout.pieces }, [
      'axis1',
    ]);
    for (const plate of layout.plates) {
      // A single axis is cut along x: where the border meets y = 0, by hand from its corners.
      const border = flatten(plate.outline, 0.001);
      const ends = border.flatMap((p, i) => {
        const q = border[(i + 1) % border.length]!;
        return p.y > 0 === q.y > 0 ? [] : [p.x + ((q.x - p.x) * p.y) / (p.y - q.y)];
      });
      const cuts = s.cuts.filter(c => c.kind === 'plate' && c.id === plate.side);
      expect(Math.min(...cuts.map(c => c.left))).to.be.closeTo(Math.min(...ends), 0.01);
      expect(Math.max(...cuts.map(c => c.right))).to.be.closeTo(Math.max(...ends), 0.01);
    }
    const pillar = s.cuts.filter(c => c.id === 'pillar3');
    expect(pillar.map(c => Number((c.right - c.left).toFixed(2)))).to.deep.equal([6, 9, 6]);
    expect(pillar.map(c => c.low)).to.deep.equal([0, 4, layout.stack.front!.from]);
  });

  it('of arms shows their bars between the plates of wheels they carry', () => {
    const d = derive(demo('wading-heron'));
    const s = sectionThrough({ ...layoutOf(d), plates: [], pieces: d.layout.pieces }, ['axis1', 'axis2']);
    const bar = s.cuts.find(c => c.kind === 'arm' && c.id === 'arbor2')!;
    expect([bar.low, bar.high]).to.deep.equal([5, 9]);
    expect(s.cuts.some(c => c.kind === 'ring')).to.equal(true);
  });
});

describe('what an arbor runs through', () => {
  const saltreach = derive(demo('saltreach-tide-clock'));

  it('are the hubs of its wheels; a ring and a rack have none', () => {
    const wheels = (['wheel', 'ring', 'rack', 'pins'] as const).map(role => ({
      ...saltreach.machine.wheels[0]!,
      ...{ id: role, role, member: 'a' },
    }));
    expect(hubbed({ wheels }, 'a').map(w => w.id)).to.deep.equal(['wheel', 'pins']);
  });

  it('is held on one side only where its wheel in mesh lies beyond both plates', () => {
    const { machine } = saltreach;
    const plates = machine.layout.plates!;
    const beyond = derive({
      ...machine,
      layout: { ...machine.layout, plates: { ...plates, front: 1 } },
    });
    const held = beyond.findings.filter(f => f.code === 'held-one-side');
    expect(held.map(f => f.data)).to.deep.include({ type: 'external', side: 'beyond' });
    const within = derive(machine).findings.filter(f => f.code === 'held-one-side');
    expect(within.length).to.be.below(held.length);
  });
});

describe('what rubs on what', () => {
  const said = (d: Derived): string[] =>
    rubbingPairs(d.layout.spans, d.train.rates).map(
      p => `${p.outer} on ${p.inner ?? 'its rod'}: ${toFraction(p.relative)}`,
    );

  it('is what the layout puts next to each other, and not every two arbors of a line', () => {
    const noons = said(derive(demo('two-noons')));
    expect(noons, 'its layers put the hour arbor within: 1 − 1/12').to.deep.equal(['drive on hour: 11/12']);
    const moons = rubbingPairs(quartet.layout.spans, quartet.train.rates);
    const on = (name: string): string | undefined => quartet.machine.members.find(m => m.name === name)?.id;
    const pairs = moons.map(p => [p.outer, p.inner]);
    expect(pairs).to.deep.include([on('Europa'), on('Io')]);
    expect(pairs, 'Europa’s tube lies between').to.not.deep.include([on('Ganymede'), on('Io')]);
    expect(pairs, 'the crank’s rod runs through').to.deep.include([on('Io'), 'drive']);
  });

  it('leaves out what stands still against what is in it', () => {
    const m = arrange({ a: {}, b: { with: 'a' } }, { 'a.w': 20, 'b.v': 30 }, [], {});
    const d = derive(m);
    const rates = { a: { num: 1n, den: 2n }, b: { num: 1n, den: 2n } };
    expect(rubbingPairs(d.layout.spans, rates).every(p => p.inner === undefined)).to.equal(true);
  });
});
