import { Clipper, EndType, JoinType } from 'clipper2-ts';
import { type Point, rotate, signedArea } from '../../ground/geometry/index.ts';
import { camContact } from './cam-contact.ts';
import type { CamShape } from './cam-shape.ts';

/** Which line of a cam: what its follower rolls on, the far wall of a groove, or the second cam. */
export type CamLine = 'cam' | 'far wall' | 'second cam';

/** Places round a turn at which a cam is worked out. */
export const CAM_STEPS = 1440;

/**
 * The outline of a cam as it lies at rest, counter-clockwise, mm about its axis: the equidistant of the way of the
 * roller's middle, or what all flat faces leave over. Where a roller cannot follow the hollow or the tip, it is what
 * remains of the cam when the roller has been everywhere.
 */
export function camOutline(shape: CamShape, line: CamLine = 'cam', steps = CAM_STEPS): Point[] {
  const second = line === 'second cam';
  const away = line === 'far wall' ? -shape.roller : shape.roller;
  const middle: Point[] = [];
  const outline: Point[] = [];
  let undercut = false;
  for (let i = steps; i > 0; i--) {
    const theta = (2 * Math.PI * i) / steps;
    const { at, normal, curvature } = camContact(shape, theta, second);
    middle.push(rotate(at, -theta));
    outline.push(rotate({ x: at.x - away * normal.x, y: at.y - away * normal.y }, -theta));
    undercut ||= shape.flat
      ? false
      : away > 0
        ? curvature > 0 && curvature < away
        : curvature < 0 && curvature > away;
  }
  return undercut ? worn(middle, away) : outline;
}

/** What a roller of such a radius leaves of the inside of its way; of the outside, where the radius is negative. */
function worn(middle: readonly Point[], roller: number): Point[] {
  const left = Clipper.inflatePathsD(
    [middle.map(p => ({ x: p.x, y: p.y }))],
    -roller,
    JoinType.Round,
    EndType.Polygon,
    2,
    4,
    0.004,
  );
  const sized = left.map(path => path.map(p => ({ x: p.x, y: p.y })));
  return sized.reduce<Point[]>((a, b) => (Math.abs(signedArea(b)) > Math.abs(signedArea(a)) ? b : a), []);
}
