/** Nothing waits longer than that, ms. */
const LONGEST = 200;

/** When the page has nothing else to do, and soon in any case. */
export const whenIdle = (): Promise<void> =>
  new Promise(resolve => {
    if (typeof requestIdleCallback === 'undefined') setTimeout(resolve);
    else requestIdleCallback(() => resolve(), { timeout: LONGEST });
  });
