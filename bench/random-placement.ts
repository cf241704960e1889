import { type Folded, type FoldQuery, foldTrain, USUAL_CLEARANCE } from '../core/src/place/layout/index.ts';

/** What plain chance finds. */
interface RandomPlacement {
  readonly tried: number;
  readonly found: number;
  readonly best: Folded | undefined;
}

/**
 * The baseline that folding is measured against: arrangements by chance alone, nothing swung to a better place,
 * layers found for each, for about so many milliseconds by the given clock.
 */
export function randomPlacement(
  query: FoldQuery,
  milliseconds: number,
  clock: () => number,
): RandomPlacement {
  const end = clock() + milliseconds;
  let [tried, found] = [0, 0];
  let best: Folded | undefined;
  while (clock() < end) {
    const job = foldTrain({ ...query, starts: 1, wanted: 1, seed: 1000 + tried, plain: true });
    let step = job.next();
    while (!step.done) step = job.next();
    tried += 1;
    const folded = step.value.ok ? step.value.value[0] : undefined;
    if (!folded || folded.tightest < (query.machine.layout.clearance ?? USUAL_CLEARANCE)) continue;
    found += 1;
    const size = folded.radius ** 2 * folded.height;
    if (!best || size < best.radius ** 2 * best.height) best = folded;
  }
  return { tried, found, best };
}
