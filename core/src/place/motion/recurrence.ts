import { table } from '../../ground/result/index.ts';
import { circleCount, type Machine, meshes, byId } from '../../document/machine/index.ts';
import { abs, gcd, type Rational } from '../../ground/rational/index.ts';
import { groundRate } from '../../trains/train/index.ts';

/** After how many whole turns of the drive things stand as they did; bigints, exact. */
export interface Recurrence {
  /** All members at once; undefined while some rate is not known. */
  readonly whole: bigint | undefined;
  /** Every arbor against the ground. */
  readonly members: Readonly<Record<string, bigint>>;
  /**
   * For every mesh, how many turns of its first wheel until the same two teeth meet again, and how many teeth pass
   * till then.
   */
  readonly meshes: Readonly<Record<string, { readonly turns: bigint; readonly teeth: bigint }>>;
}

const lcm = (a: bigint, b: bigint): bigint => (a === 0n || b === 0n ? 0n : abs(a * b) / gcd(abs(a), abs(b)));

/** The least number of turns of the drive that is a whole number of turns of a member: the denominator of its rate. */
export const turnsToReturn = (rate: Rational): bigint => rate.den;

/**
 * When everything stands as it did. A member has made whole turns after as many of the drive as the denominator of
 * its rate; all of them after the least common multiple. The same two teeth meet again after lcm(a, b) teeth. 12
 * hours of a motion work 1/12: 12 turns; 20 against 30: 60 teeth, 3 turns of the 20.
 */
export function recurrenceOf(
  machine: Pick<Machine, 'axes' | 'members' | 'wheels' | 'joints'>,
  rates: Readonly<Record<string, Rational>>,
): Recurrence {
  const members: Record<string, bigint> = table();
  let whole: bigint | undefined = 1n;
  for (const m of machine.members) {
    if (m.kind !== 'arbor') continue;
    const own = rates[m.id];
    whole = own && whole !== undefined ? lcm(whole, own.den) : undefined;
    const ground = groundRate(machine, rates, m.id);
    if (ground) members[m.id] = turnsToReturn(ground);
  }
  const pairs: Record<string, { turns: bigint; teeth: bigint }> = table();
  for (const j of meshes(machine)) {
    const counts = [j.a, j.b].map(id => {
      const wheel = byId(machine.wheels, id);
      return wheel && circleCount(wheel);
    });
    const [a, b] = counts;
    if (!a || !b) continue;
    const teeth = lcm(BigInt(a), BigInt(b));
    pairs[j.id] = { teeth, turns: teeth / BigInt(a) };
  }
  return { whole, members, meshes: pairs };
}

/**
 * Whether everything stands as it did after so many turns of the drive: a whole multiple of those in which it
 * recurs.
 */
export function filmCloses(turns: number, whole: bigint | undefined): boolean {
  if (whole === undefined || whole === 0n || !Number.isInteger(turns)) return false;
  return BigInt(turns) % whole === 0n;
}
