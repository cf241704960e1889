import { fixingScrew } from '../../document/bought/index.ts';
import {
  circle,
  distanceToBorder,
  flatten,
  inside,
  type Path,
  type Point,
  polar,
} from '../../ground/geometry/index.ts';
import type { Body, WebRoom } from './web.ts';

/** Stock between a bolt hole and an edge or another hole, mm (common practice, no source). */
export const BOLT_STOCK = 2;

const ORIGIN = { x: 0, y: 0 };

/** The middles of the holes of a bolt circle: the first at tooth 0, where the spokes of a web are. */
function boltMiddles({ bolts }: Body): Point[] {
  if (!bolts) return [];
  const { number, circle: across } = bolts;
  return Array.from({ length: number }, (_, i) => polar(ORIGIN, across / 2, (2 * Math.PI * i) / number));
}

/** Across a hole that lets the screws of a bolt circle pass, mm (ISO 273, medium); nought for an unknown one. */
export const boltHole = ({ bolts }: Body): number => (bolts ? (fixingScrew(bolts.screw)?.clearance ?? 0) : 0);

/** The holes of a bolt circle, clockwise. */
export function boltPaths(body: Body): Path[] {
  const hole = boltHole(body);
  return hole > 0 ? boltMiddles(body).map(at => circle(at, hole / 2, false)) : [];
}

/** The bolt circle that is asked for without figures: half way between bore and roots, mm. */
export const usualBolts = ({
  rootRadius,
  boreRadius,
}: Omit<WebRoom, 'module'>): NonNullable<Body['bolts']> => ({
  number: 4,
  circle: Math.round(10 * (boreRadius + rootRadius)) / 10,
  screw: 'M3',
});

/** What a bolt circle must keep within: its least and its greatest diameter, mm, and the most screws on its own. */
export interface BoltRoom {
  readonly least: number;
  readonly most: number;
  readonly number: number;
}

export function boltRoom(body: Body, room: WebRoom): BoltRoom {
  const half = boltHole(body) / 2 + BOLT_STOCK;
  const step = body.bolts ? Math.asin(Math.min(1, (2 * half - BOLT_STOCK) / body.bolts.circle)) : 1;
  return {
    least: 2 * (room.boreRadius + half),
    most: 2 * (room.rootRadius - half),
    number: Math.floor(Math.PI / step + 1e-9),
  };
}

/** Whether a bolt circle breaks into an opening of the web. */
export function boltsInOpenings(body: Body, openings: readonly Path[]): boolean {
  const half = boltHole(body) / 2 + BOLT_STOCK;
  return openings.some(o => {
    const border = flatten(o, 0.05);
    return boltMiddles(body).some(p => inside(border, p) || distanceToBorder(border, p) < half - 1e-6);
  });
}
