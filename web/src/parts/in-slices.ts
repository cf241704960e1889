/** Work in one slice, ms. */
const SLICE = 8;

/** The next task after the page has drawn; what is given back calls it off. */
function afterFrame(then: () => void): () => void {
  if (typeof requestAnimationFrame === 'undefined') {
    const timer = setTimeout(then);
    return () => clearTimeout(timer);
  }
  let timer: ReturnType<typeof setTimeout> | undefined;
  const frame = requestAnimationFrame(() => (timer = setTimeout(then)));
  return () => {
    cancelAnimationFrame(frame);
    clearTimeout(timer);
  };
}

/**
 * Works off what takes longer than a frame: `atOnce` ms of it now, the rest in short slices after the frame, and hands
 * over what came of it. What is given back calls it off.
 */
export function inSlices<T>(work: Iterator<unknown, T>, done: (value: T) => void, atOnce = 0): () => void {
  let stop: () => void = () => undefined;
  function slice(ms: number): boolean {
    const end = performance.now() + ms;
    while (performance.now() < end) {
      const step = work.next();
      if (!step.done) continue;
      done(step.value);
      return true;
    }
    return false;
  }
  function next(): void {
    if (slice(SLICE)) return;
    const timer = setTimeout(next);
    stop = () => clearTimeout(timer);
  }
  if (!slice(atOnce)) stop = afterFrame(next);
  return () => stop();
}
