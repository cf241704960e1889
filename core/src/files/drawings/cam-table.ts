import type { Table } from '../../ground/drawing/index.ts';
import { type CamJoint, camOutline, type CamShape, liftOf } from '../../trains/cam/index.ts';

const short = (x: number): number => Number(x.toFixed(5));

/**
 * The lift of a cam at every degree in the sense for which it is laid out, with its first two derivatives by the angle
 * in radians; mm of a slide, degrees of an arm.
 */
export function camLiftTable({ motion }: CamJoint, swings: boolean): Table {
  const unit = swings ? '°' : 'mm';
  const lift = liftOf(motion);
  return {
    columns: ['cam °', `lift ${unit}`, `per radian ${unit}`, `per radian² ${unit}`],
    rows: Array.from({ length: 361 }, (_, deg) => [deg, ...lift((deg * Math.PI) / 180).map(short)]),
  };
}

/** The outline of a cam as points about its axis, mm: x towards its follower, or its follower's axis, at rest. */
export const camPointTable = (shape: CamShape): Table => ({
  columns: ['x mm', 'y mm'],
  rows: camOutline(shape, 'cam', 720).map(p => [short(p.x), short(p.y)]),
});
