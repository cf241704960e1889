import { derive } from '../core/src/state/derive/index.ts';
import { askedInTurn, type Derived } from '../core/src/state/state/index.ts';

/** Derives as `derive` does, and asks every stage, as a page does in the end. */
export function deriveWhole(...of: Parameters<typeof derive>): Derived {
  const derived = derive(...of);
  for (const _ of askedInTurn(derived.stages));
  return derived;
}
