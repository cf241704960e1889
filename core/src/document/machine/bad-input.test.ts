import { expect } from 'chai';
import { arrange } from '../../../test/arrange.ts';
import { derive } from '../../state/derive/index.ts';
import { hangOn, toggleHold } from '../../edits/edit/index.ts';
import { plantPlanetary } from '../../edits/planting/index.ts';
import { type Machine, newMachine, readMachine } from './index.ts';
import { toFraction } from '../../ground/rational/index.ts';
import { must, type Result } from '../../ground/result/index.ts';
import { sayFinding, sayFix, sayProblem } from '../../files/words/index.ts';
import { withFix } from '../../../test/find.ts';

/** A drive with two trains of its own, so that what still works can be seen beside what does not. */
const two = (): Machine =>
  arrange(
    { drive: {}, one: { at: [60, 0] }, other: { at: [-60, 0] } },
    { 'drive.a': 20, 'one.b': 40, 'drive.c': 30, 'other.d': 30 },
    [
      ['drive.a', 'one.b'],
      ['drive.c', 'other.d'],
    ],
  );
const other = (m: Machine): string => toFraction(derive(m).train.rates['other']!);
const read = (change: (m: Machine) => unknown): Result<Machine> => readMachine(JSON.stringify(change(two())));
const refusal = (r: Result<unknown>): string => {
  if (r.ok) throw new Error('was taken');
  const words = sayProblem(r.problem);
  expect(words, r.problem.code).to.match(/[.!]$/);
  return r.problem.code;
};
const findings = (m: Machine): string[] => derive(m).findings.map(f => f.code);

describe('input that cannot work', () => {
  it('arms in a circle: refused by hand, and in a file', () => {
    const m = arrange({ arm: {}, bird: { frame: 'arm', at: [40, 0] } }, { 'arm.w': 20, 'bird.w': 20 }, []);
    expect(refusal(hangOn('arm', 'bird', derive(m).positions.at)(m))).to.equal('hand-arm-circle');
    const circle = { ...m, axes: m.axes.map(a => (a.id === 'on-arm' ? { ...a, frame: 'bird' } : a)) };
    expect(refusal(readMachine(JSON.stringify(circle)))).to.equal('axis-on-itself');
  });

  it('a wheel meshing with itself: a finding, and the other train goes on', () => {
    const m = two();
    const self: Machine = {
      ...m,
      joints: [...m.joints, { kind: 'mesh', id: 'self', type: 'external', a: 'one-b', b: 'one-b' }],
    };
    const found = derive(self).findings.find(f => f.subjects[0] === 'self');
    expect(found!.code).to.equal('wheel-meshes-itself');
    expect(sayFinding(found!, self).why.length).to.be.greaterThan(10);
    expect([other(self), toFraction(derive(self).train.rates['one']!)]).to.deep.equal(['-1', '-1/2']);
  });

  it('zero teeth, part of a tooth: the file says where', () => {
    for (const count of [0, -3, 12.5]) {
      const r = read(m => ({ ...m, wheels: m.wheels.map(w => ({ ...w, teeth: { kind: 'count', count } })) }));
      expect(refusal(r)).to.match(/^file-/);
    }
  });

  it('an arbor on two axes: one id twice is refused', () => {
    const r = read(m => ({ ...m, members: [...m.members, { ...m.members[1], axis: 'on-other' }] }));
    expect(refusal(r)).to.equal('id-twice');
  });

  it('two drives: the second is no part of the document, and a held drive is refused or found', () => {
    expect(refusal(read(m => ({ ...m, drive: [m.drive, m.drive] })))).to.match(/^file-/);
    expect(refusal(toggleHold('drive')(two()))).to.equal('hand-hold-drive');
    const held = {
      ...two(),
      members: two().members.map(m => (m.id === 'drive' ? { ...m, held: 'ground' } : m)),
    } as Machine;
    expect(findings(held)).to.include('contradiction');
  });

  it('an aim on the drive: a finding with what to do, the other aims are weighed', () => {
    const aim = {
      name: 'a',
      wanted: '1',
      sense: 'either' as const,
      tolerance: { amount: '1', over: '9 turns' },
      frame: 'ground',
    };
    const m: Machine = {
      ...two(),
      aims: [
        { ...aim, id: 'x', wanted: '1/2', member: 'drive' },
        { ...aim, id: 'y', member: 'other' },
      ],
    };
    expect(findings(m)).to.include('aim-on-drive');
    expect(derive(m).aims['y']!.status).to.equal('met');
  });

  it('a set that cannot be assembled: a finding, the numbers that can, and a fix that mends it', () => {
    const set = { sun: 24, planet: 18, ring: 60, planets: 5 };
    const good = plantPlanetary(newMachine('m'), { set, held: 'ring', driver: 'sun', module: 1 });
    const bad: Machine = {
      ...good,
      axes: good.axes.map(a => (a.copies ? { ...a, copies: { count: 5 } } : a)),
    };
    const found = derive(bad).findings.find(f => f.code === 'planets-misfit')!;
    expect(sayFinding(found, bad).advice).to.include('2, 3, 4, 6, 7, 12');
    expect(sayFix(found.fixes[0]!, bad).length).to.be.greaterThan(5);
    expect(findings(withFix(bad, found.fixes[0]))).to.not.include('planets-misfit');
    expect(must(readMachine(JSON.stringify(bad)))).to.deep.equal(bad);
  });

  it('a crank too fast for a hand, and not for a motor', () => {
    const fast = (by: 'hand' | 'motor', text: string): Machine => ({
      ...two(),
      drive: { member: 'drive', by, speed: { kind: 'period', text } },
    });
    expect(findings(fast('hand', '150 rpm'))).to.include('too-fast-for-hand');
    expect(findings(fast('hand', '100 rpm'))).to.not.include('too-fast-for-hand');
    expect(findings(fast('motor', '150 rpm'))).to.not.include('too-fast-for-hand');
  });

  it('modes that name what is not there are refused', () => {
    expect(refusal(read(m => ({ ...m, mode: 'gone' })))).to.equal('missing-mode');
  });
});
