import { table } from '../../ground/result/index.ts';
import { byId, type Joint, type Machine } from '../../document/machine/index.ts';

/** How motion comes to the members: through which joint, and from which member. */
export interface DriveFlow {
  /** For each member that is reached: the joint into it and the member it comes from; the drive's own is not there. */
  readonly into: Readonly<Record<string, { readonly joint: string; readonly from: string }>>;
  /** For each mesh on the way: the wheel that drives. */
  readonly drives: Readonly<Record<string, string>>;
}

type Parts = Pick<Machine, 'wheels' | 'joints' | 'drive'>;

/**
 * Follows the motion outwards from the drive, joint by joint, nearest members first. A member carried by an arm
 * gets none from it.
 */
export function driveFlow(machine: Parts): DriveFlow {
  const into: Record<string, { joint: string; from: string }> = table();
  const drives: Record<string, string> = table();
  const start = machine.drive?.member;
  if (start === undefined) return { into, drives };
  const owner = (wheel: string): string => byId(machine.wheels, wheel)?.member ?? '';
  const queue = [start];
  const seen = new Set(queue);
  for (let at = queue.shift(); at !== undefined; at = queue.shift()) {
    for (const joint of machine.joints) {
      const ends = endsOf(joint, owner);
      if (!ends.includes(at)) continue;
      for (const to of ends) {
        if (seen.has(to) || to === '') continue;
        seen.add(to);
        into[to] = { joint: joint.id, from: at };
        queue.push(to);
      }
      if (joint.kind === 'mesh' && drives[joint.id] === undefined)
        drives[joint.id] = owner(joint.a) === at ? joint.a : joint.b;
    }
  }
  return { into, drives };
}

/** The members that a joint ties. */
function endsOf(joint: Joint, owner: (wheel: string) => string): string[] {
  switch (joint.kind) {
    case 'mesh':
      return [owner(joint.a), owner(joint.b)];
    case 'chain':
      return joint.runs.map(r => owner(r.wheel));
    case 'friction':
      return [joint.a.member, joint.b.member];
    case 'crank':
    case 'yoke':
    case 'cord':
      return [joint.pin.member, joint.slide];
    case 'slot':
      return [joint.pin.member, joint.driven];
    case 'four-bar':
      return [joint.pin.member, joint.to.member];
    case 'two rods':
      return []; // both lead, and neither moves the other
    case 'drum':
      return [joint.arbor, joint.slide];
    case 'cam':
      return [joint.cam, joint.follower];
    case 'pins in holes':
      return [owner(joint.disc), joint.carrier];
    case 'ratchet':
    case 'intermittent':
      return [joint.driver, joint.driven];
    case 'universal':
    case 'slip':
    case 'clutch':
      return [joint.a, joint.b];
  }
}

/** The joints from the drive to a member, in order; undefined when it is not reached. */
export function wayTo(flow: DriveFlow, member: string, drive: string): readonly string[] | undefined {
  const way: string[] = [];
  for (let at = member; at !== drive;) {
    const step = flow.into[at];
    if (!step) return undefined;
    way.unshift(step.joint);
    at = step.from;
  }
  return way;
}
