import {
  absolute,
  div,
  mul,
  ONE,
  rational,
  sub,
  toNumber,
  toSignificant,
} from '../../../ground/rational/index.ts';
import { must } from '../../../ground/result/index.ts';
import { parsePeriod } from '../../../ground/units/index.ts';
import type { KnownPeriod } from './known-period.ts';
import { PLANETS } from './planets.ts';

const DAY = rational(86400n);

/**
 * Mean synodic periods: from one conjunction with the Sun to the next, seen from the Earth.
 * 1/S = |1/P − 1/E|; its uncertainty is S²/P² of that of P, and S²/E² of that of E.
 * Source: Copernicus, De revolutionibus, 1543, bk. 5; any handbook.
 */
export const SYNODIC: readonly KnownPeriod[] = PLANETS.filter(p => p.id !== 'earth').map(p => {
  const earth = PLANETS.find(e => e.id === 'earth') as KnownPeriod;
  const [own, ours] = [must(parsePeriod(p.text)), must(parsePeriod(earth.text))];
  const synodic = div(ONE, absolute(sub(div(ONE, own), div(ONE, ours))));
  const weight = (other: typeof own): number => toNumber(mul(div(synodic, other), div(synodic, other)));
  return {
    id: `${p.id}-synodic`,
    name: p.name.replace('sidereal', 'synodic, conjunction to conjunction'),
    group: 'synodic periods',
    text: `${toSignificant(div(synodic, DAY), 9)} d`,
    uncertaintySeconds: weight(own) * p.uncertaintySeconds + weight(ours) * earth.uncertaintySeconds,
    source: `1/S = |1/P − 1/E| from the sidereal periods: ${p.source}`,
  };
});
