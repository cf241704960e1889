import { runSlice, searchJob, type SearchRequest } from '@tesseron/core/job';

/** A mailbox round the searches: one question in, news and one answer out; `cancel` is heard between slices. */
let current = 0;

const SLICE = 15;
const pause = (): Promise<void> =>
  new Promise(resolve => {
    const channel = new MessageChannel();
    channel.port1.onmessage = () => resolve();
    channel.port2.postMessage(0);
  });

self.onmessage = async (event: MessageEvent<{ run: number; request: SearchRequest } | { cancel: true }>) => {
  if ('cancel' in event.data) {
    current = 0;
    return;
  }
  const { run, request } = event.data;
  current = run;
  const job = searchJob(request);
  const started = performance.now();
  while (current === run) {
    const { done, news, answer } = runSlice(job, SLICE, () => performance.now());
    if (answer) self.postMessage({ run, answer: answer.value, milliseconds: performance.now() - started });
    if (answer) return;
    self.postMessage({ run, done, news });
    await pause();
  }
};
