import { expect } from 'chai';
import { readFileSync } from 'node:fs';
import { type Machine, readMachine } from '../../document/machine/index.ts';
import { memberSpeeds, turnsAfter } from '../../place/motion/index.ts';
import { rational, toNumber } from '../../ground/rational/index.ts';
import { must } from '../../ground/result/index.ts';
import { parseDate, secondsSince2000 } from '../../ground/units/index.ts';
import { derive } from './index.ts';
import { driftCourse, skyReadings, torquesLeft } from '../ask/index.ts';

const demo = (file: string): Machine =>
  must(readMachine(readFileSync(new URL(`../../../../demo/${file}.json`, import.meta.url), 'utf8')));
const clock = derive(demo('saltreach-tide-clock'));
const moons = derive(demo('quartet-of-moons'));
const YEAR = 31557600;

describe('the course of an output', () => {
  it('leaves its tolerance when error × turns × 360° says so, by hand', () => {
    for (const aim of clock.machine.aims) {
      const course = driftCourse(clock.aims[aim.id]!, clock.driveSeconds)!;
      const state = clock.aims[aim.id]!;
      const turnsADay = (86400 / toNumber(clock.driveSeconds!)) * toNumber(state.wanted!);
      expect(toNumber(course.perDay)).to.be.closeTo(toNumber(state.error!) * turnsADay * 360, 1e-12);
      const days = toNumber(course.leavesAfter!) / 86400;
      expect(Math.abs(toNumber(course.perDay)) * days).to.be.closeTo(toNumber(course.allowed), 1e-9);
      expect(course.resetEvery!).to.be.at.most(days * 86400);
      expect(course.resetEvery!, 'the longest that will do').to.be.above((days * 86400) / 2.6);
    }
  });

  it('is the drift that the aim is weighed by, after the same time', () => {
    const aim = clock.machine.aims[1]!;
    const state = clock.aims[aim.id]!;
    const span = state.span!;
    const seconds = span.kind === 'time' ? toNumber(span.seconds) : NaN;
    const course = driftCourse(state, clock.driveSeconds)!;
    expect((toNumber(course.perDay) * seconds) / 86400).to.be.closeTo(toNumber(state.drift!), 1e-9);
  });

  it('of an exact train never leaves, and of a free drive is open', () => {
    const exact = { ...clock.aims[clock.machine.aims[0]!.id]!, error: rational(0n) };
    expect(driftCourse(exact, clock.driveSeconds)!.leavesAfter).to.equal(undefined);
    expect(driftCourse(exact, undefined)).to.equal(undefined);
  });
});

describe('speeds', () => {
  it('are the rate times the drive’s, and teeth pass at π d n: 100 mm at 60 turns a minute 0.314 m/s', () => {
    const wheel = clock.machine.wheels[0]!;
    const speeds = memberSpeeds(clock.machine, clock.train.rates, 60, { [wheel.id]: 50 });
    const drive = speeds.find(s => s.member === clock.machine.drive!.member)!;
    expect(drive.rpm).to.equal(60);
    expect(drive.toothSpeed!).to.be.closeTo(Math.PI * 0.1, 1e-9);
    const sorted = [...speeds].sort((a, b) => Math.abs(b.rpm) - Math.abs(a.rpm));
    expect(speeds).to.deep.equal(sorted);
  });
});

describe('torque through the train', () => {
  it('is the drive’s over the rate, less a part at every mesh, weakest first', () => {
    const left = torquesLeft(clock, 0.9);
    const tide = left.find(t => t.member === 'arbor2')!;
    const rate = toNumber(clock.train.rates['arbor2']!);
    expect(tide.meshes).to.equal(2);
    expect(tide.times).to.be.closeTo(0.81 / rate, 1e-12);
    expect([...left].sort((a, b) => a.times - b.times)).to.deep.equal(left);
    expect(
      left.some(t => t.member === 'drive'),
      'the drive itself is not listed',
    ).to.equal(false);
  });

  it('without loss is power kept: torque times rate is one everywhere', () => {
    for (const t of torquesLeft(moons, 1))
      expect(t.times * Math.abs(toNumber(moons.train.rates[t.member]!))).to.be.closeTo(1, 1e-12);
  });
});

describe('outputs against the sky', () => {
  const start = toNumber(secondsSince2000(must(parseDate('2026-01-01')))) / 86400;
  const second = toNumber(moons.standsFor!);

  it('the four moons stand right at the start, and drift by their error in parts per million', () => {
    const now = skyReadings(moons, start, second, { whole: 0n, part: 0 });
    expect(now.map(r => r.body.id)).to.deep.equal(['io', 'europa', 'ganymede', 'callisto']);
    for (const r of now) expect(Math.abs(r.error)).to.be.below(1e-9);
    const later = skyReadings(
      moons,
      start,
      second,
      turnsAfter(rational(BigInt(10 * YEAR)), moons.standsFor!),
    );
    for (const r of later) {
      expect(r.error, `${r.body.name} after ten years`).to.be.closeTo(10 * r.perYear, 0.02);
      const turnsAYear = r.body.perDay * 365.25;
      expect(Math.abs(r.perYear) / turnsAYear, 'no more than 6 ppm').to.be.below(6e-6);
      expect(r.inRange).to.equal(true);
    }
  });

  it('the moon-age dial keeps to the mean Moon within its tolerance, as long as its drift says', () => {
    const [moon] = skyReadings(clock, start, 43200, { whole: 730n * 10n, part: 0 }).filter(
      r => r.body.id === 'moon-phase',
    );
    const course = driftCourse(clock.aims[moon!.aim]!, clock.driveSeconds)!;
    const tenYears = toNumber(course.perDay) * 3650;
    expect(moon!.error).to.be.closeTo(tenYears, 0.02);
  });

  it('say when the years for which mean motions are good are left', () => {
    const far = skyReadings(moons, start, second, turnsAfter(rational(BigInt(500 * YEAR)), moons.standsFor!));
    for (const r of far) expect(r.inRange).to.equal(false);
  });
});
