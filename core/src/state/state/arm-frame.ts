import type { Aim } from '../../document/machine/index.ts';
import { add, div, isZero, neg, ONE, type Rational, sub, ZERO } from '../../ground/rational/index.ts';
import { fail, ok, type Result } from '../../ground/result/index.ts';
import { type DriveFacts, parseWanted, wantedRate } from '../../ground/units/index.ts';

/** An output that an arm carries, in both frames. Signed turns per turn of the drive, exact. */
export interface ArmFrame {
  readonly arm: Rational;
  /** Against the ground. */
  readonly ground: Rational;
  /** As seen from the arm: ground − arm. */
  readonly seen: Rational;
  /** What drives the carried train, as seen from the arm. */
  readonly driver: Rational;
  /** Ratio that the carried train must have: seen / driver, signed. */
  readonly ratio: Rational;
}

/**
 * The change of frame for an output that an arm carries. A mesh is reckoned in the frame in which both its axes rest,
 * the arm; there every rate is the one against the ground less the arm's own (Willis, Principles of Mechanism, 1841;
 * conventions 8). A wheel that stands still turns at −arm as seen from it. `wanted` is the size of the rate as stated;
 * its sign is the aim's sense, with the drive where that is open.
 */
export function armFrame(aim: Aim, wanted: Rational, drive: DriveFacts): Result<ArmFrame | undefined> {
  const from = aim.seenFrom;
  if (!from) return ok(undefined);
  const read = parseWanted(from.arm);
  const size = read.ok ? wantedRate(read.value, drive) : read;
  if (!size.ok) return size;
  if (isZero(size.value)) return fail('arm-stands-still');
  const arm = from.armSense === 'with the drive' ? size.value : neg(size.value);
  const stated = aim.sense === 'against the drive' ? neg(wanted) : wanted;
  const ground = from.stated === 'against the ground' ? stated : add(stated, arm);
  const seen = sub(ground, arm);
  if (isZero(seen)) return fail('turns-with-arm');
  const driver = from.drivenBy === 'the drive' ? sub(ONE, arm) : sub(ZERO, arm);
  if (isZero(driver)) return fail('arm-is-drive');
  return ok({ arm, ground, seen, driver, ratio: div(seen, driver) });
}
