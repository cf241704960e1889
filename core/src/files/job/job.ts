/** Long work in slices: it yields its progress, and returns its answer. */
export type Job<T, News extends { readonly done: number } = { readonly done: number }> = Generator<News, T>;

/**
 * Runs a job for about so many milliseconds by the given clock; the answer when it is done, progress until then, with
 * the last news of the slice that said more than how far it is.
 */
export function runSlice<T, News extends { readonly done: number }>(
  job: Job<T, News>,
  milliseconds: number,
  clock: () => number,
): { done: number; news?: News; answer?: { value: T } } {
  const end = clock() + milliseconds;
  let news: News | undefined;
  for (;;) {
    const step = job.next();
    const told = news && { news };
    if (step.done) return { done: 1, ...told, answer: { value: step.value } };
    if (Object.keys(step.value).length > 1) news = step.value;
    if (clock() >= end) return { done: step.value.done, ...(news && { news }) };
  }
}
