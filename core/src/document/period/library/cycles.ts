import { mul, rational, toSignificant } from '../../../ground/rational/index.ts';
import { must } from '../../../ground/result/index.ts';
import { parsePeriod } from '../../../ground/units/index.ts';
import type { KnownPeriod } from './known-period.ts';
import { LUNAR } from './lunar.ts';

const month = LUNAR.find(p => p.id === 'synodic-month') as KnownPeriod;

/** A cycle of so many synodic months. */
const ofMonths = (id: string, name: string, months: number): KnownPeriod => ({
  id,
  name,
  group: 'cycles',
  text: `${toSignificant(mul(must(parsePeriod(month.text)), rational(months, 86400)), 9)} d`,
  uncertaintySeconds: months * month.uncertaintySeconds,
  source: `${months} synodic months: ${month.source}`,
});

/** Calendar and eclipse cycles. */
export const CYCLES: readonly KnownPeriod[] = [
  ofMonths('metonic', 'Metonic cycle, 235 synodic months, near 19 years', 235),
  ofMonths('callippic', 'Callippic cycle, 940 synodic months, near 76 years', 940),
  ofMonths('saros', 'Saros, 223 synodic months', 223),
  ofMonths('exeligmos', 'Exeligmos, three Saros', 669),
  {
    id: 'precession',
    name: 'Precession of the equinoxes once round (backwards)',
    group: 'cycles',
    text: '25772 Julian years',
    uncertaintySeconds: 20 * 31557600,
    source: 'Capitaine, Wallace & Chapront, Astronomy & Astrophysics 412, 2003 (from memory)',
  },
];
