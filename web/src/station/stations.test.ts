import { derive } from '@tesseron/core/derive';
import { direction, distance } from '@tesseron/core/geometry';
import { newAim, newMachine, readMachine } from '@tesseron/core/machine';
import { must } from '@tesseron/core/result';
import { expect } from 'chai';
import { KINDS } from '../../../core/test/kinds';
import { readFileSync } from 'node:fs';
import { dateAt, readingOf } from '../run/readings';
import { readStart } from './aims/read-start';
import { builtStages } from './counts/built-stages';
import { swingTo } from '@tesseron/core/edit';
import { layoutElevation, nearestTowards } from './train/elevation';
import { bracketPath, LABEL, scaleOf, shortName } from './train/elevation-scale';
import { readTeeth } from './train/read-teeth';
import { pathFromDrive } from '@tesseron/core/working';

const starter = must(
  readMachine(readFileSync(new URL('../../../demo/saltreach-tide-clock.json', import.meta.url), 'utf8')),
);
const derived = derive(starter);

describe('swinging an arbor', () => {
  it('turns it about its neighbour at the mesh’s own distance, whatever the pointer’s', () => {
    for (const to of [
      { x: 500, y: 300 },
      { x: -3, y: 8 },
      { x: 0.5, y: -90 },
    ]) {
      const d = derive(swingTo('axis2', to, derived.positions.at)(starter), derived);
      expect(distance(d.positions.at['axis1']!, d.positions.at['axis2']!)).to.be.closeTo(96, 1e-9);
      const at = d.positions.at['axis1']!;
      expect(direction(at, d.positions.at['axis2']!)).to.be.closeTo(direction(at, to), 0.001);
    }
  });

  it('moves a given axis to the pointer and everything with it', () => {
    const d = derive(swingTo('axis1', { x: 10, y: -20 }, derived.positions.at)(starter), derived);
    expect(d.positions.at['axis1']).to.deep.equal({ x: 10, y: -20 });
    const from = derived.positions.at['axis1']!;
    for (const id of Object.keys(derived.positions.at)) {
      expect(d.positions.at[id]!.x - derived.positions.at[id]!.x).to.be.closeTo(10 - from.x, 1e-9);
      expect(d.positions.at[id]!.y - derived.positions.at[id]!.y).to.be.closeTo(-20 - from.y, 1e-9);
    }
  });
});

describe('readings', () => {
  it('follow the drive: after a lunar half day the tide hand has gone once round', () => {
    const moon = starter.aims[1]!;
    const reading = readingOf(moon, derived, { whole: 30n, part: 0 })!;
    expect(Number(reading.turns)).to.be.closeTo(15 / 29.530588, 0.001);
    expect(reading.inPeriod).to.equal('15.00 d of 29.5306 d');
    expect(readingOf({ ...moon, member: undefined }, derived, { whole: 1n, part: 0 })).to.equal(undefined);
  });

  it('of a bird that an arm carries are against the ground: it points north however far the arm has turned', () => {
    const file = readFileSync(new URL('../../../demo/round-of-kestrels.json', import.meta.url), 'utf8');
    const birds = derive(must(readMachine(file)));
    const [north, quick] = birds.machine.aims;
    for (const part of [0, 0.13, 0.7]) {
      expect(readingOf(north!, birds, { whole: 3n, part })!.degrees).to.equal('0.0°');
      expect(readingOf(quick!, birds, { whole: 3n, part })!.degrees).to.equal(
        `${((part * 1080) % 360).toFixed(1)}°`,
      );
    }
    expect(readingOf(quick!, birds, { whole: 0n, part: 0.25 })!.inPeriod).to.equal('15.00 s of 20.0000 s');
  });

  it('behind a universal joint are where the shaft truly stands, not its mean: tan φ = tan θ · cos β', () => {
    const base = newMachine('bent');
    const machine = {
      ...base,
      axes: [...base.axes, { id: 'axis9', frame: 'ground', place: { kind: 'given' as const, x: 60, y: 0 } }],
      members: [...base.members, { kind: 'arbor' as const, id: 'out', name: 'Out', axis: 'axis9' }],
      joints: [{ kind: 'universal' as const, id: 'j1', a: 'drive', b: 'out', bendDeg: 45 }],
      drive: { member: 'drive', speed: { kind: 'free' as const } },
    };
    const aim = { ...newAim(machine, 'Out', '1'), member: 'out' };
    const read = (degrees: number, turns: 'clockwise' | undefined): string => {
      const m = { ...machine, aims: [aim], drive: { ...machine.drive, ...(turns && { turns }) } };
      return readingOf(aim, derive(m), { whole: 2n, part: degrees / 360 })!.degrees;
    };
    const true60 = (Math.atan(Math.tan(Math.PI / 3) * Math.cos(Math.PI / 4)) * 180) / Math.PI;
    expect(true60, 'by hand').to.be.closeTo(50.77, 0.005);
    expect(read(60, undefined)).to.equal(`${true60.toFixed(1)}°`);
    expect(read(90, undefined)).to.equal('90.0°');
    expect(read(60, 'clockwise')).to.equal(`${(360 - true60).toFixed(1)}°`);
  });

  it('give the date of a clock, also backwards, and none out of the calendar', () => {
    expect(dateAt(starter, derived.driveSeconds, { whole: 118n, part: 0 })).to.equal('2026-03-01 00:00');
    expect(dateAt(starter, derived.driveSeconds, { whole: -2n, part: 0.5 })).to.equal('2025-12-31 06:00');
    expect(dateAt(starter, derived.driveSeconds, { whole: 10n ** 15n, part: 0 })).to.equal(undefined);
    expect(dateAt(starter, undefined, { whole: 1n, part: 0 })).to.equal(undefined);
  });
});

describe('what the stations show of the train', () => {
  it('is the row of meshes from the drive, and the counts in the words of the search', () => {
    expect(pathFromDrive(starter, starter.aims[0]!.member!)).to.deep.equal([
      { driving: 83, driven: 45 },
      { driving: 44, driven: 84 },
    ]);
    expect(builtStages(starter, starter.aims[0])).to.equal('83/45 · 44/84');
    expect(pathFromDrive(starter, 'nobody')).to.equal(undefined);
  });

  it('nests tubes in the elevation as the layout does, and those on one rod one over the other', () => {
    const file = readFileSync(new URL('../../../demo/quartet-of-moons.json', import.meta.url), 'utf8');
    const moons = derive(must(readMachine(file)));
    const { columns } = layoutElevation(moons);
    const tubes = columns.flatMap(c => c.tubes);
    for (const t of tubes) expect(t.inside, t.name).to.equal(moons.layout.spans.of.get(t.id)!.within.length);
    const out = columns[0]!.tubes.filter(t => t.out);
    expect(out.map(t => t.name)).to.deep.equal(['Io', 'Europa', 'Ganymede', 'Callisto']);
    for (const t of out) expect([t.from, t.to], 'from its wheel to the front').to.deep.equal([t.low, 7]);
    expect(columns[0]!.tubes[0]).to.include({ name: 'Crank', grounded: true, to: 7 });

    const pairs = derive(KINDS['loose compound pairs on one rod']!);
    const rod = layoutElevation(pairs).columns.find(c => c.tubes.some(t => t.id === 'p1'))!;
    expect(rod.rod).to.equal(true);
    expect(rod.tubes.map(t => [t.id, t.inside, t.grounded])).to.deep.equal([
      ['p1', 0, false],
      ['p2', 0, false],
    ]);
    expect(rod.tubes[0]!.to).to.be.below(rod.tubes[1]!.from);
  });

  it('gives every joint that is no mesh a sign over what it ties, in rows that keep them apart', () => {
    const { signs, columns } = layoutElevation(
      derive(KINDS['counter carry, friction, cam, universal joint, half gear']!),
    );
    expect(signs.map(s => s.called)).to.have.members([
      'stepping joint',
      'friction drive',
      'cam',
      'universal joint',
    ]);
    for (const s of signs) {
      expect([s.from, s.to].every(x => x >= 0 && x < columns.length)).to.equal(true);
      for (const o of signs.filter(t => t !== s && t.row === s.row))
        expect(o.from > s.to || o.to < s.from, `${s.called} beside ${o.called}`).to.equal(true);
    }
  });

  it('is an elevation with every wheel at its layer on its own axis', () => {
    const e = layoutElevation(derived);
    expect(e.bars.length).to.equal(12);
    expect(e.columns.map(c => c.x)).to.deep.equal([0, 1, 2, 3, 4, 5]);
    expect(
      e.columns[0]!.tubes.map(t => t.name),
      'the drive and the tide hand on one line',
    ).to.have.length(2);
    expect([e.layers, e.brackets.length, e.slots]).to.deep.equal([4, 0, 1]);
    for (const t of e.touches) expect(t.a.x).to.be.below(t.b.x);
  });
});

describe('an arrangement with arms', () => {
  const demo = (file: string): ReturnType<typeof layoutElevation> =>
    layoutElevation(
      derive(must(readMachine(readFileSync(new URL(`../../../demo/${file}.json`, import.meta.url), 'utf8')))),
    );

  it('has a bracket in a band of its own for every arm, under the lines that it carries', () => {
    const heron = demo('wading-heron');
    expect(heron.brackets.map(b => [b.from, b.to.length, b.band])).to.deep.equal([
      [0, 1, 0],
      [0, 1, 1],
    ]);
    for (const b of heron.brackets) for (const x of b.to) expect(heron.columns[x]!.band).to.equal(b.band);
    expect(heron.columns.filter(c => c.copies === 4)).to.have.length(2);
    expect(heron.slots, 'sun and ring lie in one layer on one line').to.equal(2);
    const birds = demo('round-of-kestrels');
    expect(birds.brackets[0]!.to).to.have.length(4);
  });

  it('fits its room: nothing smaller than can be read, columns and layers found again from the screen', () => {
    for (const file of ['wading-heron', 'round-of-kestrels', 'quartet-of-moons']) {
      const e = demo(file);
      for (const room of [
        { width: 700, height: 720 },
        { width: 320, height: 400 },
      ]) {
        const s = scaleOf(e, room);
        expect(s.step).to.be.at.least(66);
        expect(s.rise).to.be.at.least(e.slots > 1 ? 44 : 25);
        for (const b of e.bars) {
          expect(s.columnAt(s.px(b.x))).to.equal(b.x);
          expect(s.layerAt(s.py(b.layer))).to.equal(b.layer);
          expect(s.barY(b) - s.barHalf(b)).to.be.at.least(0);
          expect(s.barY(b) + s.barHalf(b)).to.be.at.most(s.floor);
          expect(s.px(b.x - b.half)).to.be.at.least(0);
        }
        for (const c of e.columns) {
          expect(s.labelY(c.tubes.length - 1) + LABEL / 2).to.be.at.most(s.height);
          expect(s.standY(c.band)).to.be.at.most(s.standY(undefined));
        }
        for (const b of e.brackets) expect(bracketPath(b, s).match(/v-6/g)).to.have.length(b.to.length);
      }
    }
  });

  it('shortens names in their middle, where the ends tell them apart', () => {
    expect(shortName('First arm 12', 8)).to.equal('First…12');
    expect(shortName('First arm 13', 8)).to.equal('First…13');
    expect(shortName('Short', 8)).to.equal('Short');
    for (let n = 8; n < 30; n++)
      expect(shortName('A name that is much longer than any column', n)).to.have.length(n);
  });

  it('moves from spot to spot towards where an arrow points', () => {
    const spots = [
      { x: 0, y: 0 },
      { x: 10, y: 1 },
      { x: 9, y: 30 },
      { x: -5, y: 0 },
    ];
    expect(nearestTowards(spots[0]!, spots, 'right')).to.equal(spots[1]);
    expect(nearestTowards(spots[0]!, spots, 'left')).to.equal(spots[3]);
    expect(nearestTowards(spots[0]!, spots, 'down')).to.equal(spots[1]);
    expect(nearestTowards(spots[0]!, spots, 'up')).to.equal(undefined);
  });

  it('reads teeth as they are typed: a count, a range, or a question mark', () => {
    expect(readTeeth(' 24 ')).to.deep.equal({ kind: 'count', count: 24 });
    for (const text of ['12-90', '12…90', '12 – 90', '12..90'])
      expect(readTeeth(text), text).to.deep.equal({ kind: 'open', least: 12, most: 90 });
    expect(readTeeth('?')!.kind).to.equal('open');
    for (const bad of ['', 'many', '0', '90-12', '1-2-3', '12-', '2.5', '5000'])
      expect(readTeeth(bad), bad).to.equal(undefined);
  });
});

describe('the start of a clock', () => {
  it('is read as people write it, and refused when there is no such day', () => {
    expect(must(readStart('2026-01-01'))).to.equal('2026-01-01T00:00:00Z');
    expect(must(readStart('2026-01-01 06:30'))).to.equal('2026-01-01T06:30:00Z');
    expect(must(readStart(''))).to.equal('');
    for (const bad of ['2026-02-30', '1.1.2026', 'tomorrow', '2026-01-01 25:00'])
      expect(readStart(bad).ok, bad).to.equal(false);
  });
});
