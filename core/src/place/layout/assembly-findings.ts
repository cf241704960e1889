import type { Machine } from '../../document/machine/index.ts';
import { type Finding, finding, fix } from '../../ground/result/index.ts';
import { toNumber } from '../../ground/rational/index.ts';
import {
  type CopyGroup,
  copyGroups,
  equalNumbers,
  nearestPlaces,
  placeStep,
  settingsAt,
} from './copied-axes.ts';

/** Numbers of planets that are worth naming. */
const MOST_NAMED = 12;

/**
 * Groups of planets that do not go together at their places: no setting brings all their teeth into gaps. Names the
 * numbers of equal places that would, and offers the nearest places that do, as long as these are as many.
 */
export function assemblyFindings(
  machine: Pick<Machine, 'axes' | 'members' | 'wheels' | 'joints'>,
): Finding[] {
  return copyGroups(machine).flatMap(group => {
    if (group.turns.every(turn => settingsAt(group, turn))) return [];
    const step = placeStep(group);
    const [member] = group.members;
    if (!step || member === undefined) return [];
    const count = group.turns.length + 1;
    const apart = new Set(nearestPlaces(step, count).map(a => a.toFixed(9))).size === count;
    const data = {
      places: 1 / toNumber(step),
      planets: count,
      fits: equalNumbers(step, MOST_NAMED).join(', '),
      counts: countsThatFit(group, count),
    };
    const fixes = apart ? [fix('set-places', member, toNumber(step))] : [];
    return [finding('planets-misfit', 'stop', 'train', [member], data, fixes)];
  });
}

/** Central counts, each changed alone by the least number of teeth, with which equal places would go together. */
function countsThatFit(group: CopyGroup, count: number): string {
  const found: string[] = [];
  for (const [i, tie] of group.ties.entries()) {
    if (tie.with !== undefined) continue;
    for (const by of [1, -1, 2, -2, 3, -3, 4, -4, 5, -5, 6, -6]) {
      const other = tie.other + by;
      const changed = { ...group, ties: group.ties.map((t, k) => (k === i ? { ...t, other } : t)) };
      if (other < 4 || !settingsAt(changed, (2 * Math.PI) / count)) continue;
      found.push(`${other} for ${tie.other}`);
      break;
    }
  }
  return found.join(', or ');
}
