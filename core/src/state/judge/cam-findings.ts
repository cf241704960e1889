import { toNumber } from '../../ground/rational/index.ts';
import { type Finding, finding, type FindingCode, type Fix, fix } from '../../ground/result/index.ts';
import type { DriveFacts } from '../../ground/units/index.ts';
import { AT_REST, type Moving, standsAt } from '../../place/motion/index.ts';
import { degrees } from '../../ground/units/index.ts';
import {
  camFacts,
  type CamFault,
  camFaults,
  camOutline,
  type CamFacts,
  type CamJoint,
  type CamShape,
  leastRadius,
  leavesAt,
  MOST_PRESSURE,
  rollCam,
  turnsPerMinute,
} from '../../trains/cam/index.ts';
import { camAt } from '../../trains/train/index.ts';

/** Steps in which a cam is looked at while it is changed; the designer shows it finer. */
const STEPS = 360;

interface Looked {
  readonly facts: CamFacts;
  readonly faults: readonly CamFault[];
  readonly least: number | undefined;
  /** How far the follower misses its motion, mm; looked at where the roller is too large only. */
  readonly misses: number;
}
const looked = new WeakMap<CamShape, Looked>();

/** What is wrong with a cam, each cam looked at once while it is the same. */
function look(shape: CamShape, groove: boolean): Looked {
  const before = looked.get(shape);
  if (before) return before;
  const facts = camFacts(shape, STEPS);
  const faults = camFaults(shape, facts, groove);
  const made: Looked = {
    ...{ facts, faults },
    least: faults.length > 0 ? leastRadius(shape, groove) : undefined,
    misses: faults.includes('undercut') ? rollCam(shape, 60, camOutline(shape, 'cam', STEPS)).error : 0,
  };
  looked.set(shape, made);
  return made;
}

type Parts = { readonly moving: Moving; readonly facts: DriveFacts };

/** Whether the cams of a machine can be made, move their followers as wanted, and keep them on at the drive's speed. */
export function camFindings({ moving, facts }: Parts): readonly Finding[] {
  const stands = standsAt(moving, AT_REST);
  return moving.machine.joints.flatMap((joint): Finding[] => {
    if (joint.kind !== 'cam') return [];
    const at = camAt(joint, stands);
    if (!at) return wrongFollower(moving, joint);
    const seen = look(at.shape, joint.kept.kind === 'groove');
    const fixes: Fix[] = seen.least === undefined ? [] : [fix('set-cam-radius', joint.id, seen.least)];
    const wrong = seen.faults.map(fault => faultFinding(joint, at.shape, seen, fault, fixes));
    return [...wrong, ...flyingFinding(joint, at.shape, seen.facts, moving, facts)];
  });
}

/** A follower that is an arbor needs an arm; one on the cam's own axis cannot be moved by it. */
const wrongFollower = ({ machine }: Moving, joint: CamJoint): Finding[] =>
  machine.members.some(m => m.id === joint.follower)
    ? [finding('cam-no-follower', 'stop', 'train', [joint.id])]
    : [];

const CODES = {
  'no reach': 'cam-no-reach',
  'through the axis': 'cam-through-axis',
  folds: 'cam-folds',
  undercut: 'cam-undercut',
  'hollow too sharp': 'cam-hollow',
  'presses sideways': 'cam-presses',
} as const satisfies Record<CamFault, FindingCode>;

function faultFinding(
  joint: CamJoint,
  shape: CamShape,
  { facts, misses }: Looked,
  fault: CamFault,
  fixes: readonly Fix[],
): Finding {
  const subjects = [joint.id];
  const code = CODES[fault];
  switch (code) {
    case 'cam-no-reach': {
      const radius = shape.radius + shape.roller;
      return finding(code, 'stop', 'train', subjects, { radius }, fixes);
    }
    case 'cam-through-axis':
      return finding(code, 'stop', 'train', subjects, { nearest: facts.nearest - shape.roller }, fixes);
    case 'cam-folds':
      return finding(code, 'stop', 'train', subjects, { at: degrees(facts.bulgeAt) }, fixes);
    case 'cam-undercut': {
      const data = { roller: shape.roller, bulge: facts.bulge, at: degrees(facts.bulgeAt), misses };
      return finding(code, 'stop', 'train', subjects, data, fixes);
    }
    case 'cam-hollow': {
      const data = { roller: shape.roller, hollow: facts.hollow };
      return finding(code, 'stop', 'train', subjects, data, fixes);
    }
    case 'cam-presses': {
      const data = {
        ...{ is: degrees(facts.pressure), at: degrees(facts.pressureAt) },
        most: MOST_PRESSURE[shape.way.kind],
      };
      return finding(code, 'warn', 'train', subjects, data, fixes);
    }
  }
}

/** A follower that leaves its cam at the speed at which the machine is said to be driven. */
function flyingFinding(
  joint: CamJoint,
  shape: CamShape,
  facts: CamFacts,
  { train }: Moving,
  { seconds }: DriveFacts,
): Finding[] {
  const [rate, leaves] = [train.rates[joint.cam], leavesAt(joint.kept, shape, facts)];
  if (!rate || !seconds || leaves === undefined) return [];
  const speed = (2 * Math.PI * Math.abs(toNumber(rate))) / toNumber(seconds);
  if (speed <= leaves) return [];
  const data = { is: turnsPerMinute(speed), most: turnsPerMinute(leaves) };
  return [finding('cam-leaves', 'warn', 'train', [joint.id], data)];
}
