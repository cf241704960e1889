import { expect } from 'chai';
import { arrange } from '../../../test/arrange.ts';
import { type Machine, newAim } from '../../document/machine/index.ts';
import { setSpread } from '../../edits/change/index.ts';
import { derive } from './index.ts';

/** 20 : 60 and 15 : 45 at module 2, an output that turns once in nine turns of the drive. */
const train = (more: Partial<Machine> = {}): Machine => {
  const m = arrange(
    { drive: {}, lay: { at: [80, 0] }, out: { at: [140, 0] } },
    { 'drive.w': 20, 'lay.w': 60, 'lay.p': 15, 'out.w': 45 },
    [
      ['drive.w', 'lay.w'],
      ['lay.p', 'out.w'],
    ],
  );
  return { ...m, aims: [{ ...newAim(m, 'Out', '9 h'), id: 'aim', member: 'out' }], ...more };
};
const hour: Partial<Machine> = { drive: { member: 'drive', speed: { kind: 'period', text: '1 h' } } };

describe('lost motion', () => {
  it('is each mesh’s play over its wheel’s radius, seen at the output, added up (conventions 13)', () => {
    const slack = derive(train()).slack['out']!;
    const deg = 180 / Math.PI;
    // 0.1 mm of play at radii of 60 and 45; the first turns three times for one of the output.
    const first = ((0.1 / 60) * deg) / 3;
    const second = (0.1 / 45) * deg;
    expect(slack.meshes.map(m => m.degrees)[0]).to.be.closeTo(first, 1e-9);
    expect(slack.total).to.be.closeTo(first + second, 1e-9);
  });

  it('grows with spread centres by 2Δa·tan α, and contact shrinks', () => {
    const [before, after] = [train(), setSpread('m1', 0.3)(train())].map(m => derive(m));
    const more = 2 * 0.3 * Math.tan((20 * Math.PI) / 180);
    expect(after!.meshes['m1']!.play - before!.meshes['m1']!.play).to.be.closeTo(more, 1e-9);
    expect(after!.slack['out']!.total - before!.slack['out']!.total).to.be.closeTo(
      ((more / 45) * 180) / Math.PI,
      1e-9,
    );
    expect(after!.meshes['m1']!.contactRatio!).to.be.below(before!.meshes['m1']!.contactRatio!);
  });

  it('is told in the output’s own units: as time where it has a period, as way where the drive rolls', () => {
    const clock = derive(train(hour)).slack['out']!;
    expect(clock.seconds!).to.be.closeTo((clock.total / 360) * 9 * 3600, 1e-6);
    expect(clock.metres).to.equal(undefined);
    const rolling = derive(
      train({ drive: { member: 'drive', speed: { kind: 'free' }, travel: '0.4 m round' } }),
    );
    const slack = rolling.slack['out']!;
    expect(slack.metres!).to.be.closeTo((slack.total / 360) * 9 * 0.4, 1e-9);
    expect(slack.seconds).to.equal(undefined);
  });
});
