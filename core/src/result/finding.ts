/** How much a finding matters: `stop`: it cannot work; `warn`: it may not; `note`: worth knowing. */
export type Severity = 'stop' | 'warn' | 'note';

/** The stations at which a finding can arise, in the order of the work. */
export type StationName = 'aims' | 'counts' | 'train' | 'teeth' | 'plan' | 'run' | 'make' | 'bench';

/** A change that would mend a finding, as data: `machine/fix` turns it into an edit. */
export interface Fix {
  readonly code: string;
  readonly subject: string;
  readonly value: number;
}

/** A judgement: code, subjects (ids in the document), what was measured and the limit, and fixes. */
export interface Finding {
  readonly code: string;
  readonly severity: Severity;
  readonly station: StationName;
  readonly subjects: readonly string[];
  readonly data: Readonly<Record<string, string | number>>;
  readonly fixes: readonly Fix[];
}

/** Builds a finding; fixes are optional. */
export function finding(
  code: string,
  severity: Severity,
  station: StationName,
  subjects: readonly string[],
  data: Finding['data'] = {},
  fixes: readonly Fix[] = [],
): Finding {
  return { code, severity, station, subjects, data, fixes };
}
