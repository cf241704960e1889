import type { Machine } from '../../document/machine/index.ts';
import { compare, isZero, ONE, toNumber } from '../../ground/rational/index.ts';
import { type Finding, finding } from '../../ground/result/index.ts';
import { type DriveFacts, parseWanted, wantedRate } from '../../ground/units/index.ts';

/** Turns a minute that a hand manages for a short time (common practice, no source). */
export const HAND_RPM = 100;

function wantsOneToOne(aim: Machine['aims'][number], facts: DriveFacts): boolean {
  const wanted = parseWanted(aim.wanted);
  const rate = wanted.ok ? wantedRate(wanted.value, facts) : wanted;
  return rate.ok && compare(rate.value, ONE) === 0;
}

/** An output that is the drive itself and wants another rate, and a drive that is faster than a hand. */
export function driveFindings({
  drive,
  aims,
  facts,
}: Pick<Machine, 'drive' | 'aims'> & { readonly facts: DriveFacts }): readonly Finding[] {
  const found: Finding[] = [];
  // An output that wants a turn for a turn is the drive on purpose.
  const aimed = aims.find(
    a => a.member !== undefined && a.member === drive?.member && !wantsOneToOne(a, facts),
  );
  if (aimed) found.push(finding('aim-on-drive', 'warn', 'aims', [aimed.id]));
  const { seconds } = facts;
  const rpm = seconds && !isZero(seconds) ? 60 / Math.abs(toNumber(seconds)) : 0;
  if (drive?.by === 'hand' && rpm > HAND_RPM * (1 + 1e-9))
    found.push(finding('too-fast-for-hand', 'warn', 'aims', [drive.member], { rpm, most: HAND_RPM }));
  return found;
}
