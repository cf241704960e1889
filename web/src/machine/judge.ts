import type { Derived } from '@tesseron/core/state';

/** Work that fits before the next frame, and in one slice after it, ms. */
const AT_ONCE = 8;
const SLICE = 8;

/** The next task after the page has drawn. */
const afterFrame = (): Promise<void> =>
  new Promise(resolve => {
    if (typeof requestAnimationFrame === 'undefined') setTimeout(resolve);
    else requestAnimationFrame(() => setTimeout(resolve));
  });
/** Nothing waits longer than that, ms. */
const LONGEST = 200;

/** When the page has nothing else to do, and soon in any case. */
export const whenIdle = (): Promise<void> =>
  new Promise(resolve => {
    if (typeof requestIdleCallback === 'undefined') setTimeout(resolve);
    else requestIdleCallback(() => resolve(), { timeout: LONGEST });
  });
const nextTask = (): Promise<void> => new Promise(resolve => setTimeout(resolve));

/**
 * Makes every stage of what is derived: at once as long as that takes less than half a frame, the rest in short slices
 * after the frame, so that an edit is drawn before it is judged. True when all is made; false when `given up` says so.
 */
export function judgeAll(derived: Derived, givenUp: () => boolean): true | Promise<boolean> {
  const stages = Object.values(derived.stages)[Symbol.iterator]();
  return slice(stages, AT_ONCE) || later(stages, givenUp);
}

/** Makes stages until the time is over; true when none is left. */
function slice(stages: Iterator<{ readonly value: unknown }>, ms: number): boolean {
  const end = performance.now() + ms;
  while (performance.now() < end) {
    const next = stages.next();
    if (next.done) return true;
    void next.value.value;
  }
  return false;
}

async function later(
  stages: Iterator<{ readonly value: unknown }>,
  givenUp: () => boolean,
): Promise<boolean> {
  await afterFrame();
  for (; !givenUp(); await nextTask()) if (slice(stages, SLICE)) return true;
  return false;
}
