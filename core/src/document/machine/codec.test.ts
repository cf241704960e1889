import { expect } from 'chai';
import fc from 'fast-check';
import { readFileSync } from 'node:fs';
import { KINDS } from '../../../test/kinds.ts';
import { sayProblem } from '../../files/words/index.ts';
import { must } from '../../ground/result/index.ts';
import { MOST_CHARACTERS, newMachine, readMachine, VERSION, writeMachine } from './index.ts';

const starter = readFileSync(new URL('../../../../demo/saltreach-tide-clock.json', import.meta.url), 'utf8');
const codeOf = (text: string): string => {
  const read = readMachine(text);
  if (read.ok) return 'ok';
  expect(sayProblem(read.problem), 'every refusal is a sentence').to.match(/^[A-Z“].*[.!?]$/su);
  return read.problem.code;
};
interface Damageable {
  readonly wheels: { id: string; member: string }[];
  readonly members: { axis: string }[];
  readonly aims: { member: string; wanted: string }[];
  readonly axes: { place: object; frame: string }[];
  readonly drive: { speed: object };
}
const damaged = (change: (m: Damageable) => void): string => {
  const data = JSON.parse(starter) as Damageable;
  change(data);
  return codeOf(JSON.stringify(data));
};

describe('machine files', () => {
  for (const [kind, machine] of Object.entries(KINDS)) {
    it(`can say: ${kind}`, () => {
      const text = writeMachine(machine);
      const read = readMachine(text);
      expect(read.ok ? 'ok' : sayProblem(read.problem)).to.equal('ok');
      expect(writeMachine(must(read))).to.equal(text);
    });
  }

  it('come back just as they were written', () => {
    expect(writeMachine(must(readMachine(starter)))).to.equal(starter);
    expect(must(readMachine(writeMachine(newMachine('x'))))).to.deep.equal(newMachine('x'));
  });

  /** A machine as it was before version 7: of no material. */
  const before7 = (text: string): Record<string, unknown> => {
    const { materials: _, making: __, ...old } = JSON.parse(text) as Record<string, unknown>;
    const processes = (old['processes'] as Record<string, unknown>[]).map(({ material: ___, ...p }) => p);
    return { ...old, processes };
  };

  it('of version 6 have no materials, and no part made otherwise', () => {
    const read = must(readMachine(JSON.stringify({ ...before7(starter), version: 6 })));
    expect([read.materials, read.making]).to.deep.equal([[], []]);
    expect(read.wheels).to.deep.equal(must(readMachine(starter)).wheels);
  });

  it('that make a part of a material or by a process that is not there are refused by name', () => {
    const change = (more: object): string => damaged(m => Object.assign(m as object, more));
    expect(change({ making: [{ part: 'wheel1', material: 'nowhere' }] })).to.equal('missing-material');
    expect(change({ making: [{ part: 'wheel1', process: 'nowhere' }] })).to.equal('missing-process');
    expect(change({ materials: [] })).to.equal('missing-material');
  });

  it('gives the cams of version 10 the straight motion that they had, above all wheels', () => {
    const machine = must(readMachine(starter));
    const follower = {
      kind: 'slide',
      id: 'rod',
      name: 'rod',
      frame: 'ground',
      x: 0,
      y: 10,
      directionDeg: 90,
    };
    const lift = [
      [0, 0],
      [180, 8],
    ];
    const old = {
      ...(JSON.parse(writeMachine(machine)) as object),
      ...{ version: 10, members: [...machine.members, follower] },
      joints: [...machine.joints, { kind: 'cam', id: 'c', cam: 'drive', follower: 'rod', lift }],
    };
    const made = must(readMachine(JSON.stringify(old))).joints.at(-1);
    expect(made).to.deep.include({ kind: 'cam', motion: { kind: 'points', points: lift, straight: true } });
    const top = Math.max(-1, ...machine.wheels.map(w => w.layer));
    expect(made?.kind === 'cam' && made.layer).to.equal(top + 1);
  });

  it('of version 7 keep their tolerances, which were in degrees only', () => {
    const now = must(readMachine(starter));
    const aims = now.aims.map(({ tolerance, ...a }) => ({
      ...a,
      tolerance: { degrees: tolerance.amount, over: tolerance.over },
    }));
    expect(aims.length).to.be.greaterThan(0);
    const old = { ...now, version: 7, aims };
    expect(must(readMachine(JSON.stringify(old)))).to.deep.equal(now);
  });

  it('of version 5 keep their hands and dials, which gain a shape, a ring and a distance', () => {
    const before = ['hand', 'dial', 'globe', 'body'].map((kind, i) => ({
      id: `i${i}`,
      name: kind,
      member: 'arbor2',
      kind,
      radius: 20,
      settingDeg: 15,
    }));
    const old = { ...before7(starter), version: 5, indicators: before };
    const [hand, dial, globe, body] = must(readMachine(JSON.stringify(old))).indicators;
    expect(hand).to.deep.equal({ ...before[0], shape: 'tapered' });
    expect(globe).to.deep.equal(before[2]);
    expect(body).to.deep.equal({ ...before[3], distance: 40 });
    expect(dial).to.deep.equal({
      ...before[1],
      sense: 'counter-clockwise',
      rings: [{ outer: 20, inner: 18, divisions: 12 }],
      windows: [],
    });
  });

  it('with a hand on a dial that is not there, or a dial on no axis, are refused by name', () => {
    const change = (more: object): string =>
      damaged(m => Object.assign((m as unknown as { indicators: object[] }).indicators[1]!, more));
    expect(change({ dial: 'nowhere' })).to.equal('missing-dial');
    expect(change({ dial: 'hour-hand' }), 'a hand is no dial').to.equal('missing-dial');
    expect(
      damaged(m =>
        Object.assign((m as unknown as { indicators: object[] }).indicators[0]!, { axis: 'axis99' }),
      ),
    ).to.equal('missing-axis');
  });

  it('with teeth sized by a wheel or a mesh that is not there are refused', () => {
    const sized = (size: object): string =>
      damaged(m => Object.assign((m as unknown as { toothings: object[] }).toothings[0]!, { size }));
    expect(sized({ by: 'outside diameter', wheel: 'gone', diameter: 40 })).to.equal('missing-wheel');
    expect(sized({ by: 'root diameter', wheel: 'gone', diameter: 40 })).to.equal('missing-wheel');
    expect(sized({ by: 'centre distance', joint: 'gone', distance: 40 })).to.equal('missing-joint');
  });

  it('of version 1 are brought up to date: nothing is lost, and an empty list of plans is added', () => {
    const { plans: _, layout: _laid, ...all } = before7(starter);
    const old: Record<string, unknown> = { ...all, indicators: [] };
    const read = must(readMachine(JSON.stringify({ ...old, version: 1 })));
    const now = must(readMachine(starter));
    expect(read).to.deep.equal({
      ...now,
      layout: { keepOuts: [] },
      indicators: [],
      materials: [],
      processes: read.processes,
    });
    const search = {
      id: 's1',
      aim: 'tide',
      least: 12,
      most: 100,
      stages: [1, 2],
      coaxial: false,
      module: 1.5,
    };
    const searched = must(readMachine(JSON.stringify({ ...old, version: 1, searches: [search] })));
    expect(searched.searches).to.deep.equal([search]);
  });

  it('keep plans, wide searches, arms and the way a drive rolls', () => {
    const data = JSON.parse(starter) as Damageable & Record<string, unknown>;
    const branch = {
      aim: 'tide',
      stages: [
        { driving: 20, driven: 40 },
        { driving: 25, driven: 35 },
      ],
    };
    const plan = {
      id: 'p1',
      aims: ['tide', 'moon'],
      school: 'cascade',
      objective: 'worst error',
      drive: 'given',
      least: 12,
      most: 60,
      leastSum: 60,
      mostSum: 60,
      found: { proven: true, branches: [branch, { ...branch, aim: 'moon', from: 'tide' }] },
    };
    const found = { proven: true, front: [{ driving: [20], driven: [40] }], top: [] };
    const search = {
      id: 's1',
      aim: 'tide',
      least: 12,
      most: 100,
      stages: [4],
      coaxial: true,
      module: 1,
      secondModule: 1.25,
      stock: '20, 30×2',
      positions: [{ driving: { least: 20, most: 20 } }, {}],
      centre: { distance: 40, within: 0.5 },
      found,
    };
    const whole = {
      ...data,
      plans: [plan],
      searches: [search],
      drive: { ...data.drive, travel: '0.4 m round' },
    };
    const read = must(readMachine(JSON.stringify(whole)));
    expect([read.plans, read.searches, read.drive?.travel]).to.deep.equal([[plan], [search], '0.4 m round']);
    expect(must(readMachine(writeMachine(read)))).to.deep.equal(read);
    const lost = { ...whole, plans: [{ ...plan, aims: ['tide', 'nobody'] }] };
    expect(codeOf(JSON.stringify(lost))).to.equal('missing-aim');
    expect(codeOf(JSON.stringify({ ...whole, drive: { ...data.drive, travel: 'far' } }))).to.equal(
      'file-invalid',
    );
  });

  it('are refused with a sentence when they are not whole, not ours, or too new', () => {
    expect(codeOf('')).to.equal('file-not-json');
    expect(codeOf('solid wheel')).to.equal('file-not-json');
    expect(codeOf(starter.slice(0, starter.length / 2))).to.equal('file-broken-off');
    expect(codeOf('{}')).to.equal('file-not-ours');
    expect(codeOf('[1, 2]')).to.equal('file-not-ours');
    expect(codeOf('null')).to.equal('file-not-ours');
    expect(codeOf(starter.replace(`"version": ${VERSION}`, '"version": 99'))).to.equal('file-newer');
    expect(codeOf(starter.replace(`"version": ${VERSION}`, '"version": "one"'))).to.equal(
      'file-version-unreadable',
    );
    expect(codeOf('x'.repeat(MOST_CHARACTERS + 1))).to.equal('file-too-large');
    const odd = starter.replace(`"version": ${VERSION}`, '"version": {"toString": false}');
    expect(codeOf(odd), 'a version that cannot even be made a text').to.equal('file-version-unreadable');
  });

  it('of version 3 gain what forms beside the involute are made from, and keep their sizes', () => {
    const old = before7(starter) as { version: number; toothings: object[] };
    old.version = 3;
    const size = { by: 'module', module: 1 };
    const bare = { name: 'x', size, play: 0.1 };
    old.toothings.push(
      { ...bare, id: 'c', form: { kind: 'cycloidal', generating: 0.5, addendum: 1.4 }, helixDeg: -20 },
      { ...bare, id: 'l', form: { kind: 'lantern', pinDiameter: 3 } },
      { ...bare, id: 'p', form: { kind: 'pegs', pegDiameter: 6, pegLength: 4 } },
      { ...bare, id: 'r', form: { kind: 'reducer', pinDiameter: 6, eccentricity: 1 } },
    );
    const read = must(readMachine(JSON.stringify(old)));
    const form = (id: string): object => read.toothings.find(t => t.id === id)!.form;
    expect(form('c')).to.deep.equal({
      kind: 'cycloidal',
      drives: 'wheel',
      tip: 'eased',
      practical: 0.95,
      clearance: 0.4,
    });
    expect(read.toothings.find(t => t.id === 'c')!.helixDeg).to.equal(20);
    expect(form('l')).to.deep.include({ pinDiameter: 3, practical: 0.9 });
    expect(form('p')).to.deep.include({ pegDiameter: 6, pegLength: 4, friction: 0.35 });
    expect(form('r')).to.deep.include({ pinDiameter: 6, eccentricity: 1, offset: 0, ring: 'pins' });
  });

  it('are refused when something leads nowhere or to itself', () => {
    expect(damaged(m => (m.wheels[0]!.member = 'nobody'))).to.equal('missing-member');
    expect(damaged(m => (m.members[1]!.axis = 'nowhere'))).to.equal('missing-axis');
    expect(damaged(m => (m.aims[0]!.member = 'nobody'))).to.equal('missing-member');
    expect(damaged(m => (m.wheels[1]!.id = m.wheels[0]!.id))).to.equal('id-twice');
    expect(damaged(m => (m.axes[0]!.place = { kind: 'coaxial', with: 'axis2' }))).to.equal('axis-on-itself');
    expect(damaged(m => (m.axes[1]!.frame = 'arbor1'))).to.equal('axis-on-itself');
  });

  it('are refused when a figure cannot be, and the place is named', () => {
    const read = readMachine(starter.replace('"count": 83', '"count": -83'));
    expect(read.ok).to.equal(false);
    if (!read.ok) expect(sayProblem(read.problem)).to.match(/wheels\[\d+\]\.teeth/);
    expect(damaged(m => (m.aims[0]!.wanted = '0 h'))).to.equal('file-invalid');
    expect(damaged(m => (m.drive.speed = { kind: 'period', text: '0 h' }))).to.equal('file-invalid');
  });

  it('never crash the reader, however they are damaged', () => {
    const cut = fc.record({
      at: fc.nat(starter.length),
      length: fc.nat(40),
      with: fc.oneof(fc.string({ maxLength: 20 }), fc.constantFrom('null', '{}', '[]', '-1', '1e999', '"x"')),
    });
    fc.assert(
      fc.property(fc.array(cut, { minLength: 1, maxLength: 4 }), cuts => {
        let text = starter;
        for (const c of cuts) text = text.slice(0, c.at) + c.with + text.slice(c.at + c.length);
        codeOf(text);
      }),
      { numRuns: 400 },
    );
    fc.assert(
      fc.property(fc.jsonValue(), fc.nat(30), (value, n) => {
        const data = JSON.parse(starter) as Record<string, unknown>;
        const keys = Object.keys(data);
        data[keys[n % keys.length] as string] = value;
        codeOf(JSON.stringify(data));
      }),
      { numRuns: 300 },
    );
  });
});
