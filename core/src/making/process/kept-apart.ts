import type { Process } from '../../document/machine/index.ts';
import { fitAllowance } from '../../teeth/body/index.ts';

/**
 * What a process keeps apart that is made in place, mm on each side: half of what it leaves across between a hole and
 * what turns in it, as its profile says (common practice, no source).
 */
export const keptApart = ({ fits }: Process): number => fitAllowance('free', fits) / 2;
