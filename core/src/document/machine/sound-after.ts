import { type Problem, problem } from '../../ground/result/index.ts';
import { issueOf } from './codec.ts';
import { integrityProblems } from './integrity.ts';
import { MachineSchema, MOST_ITEMS } from './schema/machine.ts';
import type { Machine } from './types.ts';

type Key = keyof Machine & keyof typeof MachineSchema.shape;

/**
 * Why a changed machine could not be opened again, or undefined when it can: what the change made new is held against
 * the schema (all that is the very same as before was read already), and every reference against what is there.
 */
export function soundAfter(before: Machine, after: Machine): Problem | undefined {
  for (const key of Object.keys(after) as Key[]) {
    const [was, now]: readonly unknown[] = [before[key], after[key]];
    if (was === now) continue;
    const old = new Set<unknown>(Array.isArray(was) ? was : []);
    const news = Array.isArray(now) ? (now as unknown[]).filter(x => !old.has(x)) : now;
    const parsed = MachineSchema.shape[key].safeParse(news);
    if (!parsed.success) return problem('change-invalid', issueOf(parsed.error, key));
    if (Array.isArray(now) && now.length > MOST_ITEMS)
      return problem('change-invalid', { where: key, what: `at most ${MOST_ITEMS}` });
  }
  return integrityProblems(after)[0];
}
