import { centreDistance, type Pair, workingPressureAngle } from '../../teeth/mesh/index.ts';
import { degrees, figure, fixed, mm } from '../../ground/units/index.ts';
import type { Working } from './working.ts';

/** How the distance of two centres is worked out, spread included. */
export function centreWorking(pair: Pair, spread: number): Working {
  const plain = (pair.module * (pair.counts[0] + pair.counts[1])) / 2;
  const a = centreDistance(pair) ?? plain;
  const working = workingPressureAngle(pair);
  const steps = [
    `a₀ = ${figure(pair.module, 6)} · (${pair.counts[0]} + ${pair.counts[1]}) / 2 = ${mm(plain, 4)}`,
  ];
  if (a !== plain && working !== undefined)
    steps.push(`α_w = ${fixed(degrees(working), 4)}°;  a = a₀ · cos α / cos α_w = ${mm(a, 4)}`);
  if (spread !== 0) steps.push(`spread by ${mm(spread, 3)}: ${mm(a + spread, 4)}`);
  return {
    title: 'Centre distance',
    formula: 'a = m (z₁ + z₂) / 2 · cos α / cos α_w;  inv α_w = inv α + 2 tan α (x₁ + x₂) / (z₁ + z₂)',
    values: [
      { symbol: 'm', meaning: 'module', value: mm(pair.module, 4) },
      { symbol: 'z₁, z₂', meaning: 'teeth', value: pair.counts.join(', ') },
      { symbol: 'x₁, x₂', meaning: 'profile shifts, in modules', value: pair.shifts.join(', ') },
      { symbol: 'α', meaning: 'pressure angle', value: `${fixed(pair.pressureAngleDeg, 1)}°` },
    ],
    steps,
    result: mm(a + spread, 4),
    source: 'ISO 21771',
  };
}
