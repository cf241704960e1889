const LINKAGES = 'core/src/place/motion/linkages.test.ts';
const UNEVEN = 'core/src/place/motion/uneven.test.ts';

/** Faults of joints and of how they move: what is wrong, in which file, from what, to what, and who finds it. */
export const JOINT_MUTATIONS: readonly (readonly [string, string, string, string, string])[] = [
  [
    'a half gear that moves for a quarter',
    'trains/train/joints/intermittent.ts',
    'Math.max(0, (part - (1 - during)) / during)',
    'Math.max(0, (part - (1 - during / 2)) / (during / 2))',
    UNEVEN,
  ],
  [
    'a universal joint that does not bend',
    'trains/train/joints/universal.ts',
    'Math.sin(rest) * Math.cos(bend)',
    'Math.sin(rest)',
    UNEVEN,
  ],
  [
    'a fork that is not turned',
    'trains/train/joints/universal.ts',
    'universalAngle(theta + fork, bend)',
    'universalAngle(theta, bend)',
    LINKAGES,
  ],
  [
    'a rod that reaches as far as it is long, whatever lies across',
    'trains/train/joints/crank.ts',
    'Math.max(0, rod * rod - across * across)',
    'rod * rod',
    LINKAGES,
  ],
  [
    'a slide on the right of its axis',
    'place/motion/moving-slides.ts',
    'angle + Math.PI / 2',
    'angle - Math.PI / 2',
    LINKAGES,
  ],
  [
    'a slotted arm that swings where it should go round',
    'trains/train/joints/slot.ts',
    "joint.round ? 'round' : 'to and fro'",
    "joint.round ? 'to and fro' : 'to and fro'",
    LINKAGES,
  ],
  [
    'a four-bar on the other side',
    'trains/train/joints/four-bar.ts',
    'to.radius, !joint.other)',
    'to.radius, joint.other === true)',
    LINKAGES,
  ],
  [
    'a parallelogram that folds at its dead point',
    'trains/train/joints/four-bar.ts',
    'if (!even) return',
    'if (even || !even) return',
    LINKAGES,
  ],
  [
    'a rack that goes on beyond its end',
    'place/motion/stands.ts',
    'return Math.max(from, Math.min(to, found))',
    'return Math.max(from, found)',
    LINKAGES,
  ],
  [
    'a shaft driven from its far end that turns as if from the near one',
    'place/motion/stands.ts',
    'theta - mean - coefficient * lawOff(inner, joint)',
    'theta - mean',
    LINKAGES,
  ],
  [
    'a rod that is asked for without what lies beside the axis',
    'state/judge/linkage-findings.ts',
    'const least = joint.pin.radius + aside;',
    'const least = joint.pin.radius;',
    'core/src/edits/edit/join.test.ts',
  ],
  [
    'a loop of which no step is said to be open',
    'place/motion/joint-course.ts',
    'open: open / steps',
    'open: 0 / steps',
    'core/src/edits/edit/join.test.ts',
  ],
  [
    'a new slotted arm within the circle of its pin',
    'edits/edit/join.ts',
    '2 * join.radius : (apartOf',
    'join.radius / 2 : (apartOf',
    'core/src/edits/edit/join.test.ts',
  ],
];
