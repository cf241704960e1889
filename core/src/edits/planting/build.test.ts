import { expect } from 'chai';
import fc from 'fast-check';
import { SCHOOLS, searchBranches } from '../../counting/branches/index.ts';
import { searchCounts } from '../../counting/search/index.ts';
import { derive } from '../../state/derive/index.ts';
import {
  type Aim,
  integrityProblems,
  type Machine,
  newMachine,
  readMachine,
  writeMachine,
} from '../../document/machine/index.ts';
import { insertIdler, removeAim, setAim, setSpread, setWheel } from '../change/index.ts';
import { parseRational, rational, sign } from '../../ground/rational/index.ts';
import { must } from '../../ground/result/index.ts';
import { sayFinding } from '../../files/words/index.ts';
import {
  type Choice,
  describeCandidate,
  needsIdler,
  plantBranches,
  plantTrain,
  queryOf,
  returnFor,
  type SearchLimits,
} from './index.ts';

const SENSES: readonly Aim['sense'][] = ['with the drive', 'against the drive', 'either'];
const aim = (id: string, wanted: string, sense: Aim['sense']): Aim => ({
  id,
  name: id,
  wanted,
  sense,
  tolerance: { amount: '1', over: '100 turns' },
  frame: 'ground',
});

/** The best train of a real search for an aim, as it would be chosen. */
function best(a: Aim, coaxial: boolean, stages: number[]): Choice | undefined {
  const kind = returnFor(a.sense, coaxial);
  const job = searchCounts({
    target: must(parseRational(a.wanted)),
    least: 12,
    most: 60,
    stages,
    coaxial: kind,
    top: 5,
  });
  for (let step = job.next(); ; step = job.next()) {
    if (!step.done) continue;
    const found = step.value.ok ? step.value.value.top[0] : undefined;
    return found && { stages: found.stages, module: 1.5, coaxial: kind };
  }
}

describe('a choice built into the machine', () => {
  for (const sense of SENSES) {
    for (const coaxial of [false, true]) {
      for (const stages of coaxial ? [[2]] : [[1], [2]]) {
        it(`turns ${sense}, ${stages[0]} stage(s)${coaxial ? ', back to the drive’s centre' : ''}`, () => {
          const a = aim('a', '7/15', sense);
          const choice = best(a, coaxial, stages)!;
          const m = plantTrain({ ...newMachine('m'), aims: [a] }, 'a', choice);
          expect(integrityProblems(m)).to.deep.equal([]);
          const d = derive(m);
          expect(d.aims['a']!.status).to.equal('met');
          expect(
            d.findings.filter(f => f.severity === 'stop').map(f => sayFinding(f, m).title),
          ).to.deep.equal([]);
          if (sense !== 'either')
            expect(sign(d.aims['a']!.achieved!)).to.equal(sense === 'with the drive' ? 1 : -1);
          const output = m.members.find(x => x.id === m.aims[0]!.member);
          if (coaxial) expect(output?.kind === 'arbor' && output.axis).to.equal('axis1');
        });
      }
    }
  }

  it('is described by the distances that it then has', () => {
    for (const coaxial of [false, true]) {
      const a = aim('a', '5/17', 'against the drive');
      const choice = best(a, coaxial, [2])!;
      const total = choice.stages.reduce((n, s) => n + s.driving + s.driven, 0);
      const words = describeCandidate(
        { stages: choice.stages, ratio: rational(5, 17), total },
        rational(5, 17),
        a.sense,
        choice,
      );
      const d = derive(plantTrain({ ...newMachine('m'), aims: [a] }, 'a', choice));
      const built = [...new Set(Object.values(d.meshes).map(s => s.distance))].sort((x, y) => x - y);
      expect([...words.centres].sort((x, y) => x - y)).to.deep.equal(built);
      expect(words.idler).to.equal(true);
    }
  });

  it('knows when an idler is needed: each external mesh reverses (common practice, no source)', () => {
    expect([1, 2, 3, 4].map(n => needsIdler('with the drive', n))).to.deep.equal([true, false, true, false]);
    expect([1, 2].map(n => needsIdler('either', n))).to.deep.equal([false, false]);
  });

  it('takes the place of the train the aim had before, and leaves no trace of it', () => {
    const a = aim('a', '1/3', 'with the drive');
    const one = plantTrain({ ...newMachine('m'), aims: [a] }, 'a', best(a, false, [2])!);
    const again = plantTrain(one, 'a', best(a, false, [2])!);
    expect([again.wheels.length, again.joints.length, again.axes.length, again.members.length]).to.deep.equal(
      [4, 2, 3, 3],
    );
    expect(derive(again).aims['a']!.status).to.equal('met');
  });
});

describe('a search of two modules, or of many stages, built into the machine', () => {
  const limits = { least: 12, most: 60, stages: [2], coaxial: true, module: 1, secondModule: 1.25 };
  const planted = (wanted: string, more: Partial<SearchLimits>, sense: Aim['sense']): Machine => {
    const a = aim('a', wanted, sense);
    const asked = { ...limits, ...more };
    const query = must(
      queryOf(asked, { wanted: must(parseRational(wanted)), sense, limit: undefined, problem: undefined }),
    );
    const job = searchCounts(query);
    let step = job.next();
    while (!step.done) step = job.next();
    const { stages } = must(step.value).top[0]!;
    const choice = {
      stages,
      module: 1,
      ...(asked.secondModule && { secondModule: asked.secondModule }),
      coaxial: query.coaxial,
    };
    return plantTrain({ ...newMachine('m'), aims: [a] }, 'a', choice);
  };
  for (const sense of ['with the drive', 'against the drive'] as const) {
    it(`returns to the drive’s centre at modules 1 and 1.25, ${sense}`, () => {
      const m = planted('0.618', {}, sense);
      const d = derive(m);
      expect(d.findings.filter(f => f.severity === 'stop')).to.deep.equal([]);
      expect(m.toothings.map(t => t.size.by === 'module' && t.size.module)).to.deep.equal([1, 1.25]);
      expect(sign(d.aims['a']!.achieved!)).to.equal(sense === 'with the drive' ? 1 : -1);
      const output = m.members.find(x => x.id === m.aims[0]!.member);
      expect(output?.kind === 'arbor' && output.axis).to.equal('axis1');
    });
  }

  it('goes out and back twice with four stages, and straight on with three', () => {
    const four = planted('0.1234', { stages: [4], most: 30 }, 'with the drive');
    expect(derive(four).findings.filter(f => f.severity === 'stop')).to.deep.equal([]);
    expect(four.axes, 'the drive’s and two lay axes').to.have.length(3);
    const three = planted('0.1234', { stages: [3], coaxial: false }, 'against the drive');
    expect(derive(three).aims['a']!.status).to.equal('met');
    expect(three.axes).to.have.length(4);
  });
});

describe('a plan for all outputs, built into the machine', () => {
  const periods = ['1.77', '3.55', '7.15'];
  for (const school of SCHOOLS) {
    for (const drive of ['given', 'free'] as const) {
      it(`turns every output as planned: ${school}, ${drive} drive`, () => {
        const aims = periods.map((p, i) => aim(`a${i}`, `${p} d`, 'with the drive'));
        const outputs = aims.map((a, i) => ({ id: a.id, rate: must(parseRational(`1/${periods[i]}`)) }));
        const job = searchBranches({
          ...{ outputs, drive, school, objective: 'worst error' },
          ...{ least: 12, most: 50, leastSum: 60, mostSum: 64 },
        });
        let step = job.next();
        while (!step.done) step = job.next();
        const plan = must(step.value).plan!;
        const speed = drive === 'free' ? { kind: 'free' as const } : { kind: 'period' as const, text: '1 d' };
        const empty = { ...newMachine('m'), aims, drive: { member: 'drive', speed } };
        const choice = {
          school,
          module: 2,
          first: plan.first,
          branches: plan.branches.map(b => ({ ...b, aim: b.output })),
        };
        const m = plantBranches(empty, choice);
        expect(integrityProblems(m)).to.deep.equal([]);
        const d = derive(m);
        expect(d.findings.filter(f => f.severity === 'stop').map(f => sayFinding(f, m).title)).to.deep.equal(
          [],
        );
        for (const b of plan.branches) {
          expect(d.train.rates[m.aims.find(a => a.id === b.output)!.member!]).to.deep.equal(b.rate);
          expect(d.aims[b.output]!.error).to.deep.equal(b.error);
        }
        for (const a of m.axes)
          if (a.place.kind === 'mesh')
            expect(a.place.angleDeg, 'half a turn either way').to.be.within(-180, 180);
        const names = m.wheels.map(w => w.name);
        for (const b of plan.branches) {
          const { name } = m.aims.find(a => a.id === b.output)!;
          const last = b.stages.length > 1 ? `${name} wheel 4` : `${name} wheel`;
          expect(names, 'named by its place in its train').to.include(last);
        }
        expect(m.axes, 'two axes carry all').to.have.length(2);
        expect(m.wheels).to.have.length(plan.wheels);
        const again = plantBranches(m, choice);
        expect(
          [again.wheels.length, again.members.length, again.axes.length],
          'in place of what was there',
        ).to.deep.equal([m.wheels.length, m.members.length, 2]);
      });
    }
  }
});

type Act = (m: Machine) => Machine;
const act: fc.Arbitrary<Act> = fc.oneof(
  fc
    .record({
      n: fc.nat(2),
      num: fc.integer({ min: 1, max: 40 }),
      den: fc.integer({ min: 1, max: 40 }),
      coaxial: fc.boolean(),
      two: fc.boolean(),
    })
    .map(({ n, num, den, coaxial, two }): Act => m => {
      const a = m.aims[n];
      const choice = a && best({ ...a, wanted: `${num}/${den}` }, coaxial, two || coaxial ? [2] : [1]);
      return a && choice ? plantTrain(m, a.id, choice) : m;
    }),
  fc
    .record({
      n: fc.nat(20),
      count: fc.integer({ min: 4, max: 120 }),
      shift: fc.integer({ min: -10, max: 15 }),
      layer: fc.integer({ min: -2, max: 9 }),
      bore: fc.integer({ min: 1, max: 200 }),
    })
    .map(({ n, count, shift, layer, bore }): Act => m => {
      const w = m.wheels[n % Math.max(1, m.wheels.length)];
      const change = {
        teeth: { kind: 'count' as const, count },
        shift: shift / 10,
        layer,
        bore: { kind: 'round' as const, diameter: bore },
      };
      return w ? setWheel(w.id, change)(m) : m;
    }),
  fc.nat(20).map(
    (n): Act =>
      m =>
        m.joints.length > 0 ? insertIdler(m.joints[n % m.joints.length]!.id, 10 + n)(m) : m,
  ),
  fc.tuple(fc.nat(20), fc.integer({ min: -30, max: 60 })).map(
    ([n, s]): Act =>
      m =>
        m.joints.length > 0 ? setSpread(m.joints[n % m.joints.length]!.id, s / 10)(m) : m,
  ),
  fc.nat(2).map(
    (n): Act =>
      m =>
        m.aims.length > 1 ? removeAim(m.aims[n % m.aims.length]!.id)(m) : m,
  ),
  fc.tuple(fc.nat(2), fc.constantFrom(...SENSES)).map(
    ([n, sense]): Act =>
      m =>
        m.aims[n] ? setAim(m.aims[n].id, { sense })(m) : m,
  ),
);

describe('any row of changes', () => {
  it('leaves a whole document that can be written, read, derived and spoken of', () => {
    const start = {
      ...newMachine('m'),
      aims: [
        aim('a', '1/2', 'either'),
        aim('b', '2/3', 'with the drive'),
        aim('c', '1/5', 'against the drive'),
      ],
    };
    fc.assert(
      fc.property(fc.array(act, { maxLength: 9 }), acts => {
        let derived = derive(start, undefined, 0.1);
        for (const change of acts) {
          const next = change(derived.machine);
          expect(integrityProblems(next)).to.deep.equal([]);
          derived = derive(next, derived, 0.1);
          for (const f of derived.findings) sayFinding(f, next);
        }
        expect(must(readMachine(writeMachine(derived.machine)))).to.deep.equal(
          JSON.parse(JSON.stringify(derived.machine)),
        );
      }),
      { numRuns: 60 },
    );
  });
});
