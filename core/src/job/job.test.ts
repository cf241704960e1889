import { expect } from 'chai';
import { type Job, runSlice } from './index.ts';

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
