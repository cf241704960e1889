import { byId, type Machine, type Pin } from '../../document/machine/index.ts';
import type { Drawing, Table } from '../../ground/drawing/index.ts';
import { type Path, type Point, polygon } from '../../ground/geometry/index.ts';
import { type Moving, type TracedPath, tracedPaths } from '../../place/motion/index.ts';

const STEPS = 360;
const short = (x: number): number => Number(x.toFixed(5));

const pathOf = (moving: Moving, pin: Pin): TracedPath =>
  tracedPaths(moving, [pin], STEPS)[0] ?? { points: [], turns: 0 };

/** Where a point of a member stands until it comes back, in so many steps. */
export function tracedTable(moving: Moving, pin: Pin): Table {
  const { points, turns } = pathOf(moving, pin);
  const last = points.length - 1;
  return {
    columns: ['turns of the drive', 'x mm', 'y mm'],
    rows: points.map((p, i) => [short((turns * i) / last), short(p.x), short(p.y)]),
  };
}

const open = (start: Point, rest: readonly Point[]): Path => ({
  start,
  segments: rest.map(to => ({ kind: 'line' as const, to })),
  closed: false,
});

/** The path of a point as a drawing; it is closed where it comes back. */
export function tracedDrawing({ name, members }: Machine, moving: Moving, pin: Pin): Drawing {
  const { points: path, turns } = pathOf(moving, pin);
  const [first, last] = [path[0], path.at(-1)];
  const closed = first && last && Math.hypot(first.x - last.x, first.y - last.y) < 1e-6;
  const points = closed ? path.slice(0, -1) : path;
  return {
    title: `${name}: path of a point of ${byId(members, pin.member)?.name ?? ''}`,
    notes: [`${path.length - 1} steps over ${short(turns)} turns of the drive, joined by straight lines; mm`],
    groups: [
      {
        ...{ name: 'path', x: 0, y: 0, angle: 0, labels: [] },
        shapes: [
          {
            ...{ name: 'path', role: 'reference' },
            paths: points[0] ? [closed ? polygon(points) : open(points[0], points.slice(1))] : [],
          },
        ],
      },
    ],
  };
}
