import { type Allowances, fitAllowance, fitLimits } from '../../teeth/body/index.ts';
import type { Machine } from '../../document/machine/index.ts';

type PlatesSaid = NonNullable<Machine['layout']['plates']>;

/**
 * What a bearing hole is larger by than its arbor, mm across: as the plate's tool was measured to leave, or the
 * middle of what a fit of ISO 286 leaves.
 */
export function bearingAllowance(fit: PlatesSaid['fit'], diameter: number, says?: Allowances): number {
  if (fit === 'sliding' || fit === 'free') return fitAllowance(fit, says);
  const limits = fitLimits(fit, diameter);
  return limits ? (limits.clearance[0] + limits.clearance[1]) / 2 : fitAllowance('free', says);
}
