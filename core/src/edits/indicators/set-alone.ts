import { byId, type Machine } from '../../document/machine/index.ts';
import type { DriveFlow } from '../../trains/train/index.ts';

/** How a member can be set without what drives it: through a joint that gives way, in a mode, or not at all. */
export interface SetAlone {
  /** The joint between it and the drive that slips, lets go, or runs free one way; the nearest to it. */
  readonly joint: string | undefined;
  readonly by: 'slip' | 'clutch' | 'ratchet' | undefined;
  /** Modes in which it stands loose from the drive, or drives itself. */
  readonly modes: readonly string[];
  /** All members that turn along with it then. */
  readonly along: readonly string[];
}

/**
 * What can be set by itself, and what turns along: walks from a member towards the drive to the first joint that
 * gives way.
 */
export function setAlone(
  machine: Pick<Machine, 'members' | 'joints' | 'modes' | 'drive'>,
  flow: DriveFlow,
  member: string,
): SetAlone {
  const way: string[] = [];
  let found: { joint: string; by: 'slip' | 'clutch' | 'ratchet'; below: string } | undefined;
  for (let at = member, n = 0; n <= machine.members.length; n++) {
    const into = flow.into[at];
    if (!into) break;
    way.push(into.joint);
    const kind = byId(machine.joints, into.joint)?.kind;
    if (!found && (kind === 'slip' || kind === 'clutch' || kind === 'ratchet'))
      found = { joint: into.joint, by: kind, below: at };
    at = into.from;
  }
  const modes = machine.modes
    .filter(m => m.drive === member || way.some(j => isClutch(machine, j) && !m.engaged.includes(j)))
    .map(m => m.id);
  const along = found
    ? machine.members.map(m => m.id).filter(id => id !== member && drivenBy(flow, id, found.below))
    : [];
  return { joint: found?.joint, by: found?.by, modes, along };
}

const isClutch = (machine: Pick<Machine, 'joints'>, joint: string): boolean =>
  byId(machine.joints, joint)?.kind === 'clutch';

/** Whether motion comes to a member through another, or it is that one. */
function drivenBy(flow: DriveFlow, member: string, by: string): boolean {
  const seen = new Set<string>();
  for (let at: string | undefined = member; at !== undefined && !seen.has(at); at = flow.into[at]?.from) {
    if (at === by) return true;
    seen.add(at);
  }
  return false;
}
