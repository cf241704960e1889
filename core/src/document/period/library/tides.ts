import type { KnownPeriod } from './known-period.ts';

const row = (id: string, name: string, hours: string, uncertaintySeconds: number): KnownPeriod => ({
  id,
  name,
  group: 'tides',
  text: `${hours} h`,
  uncertaintySeconds,
  source:
    'Doodson, The harmonic development of the tide-generating potential, Proc. R. Soc. A 100, 1921 (from memory)',
});

/** Tidal constituents and what a tide dial shows. */
export const TIDES: readonly KnownPeriod[] = [
  row('m2', 'Lunar tide, M2: high water to high water', '12.4206012', 0.0004),
  row('s2', 'Solar tide, S2', '12', 0),
  row('n2', 'Elliptic lunar tide, N2', '12.65834751', 0.0005),
  row('k1', 'Daily tide, K1', '23.93447213', 0.0005),
  row('o1', 'Daily lunar tide, O1', '25.81933871', 0.0005),
  row('lunar-day', 'Lunar day, the Moon overhead to overhead', '24.8412024', 0.0008),
  {
    id: 'spring-neap',
    name: 'Spring tide to spring tide',
    group: 'tides',
    text: '14.7652944 d',
    uncertaintySeconds: 0.1,
    source: 'half the synodic month',
  },
];
