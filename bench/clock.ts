/** Best of so many runs, in milliseconds. */
export function clock(work: () => void, runs = 3): number {
  const times = Array.from({ length: runs }, () => {
    const start = performance.now();
    work();
    return performance.now() - start;
  });
  return Math.min(...times);
}

/** Prints a measure beside its baseline. */
export const report = (what: string, ms: number, baseline: string, baseMs: number): void =>
  console.log(
    `${what}: ${ms.toFixed(1)} ms; ${baseline}: ${baseMs.toFixed(1)} ms; ratio ${(baseMs / ms).toFixed(2)}`,
  );
