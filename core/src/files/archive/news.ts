import type { MakeNews } from './make-request.ts';

/** The news of a job as a part of longer work, from so far on; a bare figure is how far it is. */
export function* within<T>(
  job: Generator<MakeNews | number, T>,
  from: number,
  share: number,
  say: (doing: string) => string = doing => doing,
): Generator<MakeNews, T> {
  for (;;) {
    const step = job.next();
    if (step.done) return step.value;
    const news = typeof step.value === 'number' ? { done: step.value, doing: '' } : step.value;
    yield { done: from + share * news.done, doing: say(news.doing) };
  }
}
