import type { Derived } from '../../state/state/index.ts';
import { neg } from '../../ground/rational/index.ts';
import type { BlankAim } from './finder.ts';

/**
 * The outputs towards which the blanks of a machine can be filled: those with an arbor and a rate that is no mere
 * limit.
 */
export function blankAims({ machine, aims }: Pick<Derived, 'machine' | 'aims'>): BlankAim[] {
  return machine.aims.flatMap(aim => {
    const state = aims[aim.id];
    if (aim.member === undefined || !state?.wanted || state.limit) return [];
    const target = state.sense === 'against the drive' ? neg(state.wanted) : state.wanted;
    return [
      { id: aim.id, member: aim.member, target, either: state.sense === 'either', ground: !aim.seenFrom },
    ];
  });
}
