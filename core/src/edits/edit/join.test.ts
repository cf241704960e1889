import { expect } from 'chai';
import fc from 'fast-check';
import { linkage, pin, rod, slideBeside } from '../../../test/linkage.ts';
import {
  byId,
  type Joint,
  type Machine,
  newMachine,
  readMachine,
  writeMachine,
} from '../../document/machine/index.ts';
import { jointCourse } from '../../place/motion/index.ts';
import { must } from '../../ground/result/index.ts';
import { derive } from '../../state/derive/index.ts';
import { deletionOf, JOIN_KINDS, type Join, joinFrom, jointFields, mend } from './index.ts';

const DEG = Math.PI / 180;
const empty = newMachine('joined');
const drive = empty.members[0]!.id;
const join = (m: Machine, more: Partial<Join> & Pick<Join, 'kind'>): Machine =>
  must(joinFrom({ from: drive, radius: 20, at: derive(m).positions.at, ...more })(m)).machine;
const last = (m: Machine): Joint => m.joints.at(-1)!;
const codes = (m: Machine): string[] =>
  derive(m)
    .findings.filter(f => f.station === 'train')
    .map(f => f.code);

describe('joints made by hand', () => {
  it('close all the way round, press well, and are whole in the file', () => {
    for (const { kind, to } of JOIN_KINDS) {
      const two = to === 'arbor' || to === 'pin';
      const base = two ? join(empty, { kind: 'four-bar' }) : empty;
      const other = base.members.find(m => m.id !== drive && m.kind === 'arbor')?.id;
      const m = join(base, { kind, ...(two && other !== undefined && { to: other }) });
      const lever = kind === 'lever' || kind === 'bell crank';
      expect(last(m).kind).to.equal(kind === 'cam and arm' ? 'cam' : lever ? 'crank' : kind);
      const read = readMachine(writeMachine(m));
      expect(read.ok, kind).to.equal(true);
      const course = jointCourse(derive(m).moving, last(m));
      expect(course?.open ?? 0, kind).to.equal(0);
      if (course?.transmission !== undefined) expect(course.transmission / DEG, kind).to.be.above(20);
      const told = codes(m).filter(c => c !== 'cord-only-draws');
      if (!two) expect(told, kind).to.deep.equal([]);
    }
  });

  it('a new slotted arm stands two cranks off and swings by 60°; a new rocker as its proportions say', () => {
    const swing = (kind: Join['kind']): number => {
      const m = join(empty, { kind });
      const found = jointCourse(derive(m).moving, last(m))!.swing!;
      return (found.most - found.least) / DEG;
    };
    expect(swing('slot'), '2 asin(1/2)').to.be.closeTo(60, 0.01);
    // The rocker of 1 : 3.75 : 2.5 : 4 between both positions in which crank and coupler lie in a line.
    const corner = (x: number): number => Math.acos((2.5 ** 2 + 4 ** 2 - x * x) / (2 * 2.5 * 4)) / DEG;
    expect(swing('four-bar')).to.be.closeTo(corner(4.75) - corner(2.75), 0.01);
  });

  it('are refused where nothing could come of them', () => {
    const code = (more: Partial<Join> & Pick<Join, 'kind'>): string => {
      const made = joinFrom({ from: drive, radius: 20, at: {}, ...more })(empty);
      return made.ok ? 'ok' : made.problem.code;
    };
    expect(code({ kind: 'crank', to: drive })).to.equal('hand-one-member');
    expect(code({ kind: 'clutch' })).to.equal('hand-needs-second');
    expect(code({ kind: 'crank', from: 'nobody' })).to.not.equal('ok');
    const rods = join(empty, { kind: 'crank' });
    const slotted = joinFrom({
      from: rods.members.find(m => m.kind === 'link')!.id,
      kind: 'slot',
      radius: 5,
      at: {},
    });
    const made = slotted(rods);
    expect(made.ok ? 'ok' : made.problem.code).to.equal('hand-needs-arbor');
  });

  it('are deleted with their rods and slides, but for those that something else needs', () => {
    const one = join(empty, { kind: 'crank' });
    expect(deletionOf(one, last(one).id).machine.members).to.deep.equal(empty.members);
    const [rods, slide] = [
      one.members.find(m => m.kind === 'link')!,
      one.members.find(m => m.kind === 'slide')!,
    ];
    const on: Machine = {
      ...one,
      joints: [...one.joints, { kind: 'yoke', id: 'j9', pin: pin(drive, 20), slide: slide.id }],
    };
    const left = deletionOf(on, last(one).id).machine;
    expect(byId(left.members, slide.id)).to.not.equal(undefined);
    expect(byId(left.members, rods.id)).to.equal(undefined);
    expect(left.joints.map(j => j.id)).to.deep.equal(['j9']);
  });

  it('every figure of a joint can be changed, and is then what it was changed to', () => {
    for (const { kind, to } of JOIN_KINDS) {
      const two = to === 'arbor' || to === 'pin';
      const base = two ? join(empty, { kind: 'four-bar' }) : empty;
      const other = base.members.find(m => m.id !== drive && m.kind === 'arbor')?.id;
      const m = join(base, { kind, ...(two && other !== undefined && { to: other }) });
      for (const field of jointFields(m, last(m)).fields) {
        const more = field.whole ? 3 : 3.5;
        const value = Math.min(field.limits[1], Math.max(field.limits[0], field.value + more));
        const changed = field.set(value)(m);
        const now = jointFields(changed, last(changed)).fields.find(f => f.key === field.key)!;
        expect(now.value, `${kind}: ${field.label}`).to.equal(value);
        expect(readMachine(writeMachine(changed)).ok, `${kind}: ${field.label}`).to.equal(true);
      }
      for (const way of jointFields(m, last(m)).ways) {
        const changed = way.set(!way.on)(m);
        expect(jointFields(changed, last(changed)).ways.find(w => w.key === way.key)!.on).to.equal(!way.on);
        expect(way.set(way.on)(changed)).to.deep.equal(m);
      }
      for (const choice of jointFields(m, last(m)).choices ?? [])
        for (const option of choice.options) {
          const changed = choice.set(option)(m);
          expect(
            jointFields(changed, last(changed)).choices?.find(c => c.key === choice.key)?.value,
          ).to.equal(option);
          expect(readMachine(writeMachine(changed)).ok, `${kind}: ${option}`).to.equal(true);
          for (const field of jointFields(changed, last(changed)).fields)
            expect(field.value, field.label).to.be.within(...field.limits);
        }
    }
  });
});

describe('what is judged of linkages', () => {
  const crank = (length: number, offset: number): Machine =>
    linkage(
      {},
      [rod('rod', length), slideBeside('slide', offset)],
      [{ kind: 'crank', id: 'j1', pin: pin('drive', 24), rod: 'rod', slide: 'slide' }],
    );
  const found = (m: Machine, code: string): ReturnType<typeof derive>['findings'][number] | undefined =>
    derive(m).findings.find(f => f.code === code);

  it('a rod shorter than crank plus offset must be longer than 34 mm, and the mend makes it close', () => {
    const short = crank(30, 10);
    const told = found(short, 'rod-too-short')!;
    expect(told.data).to.deep.equal({ is: 30, least: 34 });
    const mended = must(mend(told.fixes[0]!)(short));
    const length = byId(mended.members, 'rod');
    expect(length?.kind === 'link' && length.length).to.equal(34.5);
    expect(found(mended, 'rod-too-short')).to.equal(undefined);
    expect(jointCourse(derive(mended).moving, mended.joints[0]!)?.open).to.equal(0);
  });

  it('a rod that presses below 40° is told, one above is not (Norton, Design of Machinery; from memory)', () => {
    // In line the least angle is acos(r/l): 40° at l = 24/cos 40° = 31.33.
    expect(found(crank(31, 0), 'transmission-low')?.data).to.include({ wanted: 40 });
    expect(found(crank(31.7, 0), 'transmission-low')).to.equal(undefined);
  });

  it('a four-bar is told where it opens, just where its triangle does', () => {
    const m = linkage(
      { rocker: [80, 0] },
      [rod('coupler', 40)],
      [{ kind: 'four-bar', id: 'j1', pin: pin('drive', 20), rod: 'coupler', to: pin('rocker', 30) }],
    );
    // Open where the pin is farther from the far axis than both rods reach: cos θ < (20² + 80² − 70²) / 3200.
    const opens = Math.acos((400 + 6400 - 4900) / 3200) / DEG;
    const told = found(m, 'loop-open')!;
    expect((told.data as { at: number }).at).to.be.closeTo(opens, 2);
    expect((told.data as { part: number }).part).to.be.closeTo((360 - 2 * opens) / 360, 0.01);
  });

  it('an arm round whose axis the pin runs is told to go round, and swings where it does not', () => {
    fc.assert(
      fc.property(fc.integer({ min: 2, max: 60 }), fc.boolean(), (apart, round) => {
        fc.pre(apart !== 30);
        const m = linkage(
          { arm: [apart, 0] },
          [],
          [
            {
              ...{ kind: 'slot', id: 'j1', pin: pin('drive', 30), driven: 'arm', slotDeg: 0 },
              ...(round && { round }),
            },
          ],
        );
        const told = derive(m).findings.find(f => f.code === 'slot-goes-round' || f.code === 'slot-swings');
        expect(told !== undefined).to.equal(apart < 30 !== round);
        if (!told) return;
        const mended = must(mend(told.fixes[0]!)(m));
        expect(derive(mended).findings.map(f => f.code)).to.not.include.members([told.code]);
      }),
      { numRuns: 40 },
    );
  });

  it('rods of which each waits for the other are told, and hang nothing up', () => {
    const m = linkage(
      {},
      ['a', 'b', 'c', 'd'].map(id => rod(id, 50)),
      [
        { kind: 'two rods', id: 'j1', rodA: 'a', rodB: 'b', a: pin('drive', 20), b: pin('c', 30) },
        { kind: 'two rods', id: 'j2', rodA: 'c', rodB: 'd', a: pin('drive', 20, 180), b: pin('a', 30) },
      ],
    );
    expect(derive(m).findings.filter(f => f.code === 'joints-wait')).to.have.lengthOf.at.least(1);
    const arms = linkage(
      { one: [60, 0], two: [0, 60] },
      [],
      [
        { kind: 'slot', id: 'j1', pin: pin('two', 20), driven: 'one', slotDeg: 90 },
        { kind: 'slot', id: 'j2', pin: pin('one', 20), driven: 'two', slotDeg: 0 },
      ],
    );
    expect(derive(arms).findings.filter(f => f.code === 'joints-wait')).to.have.lengthOf.at.least(1);
    expect(derive(crank(70, 0)).findings.filter(f => f.code === 'joints-wait')).to.deep.equal([]);
  });
});
