import type { Machine } from '../../document/machine/index.ts';
import { isZero, toNumber } from '../../ground/rational/index.ts';
import { type Finding, finding } from '../../ground/result/index.ts';
import type { DriveFacts } from '../../ground/units/index.ts';

/** Turns a minute that a hand manages for a short time (common practice, no source). */
export const HAND_RPM = 100;

/** An output that is the drive itself, and a drive that is faster than a hand. */
export function driveFindings({
  drive,
  aims,
  facts,
}: Pick<Machine, 'drive' | 'aims'> & { readonly facts: DriveFacts }): readonly Finding[] {
  const found: Finding[] = [];
  const aimed = aims.find(a => a.member !== undefined && a.member === drive?.member);
  if (aimed) found.push(finding('aim-on-drive', 'warn', 'aims', [aimed.id]));
  const { seconds } = facts;
  const rpm = seconds && !isZero(seconds) ? 60 / Math.abs(toNumber(seconds)) : 0;
  if (drive?.by === 'hand' && rpm > HAND_RPM * (1 + 1e-9))
    found.push(finding('too-fast-for-hand', 'warn', 'aims', [drive.member], { rpm, most: HAND_RPM }));
  return found;
}
