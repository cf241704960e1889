import { expect } from 'chai';
import { arrange } from '../../../test/arrange.ts';
import { parseRational, rational, toFraction } from '../../ground/rational/index.ts';
import { must, type Result } from '../../ground/result/index.ts';
import { type Job, runSlice, searchJob, type SearchRequest } from './index.ts';

function* steps(n: number): Job<string> {
  for (let i = 1; i <= n; i++) yield { done: i / n };
  return 'answer';
}

describe('long work in slices', () => {
  it('goes on for its slice and no longer, and takes up where it stopped', () => {
    let now = 0;
    const clock = (): number => (now += 1);
    const job = steps(50);
    const first = runSlice(job, 10, clock);
    expect(first.answer).to.equal(undefined);
    expect(first.done).to.be.within(0.15, 0.25);
    const second = runSlice(job, 10, clock);
    expect(second.done).to.be.greaterThan(first.done);
    let last = second;
    for (let i = 0; i < 20 && !last.answer; i++) last = runSlice(job, 10, clock);
    expect(last).to.deep.equal({ done: 1, answer: { value: 'answer' } });
  });

  it('does at least one step even when there is no time at all', () => {
    const job = steps(3);
    const seen = [1, 2, 3].map(() => runSlice(job, 0, () => 0).done);
    expect(seen.map(d => Math.round(d * 3))).to.deep.equal([1, 2, 3]);
    expect(runSlice(job, 0, () => 0).answer).to.deep.equal({ value: 'answer' });
  });
});

describe('searches as jobs', () => {
  const query = {
    target: must(parseRational('0.2408467')),
    least: 12,
    most: 60,
    stages: [1, 2],
    coaxial: 'none' as const,
    top: 5,
  };
  const outputs = ['2', '3'].map(p => ({ id: p, rate: must(parseRational(`1/${p}`)) }));
  const plan = {
    outputs,
    drive: 'given' as const,
    school: 'loose pairs' as const,
    objective: 'worst error' as const,
    least: 12,
    most: 60,
    leastSum: 60,
    mostSum: 70,
  };
  const row = arrange({ a: {}, b: { at: [50, 0] } }, { 'a.w': 21, 'b.w': 40 }, [['a.w', 'b.w']]);
  const openRow = {
    ...row,
    wheels: row.wheels.map(w =>
      w.id === 'b-w' ? { ...w, teeth: { kind: 'open' as const, least: 12, most: 90 } } : w,
    ),
  };
  const requests: SearchRequest[] = [
    { kind: 'counts', query },
    { kind: 'why', query, best: undefined },
    { kind: 'goals', query, error: rational(1, 1000), sense: 'either' },
    { kind: 'branches', queries: [plan, { ...plan, school: 'cascade' }] },
    {
      kind: 'two rings',
      query: { target: rational(1, 100), least: 12, most: 80, planets: [3], gap: 0.3, module: 1, top: 4 },
    },
    {
      kind: 'blanks',
      machine: openRow,
      aims: [{ id: 'a', member: 'b', target: rational(-3, 7), either: false, ground: true }],
      top: 3,
    },
  ];
  const answer = (request: SearchRequest): Result<unknown> => {
    const job = searchJob(request);
    let last = 0;
    for (let step = job.next(); ; step = job.next()) {
      if (step.done) return step.value as Result<unknown>;
      expect(step.value.done, request.kind).to.be.at.least(last).and.at.most(1);
      last = step.value.done;
    }
  };

  it('answer each kind of question, with progress', () => {
    const [counts, why, goals, plans, rings, blanks] = requests.map(r => must(answer(r)));
    expect((counts as { top: unknown[] }).top).to.have.length(5);
    expect(Object.keys(why as object)).to.deep.equal(['rungs', 'relaxed']);
    expect((goals as { goal: string }[]).map(g => g.goal)).to.include('different counts');
    expect((rings as { set: { planets: number } }[]).map(r => r.set.planets)).to.deep.equal([3, 3, 3, 3]);
    expect((blanks as { fills: { counts: object }[] }[])[0]!.fills[0]!.counts).to.deep.equal({ 'b-w': 49 });
    const [loose, cascade] = plans as { plan: { branches: { rate: { num: bigint; den: bigint } }[] } }[];
    expect(loose!.plan.branches.map(b => toFraction(b.rate))).to.deep.equal(['1/2', '1/3']);
    expect(cascade!.plan.branches.map(b => toFraction(b.rate))).to.deep.equal(['1/2', '1/3']);
  });

  it('tell the best plan so far of the school that is sought, with every word after it was found', () => {
    const told: { readonly at: number; readonly best?: unknown }[] = [];
    for (const news of searchJob(requests[3]!)) if (news.schools) told.push(news.schools);
    for (const school of [0, 1]) {
      const of = told.filter(t => t.at === school);
      const first = of.findIndex(t => t.best);
      expect(first).to.be.at.least(0);
      expect(of.slice(first).every(t => t.best)).to.equal(true);
    }
    expect(told.find(t => t.at === 1)?.best, 'not that of the school before').to.equal(undefined);
  });

  it('pass a problem on', () => {
    const job = searchJob({ kind: 'branches', queries: [{ ...plan, outputs: [] }] });
    let step = job.next();
    while (!step.done) step = job.next();
    expect(step.value.ok).to.equal(false);
  });
});
