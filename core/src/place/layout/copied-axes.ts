import {
  type Axis,
  byId,
  circleCount,
  type Machine,
  type MeshJoint,
  meshes,
} from '../../document/machine/index.ts';
import { radians } from '../../ground/units/index.ts';
import {
  absolute,
  add,
  compare,
  div,
  gcd,
  isZero,
  mul,
  neg,
  rational,
  type Rational,
  sub,
  toNumber,
  ZERO,
} from '../../ground/rational/index.ts';

type Parts = Pick<Machine, 'axes' | 'members' | 'wheels' | 'joints'>;

/**
 * Members that an arm carries in several places alike, and the meshes that tie them to each other and to wheels
 * about the arm's axis.
 */
export interface CopyGroup {
  readonly arm: string;
  /** Further places, in radians from the first. */
  readonly turns: readonly number[];
  readonly members: readonly string[];
  readonly ties: readonly Tie[];
}

/** A mesh of a carried member: with a central wheel of so many teeth, or with another carried one. */
interface Tie {
  readonly member: string;
  readonly count: number;
  /** +1 where the mesh reverses, −1 where it keeps. */
  readonly sign: 1 | -1;
  readonly other: number;
  /** The other carried member; undefined: a central wheel. */
  readonly with: string | undefined;
}

const REVERSING = new Set<MeshJoint['type']>(['external', 'bevel', 'pegs', 'non-circular']);

/** The groups of members that stand in several places: by their arm and their places, joined where they mesh. */
export function copyGroups(machine: Parts): CopyGroup[] {
  const copied = new Map<string, Axis>();
  for (const m of machine.members) {
    const axis = m.kind === 'arbor' ? byId(machine.axes, m.axis) : undefined;
    if (axis?.copies) copied.set(m.id, axis);
  }
  const ties = tiesOf(machine, copied);
  const left = new Set(copied.keys());
  const groups: CopyGroup[] = [];
  for (const [first, axis] of copied) {
    if (!left.delete(first)) continue;
    const members = [first];
    for (const id of members)
      for (const t of ties)
        if (t.with !== undefined && (t.member === id || t.with === id))
          for (const next of [t.member, t.with]) if (left.delete(next)) members.push(next);
    groups.push({
      arm: axis.frame,
      turns: copyTurns(axis),
      members,
      ties: ties.filter(t => members.includes(t.member)),
    });
  }
  return groups;
}

function tiesOf(machine: Parts, copied: ReadonlyMap<string, Axis>): Tie[] {
  return meshes(machine).flatMap((j): Tie[] => {
    const [a, b] = [byId(machine.wheels, j.a), byId(machine.wheels, j.b)];
    const [za, zb] = [a && circleCount(a), b && circleCount(b)];
    if (!a || !b || !za || !zb || a.member === b.member) return [];
    const [axisA, axisB] = [copied.get(a.member), copied.get(b.member)];
    const sign = REVERSING.has(j.type) !== (j.opposite === true) ? 1 : -1;
    if (axisA && axisB)
      return samePlaces(axisA, axisB)
        ? [{ member: a.member, count: za, sign, other: zb, with: b.member }]
        : [];
    if (axisA) return [{ member: a.member, count: za, sign, other: zb, with: undefined }];
    return axisB ? [{ member: b.member, count: zb, sign, other: za, with: undefined }] : [];
  });
}

const samePlaces = (a: Axis, b: Axis): boolean =>
  a.frame === b.frame && JSON.stringify(copyTurns(a)) === JSON.stringify(copyTurns(b));

/** How far each further place is from the first, radians. */
export function copyTurns({ copies }: Axis): number[] {
  if (!copies) return [];
  return Array.from({ length: copies.count - 1 }, (_, i) => {
    const stated = copies.anglesDeg?.[i + 1];
    return stated === undefined
      ? (2 * Math.PI * (i + 1)) / copies.count
      : radians(stated - (copies.anglesDeg?.[0] ?? 0));
  });
}

/** Teeth may miss by this part of a tooth. */
const CLOSES = 1e-6;

/**
 * How far each carried member turns in its arm when the whole group is carried by φ (radians) to another place
 * while the central wheels stand still, so that all its teeth stand in gaps there as they do at the first place. A
 * central mesh asks z·δ ≡ ±z_c·φ, a mesh of two carried members z·δ ± z′·δ′ ≡ 0 (mod 2π), + where the mesh
 * reverses: conventions 9 with the centre line turned. Undefined where no setting meets all of them: the group does
 * not go together at φ.
 */
export function settingsAt(group: CopyGroup, phi: number): ReadonlyMap<string, number> | undefined {
  const full = 2 * Math.PI;
  const whole = (x: number): boolean => Math.abs(x / full - Math.round(x / full)) < CLOSES;
  const fits = (set: ReadonlyMap<string, number>, t: Tie): boolean => {
    const [own, mate] = [set.get(t.member), t.with === undefined ? 0 : set.get(t.with)];
    if (own === undefined || mate === undefined) return true;
    return whole(
      t.with === undefined ? t.count * own - t.sign * t.other * phi : t.count * own + t.sign * t.other * mate,
    );
  };
  /** What a mesh asks of a member whose partner is set, up to whole teeth; undefined while nothing asks. */
  const asked = (set: ReadonlyMap<string, number>, id: string): readonly [number, number] | undefined => {
    for (const t of group.ties) {
      if (t.member === id && t.with === undefined) return [(t.sign * t.other * phi) / t.count, t.count];
      const mate = t.member === id ? t.with : t.with === id ? t.member : undefined;
      const given = mate === undefined ? undefined : set.get(mate);
      if (given === undefined) continue;
      const [own, other] = t.member === id ? [t.count, t.other] : [t.other, t.count];
      return [(-t.sign * other * given) / own, own];
    }
    return undefined;
  };
  const extend = (set: ReadonlyMap<string, number>): ReadonlyMap<string, number> | undefined => {
    const waiting = group.members.filter(m => !set.has(m));
    const next = waiting.find(m => asked(set, m)) ?? waiting[0];
    if (next === undefined) return set;
    const [start, teeth] = asked(set, next) ?? [0, 1];
    const own = group.ties.filter(t => t.member === next || t.with === next);
    for (let k = 0; k < teeth; k++) {
      const tried = new Map(set).set(next, start + (full * k) / teeth);
      if (!own.every(t => fits(tried, t))) continue;
      const done = extend(tried);
      if (done) return done;
    }
    return undefined;
  };
  return extend(new Map());
}

/**
 * The least step, in turns round the arm, by which a group can be carried and go together again; undefined where any
 * place will do. For one wheel between sun and ring it is 1/(sun + ring) (conventions 10); for a planet of two wheels
 * p₁, p₂ against c₁, c₂ it is gcd(p₁, p₂)/|±c₁·p₂ ∓ c₂·p₁| (from the same conditions, with all whole teeth admitted).
 */
export function placeStep(group: CopyGroup): Rational | undefined {
  /** By member: δ = slope·φ, up to whole multiples of grain, in turns. */
  const known = new Map<string, { slope: Rational; grain: Rational }>();
  let step: Rational | undefined;
  const close = (slope: Rational, grain: Rational): void => {
    if (isZero(slope)) return;
    const own = div(grain, absolute(slope));
    step = step ? commonMultiple(step, own) : own;
  };
  const pending = [...group.ties];
  for (let progress = true; progress;) {
    progress = false;
    for (const [i, t] of pending.entries()) {
      const own = known.get(t.member);
      const mate = t.with === undefined ? { slope: rational(-1n), grain: ZERO } : known.get(t.with);
      const [z, other] = [rational(t.count), rational(t.sign * t.other)];
      if (own && mate) {
        const slope = add(mul(z, own.slope), mul(other, mate.slope));
        close(slope, commonGrain([mul(z, own.grain), mul(absolute(other), mate.grain), rational(1n)]));
      } else if (mate) known.set(t.member, solved(z, other, mate));
      else if (own && t.with !== undefined) known.set(t.with, solved(other, z, own));
      else continue;
      pending.splice(i, 1);
      progress = true;
      break;
    }
  }
  return step && compare(step, rational(1n)) < 0 ? step : step && rational(1n);
}

/** From z·δ + z′·δ′ ≡ 0 in whole teeth, with δ′ known: δ = −(z′/z)·δ′. */
const solved = (
  z: Rational,
  other: Rational,
  mate: { slope: Rational; grain: Rational },
): { slope: Rational; grain: Rational } => ({
  slope: neg(div(mul(other, mate.slope), z)),
  grain: absolute(div(commonGrain([mul(absolute(other), mate.grain), rational(1n)]), z)),
});

/** The greatest number of which all are whole multiples; noughts do not count. */
const commonGrain = (all: readonly Rational[]): Rational =>
  all.reduce((g, r) => {
    if (isZero(r)) return g;
    return isZero(g) ? r : rational(gcd(g.num * r.den, r.num * g.den), g.den * r.den);
  }, ZERO);

/** The least number that is a whole multiple of both. */
function commonMultiple(a: Rational, b: Rational): Rational {
  return div(mul(a, b), commonGrain([a, b]));
}

/** Places, in degrees from the first, nearest to equal ones, at which the group goes together. */
export function nearestPlaces(step: Rational, count: number): number[] {
  const unit = toNumber(step);
  return Array.from({ length: count }, (_, i) => Math.round(i / count / unit) * unit * 360);
}

/** Numbers of equal places, from 2 to `most`, at which the group goes together. */
export function equalNumbers(step: Rational, most: number): number[] {
  return Array.from({ length: most - 1 }, (_, i) => i + 2).filter(n => {
    const steps = div(rational(1, n), step);
    return isZero(sub(steps, rational(steps.num / steps.den)));
  });
}
