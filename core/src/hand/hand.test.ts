import { expect } from 'chai';
import fc from 'fast-check';
import { arrange } from '../../test/arrange.ts';
import { KINDS } from '../../test/kinds.ts';
import { derive } from '../derive/index.ts';
import {
  byId,
  integrityProblems,
  type Machine,
  meshes,
  newMachine,
  readMachine,
  writeMachine,
} from '../machine/index.ts';
import { neg, toFraction } from '../rational/index.ts';
import { must, type Result } from '../result/index.ts';
import { trainRates } from '../train/index.ts';
import { sayProblem } from '../words/index.ts';
import {
  addOnAxis,
  addWheel,
  canTurnOver,
  countsThatClose,
  deletionOf,
  driveBy,
  driveNew,
  hangOn,
  holdIn,
  idlerInto,
  keyTogether,
  MESH_KINDS,
  meshWheels,
  moveToLayer,
  putOnAxis,
  replaceStage,
  serve,
  setMeshKind,
  toggleHold,
  turnOver,
} from './index.ts';

const rate = (m: Machine, id: string): string => {
  const r = trainRates(m).rates[id];
  return r ? toFraction(r) : 'free';
};
const code = (r: Result<unknown>): string => (r.ok ? 'ok' : r.problem.code);
/** Drive 20 : 40 on b; b 15 : 45 on c. */
const two = (): Machine =>
  arrange(
    { a: {}, b: { at: [60, 0] }, c: { at: [120, 0] } },
    { 'a.u': 20, 'b.v': 40, 'b.w': 15, 'c.x': 45 },
    [
      ['a.u', 'b.v'],
      ['b.w', 'c.x'],
    ],
  );

describe('a train built by hand', () => {
  it('drives a new arbor from a wheel: external, ring, bevel, worm, rack', () => {
    const m = two();
    const outside = must(driveNew(m, 'c-x', 30));
    expect(rate(outside.machine, outside.made)).to.equal('-1/4');
    expect(byId(outside.machine.wheels, meshes(outside.machine).at(-1)!.b)!.layer).to.equal(
      byId(m.wheels, 'c-x')!.layer,
    );
    const inside = must(driveNew(m, 'c-x', 90, 'internal'));
    expect(rate(inside.machine, inside.made)).to.equal('1/12');
    expect(inside.machine.wheels.at(-1)!.role).to.equal('ring');
    const rack = must(driveNew(m, 'c-x', 50, 'rack'));
    expect(rate(rack.machine, rack.made)).to.equal('15/2');
    const bevel = must(driveNew(m, 'c-x', 15, 'bevel'));
    expect(rate(bevel.machine, bevel.made)).to.equal('-1/2');
    for (const x of [outside, inside, rack, bevel]) expect(derive(x.machine).machine).to.equal(x.machine);
    expect([
      code(driveNew(m, 'c-x', 45, 'internal')),
      code(driveNew(m, 'c-x', 0)),
      code(driveNew(m, 'no', 9)),
    ]).to.deep.equal(['hand-ring-count', 'hand-count', 'hand-gone']);
  });

  it('starts from nothing: a wheel on the drive, then an arbor from it', () => {
    const start = newMachine('m');
    const wheel = must(addWheel(start, 'drive', 24));
    const out = must(driveNew(wheel.machine, wheel.made, 36));
    expect(rate(out.machine, out.made)).to.equal('-2/3');
    expect(must(readMachine(writeMachine(out.machine)))).to.deep.equal(out.machine);
  });

  it('puts arbors on one axis, where two of its wheels must not mesh', () => {
    const m = two();
    const folded = must(putOnAxis(m, 'c', 'a'));
    expect(folded.axes.map(a => a.id)).to.deep.equal(['on-a', 'on-b']);
    expect(rate(folded, 'c')).to.equal('1/6');
    expect(code(putOnAxis(m, 'b', 'a'))).to.equal('hand-one-axis');
    expect(code(putOnAxis(folded, 'c', 'a'))).to.equal('hand-same-axis');
    const tube = must(addOnAxis(m, 'c'));
    expect(byId(tube.machine.members, tube.made)).to.include({ axis: 'on-c' });
  });

  it('keys two arbors together: their wheels turn as one and nothing points at what is gone', () => {
    const m = {
      ...arrange({ a: {}, b: { at: [60, 0] }, c: { at: [120, 0] } }, { 'a.u': 20, 'b.v': 40, 'c.x': 45 }, [
        ['a.u', 'b.v'],
      ]),
      modes: [{ id: 'mode', name: 'm', engaged: [], held: ['c'] }],
      aims: [
        {
          id: 'aim',
          name: 'n',
          wanted: '1/2',
          sense: 'either' as const,
          tolerance: { degrees: '1', over: '9 turns' },
          frame: 'ground',
          member: 'c',
        },
      ],
    };
    const keyed = must(keyTogether(m, 'b', 'c'));
    expect(keyed.members.map(x => x.id)).to.deep.equal(['a', 'b']);
    expect(byId(keyed.wheels, 'c-x')!.member).to.equal('b');
    expect([keyed.aims[0]!.member, keyed.modes[0]!.held[0]]).to.deep.equal(['b', 'b']);
    expect(integrityProblems(keyed)).to.deep.equal([]);
    expect(code(keyTogether(two(), 'a', 'b')), 'they mesh with each other').to.equal('hand-one-axis');
  });

  it('moves a wheel to a layer with all that mesh with it', () => {
    const moved = must(moveToLayer(two(), 'a-u', 7));
    expect(moved.wheels.map(w => w.layer)).to.deep.equal([7, 7, 2, 3]);
  });

  it('holds, lets go, and changes what drives', () => {
    const m = two();
    const held = must(toggleHold(m, 'c'));
    expect(trainRates(held).findings.map(f => f.code)).to.include('contradiction');
    expect(must(toggleHold(held, 'c'))).to.deep.equal(m);
    expect(code(toggleHold(m, 'a'))).to.equal('hand-hold-drive');
    const other = must(driveBy(held, 'c'));
    expect(rate(other, 'a')).to.equal('6');
  });

  it('serves one output and no other, holds against a named frame, and puts idlers into external meshes only', () => {
    const aim = {
      name: 'n',
      wanted: '1/2',
      sense: 'either' as const,
      tolerance: { degrees: '1', over: '9 turns' },
      frame: 'ground',
    };
    const m: Machine = {
      ...two(),
      aims: [
        { ...aim, id: 'x', member: 'b' },
        { ...aim, id: 'y', member: 'c' },
        { ...aim, id: 'z' },
      ],
    };
    const members = (r: Result<Machine>): unknown[] => must(r).aims.map(a => a.member);
    expect(members(serve(m, 'b', 'z'))).to.deep.equal([undefined, 'c', 'b']);
    expect(members(serve(m, 'b', 'y'))).to.deep.equal([undefined, 'b', undefined]);
    expect(members(serve(m, 'b', undefined))).to.deep.equal([undefined, 'c', undefined]);
    expect(code(serve(m, 'b', 'gone'))).to.equal('hand-gone');
    expect(rate(must(holdIn(m, 'c', 'ground')), 'b')).to.equal('-1/2');
    expect(code(holdIn(m, 'a', 'ground'))).to.equal('hand-hold-drive');
    expect(rate(must(idlerInto(m, 'm1', 20)), 'c')).to.equal('-1/6');
    expect(code(idlerInto(must(setMeshKind(m, 'm1', 'bevel')), 'm1', 20))).to.equal('hand-idler-external');
  });

  it('hangs on an arm, with what is placed by meshes from it, and refuses a circle', () => {
    const m = {
      ...arrange(
        { arm: {}, sun: { with: 'arm', held: true }, bird: { at: [70, 0] } },
        { 'sun.w': 36, 'bird.w': 18 },
        [['sun.w', 'bird.w']],
      ),
      toothings: [{ ...newMachine('m').toothings[0]!, id: 'toothing1' }],
    };
    const at = derive(m).positions.at;
    const hung = must(hangOn(m, 'bird', 'arm', at));
    expect(rate(hung, 'bird')).to.equal('2');
    expect(derive(hung).positions.at['on-bird'], 'it stays where it stands').to.deep.equal({ x: 70, y: 0 });
    expect(code(hangOn(hung, 'bird', 'arm', at))).to.equal('hand-hangs-already');
    expect(code(hangOn(hung, 'arm', 'bird', at))).to.equal('hand-arm-circle');
    const back = must(hangOn(hung, 'bird', 'ground', at));
    expect(back.axes).to.deep.equal(m.axes);
    const grown = must(driveNew(m, 'bird-w', 20));
    const carried = must(hangOn(grown.machine, 'bird', 'arm', derive(grown.machine).positions.at));
    expect(carried.axes.at(-1)!.frame, 'what hangs on it comes along').to.equal('arm');
  });

  it('replaces a stage: one stage changes counts, two keep the product and turn the sense', () => {
    const m = two();
    const one = must(replaceStage(m, 'm1', [{ driving: 20, driven: 60 }]));
    expect(rate(one, 'c')).to.equal('1/6');
    const more = must(
      replaceStage(m, 'm1', [
        { driving: 12, driven: 24 },
        { driving: 20, driven: 30 },
      ]),
    );
    expect(rate(more, 'c')).to.equal('-1/6');
    expect(integrityProblems(more)).to.deep.equal([]);
    const three = must(
      replaceStage(m, 'm0', [
        { driving: 12, driven: 24 },
        { driving: 20, driven: 30 },
        { driving: 30, driven: 30 },
      ]),
    );
    expect(rate(three, 'c')).to.equal('1/9');
    expect(three.members).to.have.length(5);
    const shared = must(driveNew(m, 'b-w', 30)).machine;
    expect(code(replaceStage(shared, 'm1', [{ driving: 12, driven: 24 }]))).to.equal('hand-shared-wheel');
  });

  it('deletes with what depends on it, and says what goes', () => {
    const m = must(driveNew(two(), 'c-x', 30)).machine;
    const all = deletionOf(m, 'b-v');
    expect(all.arbors).to.deep.equal(['b', 'c', m.members.at(-1)!.id]);
    expect(all.machine.wheels.map(w => w.id)).to.deep.equal(
      ['a-u'].filter(id => byId(all.machine.wheels, id)),
    );
    const mesh = deletionOf(m, 'm1');
    expect([mesh.arbors.length, mesh.joints.length]).to.deep.equal([0, 1]);
    expect(trainRates(mesh.machine).findings.map(f => f.code)).to.include('not-driven');
    const drive = deletionOf(m, 'a');
    expect(drive.machine, 'the drive stays').to.equal(m);
    const planets = deletionOf(KINDS['planets in copies']!, 'arm');
    expect(planets.arbors, 'what an arm carries goes with it').to.include('planet');
  });

  it('makes a mesh another kind, turns it over, and joins wheels', () => {
    const m = two();
    const ring = must(setMeshKind(m, 'm1', 'internal'));
    expect([rate(ring, 'c'), byId(ring.wheels, 'c-x')!.role]).to.deep.equal(['-1/6', 'ring']);
    expect(byId(must(setMeshKind(ring, 'm1', 'external')).wheels, 'c-x')!.role).to.equal('wheel');
    const bevel = must(setMeshKind(m, 'm1', 'bevel'));
    expect(rate(must(turnOver(bevel, 'm1')), 'c')).to.equal('-1/6');
    expect(must(turnOver(must(turnOver(bevel, 'm1')), 'm1'))).to.deep.equal(bevel);
    expect(code(turnOver(m, 'm1'))).to.equal('hand-one-way');
    expect(MESH_KINDS.filter(k => canTurnOver({ ...meshes(m)[0]!, type: k }))).to.deep.equal([
      'bevel',
      'worm',
      'crossed',
      'pegs',
    ]);
    const loop = must(meshWheels(m, 'a-u', 'c-x'));
    expect(trainRates(loop.machine).findings.map(f => f.code)).to.deep.equal(['contradiction']);
    expect(code(meshWheels(m, 'a-u', 'b-v'))).to.equal('hand-meshes-already');
    expect(code(meshWheels(m, 'b-v', 'b-w'))).to.equal('hand-one-axis');
  });

  it('never breaks the document, whatever is done in whatever order, and every refusal has a sentence', () => {
    type Act = (m: Machine, pick: (list: readonly { id: string }[]) => string, n: number) => Result<Machine>;
    const plain = (r: Result<{ machine: Machine }>): Result<Machine> =>
      r.ok ? { ok: true, value: r.value.machine } : r;
    const acts: Act[] = [
      (m, p, n) =>
        plain(driveNew(m, p(m.wheels), 8 + n, (['external', 'internal', 'bevel', 'rack'] as const)[n % 4]!)),
      (m, p, n) => plain(addWheel(m, p(m.members), 8 + n)),
      (m, p) => plain(addOnAxis(m, p(m.members))),
      (m, p) => plain(meshWheels(m, p(m.wheels), p(m.wheels))),
      (m, p) => putOnAxis(m, p(m.members), p(m.members)),
      (m, p) => keyTogether(m, p(m.members), p(m.members)),
      (m, p, n) => moveToLayer(m, p(m.wheels), n),
      (m, p) => toggleHold(m, p(m.members)),
      (m, p) => driveBy(m, p(m.members)),
      (m, p, n) => hangOn(m, p(m.members), n % 3 === 0 ? 'ground' : p(m.members), derive(m).positions.at),
      (m, p, n) =>
        replaceStage(
          m,
          p(m.joints),
          Array.from({ length: 1 + (n % 3) }, () => ({ driving: 10, driven: 20 })),
        ),
      (m, p) => ({ ok: true, value: deletionOf(m, p([...m.wheels, ...m.joints, ...m.members])).machine }),
      (m, p, n) => setMeshKind(m, p(m.joints), MESH_KINDS[n % MESH_KINDS.length]!),
      (m, p) => turnOver(m, p(m.joints)),
    ];
    const step = fc.record({ act: fc.nat(acts.length - 1), a: fc.nat(99), b: fc.nat(99), n: fc.nat(40) });
    fc.assert(
      fc.property(fc.array(step, { minLength: 4, maxLength: 24 }), steps => {
        let m = two();
        for (const s of steps) {
          let turn = 0;
          const pick = (list: readonly { id: string }[]): string =>
            list[(turn++ % 2 === 0 ? s.a : s.b) % Math.max(1, list.length)]?.id ?? '';
          const done = acts[s.act]!(m, pick, s.n);
          if (!done.ok) {
            expect(sayProblem(done.problem).length, done.problem.code).to.be.greaterThan(10);
            continue;
          }
          m = done.value;
          expect(integrityProblems(m), JSON.stringify(s)).to.deep.equal([]);
        }
        expect(must(readMachine(writeMachine(m)))).to.deep.equal(JSON.parse(JSON.stringify(m)));
        derive(m);
      }),
      {
        numRuns: 150,
        // Three arbors of one line of which each would turn within the next.
        examples: [
          [
            [
              [2, 0, 0, 0],
              [0, 0, 0, 0],
              [2, 0, 0, 0],
              [0, 0, 0, 0],
              [1, 5, 0, 0],
              [3, 0, 0, 0],
              [9, 0, 71, 4],
              [0, 0, 0, 0],
              [0, 0, 0, 0],
            ].map(([act, a, b, n]) => ({ act: act!, a: a!, b: b!, n: n! })),
          ],
        ],
      },
    );
  });
});

describe('a loop whose teeth do not come into gaps', () => {
  it('is closed by every count that is offered', () => {
    // Four wheels on the corners of a square held by its own centre distances; the last one skewed.
    const loop = arrange(
      { a: { at: [0, 0] }, b: { at: [40, 0] }, c: { at: [40, 40] }, d: { at: [0, 40] } },
      { 'a.w': 20, 'b.w': 20, 'c.w': 20, 'd.w': 20 },
      [
        ['a.w', 'b.w'],
        ['b.w', 'c.w'],
        ['c.w', 'd.w'],
        ['d.w', 'a.w'],
      ],
      {},
    );
    const hung: Machine = {
      ...loop,
      axes: loop.axes.map(x =>
        x.id === 'on-c' ? { ...x, place: { kind: 'between', joints: ['m1', 'm2'], side: 'left' } } : x,
      ),
      wheels: loop.wheels.map(w => ({
        ...w,
        layer: 0,
        ...(w.id === 'c-w' && { teeth: { kind: 'count', count: 23 } }),
      })),
    };
    const clash = (m: Machine): boolean => derive(m).phases.findings.length > 0;
    expect(clash(hung)).to.equal(true);
    const mesh = derive(hung).phases.findings[0]!.subjects[0]!;
    const offered = countsThatClose(hung, mesh);
    expect(offered.length).to.be.greaterThan(0);
    for (const o of offered) {
      const mended = {
        ...hung,
        wheels: hung.wheels.map(w =>
          w.id === o.wheel ? { ...w, teeth: { kind: 'count' as const, count: o.count } } : w,
        ),
      };
      expect(clash(mended), `${o.wheel} ${o.count}`).to.equal(false);
    }
  });
});

describe('an idler', () => {
  it('of any count, in any external mesh of any tree, changes a sign and nothing else', async () => {
    const { insertIdler } = await import('../machine/index.ts');
    const spec = fc.array(
      fc.record({
        from: fc.nat(99),
        driving: fc.integer({ min: 8, max: 90 }),
        driven: fc.integer({ min: 8, max: 90 }),
      }),
      { minLength: 1, maxLength: 12 },
    );
    fc.assert(
      fc.property(spec, fc.nat(99), fc.integer({ min: 8, max: 60 }), (steps, at, count) => {
        let m = must(addWheel(newMachine('m'), 'drive', 20)).machine;
        for (const s of steps) {
          const arbor = m.members[s.from % m.members.length]!.id;
          const wheel = must(addWheel(m, arbor, s.driving));
          m = must(driveNew(wheel.machine, wheel.made, s.driven)).machine;
        }
        const mesh = meshes(m)[at % meshes(m).length]!;
        const behind = byId(m.wheels, mesh.b)!.member;
        const [before, after] = [trainRates(m).rates, trainRates(insertIdler(mesh.id, count)(m)).rates];
        const changed = Object.keys(before).filter(id => toFraction(before[id]!) !== toFraction(after[id]!));
        expect(changed).to.include(behind);
        for (const id of changed) expect(toFraction(after[id]!)).to.equal(toFraction(neg(before[id]!)));
      }),
      { numRuns: 80 },
    );
  });
});
