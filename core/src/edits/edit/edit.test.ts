import { expect } from 'chai';
import fc from 'fast-check';
import { arrange } from '../../../test/arrange.ts';
import { KINDS } from '../../../test/kinds.ts';
import { derive } from '../../state/derive/index.ts';
import {
  byId,
  integrityProblems,
  type Machine,
  meshes,
  newMachine,
  readMachine,
  writeMachine,
} from '../../document/machine/index.ts';
import { neg, toFraction } from '../../ground/rational/index.ts';
import { must, type Result } from '../../ground/result/index.ts';
import { trainRates } from '../../trains/train/index.ts';
import { sayProblem } from '../../files/words/index.ts';
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
    const outside = must(driveNew('c-x', 30)(m));
    expect(rate(outside.machine, outside.made)).to.equal('-1/4');
    expect(byId(outside.machine.wheels, meshes(outside.machine).at(-1)!.b)!.layer).to.equal(
      byId(m.wheels, 'c-x')!.layer,
    );
    const inside = must(driveNew('c-x', 90, 'internal')(m));
    expect(rate(inside.machine, inside.made)).to.equal('1/12');
    expect(inside.machine.wheels.at(-1)!.role).to.equal('ring');
    const rack = must(driveNew('c-x', 50, 'rack')(m));
    expect(rate(rack.machine, rack.made)).to.equal('15/2');
    const bevel = must(driveNew('c-x', 15, 'bevel')(m));
    expect(rate(bevel.machine, bevel.made)).to.equal('-1/2');
    for (const x of [outside, inside, rack, bevel]) expect(derive(x.machine).machine).to.equal(x.machine);
    expect([
      code(driveNew('c-x', 45, 'internal')(m)),
      code(driveNew('c-x', 0)(m)),
      code(driveNew('no', 9)(m)),
    ]).to.deep.equal(['hand-ring-count', 'hand-count', 'hand-gone']);
  });

  it('starts from nothing: a wheel on the drive, then an arbor from it', () => {
    const start = newMachine('m');
    const wheel = must(addWheel('drive', 24)(start));
    const out = must(driveNew(wheel.made, 36)(wheel.machine));
    expect(rate(out.machine, out.made)).to.equal('-2/3');
    expect(must(readMachine(writeMachine(out.machine)))).to.deep.equal(out.machine);
  });

  it('puts arbors on one axis, where two of its wheels must not mesh', () => {
    const m = two();
    const folded = must(putOnAxis('c', 'a')(m));
    expect(folded.axes.map(a => a.id)).to.deep.equal(['on-a', 'on-b']);
    expect(rate(folded, 'c')).to.equal('1/6');
    expect(code(putOnAxis('b', 'a')(m))).to.equal('hand-one-axis');
    expect(code(putOnAxis('c', 'a')(folded))).to.equal('hand-same-axis');
    const tube = must(addOnAxis('c')(m));
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
          tolerance: { amount: '1', over: '9 turns' },
          frame: 'ground',
          member: 'c',
        },
      ],
    };
    const keyed = must(keyTogether('b', 'c')(m));
    expect(keyed.members.map(x => x.id)).to.deep.equal(['a', 'b']);
    expect(byId(keyed.wheels, 'c-x')!.member).to.equal('b');
    expect([keyed.aims[0]!.member, keyed.modes[0]!.held[0]]).to.deep.equal(['b', 'b']);
    expect(integrityProblems(keyed)).to.deep.equal([]);
    expect(code(keyTogether('a', 'b')(two())), 'they mesh with each other').to.equal('hand-one-axis');
  });

  it('moves a wheel to a layer with all that mesh with it', () => {
    const moved = must(moveToLayer('a-u', 7)(two()));
    expect(moved.wheels.map(w => w.layer)).to.deep.equal([7, 7, 2, 3]);
  });

  it('holds, lets go, and changes what drives', () => {
    const m = two();
    const held = must(toggleHold('c')(m));
    expect(trainRates(held).findings.map(f => f.code)).to.include('contradiction');
    expect(must(toggleHold('c')(held))).to.deep.equal(m);
    expect(code(toggleHold('a')(m))).to.equal('hand-hold-drive');
    const other = must(driveBy('c')(held));
    expect(rate(other, 'a')).to.equal('6');
  });

  it('serves one output and no other, holds against a named frame, and puts idlers into external meshes only', () => {
    const aim = {
      name: 'n',
      wanted: '1/2',
      sense: 'either' as const,
      tolerance: { amount: '1', over: '9 turns' },
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
    expect(members(serve('b', 'z')(m))).to.deep.equal([undefined, 'c', 'b']);
    expect(members(serve('b', 'y')(m))).to.deep.equal([undefined, 'b', undefined]);
    expect(members(serve('b', undefined)(m))).to.deep.equal([undefined, 'c', undefined]);
    expect(code(serve('b', 'gone')(m))).to.equal('hand-gone');
    expect(rate(must(holdIn('c', 'ground')(m)), 'b')).to.equal('-1/2');
    expect(code(holdIn('a', 'ground')(m))).to.equal('hand-hold-drive');
    expect(rate(must(idlerInto('m1', 20)(m)), 'c')).to.equal('-1/6');
    expect(code(idlerInto('m1', 20)(must(setMeshKind('m1', 'bevel')(m))))).to.equal('hand-idler-external');
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
    const hung = must(hangOn('bird', 'arm', at)(m));
    expect(rate(hung, 'bird')).to.equal('2');
    expect(derive(hung).positions.at['on-bird'], 'it stays where it stands').to.deep.equal({ x: 70, y: 0 });
    expect(code(hangOn('bird', 'arm', at)(hung))).to.equal('hand-hangs-already');
    expect(code(hangOn('arm', 'bird', at)(hung))).to.equal('hand-arm-circle');
    const back = must(hangOn('bird', 'ground', at)(hung));
    expect(back.axes).to.deep.equal(m.axes);
    const grown = must(driveNew('bird-w', 20)(m));
    const carried = must(hangOn('bird', 'arm', derive(grown.machine).positions.at)(grown.machine));
    expect(carried.axes.at(-1)!.frame, 'what hangs on it comes along').to.equal('arm');
  });

  it('replaces a stage: one stage changes counts, two keep the product and turn the sense', () => {
    const m = two();
    const one = must(replaceStage('m1', [{ driving: 20, driven: 60 }])(m));
    expect(rate(one, 'c')).to.equal('1/6');
    const more = must(
      replaceStage('m1', [
        { driving: 12, driven: 24 },
        { driving: 20, driven: 30 },
      ])(m),
    );
    expect(rate(more, 'c')).to.equal('-1/6');
    expect(integrityProblems(more)).to.deep.equal([]);
    const three = must(
      replaceStage('m0', [
        { driving: 12, driven: 24 },
        { driving: 20, driven: 30 },
        { driving: 30, driven: 30 },
      ])(m),
    );
    expect(rate(three, 'c')).to.equal('1/9');
    expect(three.members).to.have.length(5);
    const shared = must(driveNew('b-w', 30)(m)).machine;
    expect(code(replaceStage('m1', [{ driving: 12, driven: 24 }])(shared))).to.equal('hand-shared-wheel');
  });

  it('deletes with what depends on it, and says what goes', () => {
    const m = must(driveNew('c-x', 30)(two())).machine;
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
    const ring = must(setMeshKind('m1', 'internal')(m));
    expect([rate(ring, 'c'), byId(ring.wheels, 'c-x')!.role]).to.deep.equal(['-1/6', 'ring']);
    expect(byId(must(setMeshKind('m1', 'external')(ring)).wheels, 'c-x')!.role).to.equal('wheel');
    const bevel = must(setMeshKind('m1', 'bevel')(m));
    expect(rate(must(turnOver('m1')(bevel)), 'c')).to.equal('-1/6');
    expect(must(turnOver('m1')(must(turnOver('m1')(bevel))))).to.deep.equal(bevel);
    expect(code(turnOver('m1')(m))).to.equal('hand-one-way');
    expect(MESH_KINDS.filter(k => canTurnOver({ ...meshes(m)[0]!, type: k }))).to.deep.equal([
      'bevel',
      'worm',
      'crossed',
      'pegs',
    ]);
    const loop = must(meshWheels('a-u', 'c-x')(m));
    expect(trainRates(loop.machine).findings.map(f => f.code)).to.deep.equal(['contradiction']);
    expect(code(meshWheels('a-u', 'b-v')(m))).to.equal('hand-meshes-already');
    expect(code(meshWheels('b-v', 'b-w')(m))).to.equal('hand-one-axis');
  });

  it('never breaks the document, whatever is done in whatever order, and every refusal has a sentence', () => {
    type Act = (m: Machine, pick: (list: readonly { id: string }[]) => string, n: number) => Result<Machine>;
    const plain = (r: Result<{ machine: Machine }>): Result<Machine> =>
      r.ok ? { ok: true, value: r.value.machine } : r;
    const acts: Act[] = [
      (m, p, n) =>
        plain(driveNew(p(m.wheels), 8 + n, (['external', 'internal', 'bevel', 'rack'] as const)[n % 4]!)(m)),
      (m, p, n) => plain(addWheel(p(m.members), 8 + n)(m)),
      (m, p) => plain(addOnAxis(p(m.members))(m)),
      (m, p) => plain(meshWheels(p(m.wheels), p(m.wheels))(m)),
      (m, p) => putOnAxis(p(m.members), p(m.members))(m),
      (m, p) => keyTogether(p(m.members), p(m.members))(m),
      (m, p, n) => moveToLayer(p(m.wheels), n)(m),
      (m, p) => toggleHold(p(m.members))(m),
      (m, p) => driveBy(p(m.members))(m),
      (m, p, n) => hangOn(p(m.members), n % 3 === 0 ? 'ground' : p(m.members), derive(m).positions.at)(m),
      (m, p, n) =>
        replaceStage(
          p(m.joints),
          Array.from({ length: 1 + (n % 3) }, () => ({ driving: 10, driven: 20 })),
        )(m),
      (m, p) => ({ ok: true, value: deletionOf(m, p([...m.wheels, ...m.joints, ...m.members])).machine }),
      (m, p, n) => setMeshKind(p(m.joints), MESH_KINDS[n % MESH_KINDS.length]!)(m),
      (m, p) => turnOver(p(m.joints))(m),
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
    const { insertIdler } = await import('../change/index.ts');
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
        let m = must(addWheel('drive', 20)(newMachine('m'))).machine;
        for (const s of steps) {
          const arbor = m.members[s.from % m.members.length]!.id;
          const wheel = must(addWheel(arbor, s.driving)(m));
          m = must(driveNew(wheel.made, s.driven)(wheel.machine)).machine;
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
