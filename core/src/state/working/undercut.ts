import {
  shiftWithoutUndercut,
  straightDepth,
  type ToothSpec,
  undercutLimit,
} from '../../teeth/tooth/index.ts';
import { figure, fixed } from '../../ground/units/index.ts';
import type { Working } from './working.ts';

/** How the least count without undercut is worked out for one wheel. */
export function undercutWorking(spec: ToothSpec): Working {
  const depth = straightDepth(spec);
  const limit = undercutLimit(spec.form.pressureAngleDeg, spec.shift, depth);
  return {
    title: 'Least teeth without undercut',
    formula: 'z_min = 2 (h − x) / sin² α,  h = h_f − ρ (1 − sin α)',
    values: [
      { symbol: 'α', meaning: 'pressure angle', value: `${fixed(spec.form.pressureAngleDeg, 1)}°` },
      { symbol: 'h_f', meaning: 'dedendum of the rack, in modules', value: figure(spec.form.dedendum, 4) },
      { symbol: 'ρ', meaning: 'tip radius of the rack, in modules', value: figure(spec.form.fillet, 3) },
      { symbol: 'x', meaning: 'profile shift, in modules', value: figure(spec.shift, 3) },
    ],
    steps: [
      `h = ${figure(depth, 5)}`,
      `z_min = ${figure(limit, 5)}; this wheel has ${spec.count}`,
      `x without undercut at ${spec.count} teeth: ${figure(Math.max(0, shiftWithoutUndercut(spec)), 3)}`,
    ],
    result: `${figure(limit, 4)} teeth`,
    source: 'Machinery’s Handbook, undercut of generated teeth; rack by ISO 53',
  };
}
