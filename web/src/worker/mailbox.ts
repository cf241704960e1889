import type { Ask, FromWorker, ToWorker } from './protocol';

/** How long work goes on before what came meanwhile is heard, ms. */
const SLICE = 15;
const pause = (): Promise<void> =>
  new Promise(resolve => {
    const channel = new MessageChannel();
    channel.port1.onmessage = () => {
      channel.port1.close();
      resolve();
    };
    channel.port2.postMessage(0);
  });

/**
 * A worker round a job: one question in, news and one answer out. Between slices it hears that nobody waits any more.
 * Whatever is thrown is answered as a problem, so that no question stays open.
 */
export function mailbox<A extends Ask>(
  jobOf: (
    request: A['request'],
  ) => Generator<A['news'], A['answer']> | AsyncGenerator<A['news'], A['answer']>,
): void {
  let current = 0;
  const say = (message: FromWorker<A>): void => self.postMessage(message);

  async function work(run: number, request: A['request']): Promise<void> {
    const started = performance.now();
    const job = jobOf(request);
    let heard = performance.now();
    let told: A['news'] | undefined;
    for (;;) {
      const step = await job.next();
      if (current !== run) return;
      if (step.done) {
        say({ run, answer: step.value as A['answer'], milliseconds: performance.now() - started });
        return;
      }
      const news = step.value as A['news'];
      if (Object.keys(news).length > 1) told = news;
      if (performance.now() - heard < SLICE) continue;
      // One word a slice, with the last that said more than how far it is: a page is not to be flooded.
      say({ run, news: { ...told, ...news } });
      told = undefined;
      await pause();
      heard = performance.now();
    }
  }

  self.onmessage = ({ data }: MessageEvent<ToWorker<A>>) => {
    if ('cancel' in data) {
      if (current === data.cancel) current = 0;
      return;
    }
    const { run, request } = data;
    current = run;
    work(run, request).catch((error: unknown) => {
      say({ run, problem: error instanceof Error ? error.message : String(error) });
    });
  };
}
