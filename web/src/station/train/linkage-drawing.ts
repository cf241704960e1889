import type { Point } from '@tesseron/core/geometry';
import { couplerPath, type FourBar, type LinkageFound, standsAt } from '@tesseron/core/linkage';

/** A wanted path, a linkage and its path, in millimetres, y downwards. */
export interface LinkageDrawing {
  readonly view: string;
  readonly width: number;
  /** The path of the coupler's point. */
  readonly path: string;
  readonly bars: readonly string[];
  readonly pins: readonly Point[];
  readonly axes: readonly Point[];
}

const said = (p: Point): string => `${p.x.toFixed(3)} ${(-p.y).toFixed(3)}`;
const line = (points: readonly Point[]): string =>
  points.length > 0 ? `M${points.map(said).join('L')}` : '';

/** A linkage with its crank's pin at an angle, radians, among the wanted points. */
export function linkageDrawing(
  wanted: readonly Point[],
  found: LinkageFound | undefined,
  angle: number,
): LinkageDrawing {
  const move = found?.axis ?? { x: 0, y: 0 };
  const to = (p: Point): Point => ({ x: p.x + move.x, y: p.y + move.y });
  const path = found && hasPoint(found.linkage) ? (couplerPath(found.linkage, 180) ?? []).map(to) : [];
  const at = found && standsAt(found.linkage, angle);
  const ground = found && to(found.linkage.ground);
  const [axis, pin, end, point] = [
    to({ x: 0, y: 0 }),
    at && to(at.pin),
    at && to(at.end),
    at && to(at.point),
  ];
  const bars =
    pin && end && ground && point
      ? [[axis, pin], [pin, end], [end, ground], ...(path.length > 0 ? [[pin, point, end]] : [])]
      : [];
  const sweep = found ? swept(found.linkage).map(to) : [];
  const all = [...wanted, ...path, ...sweep];
  const [xs, ys] = [all.map(p => p.x), all.map(p => -p.y)];
  const [left, top] = [Math.min(...xs, -1), Math.min(...ys, -1)];
  const [wide, high] = [Math.max(...xs, 1) - left, Math.max(...ys, 1) - top];
  const size = Math.max(wide, high * 1.4, 10) * 1.16;
  return {
    view: `${left + wide / 2 - size / 2} ${top + high / 2 - size / 2.8} ${size} ${size / 1.4}`,
    width: size,
    path: path.length > 0 ? `${line(path)}Z` : '',
    bars: bars.map(line),
    pins: [pin, end, ...(path.length > 0 ? [point] : [])].filter(p => p !== undefined),
    axes: ground ? [axis, ground] : [],
  };
}

const hasPoint = ({ point }: FourBar): boolean => Math.hypot(point.x, point.y) > 0;

/** All places of its pins, so that it stays in the picture as it turns. */
function swept(linkage: FourBar): Point[] {
  const all: Point[] = [{ x: 0, y: 0 }, linkage.ground];
  for (let i = 0; i < 36; i++) {
    const at = standsAt(linkage, (Math.PI * i) / 18);
    if (at) all.push(at.pin, at.end);
  }
  return all;
}
