import { byId, type Joint } from '../../document/machine/index.ts';
import { type Finding, finding, type Fix, fix } from '../../ground/result/index.ts';
import { AT_REST, jointCourse, type JointCourse, standsAt } from '../../place/motion/index.ts';
import { degrees } from '../../ground/units/index.ts';
import { camFindings } from './cam-findings.ts';
import { cordFindings } from './cord-findings.ts';
import type { LinkageParts } from './linkage-parts.ts';
import { pinFindings } from './pin-findings.ts';
import { rackFindings } from './rack-findings.ts';

/** Below this a rod mostly presses sideways (Norton, Design of Machinery: 40° at least; from memory). Degrees. */
export const LEAST_TRANSMISSION = 40;
/** What a rod is longer by than it must be, mm: half a millimetre, rounded up. */
const SPARE = 0.5;
/** Where a course is looked at. */
const STEPS = 180;

/**
 * Whether linkages close all the way round and press well: a rod too short, a loop that opens in part of the turn, an
 * arm that is said to swing and goes round or the other way about, joints that wait for one another; pins on wheels,
 * cords, racks that run off; and cams.
 */
export function linkageFindings(machine: LinkageParts): readonly Finding[] {
  const waiting = waitingAtRest(machine);
  const linked = machine.joints.flatMap((joint): Finding[] => {
    if (waiting.has(joint.id)) return [finding('joints-wait', 'stop', 'train', [joint.id])];
    if (joint.kind === 'cam' || joint.kind === 'cord') return [];
    const course = jointCourse(machine.moving, joint, STEPS);
    if (!course) return [];
    return [
      ...openFinding(machine, joint, course),
      ...roundFinding(machine, joint),
      ...pressFinding(joint, course),
    ];
  });
  return [
    ...linked,
    ...pinFindings(machine),
    ...cordFindings(machine),
    ...rackFindings(machine),
    ...camFindings(machine),
  ];
}

/** Joints of which one waits for the place of another that waits for it. */
function waitingAtRest({ moving, joints, members }: LinkageParts): ReadonlySet<string> {
  const stands = standsAt(moving, AT_REST);
  for (const m of members) stands.stance(m.id);
  for (const j of joints) stands.bars(j);
  return stands.waiting;
}

/** A crank says how long its rod must be; other loops, in which part of the turn they are open. */
function openFinding({ moving, members }: LinkageParts, joint: Joint, course: JointCourse): Finding[] {
  if (course.open === 0) return [];
  const at = degrees(2 * Math.PI * (course.opensAt ?? 0));
  if (joint.kind !== 'crank')
    return [finding('loop-open', 'stop', 'train', [joint.id], { at, part: course.open })];
  const stands = standsAt(moving, AT_REST);
  const [axis, line] = [stands.axis(joint.pin.member), stands.line(joint.slide)];
  const rod = byId(members, joint.rod);
  if (!axis || !line || rod?.kind !== 'link')
    return [finding('loop-open', 'stop', 'train', [joint.id], { at, part: course.open })];
  const aside = Math.abs(
    (axis.y - line.at.y) * Math.cos(line.angle) - (axis.x - line.at.x) * Math.sin(line.angle),
  );
  const least = joint.pin.radius + aside;
  const fixes = [fix('set-rod-length', rod.id, Math.ceil(2 * (least + SPARE)) / 2)];
  const data = { is: rod.length, least };
  return [finding('rod-too-short', 'stop', 'train', [rod.id, joint.id], data, fixes)];
}

/** Where an axis lies inside the pin's circle the arm goes round; outside it swings. */
function roundFinding({ moving }: LinkageParts, joint: Joint): Finding[] {
  if (joint.kind !== 'slot') return [];
  const stands = standsAt(moving, AT_REST);
  const [own, driven] = [stands.axis(joint.pin.member), stands.axis(joint.driven)];
  if (!own || !driven) return [];
  const apart = Math.hypot(own.x - driven.x, own.y - driven.y);
  const inside = apart < joint.pin.radius;
  if (inside === (joint.round === true)) return [];
  const fixes: Fix[] = [inside ? fix('goes-round', joint.id) : fix('swings', joint.id)];
  const data = { apart, radius: joint.pin.radius };
  return [finding(inside ? 'slot-goes-round' : 'slot-swings', 'stop', 'train', [joint.id], data, fixes)];
}

function pressFinding(joint: Joint, { transmission, open }: JointCourse): Finding[] {
  if (transmission === undefined || open > 0) return [];
  const least = degrees(transmission);
  return least < LEAST_TRANSMISSION
    ? [finding('transmission-low', 'warn', 'train', [joint.id], { least, wanted: LEAST_TRANSMISSION })]
    : [];
}
