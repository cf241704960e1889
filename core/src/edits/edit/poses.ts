import type { Derived } from '../../state/state/index.ts';
import { freeId, type Machine } from '../../document/machine/index.ts';
import { type DriveTurns, exactTurns, memberAngle, turnsText } from '../../place/motion/index.ts';
import { parseDecimal } from '../../ground/rational/index.ts';
import { fail, ok, type Result } from '../../ground/result/index.ts';
import { ahead } from '../../document/sky/index.ts';
import { groundRate } from '../../trains/train/index.ts';
import { degrees } from '../../ground/units/index.ts';

type Pose = Machine['poses'][number];
type Facts = Pick<Derived, 'machine' | 'train'>;

/** Where every output points at some turns of the drive, degrees from 0 to 360, to three places. */
function shownAt({ machine, train }: Facts, turns: DriveTurns): NonNullable<Pose['shows']>[number][] {
  return machine.aims.flatMap(aim => {
    const rate = aim.member === undefined ? undefined : groundRate(machine, train.rates, aim.member);
    if (!rate) return [];
    const angle = degrees(memberAngle(rate, turns)) % 360;
    return [{ aim: aim.id, degrees: Number((angle < 0 ? angle + 360 : angle).toFixed(3)) }];
  });
}

/** Names the position that the machine stands in; a pose of that name is set anew. Refused without a name. */
export function namePose(facts: Facts, name: string, turns: DriveTurns): Result<Machine> {
  const { machine } = facts;
  const called = name.trim().slice(0, 120);
  if (called === '') return fail('pose-name');
  const known = machine.poses.find(p => p.name === called);
  const pose: Pose = {
    id: known?.id ?? freeId(machine, 'pose'),
    name: called,
    turns: turnsText(turns),
    shows: shownAt(facts, turns),
  };
  const poses = known ? machine.poses.map(p => (p.id === known.id ? pose : p)) : [...machine.poses, pose];
  return ok({ ...machine, poses });
}

/** The turns of the drive at which a pose stands, exact. */
export function poseTurns(pose: Pose): DriveTurns {
  const turns = parseDecimal(pose.turns);
  if (!turns.ok) throw new Error(`poseTurns: ${pose.turns}`);
  return exactTurns(turns.value);
}

/** Degrees by which two readings may differ and be the same. */
const SAME = 0.01;

/** Outputs that would point elsewhere at a pose than when it was named: trains have changed since. Aims by id. */
export function movedSince(facts: Facts, pose: Pose): string[] {
  const now = new Map(shownAt(facts, poseTurns(pose)).map(s => [s.aim, s.degrees] as const));
  return (pose.shows ?? []).flatMap(({ aim, degrees: then }) => {
    const here = now.get(aim);
    return here === undefined || Math.abs(ahead(here, then)) > SAME ? [aim] : [];
  });
}
