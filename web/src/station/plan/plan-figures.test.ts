import { derive, foldQuery, layoutOf } from '@tesseron/core/derive';
import { foldTrain, sectionThrough, usualSection } from '@tesseron/core/layout';
import { type Machine, readMachine } from '@tesseron/core/machine';
import { setLayout } from '@tesseron/core/change';
import { must } from '@tesseron/core/result';
import { expect } from 'chai';
import { readFileSync } from 'node:fs';
import { svgPathProperties } from 'svg-path-properties';
import { roomFigure } from '../../draw/room-figure';
import { foldFigures } from './fold-figure';
import { regionPath } from './region-path';
import { RISES, sectionScale } from './section-scale';

const demo = (file: string): Machine =>
  must(readMachine(readFileSync(new URL(`../../../../demo/${file}.json`, import.meta.url), 'utf8')));
const moons = derive(demo('quartet-of-moons'));
const section = sectionThrough(
  { ...layoutOf(moons), plates: moons.layout.plates, pieces: moons.layout.pieces },
  usualSection(moons.machine),
);
const ROOM = { width: 900, height: 640 };

describe('the section on the screen', () => {
  const scale = sectionScale(section, moons.layout.stack, ROOM, 1, undefined);

  it('fits its room, lengths at one scale, heights a round number of times larger', () => {
    expect(scale.px(section.left)).to.be.at.least(0);
    expect(scale.px(section.right)).to.be.at.most(ROOM.width);
    expect(scale.py(section.high)).to.be.at.least(0);
    expect(scale.py(section.low)).to.be.at.most(ROOM.height);
    expect(scale.px(10) - scale.px(0)).to.be.closeTo(10 * scale.along, 1e-9);
    expect(scale.py(0) - scale.py(10)).to.be.closeTo(10 * scale.along * scale.rise, 1e-9);
    expect(RISES).to.include(scale.rise);
  });

  it('is true to scale when asked, and larger when enlarged', () => {
    expect(sectionScale(section, moons.layout.stack, ROOM, 1, 1).rise).to.equal(1);
    const larger = sectionScale(section, moons.layout.stack, ROOM, 3, 1);
    expect(larger.along).to.be.greaterThan(2.5 * scale.along);
  });

  it('knows the layer at every height, and a new one beyond the outermost', () => {
    for (const [layer, band] of moons.layout.stack.layers)
      expect(scale.layerAt(scale.py((band.from + band.to) / 2))).to.equal(layer);
    expect(scale.layerAt(scale.py(moons.layout.stack.height + 30))).to.equal(8);
    expect(scale.layerAt(scale.py(-30))).to.equal(-1);
  });

  it('survives a room of no size', () => {
    const none = sectionScale(section, moons.layout.stack, { width: 0, height: 0 }, 1, undefined);
    expect(Number.isFinite(none.px(0) + none.py(0))).to.equal(true);
  });
});

describe('folded trains side by side', () => {
  const machine = setLayout({ envelope: { region: { kind: 'circle', x: 20, y: -10, diameter: 320 } } })(
    demo('saltreach-tide-clock'),
  );
  const derived = derive(machine);
  const job = foldTrain(foldQuery(derived, { starts: 20, wanted: 3, seed: 3, pillarsStay: false }));
  let step = job.next();
  while (!step.done) step = job.next();
  const figures = foldFigures(derived, must(step.value));

  it('are drawn at one scale about the envelope, with all wheels inside it', () => {
    expect(new Set(figures.map(f => f.box)).size).to.equal(1);
    const [x, y, w] = figures[0]!.box.split(' ').map(Number) as [number, number, number, number];
    expect(x + w / 2).to.be.closeTo(20, 1e-9);
    expect(y + w / 2).to.be.closeTo(10, 1e-9);
    for (const f of figures) {
      expect(f.wheels.length).to.equal(machine.wheels.length);
      for (const c of f.wheels) expect(Math.hypot(c.x - 20, c.y - 10) + c.radius).to.be.below(160.001);
    }
  });

  it('draw lower layers first, and larger wheels before smaller ones of a layer', () => {
    for (const { wheels, fold } of figures) {
      const layers = wheels.map(w => fold.layers.wheels[w.id]!);
      expect([...layers].sort((a, b) => a - b)).to.deep.equal(layers);
    }
  });

  it('without an envelope stand about their own middle', () => {
    const free = derive(setLayout({ envelope: undefined })(machine));
    const [one] = foldFigures(free, [figures[0]!.fold]);
    const [x, , w] = one!.box.split(' ').map(Number) as [number, number, number];
    const xs = one!.wheels.flatMap(c => [c.x - c.radius, c.x + c.radius]);
    expect(x + w / 2).to.be.closeTo((Math.min(...xs) + Math.max(...xs)) / 2, 1e-9);
  });
});

describe('the room in the plan', () => {
  it('is the front plate, the envelope, what is kept free and the pillars', () => {
    const keepOuts = [
      { id: 'k', name: 'k', region: { kind: 'rectangle' as const, x: 0, y: 0, width: 4, height: 2 } },
    ];
    const figure = roomFigure(derive(setLayout({ keepOuts })(demo('saltreach-tide-clock'))));
    expect(figure.lines.map(l => l.kind)).to.deep.equal([
      'plate',
      'envelope',
      'keep-out',
      'pillar',
      'pillar',
      'pillar',
      'pillar',
    ]);
  });

  it('has a bar for every place that an arm carries', () => {
    const { bars } = roomFigure(derive(demo('wading-heron')));
    expect(bars.filter(b => b.arm === 'arbor2').length).to.equal(4);
    expect(bars.filter(b => b.arm === 'arbor5').length).to.equal(4);
  });

  it('regions as paths are as long as their borders', () => {
    const long = (d: string): number => new svgPathProperties(d).getTotalLength();
    expect(long(regionPath({ kind: 'circle', x: 5, y: 6, diameter: 10 }))).to.be.closeTo(10 * Math.PI, 1e-3);
    expect(long(regionPath({ kind: 'rectangle', x: 5, y: 6, width: 30, height: 10 }))).to.be.closeTo(
      80,
      1e-9,
    );
  });
});
