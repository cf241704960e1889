import { byId, type Joint } from '../../document/machine/index.ts';
import { gcd, type Rational, toNumber } from '../../ground/rational/index.ts';
import { lawOf } from '../../trains/train/index.ts';
import { type Moving, standsAt } from './moving.ts';

/** What a joint does while all that leads it goes round once. Lengths mm, angles radians. */
export interface JointCourse {
  /** Least and most of what the driven member does: mm of a slide, radians of an arbor that swings. */
  readonly swing: { readonly member: string; readonly least: number; readonly most: number } | undefined;
  /** The longer of the ways there and back, over the shorter; undefined where there is not one of each. */
  readonly timeRatio: number | undefined;
  /** The least transmission angle where it closes. */
  readonly transmission: number | undefined;
  /** The part of the course in which it cannot close, 0 to 1, and where that begins: turns of the drive. */
  readonly open: number;
  readonly opensAt: number | undefined;
  /** Turns of the drive that the course takes. */
  readonly turns: number;
}

/** Points of a course, and the most turns of the drive that one is followed for. */
const STEPS = 720;
const MOST_TURNS = 1000;

/**
 * The course of an uneven joint from rest until its leaders have all made whole turns; undefined for what turns evenly,
 * or stands where nothing leads it. It is looked at in so many steps.
 */
export function jointCourse(moving: Moving, joint: Joint, steps = STEPS): JointCourse | undefined {
  const law = lawOf(joint);
  if (!law.off && !law.bars) return undefined;
  const turns = courseTurns(moving, joint);
  if (turns === undefined) return undefined;
  const driven = drivenOf(moving, joint);
  const ways: number[] = [];
  let [open, least] = [0, Infinity];
  let opensAt: number | undefined;
  for (let i = 0; i < steps; i++) {
    const at = (turns * i) / steps;
    const whole = Math.floor(at);
    const stands = standsAt(moving, { whole: BigInt(whole), part: at - whole });
    if (law.closes && !law.closes(joint, stands)) {
      open++;
      opensAt ??= at;
    } else least = Math.min(least, law.transmission?.(joint, stands) ?? Infinity);
    if (driven?.slides)
      ways.push((stands.coordinate(driven.member) * stands.pitch(driven.member)) / (2 * Math.PI));
    else if (driven) ways.push(stands.coordinate(driven.member));
  }
  const swing = driven && {
    ...{ member: driven.member, least: Math.min(...ways), most: Math.max(...ways) },
  };
  return {
    ...{ swing, turns, open: open / steps, opensAt },
    timeRatio: swing && timeRatio(ways),
    transmission: Number.isFinite(least) ? least : undefined,
  };
}

/** What goes to and fro: the driven member, where it has no rate in the mean. */
function drivenOf(moving: Moving, joint: Joint): { member: string; slides: boolean } | undefined {
  const id = lawOf(joint).moves?.(joint);
  const member = byId(moving.machine.members, id);
  if (!member || (moving.train.rates[member.id]?.num ?? 0n) !== 0n) return undefined;
  return { member: member.id, slides: member.kind === 'slide' };
}

/** From the least to the most and back: the longer way over the shorter, counted in steps. */
function timeRatio(ways: readonly number[]): number | undefined {
  const [low, high] = [ways.indexOf(Math.min(...ways)), ways.indexOf(Math.max(...ways))];
  const one = (high - low + ways.length) % ways.length;
  const other = ways.length - one;
  return one === 0 ? undefined : Math.max(one, other) / Math.min(one, other);
}

/** Turns of the drive until all that leads a joint, and leads that in turn, has made whole turns. */
const courseTurns = (moving: Moving, joint: Joint): number | undefined =>
  courseOf(moving, leadersOf(moving, lawOf(joint).leads(joint), joint.id)).turns;

/** How long it takes until all stands as it did, turns of the drive, and the rates of what leads it. */
export interface Course {
  /** Undefined where nothing turns; at most a thousand turns are followed. */
  readonly turns: number | undefined;
  readonly rates: readonly Rational[];
}

/** The course of members that turn and lead others. */
export function courseOf({ train }: Moving, leaders: Iterable<string>): Course {
  const rates = [...new Set(leaders)].flatMap((id): Rational[] => {
    const rate = train.rates[id];
    return rate && rate.num !== 0n ? [rate] : [];
  });
  if (rates.length === 0) return { turns: undefined, rates };
  // A rate p/q comes back after q/p turns: of all of them, after lcm(q)/gcd(p).
  let [whole, common] = [1n, 0n];
  for (const { num, den } of rates) {
    whole = (whole / gcd(whole, den)) * den;
    common = gcd(common, num < 0n ? -num : num);
  }
  return { turns: Math.min(MOST_TURNS, toNumber({ num: whole, den: common })), rates };
}

/** The members that turn and on whose place some members hang, through rods, slides and arbors that swing. */
export function leadersOf(
  { machine, train }: Moving,
  members: readonly string[],
  but?: string,
): ReadonlySet<string> {
  const found = new Set<string>();
  const seen = new Set<string | undefined>([but]);
  const follow = (id: string): void => {
    if ((train.rates[id]?.num ?? 0n) !== 0n) found.add(id);
    const moves = machine.joints.filter(
      j =>
        train.responses[id]?.some(([source]) => source === j.id) || lawOf(j).rods?.(j).includes(id) === true,
    );
    for (const j of moves) {
      if (seen.has(j.id)) continue;
      seen.add(j.id);
      lawOf(j).leads(j).forEach(follow);
    }
  };
  members.forEach(follow);
  return found;
}
