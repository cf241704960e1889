import { circleCount, moduleOf, byId, ringWithin, type Wheel } from '../../document/machine/index.ts';
import { type Finding, finding, fix } from '../../ground/result/index.ts';
import type { TeethFacts } from './teeth-facts.ts';

/**
 * The rim under teeth as part of their depth from which on it bends no tooth more than a solid wheel would
 * (ANSI/AGMA 2101-D04, rim thickness factor; from memory).
 */
const RIM_OF_DEPTH = 1.2;

/**
 * The rim between the teeth of a ring that has them inside and outside: what remains between their roots, and the count
 * outside that leaves enough. Judged at the wheel outside; a lug would stand in its teeth.
 */
export function rimFindings({ machine, wheels }: TeethFacts, wheel: Wheel): Finding[] {
  const ring = ringWithin(machine, wheel);
  const [out, inn] = [wheels[wheel.id]?.dimensions, ring && wheels[ring.id]?.dimensions];
  const toothing = byId(machine.toothings, wheel.toothing);
  const module = toothing && moduleOf(toothing, machine);
  const count = circleCount(wheel);
  if (!ring || !out || !inn || !module?.ok || count === undefined) return [];
  const lugged =
    ring.mount?.kind === 'lugs'
      ? [finding('lugs-in-teeth', 'stop', 'teeth', [ring.id], {}, [fix('no-lugs', ring.id)])]
      : [];
  const is = out.rootRadius - inn.rootRadius;
  const depth = Math.max(out.tipRadius - out.rootRadius, inn.rootRadius - inn.tipRadius);
  const least = RIM_OF_DEPTH * depth;
  if (is >= least - 1e-6) return lugged;
  const perTooth = out.pitchRadius / count;
  const more = count + Math.ceil((least - is) / perTooth - 1e-9);
  const severity = is <= 0 ? 'stop' : 'warn';
  return [
    ...lugged,
    finding('rim-between-teeth', severity, 'teeth', [wheel.id, ring.id], { is, least, count: more }, [
      fix('set-teeth', wheel.id, more),
    ]),
  ];
}
