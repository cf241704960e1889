import type { Derived } from '../../state/state/index.ts';
import { askedInTurn } from '../../state/state/index.ts';
import { derive } from '../../state/derive/index.ts';
import { soundAfter } from '../../document/machine/index.ts';
import { type Finding, fix, type Fix, type Severity } from '../../ground/result/index.ts';
import { mend } from './mend.ts';

/** What became of a machine in which a fix was tried. */
export interface TriedFix {
  readonly fix: Fix;
  /** What it would leave behind that was not there before, and is less than what it mends. */
  readonly leaves: readonly Finding[];
}

const WEIGHT: { readonly [S in Severity]: number } = { stop: 2, warn: 1, note: 0 };
const keyOf = (f: Finding): string => `${f.code} ${f.subjects.join(' ')}`;

/** A shift that may leave centres that do not meet, and after it the set of shifts that keeps them. */
const withSet = (f: Fix): Fix[] =>
  f.code === 'set-shift' ? [f, fix('shift-together', f.subject, f.value)] : [f];

/**
 * The fixes of a finding that mend it, each tried on the machine: what is refused, what leaves the finding there, and
 * what puts another at least as bad in its place is not offered. In steps, so that a page can draw between them.
 */
export function* fixesThatMend(derived: Derived, found: Finding): Generator<unknown, readonly TriedFix[]> {
  const good: TriedFix[] = [];
  for (const offered of found.fixes.flatMap(withSet)) {
    // The set of shifts is for where one shift alone moves centres apart.
    if (
      offered.code === 'shift-together' &&
      good.some(g => g.fix.code === 'set-shift' && g.fix.subject === offered.subject)
    )
      continue;
    // Layers are searched for, which takes its time: that search says by itself when it finds none.
    if (offered.code === 'find-layers') {
      good.push({ fix: offered, leaves: [] });
      continue;
    }
    const made = mend(offered)(derived.machine);
    yield;
    if (!made.ok || made.value === derived.machine || soundAfter(derived.machine, made.value)) continue;
    const after = derive(made.value, derived, derived.chordError);
    yield* askedInTurn(after.stages);
    const before = new Set(derived.findings.map(keyOf));
    const left = after.findings.filter(f => !before.has(keyOf(f)));
    const gone = !after.findings.some(f => keyOf(f) === keyOf(found));
    if (!gone || left.some(f => WEIGHT[f.severity] >= WEIGHT[found.severity] && f.severity !== 'note'))
      continue;
    good.push({ fix: offered, leaves: left.filter(f => f.severity !== 'note') });
  }
  return good;
}
