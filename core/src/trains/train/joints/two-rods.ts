import { direction, distance, type Point } from '../../../ground/geometry/index.ts';
import type { JointLaw, JointOf } from './joint-law.ts';
import type { Standing } from './standing.ts';
import { closesTriangle, nearestApex, sharpAngle } from './triangle.ts';

/** Two rods that meet: they move nothing that turns or slides, and where they meet goes as both of their pins do. */
export const twoRods: JointLaw<'two rods'> = {
  mean: () => [],
  leads: joint => [joint.a.member, joint.b.member],
  pins: joint => [joint.a, joint.b],
  rods: joint => [joint.rodA, joint.rodB],
  bars: (joint, at) => {
    const found = parts(joint, at);
    if (!found) return [];
    const { a, b, meet } = found;
    return [
      { link: joint.rodA, centre: a, angle: direction(a, meet) },
      { link: joint.rodB, centre: b, angle: direction(b, meet) },
    ];
  },
  closes: (joint, at) => {
    const found = parts(joint, at);
    return !found || closesTriangle(distance(found.a, found.b), found.fromA, found.fromB);
  },
  transmission: (joint, at) => {
    const found = parts(joint, at);
    return found && sharpAngle(found.meet, found.a, found.b);
  },
  repeats: () => 1,
  memory: false,
};

interface Parts {
  readonly a: Point;
  readonly b: Point;
  readonly fromA: number;
  readonly fromB: number;
  readonly meet: Point;
}

function parts(joint: JointOf<'two rods'>, at: Standing): Parts | undefined {
  const [a, b] = [at.pin(joint.a), at.pin(joint.b)];
  const [fromA, fromB] = [at.length(joint.rodA), at.length(joint.rodB)];
  if (!a || !b || fromA === undefined || fromB === undefined) return undefined;
  return { a, b, fromA, fromB, meet: nearestApex(a, b, fromA, fromB, !joint.other) };
}
