import type { FindingCode, Findings } from './findings.ts';
import type { Fix } from './fixes.ts';

/** How much a finding matters: `stop`: it cannot work; `warn`: it may not; `note`: worth knowing. */
export type Severity = 'stop' | 'warn' | 'note';

/** The stations at which a finding can arise, in the order of the work. */
export type StationName = 'aims' | 'counts' | 'train' | 'teeth' | 'plan' | 'run' | 'make' | 'bench';

/** A judgement: code, subjects (ids in the document), what was measured and the limit, and fixes. */
export type Finding<C extends FindingCode = FindingCode> = {
  readonly [K in C]: {
    readonly code: K;
    readonly severity: Severity;
    readonly station: StationName;
    readonly subjects: readonly string[];
    readonly data: Readonly<Findings[K]>;
    readonly fixes: readonly Fix[];
  };
}[C];

/** What follows the subjects of a finding: its figures, which may be left out where it has none, and its fixes. */
type Rest<D> =
  Readonly<Record<string, never>> extends D
    ? [data?: D, fixes?: readonly Fix[]]
    : [data: D, fixes?: readonly Fix[]];

/** Builds a finding with what its code carries; fixes are optional. */
export function finding<C extends FindingCode>(
  code: C,
  severity: Severity,
  station: StationName,
  subjects: readonly string[],
  ...[data, fixes = []]: Rest<Findings[C]>
): Finding<C> {
  return { code, severity, station, subjects, data: data ?? {}, fixes } as unknown as Finding<C>;
}
