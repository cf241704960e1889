import { type Point, rotate } from '../../ground/geometry/index.ts';
import { camOutline } from './cam-outline.ts';
import { type CamShape, restAngle, sideOf, slideWay } from './cam-shape.ts';

/** How far a follower rolled over the made outline is from where its motion wants it, over a turn. */
export interface Rolled {
  /** The greatest error either way, mm at the roller, edge or face. */
  readonly error: number;
  /** Where, radians of the cam. */
  readonly at: number;
}

/**
 * Rolls the follower over the outline: at each angle it is let down until it touches, by geometry of the outline's
 * corners and sides alone, and held against its motion.
 */
export function rollCam(shape: CamShape, steps = 180, outline = camOutline(shape)): Rolled {
  let worst: Rolled = { error: 0, at: 0 };
  const unit = shape.way.kind === 'slide' ? 1 : shape.flat ? shape.way.apart : shape.way.arm;
  for (let i = 0; i < steps; i++) {
    // Between the angles at which the outline was made.
    const theta = (2 * Math.PI * (i + 0.37)) / steps;
    const wanted =
      shape.way.kind === 'slide' ? slideWay(shape, theta) : restAngle(shape) + shape.lift(theta)[0];
    const error = unit * Math.abs(touches(shape, outline, theta) - wanted);
    if (error > worst.error) worst = { error, at: theta };
  }
  return worst;
}

/** Where a follower stands that rests on an outline: the way of a slide, mm, or the angle of an arm at its axis. */
export function touches(shape: CamShape, outline: readonly Point[], theta: number): number {
  const side = sideOf(shape);
  // Seen in the mirror where the arm lies to the right.
  const points = outline.map(p => rotate(p, theta)).map(p => ({ x: p.x, y: side * p.y }));
  if (side < 0) points.reverse();
  const { way, roller } = shape;
  let most = -Infinity;
  points.forEach((a, i) => {
    const b = points[(i + 1) % points.length] ?? a;
    most = Math.max(
      most,
      way.kind === 'slide'
        ? shape.flat
          ? a.x
          : onLine(a, b, roller, way.offset)
        : shape.flat
          ? Math.atan2(a.y, way.apart - a.x)
          : onArc(a, b, roller, way),
    );
  });
  return most;
}

/** How far along y = offset the middle of a roller stands that touches a corner, or a side from it to the next. */
function onLine(a: Point, b: Point, roller: number, offset: number): number {
  const down = offset - a.y;
  const corner = Math.abs(down) <= roller ? a.x + Math.sqrt(roller * roller - down * down) : -Infinity;
  const size = Math.hypot(b.x - a.x, b.y - a.y);
  if (size < 1e-12 || b.y === a.y) return corner;
  const [nx, ny] = [(b.y - a.y) / size, (a.x - b.x) / size];
  const t = (offset - a.y - roller * ny) / (b.y - a.y);
  return t >= 0 && t <= 1 ? Math.max(corner, a.x + t * (b.x - a.x) + roller * nx) : corner;
}

/** The same on the circle of an arm, as the angle at the arm's axis from the cam's, the greatest that there is. */
function onArc(a: Point, b: Point, roller: number, { apart, arm }: { apart: number; arm: number }): number {
  const [px, py] = [apart - a.x, a.y];
  const far = Math.hypot(px, py);
  const cos = (arm * arm + far * far - roller * roller) / (2 * arm * far);
  const corner = Math.abs(cos) <= 1 ? Math.atan2(py, px) + Math.acos(cos) : -Infinity;
  const [dx, dy] = [b.x - a.x, b.y - a.y];
  const size = Math.hypot(dx, dy);
  if (size < 1e-12) return corner;
  const [nx, ny] = [dy / size, -dx / size];
  const [sx, sy] = [a.x + roller * nx - apart, a.y + roller * ny];
  const half = (sx * dx + sy * dy) / (size * size);
  const root = half * half - (sx * sx + sy * sy - arm * arm) / (size * size);
  if (root < 0) return corner;
  let most = corner;
  for (const t of [-half - Math.sqrt(root), -half + Math.sqrt(root)])
    if (t >= 0 && t <= 1) most = Math.max(most, Math.atan2(sy + t * dy, -(sx + t * dx)));
  return most;
}
