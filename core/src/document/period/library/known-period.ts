/** What a period belongs to; the order in which the library is shown. */
export const GROUPS = [
  'planets',
  'synodic periods',
  'dwarf planets',
  'large moons',
  'the Moon',
  'years',
  'cycles',
  'tides',
  'days and civil time',
  'clock beats',
] as const;
export type Group = (typeof GROUPS)[number] | 'your own';

/** A known period with where it comes from and how well it is known. */
export interface KnownPeriod {
  readonly id: string;
  readonly name: string;
  readonly group: Group;
  /** As `units/wanted` reads it. */
  readonly text: string;
  /** Half the range within which the figure is good for a century or so, in seconds; 0 for a definition. */
  readonly uncertaintySeconds: number;
  readonly source: string;
}

const DAY = 86400;

/** Makes the entries of one group that share a source. Uncertainties are given in days. */
export const inDays = (
  group: Group,
  source: string,
  rows: readonly (readonly [id: string, name: string, days: string, uncertaintyDays: number])[],
): KnownPeriod[] =>
  rows.map(([id, name, days, uncertainty]) => ({
    id,
    name,
    group,
    text: `${days} d`,
    uncertaintySeconds: uncertainty * DAY,
    source,
  }));
