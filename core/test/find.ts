import { derive } from '../src/state/derive/index.ts';
import { mend } from '../src/edits/edit/index.ts';
import type { Machine } from '../src/document/machine/index.ts';
import { type Finding, type FindingCode, type Fix, must } from '../src/ground/result/index.ts';

/** The first finding of a code, if there is one. */
export const findingIn = <C extends FindingCode>(
  findings: readonly Finding[],
  code: C,
): Finding<C> | undefined => findings.find(f => f.code === code) as unknown as Finding<C> | undefined;

/** The first finding of a code that a machine has. Throws when it has none. */
export function findingOf<C extends FindingCode>(machine: Machine, code: C): Finding<C> {
  const found = findingIn(derive(machine).findings, code);
  if (!found) throw new Error(`no ${code}`);
  return found;
}

/** The machine with a fix made. Throws when it cannot be made, or when there is none. */
export function withFix(machine: Machine, fix: Fix | undefined): Machine {
  if (!fix) throw new Error('no fix is offered');
  return must(mend(fix)(machine));
}
