import type { StationName } from '@tesseron/core/result';

/** The stations that work, in the order of the work. The key is their number in the whole route. */
export interface Station {
  readonly name: StationName;
  readonly key: string;
  readonly title: string;
  readonly does: string;
}

export const STATIONS: readonly Station[] = [
  {
    name: 'aims',
    key: '1',
    title: 'Aims',
    does: 'what must turn, and how fast',
  },
  {
    name: 'counts',
    key: '2',
    title: 'Counts',
    does: 'teeth that hit the rate',
  },
  {
    name: 'train',
    key: '3',
    title: 'Train',
    does: 'arbors, wheels, exact rates',
  },
  {
    name: 'teeth',
    key: '4',
    title: 'Teeth',
    does: 'form, size, fit',
  },
  {
    name: 'plan',
    key: '5',
    title: 'Plan',
    does: 'centres and room',
  },
  {
    name: 'run',
    key: '6',
    title: 'Run',
    does: 'watch it turn',
  },
  {
    name: 'make',
    key: '7',
    title: 'Make',
    does: 'files and parts',
  },
];
