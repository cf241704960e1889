import type { Joint } from '../../document/machine/index.ts';
import { type Finding, finding, fix } from '../../ground/result/index.ts';
import { AT_REST, jointCourse, standsAt } from '../../place/motion/index.ts';
import { cordLeft } from '../../trains/train/index.ts';
import type { LinkageParts } from './linkage-parts.ts';

type Cord = Extract<Joint, { kind: 'cord' }>;
type Drum = Extract<Joint, { kind: 'drum' }>;
/** What a cord is longer by than it must be, mm. */
const SPARE = 1;
/** A line so far from the rim pulls straight, mm. */
const STRAIGHT = 0.05;
const STEPS = 180;

/** Cords too short to let their pin go round, cords that leave a drum aslant, and that a cord only draws. */
export function cordFindings(parts: LinkageParts): Finding[] {
  const cords = parts.joints.flatMap((j): Finding[] =>
    j.kind === 'cord' ? tooShort(parts, j) : j.kind === 'drum' ? aslant(parts, j) : [],
  );
  const drawing = parts.joints.flatMap(j => (j.kind === 'cord' || j.kind === 'drum' ? [j.id] : []));
  return drawing.length === 0 ? cords : [...cords, finding('cord-only-draws', 'note', 'train', drawing)];
}

function tooShort({ moving }: LinkageParts, joint: Cord): Finding[] {
  const course = jointCourse(moving, joint, STEPS);
  if (!course || course.open === 0) return [];
  let shortest = Infinity;
  for (let i = 0; i < STEPS; i++) {
    const at = (course.turns * i) / STEPS;
    const whole = Math.floor(at);
    const left = cordLeft(joint, standsAt(moving, { whole: BigInt(whole), part: at - whole }));
    shortest = Math.min(shortest, left ?? Infinity);
  }
  const least = joint.length - shortest + Math.abs(joint.eye.aside);
  return [
    finding('cord-too-short', 'stop', 'train', [joint.id], { is: joint.length, least }, [
      fix('set-cord-length', joint.id, Math.ceil(least + SPARE)),
    ]),
  ];
}

function aslant({ moving, members }: LinkageParts, joint: Drum): Finding[] {
  const stands = standsAt(moving, AT_REST);
  const [axis, line] = [stands.axis(joint.arbor), stands.line(joint.slide)];
  if (!axis || !line || !members.some(m => m.id === joint.slide)) return [];
  // How far the line lies to the right of the axis, as the slide goes.
  const aside = (line.at.x - axis.x) * Math.sin(line.angle) - (line.at.y - axis.y) * Math.cos(line.angle);
  const rim = (joint.opposite ? -1 : 1) * (joint.diameter / 2);
  if (Math.abs(aside - rim) <= STRAIGHT) return [];
  return [
    finding('cord-aslant', 'warn', 'train', [joint.id], { aside: Math.abs(aside), rim: Math.abs(rim) }, [
      fix('line-on-rim', joint.id),
    ]),
  ];
}
