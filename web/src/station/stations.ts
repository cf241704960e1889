import type { StationName } from '@tesseron/core/result';

/** A station: its number in the route, its title, and what is done there. */
export interface Station {
  readonly name: Open;
  readonly key: string;
  readonly title: string;
  readonly does: string;
}

type Facts = Omit<Station, 'name'>;

/** Every station there will be, in the order of the work; one that is not built yet says so and is not shown. */
const ROUTE = {
  aims: { key: '1', title: 'Aims', does: 'what must turn, and how fast' },
  counts: { key: '2', title: 'Counts', does: 'teeth that hit the rate' },
  train: { key: '3', title: 'Train', does: 'arbors, wheels, exact rates' },
  teeth: { key: '4', title: 'Teeth', does: 'form, size, fit' },
  plan: { key: '5', title: 'Plan', does: 'centres and room' },
  run: { key: '6', title: 'Run', does: 'watch it turn' },
  make: { key: '7', title: 'Make', does: 'files and parts' },
  bench: 'not yet',
} as const satisfies { readonly [K in StationName]: Facts | 'not yet' };

/** The stations that are built. */
export type Open = { [K in StationName]: (typeof ROUTE)[K] extends 'not yet' ? never : K }[StationName];

/** The stations that work, in the order of the work. */
export const STATIONS: readonly Station[] = (Object.keys(ROUTE) as StationName[]).flatMap(name => {
  const facts: Facts | 'not yet' = ROUTE[name];
  return facts === 'not yet' ? [] : [{ name: name as Open, ...facts }];
});
