import { byId, type Machine, type Pin } from '../../document/machine/index.ts';
import type { Drawing, Table } from '../../ground/drawing/index.ts';
import { type Path, type Point, polygon } from '../../ground/geometry/index.ts';
import { type Moving, tracedPaths } from '../../place/motion/index.ts';

const STEPS = 360;
const short = (x: number): number => Number(x.toFixed(5));

const pathOf = (moving: Moving, pin: Pin): readonly Point[] => tracedPaths(moving, [pin], STEPS)[0] ?? [];

/** Where a point of a member stands over a turn of the drive, in so many steps. */
export const tracedTable = (moving: Moving, pin: Pin): Table => ({
  columns: ['turns of the drive', 'x mm', 'y mm'],
  rows: pathOf(moving, pin).map((p, i) => [short(i / STEPS), short(p.x), short(p.y)]),
});

const open = (start: Point, rest: readonly Point[]): Path => ({
  start,
  segments: rest.map(to => ({ kind: 'line' as const, to })),
  closed: false,
});

/** The path of a point over a turn of the drive as a drawing; it is closed where it comes back. */
export function tracedDrawing({ name, members }: Machine, moving: Moving, pin: Pin): Drawing {
  const path = pathOf(moving, pin);
  const [first, last] = [path[0], path.at(-1)];
  const closed = first && last && Math.hypot(first.x - last.x, first.y - last.y) < 1e-6;
  const points = closed ? path.slice(0, -1) : path;
  return {
    title: `${name}: path of a point of ${byId(members, pin.member)?.name ?? ''}`,
    notes: [`${STEPS} places over a turn of the drive, joined by straight lines; mm`],
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
