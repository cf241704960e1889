import { expect } from 'chai';
import { mailbox } from './mailbox';
import type { Ask, FromWorker } from './protocol';

interface Counting extends Ask {
  readonly request: { readonly to: number; readonly breaks?: boolean };
  readonly news: { readonly done: number; readonly at: number };
  readonly answer: number;
}

describe('a worker’s mailbox', () => {
  const said: FromWorker<Counting>[] = [];
  const self = { onmessage: undefined as unknown, postMessage: (m: FromWorker<Counting>) => said.push(m) };
  const send = (data: unknown): void => (self.onmessage as (e: { data: unknown }) => void)({ data });
  const until = async (done: () => boolean): Promise<void> => {
    for (let i = 0; i < 500 && !done(); i++) await new Promise(r => setTimeout(r, 2));
  };

  before(() => {
    Object.assign(globalThis, { self });
    mailbox<Counting>(function* ({ to, breaks }) {
      for (let at = 1; at <= to; at++) {
        for (const until = performance.now() + 20; performance.now() < until;);
        yield { done: at / to, at };
      }
      if (breaks) throw new Error('it broke');
      return to;
    });
  });
  beforeEach(() => said.splice(0));
  after(() => Reflect.deleteProperty(globalThis, 'self'));

  it('tells how far it is and then the answer, under the number of the question', async () => {
    send({ run: 7, request: { to: 3 } });
    await until(() => said.some(m => 'answer' in m));
    expect(said.map(m => ('news' in m ? m.news.at : 'answer' in m ? m.answer : m.problem))).to.deep.equal([
      1, 2, 3, 3,
    ]);
    expect(new Set(said.map(m => m.run))).to.deep.equal(new Set([7]));
  });

  it('answers what is thrown as a problem, so that no question stays open', async () => {
    send({ run: 8, request: { to: 1, breaks: true } });
    await until(() => said.some(m => 'problem' in m));
    expect(said.at(-1)).to.deep.equal({ run: 8, problem: 'it broke' });
  });

  it('falls silent when nobody waits any more, and takes the next question', async () => {
    send({ run: 9, request: { to: 100 } });
    await until(() => said.length > 3);
    send({ cancel: 9 });
    const heard = said.length;
    await new Promise(r => setTimeout(r, 60));
    expect(said.length).to.be.at.most(heard + 1);
    send({ run: 10, request: { to: 1 } });
    await until(() => said.some(m => 'answer' in m));
    expect(said.some(m => m.run === 9 && 'answer' in m)).to.equal(false);
    expect(said.at(-1)).to.include({ run: 10, answer: 1 });
  });
});
