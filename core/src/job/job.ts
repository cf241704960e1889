/** Long work in slices: it yields its progress, and returns its answer. */
export type Job<T> = Generator<{ readonly done: number }, T>;

/** Runs a job for about so many milliseconds by the given clock; the answer when it is done, progress until then. */
export function runSlice<T>(
  job: Job<T>,
  milliseconds: number,
  clock: () => number,
): { done: number; answer?: { value: T } } {
  const end = clock() + milliseconds;
  for (;;) {
    const step = job.next();
    if (step.done) return { done: 1, answer: { value: step.value } };
    if (clock() >= end) return { done: step.value.done };
  }
}
