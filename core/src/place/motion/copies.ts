import { copyGroups, settingsAt } from '../layout/index.ts';
import type { Machine } from '../../document/machine/index.ts';

/**
 * Another place of a member whose axis stands in several: carried round its arm by `turn`, and turned by `spin`
 * itself. Radians.
 */
export interface MemberCopy {
  readonly member: string;
  /** The arbor that is the arm. */
  readonly arm: string;
  readonly turn: number;
  /** Against the ground: the turn of its place, and its own in the arm. */
  readonly spin: number;
}

/**
 * All places of carried members beyond the first, with the turn that puts their teeth into gaps there (see settingsAt).
 * Where no setting does, they are carried as they stand, and a finding says so.
 */
export function memberCopies(machine: Pick<Machine, 'axes' | 'members' | 'wheels' | 'joints'>): MemberCopy[] {
  return copyGroups(machine).flatMap(group =>
    group.turns.flatMap(turn => {
      const set = settingsAt(group, turn);
      return group.members.map(member => ({
        member,
        arm: group.arm,
        turn,
        spin: turn + (set?.get(member) ?? 0),
      }));
    }),
  );
}
