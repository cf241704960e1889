import { parseDecimal, type Rational, rational } from '../../../ground/rational/index.ts';
import { EVEN, type JointLaw } from './joint-law.ts';
import { one, pairLaw } from './mean-laws.ts';

/** Two rims that roll on each other without slip: ratios are by diameters. */
export const friction: JointLaw<'friction'> = {
  ...EVEN,
  mean: (frames, joint) => {
    const [da, db] = [exact(joint.a.diameter), exact(joint.b.diameter)];
    const sign = joint.crossed ? -1n : 1n;
    return one(
      pairLaw(frames, joint.id, [joint.a.member, da], [joint.b.member, rational(sign * db.num, db.den)]),
    );
  },
};

/** A length as it was typed, exactly. */
function exact(length: number): Rational {
  const read = parseDecimal(String(length));
  return read.ok ? read.value : rational(BigInt(Math.round(length * 1e6)), 1000000n);
}
