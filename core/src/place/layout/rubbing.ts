import { absolute, compare, isZero, type Rational, sub } from '../../ground/rational/index.ts';
import type { Spans } from './spans.ts';
import { type Band, overlap } from './stack.ts';

/** Two arbors of which one turns on the other, and how fast: turns of the outer one less the inner one's. */
export interface RubbingPair {
  /** What it turns on; nothing for a rod that stands. */
  readonly inner: string | undefined;
  readonly outer: string;
  readonly relative: Rational;
}

/**
 * What rubs on what: every arbor on those within it that no other keeps from it, as the layout nests them; what turns
 * beside others on a standing rod on that. Per turn of the drive, fastest first. Only where both rates are known.
 */
export function rubbingPairs(spans: Spans, rates: Readonly<Record<string, Rational>>): RubbingPair[] {
  const found: RubbingPair[] = [];
  for (const outer of spans.of.values()) {
    const own = rates[outer.arbor];
    if (!own) continue;
    if (outer.stands === 'on a standing rod')
      found.push({ inner: undefined, outer: outer.arbor, relative: own });
    for (const inner of outer.within) {
      const [rate, span] = [rates[inner], spans.of.get(inner)];
      if (!rate || !span || !overlap(outer.whole, span.whole)) continue;
      const shared = common(outer.whole, span.whole);
      const between = outer.within.some(
        id => spans.of.get(id)?.within.includes(inner) === true && covers(spans.of.get(id)?.whole, shared),
      );
      if (!between) found.push({ inner, outer: outer.arbor, relative: sub(own, rate) });
    }
  }
  return found
    .filter(p => !isZero(p.relative))
    .sort((p, q) => compare(absolute(q.relative), absolute(p.relative)));
}

const common = (a: Band, b: Band): Band => ({ from: Math.max(a.from, b.from), to: Math.min(a.to, b.to) });

/** Whether a band leaves nothing of another. */
const covers = (band: Band | undefined, of: Band): boolean =>
  band !== undefined && band.from <= of.from + 1e-9 && band.to >= of.to - 1e-9;
