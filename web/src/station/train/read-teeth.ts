import type { Wheel } from '@tesseron/core/machine';
import { z } from 'zod';

/** The range that a question mark stands for: counts that most makers can cut. */
export const OPEN_RANGE = { least: 12, most: 100 } as const;

const Count = z.coerce.number().int().min(1).max(1000);

/**
 * Reads teeth as they are typed into the drawing: `24`, a range `12-90` to leave it open, or `?`. Undefined: not
 * readable.
 */
export function readTeeth(text: string): Wheel['teeth'] | undefined {
  const typed = text.trim();
  if (typed === '?') return { kind: 'open', ...OPEN_RANGE };
  const [low, high, ...more] = typed.split(/\s*(?:-|–|…|\.\.\.?)\s*/);
  if (more.length > 0 || low === undefined || low === '') return undefined;
  const least = Count.safeParse(low);
  if (!least.success) return undefined;
  if (high === undefined) return { kind: 'count', count: least.data };
  const most = Count.safeParse(high === '' ? undefined : high);
  return most.success && most.data >= least.data
    ? { kind: 'open', least: least.data, most: most.data }
    : undefined;
}
