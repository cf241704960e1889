import { expect } from 'chai';
import { linkage, slideBeside } from '../../../test/linkage.ts';
import { editForFix } from '../../edits/change/index.ts';
import type { Joint, Machine } from '../../document/machine/index.ts';
import type { Fix } from '../../ground/result/index.ts';
import { derive } from '../derive/index.ts';

type Cam = Extract<Joint, { kind: 'cam' }>;

/** A cam on the drive that lifts a slide by 20 mm over 120° and lets it down again. Invented. */
const cam = (more: Partial<Cam> = {}): Cam => ({
  ...{ kind: 'cam', id: 'c', cam: 'drive', follower: 'rod', radius: 40, layer: 0 },
  ...{ touch: { kind: 'roller', diameter: 12 }, kept: { kind: 'weight' } },
  motion: {
    kind: 'segments',
    segments: [
      { overDeg: 120, to: 20, law: 'cycloidal' },
      { overDeg: 120, to: 0, law: 'cycloidal' },
      { overDeg: 120, to: 0, law: 'cycloidal' },
    ],
  },
  ...more,
});
const machine = (more: Partial<Cam> = {}): Machine => linkage({}, [slideBeside('rod', 0, 90)], [cam(more)]);
const sharp: Cam['motion'] = {
  kind: 'segments',
  segments: [
    { overDeg: 60, to: 25, law: 'cycloidal' },
    { overDeg: 60, to: 0, law: 'cycloidal' },
    { overDeg: 240, to: 0, law: 'cycloidal' },
  ],
};
/** Three tips, and hollows between them. */
const hollow: Cam['motion'] = { kind: 'waves', waves: [{ times: 3, height: 12, atDeg: 0 }] };
const found = (m: Machine): string[] =>
  derive(m).findings.flatMap(f => (f.code.startsWith('cam-') ? [f.code] : []));

describe('what is wrong with a cam', () => {
  it('is nothing where it rolls and presses well', () => {
    expect(found(machine())).to.deep.equal([]);
  });

  it('is told by what it is, with a radius that mends it', () => {
    const cases: readonly (readonly [Partial<Cam>, string])[] = [
      [{ radius: 10 }, 'cam-presses'],
      [{ radius: 12, touch: { kind: 'roller', diameter: 40 }, motion: sharp }, 'cam-undercut'],
      [{ radius: 10, touch: { kind: 'flat' } }, 'cam-folds'],
      [{ radius: 1, touch: { kind: 'knife' } }, 'cam-through-axis'],
      [
        { radius: 20, touch: { kind: 'roller', diameter: 30 }, kept: { kind: 'groove' }, motion: hollow },
        'cam-hollow',
      ],
    ];
    for (const [more, code] of cases) {
      const m = machine(more);
      const told = derive(m).findings.find(f => f.code === code);
      expect(told, code).not.to.equal(undefined);
      expect(
        told!.fixes.map(f => f.code),
        code,
      ).to.deep.equal(['set-cam-radius']);
      const fix = told!.fixes[0] as Fix<'set-cam-radius'>;
      expect(found(editForFix(fix)(m)), code).to.deep.equal([]);
    }
  });

  it('is a line past the cam, or an arbor without an arm', () => {
    const past = linkage({}, [slideBeside('rod', 80, 90)], [cam()]);
    expect(found(past)).to.include('cam-no-reach');
    const armless = linkage({ far: [90, 0] }, [], [cam({ follower: 'far' })]);
    expect(found(armless)).to.deep.equal(['cam-no-follower']);
    const armed = linkage(
      { far: [90, 0] },
      [],
      [cam({ follower: 'far', arm: { length: 80, angleDeg: 180 } })],
    );
    expect(found(armed)).to.deep.equal([]);
  });

  it('is a follower that leaves it at the speed of the drive, until a groove keeps it', () => {
    const fast = (m: Machine): Machine => ({
      ...m,
      drive: { member: 'drive', speed: { kind: 'period', text: '300 rpm' } },
    });
    expect(found(fast(machine()))).to.deep.equal(['cam-leaves']);
    expect(found(fast(machine({ kept: { kind: 'groove' } })))).to.deep.equal([]);
    // Cycloidal: 2π·h/β² at most (Norton; from memory), against free fall of 9806.65 mm/s².
    const told = derive(fast(machine())).findings.find(f => f.code === 'cam-leaves')!;
    const omega = Math.sqrt(9806.65 / ((2 * Math.PI * 20) / ((2 * Math.PI) / 3) ** 2));
    expect((told.data as { most: number }).most).to.be.closeTo((omega * 60) / (2 * Math.PI), 0.1);
  });
});
