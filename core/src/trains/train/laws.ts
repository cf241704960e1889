import { parseDecimal, type Rational, rational } from '../../ground/rational/index.ts';
import { type Joint, type MeshJoint } from '../../document/machine/index.ts';
import type { RateEquation } from './rate-equation.ts';
import type { Frames, Terms } from './frames.ts';

/** The laws of one joint; `open` where a count is not decided, undefined where there is no law for it. */
export type JointLaws = readonly RateEquation[] | 'open' | undefined;

/**
 * The mean law of a joint, linear in the rates of what it ties, in the frame in which both rest (Willis, Principles of
 * Mechanism, 1841; conventions 7 and 8). Ratios are by counts or diameters; the sense by how the two stand.
 */
export function jointLaws(frames: Frames, joint: Joint): JointLaws {
  switch (joint.kind) {
    case 'mesh':
      return one(meshLaw(frames, joint));
    case 'chain': {
      const found: RateEquation[] = [];
      for (const [i, b] of joint.runs.entries()) {
        const a = joint.runs[i - 1];
        if (!a) continue;
        const e = wheelLaw(frames, joint.id, a.wheel, b.wheel, a.side !== b.side);
        if (!e || e === 'open') return e;
        found.push(e);
      }
      return found;
    }
    case 'friction': {
      const [da, db] = [exact(joint.a.diameter), exact(joint.b.diameter)];
      const sign = joint.crossed ? -1n : 1n;
      return one(
        pairLaw(frames, joint.id, [joint.a.member, da], [joint.b.member, rational(sign * db.num, db.den)]),
      );
    }
    case 'universal':
      return one(equalLaw(frames, joint.id, joint.a, joint.b, true));
    case 'clutch':
      return one(equalLaw(frames, joint.id, joint.a, joint.b, false));
    case 'slip': {
      const e = equalLaw(frames, joint.id, joint.a, joint.b, false);
      return e && [{ ...e, yields: true }];
    }
    case 'ratchet': {
      const e = equalLaw(frames, joint.id, joint.driver, joint.driven, false);
      return e && [{ ...e, yields: true }];
    }
    case 'pins in holes':
      return one(pinsLaw(frames, joint.id, joint.disc, joint.carrier));
    case 'intermittent': {
      const [steps, of] = joint.step;
      const sign = joint.type === 'counter carry' ? -1 : 1;
      const e = pairLaw(
        frames,
        joint.id,
        [joint.driver, rational(sign * steps)],
        [joint.driven, rational(of)],
      );
      return e && [{ ...e, uneven: true }];
    }
    case 'crank':
    case 'cam':
      return undefined;
  }
}

const one = (e: RateEquation | 'open' | undefined): JointLaws => (e === undefined || e === 'open' ? e : [e]);

function meshLaw(frames: Frames, joint: MeshJoint): RateEquation | 'open' | undefined {
  if (joint.type === 'rack') return rackLaw(frames, joint);
  return wheelLaw(frames, joint.id, joint.a, joint.b, reverses(frames, joint));
}

/**
 * Whether a mesh turns the sense. External wheels do, rings do not. Bevels and pegs do when both stand on the side to
 * which their axes point (or both on the other), seen from where the axes meet: at the common line of contact
 * ω_a × c = ω_b × c. A right-handed worm turns a wheel on its right, as it points, forwards: its thread moves the
 * teeth by −lead along its axis; a left-handed worm, or a wheel on its left, the other way. Crossed helical wheels
 * follow the worm.
 */
function reverses(frames: Frames, { type, a, b, opposite }: MeshJoint): boolean {
  const turned = opposite === true;
  switch (type) {
    case 'bevel':
    case 'pegs':
      return !turned;
    case 'worm':
    case 'crossed': {
      const left = (frames.wheel(a)?.hand ?? frames.wheel(b)?.hand) === 'left';
      return left !== turned;
    }
    case 'internal':
    case 'reducer':
      return false;
    case 'external':
    case 'rack':
    case 'non-circular':
      return true;
  }
}

/** z_a·ω_a ± z_b·ω_b = 0 in the common frame. */
function wheelLaw(
  frames: Frames,
  source: string,
  a: string,
  b: string,
  turns: boolean,
): RateEquation | 'open' | undefined {
  const [wa, wb, za, zb] = [frames.wheel(a), frames.wheel(b), frames.count(a), frames.count(b)];
  if (!wa || !wb || wa.member === wb.member) return undefined;
  if (za === undefined || zb === undefined) return 'open';
  return pairLaw(frames, source, [wa.member, rational(za)], [wb.member, rational(turns ? zb : -zb)]);
}

/**
 * Teeth of the rack pass as teeth of the pinion do: z·ω − v = 0, v in teeth per turn, forwards on the pinion's
 * right.
 */
function rackLaw(frames: Frames, { id, a, b, opposite }: MeshJoint): RateEquation | 'open' | undefined {
  const slides = (w: string): boolean => frames.member(frames.wheel(w)?.member ?? '')?.kind === 'slide';
  const [rack, pinion] = slides(a) ? [a, b] : [b, a];
  const [wheel, slide, z] = [frames.wheel(pinion), frames.wheel(rack), frames.count(pinion)];
  if (!wheel || !slide || !slides(rack) || slides(pinion)) return undefined;
  if (z === undefined) return 'open';
  return pairLaw(
    frames,
    id,
    [wheel.member, rational(z)],
    [slide.member, rational(opposite === true ? 1n : -1n)],
  );
}

/** The two arbors turn alike: in the frame in which both rest, or along their bent line where each rests in its own. */
function equalLaw(
  frames: Frames,
  source: string,
  a: string,
  b: string,
  uneven: boolean,
): RateEquation | undefined {
  const e = pairLaw(frames, source, [a, rational(1n)], [b, rational(-1n)]);
  return e && (uneven ? { ...e, uneven: true } : e);
}

/**
 * Pins in holes carry the turning of the disc, not the way it is swung: the disc's rate and its eccentric's
 * together.
 */
function pinsLaw(frames: Frames, source: string, disc: string, carrier: string): RateEquation | undefined {
  const member = frames.wheel(disc)?.member;
  const home = frames.frameOf(carrier);
  const turned = member === undefined || home === undefined ? undefined : frames.turnIn(member, home);
  return turned && { source, terms: [...turned, [carrier, rational(-1n)]] };
}

type Side = readonly [member: string, by: Rational];

function pairLaw(frames: Frames, source: string, a: Side, b: Side): RateEquation | undefined {
  const frame = frames.common(a[0], b[0]);
  const [ta, tb] = frame === undefined ? [] : [frames.rateIn(a[0], frame), frames.rateIn(b[0], frame)];
  return ta && tb && { source, terms: [...scaled(ta, a[1]), ...scaled(tb, b[1])] };
}

const scaled = (terms: Terms, by: Rational): Terms =>
  terms.map(([id, c]) => [id, rational(c.num * by.num, c.den * by.den)] as const);

/** A length as it was typed, exactly. */
function exact(length: number): Rational {
  const read = parseDecimal(String(length));
  return read.ok ? read.value : rational(BigInt(Math.round(length * 1e6)), 1000000n);
}
