import type { MeshState } from '../state/index.ts';
import { fixed, mm } from '../../ground/units/index.ts';
import type { Working } from './working.ts';

/** How contact ratio and play of a mesh are worked out; nothing for a form that has no such formula. */
export function contactWorking(state: MeshState): Working | undefined {
  const { workingAngleDeg, contactRatio } = state;
  if (workingAngleDeg === undefined || contactRatio === undefined) return undefined;
  return {
    title: 'Contact ratio and play',
    formula: 'ε = (√(r_a1² − r_b1²) + √(r_a2² − r_b2²) − a sin α_w) / p_b;  j = j₀ + 2 Δa tan α',
    values: [
      { symbol: 'a', meaning: 'distance of the centres', value: mm(state.distance, 4) },
      { symbol: 'α_w', meaning: 'working pressure angle', value: `${fixed(workingAngleDeg, 3)}°` },
      { symbol: 'j₀', meaning: 'play by thinning', value: mm(state.playFromThinning, 3) },
      {
        symbol: 'Δa',
        meaning: 'spread of the centres',
        value: mm(state.distance - state.theoreticalDistance, 3),
      },
    ],
    steps: [
      'The line of action counts only where both flanks are involute: below, a root fillet or undercut ends it.',
      `j = ${mm(state.playFromThinning, 4)} + ${mm(state.playFromSpread, 4)} = ` +
        `${mm(state.play, 4)} along the pitch circle`,
    ],
    result: `${fixed(contactRatio, 3)}, play ${mm(state.play, 3)}`,
    source: 'ISO 21771; play from spread centres derived from the pitch triangle',
  };
}
