// eslint-disable-next-line @typescript-eslint/triple-slash-reference -- its own types bring in Node’s
/// <reference path="./dxf-parser.d.ts" />
import DxfParser from 'dxf-parser/dist/dxf-parser.js';
import {
  circle,
  distance,
  flatten,
  type Path,
  type Point,
  sampleCurve,
  type Segment,
} from '../../ground/geometry/index.ts';
import { fail, ok, type Result } from '../../ground/result/index.ts';
import { type DrawnLine, type DrawnLines, READ_CHORD } from './drawn-lines.ts';

type Entity = NonNullable<ReturnType<InstanceType<typeof DxfParser>['parseSync']>>['entities'][number];

/** Millimetres in the units of $INSUNITS: inch, foot, mm, cm, m. Source: the DXF reference. */
const UNITS: Readonly<Record<number, number>> = { 1: 25.4, 2: 304.8, 4: 1, 5: 10, 6: 1000 };

/**
 * Reads the lines of a DXF drawing: lines, arcs, circles, ellipses, polylines with bulges, splines. Texts and
 * blocks are left out.
 */
export function readDxf(text: string): Result<DrawnLines> {
  let document: ReturnType<InstanceType<typeof DxfParser>['parseSync']>;
  try {
    document = new DxfParser().parseSync(text);
  } catch (error) {
    return fail('outline-unreadable', {
      format: 'DXF',
      what: String(error instanceof Error ? error.message : error).slice(0, 120),
    });
  }
  if (!document) return fail('outline-unreadable', { format: 'DXF', what: 'it is empty' });
  const lines = document.entities
    .flatMap(e => {
      const line = lineOf(e);
      return line ? [{ ...line, ...(e.layer !== undefined && { layer: e.layer.toLowerCase() }) }] : [];
    })
    .filter(l => l.points.length > 1);
  return ok({ lines, millimetres: UNITS[Number(document.header['$INSUNITS'])] });
}

function lineOf(e: Entity): DrawnLine | undefined {
  switch (e.type) {
    case 'LINE':
      return { points: e.vertices ?? [], closed: false };
    case 'LWPOLYLINE':
    case 'POLYLINE':
      return polyline(e.vertices ?? [], e.shape === true);
    case 'CIRCLE':
      return e.center && e.radius
        ? { points: flatten(circle(e.center, e.radius), READ_CHORD), closed: true }
        : undefined;
    case 'ARC':
      return e.center
        ? ellipse(e.center, { x: e.radius ?? 0, y: 0 }, 1, e.startAngle ?? 0, e.endAngle ?? 0)
        : undefined;
    case 'ELLIPSE':
      return e.center && e.majorAxisEndPoint
        ? ellipse(
            e.center,
            e.majorAxisEndPoint,
            e.axisRatio ?? 1,
            e.startAngle ?? 0,
            e.endAngle ?? 2 * Math.PI,
          )
        : undefined;
    case 'SPLINE':
      return spline(e);
    default:
      return undefined;
  }
}

function polyline(vertices: NonNullable<Entity['vertices']>, closed: boolean): DrawnLine | undefined {
  const [start] = vertices;
  if (!start) return undefined;
  const segments: Segment[] = [];
  const last = closed ? vertices.length : vertices.length - 1;
  for (let i = 0; i < last; i++) {
    const [p, q] = [vertices[i] as Point & { bulge?: number }, vertices[(i + 1) % vertices.length] as Point];
    segments.push(p.bulge ? bulged(p, q, p.bulge) : { kind: 'line', to: q });
  }
  const path: Path = { start, segments, closed };
  return { points: flatten(path, READ_CHORD), closed };
}

/**
 * The arc between two vertices: the bulge is the tangent of a quarter of its angle, positive counter-clockwise.
 * Source: the DXF reference.
 */
function bulged(p: Point, q: Point, bulge: number): Segment {
  const [mx, my] = [(p.x + q.x) / 2, (p.y + q.y) / 2];
  const off = (1 - bulge * bulge) / (4 * bulge);
  const centre = { x: mx - off * (q.y - p.y), y: my + off * (q.x - p.x) };
  return { kind: 'arc', to: q, centre, ccw: bulge > 0 };
}

/** Part of an ellipse by its eccentric angle, counter-clockwise. */
function ellipse(centre: Point, major: Point, ratio: number, from: number, to: number): DrawnLine {
  const turn = 2 * Math.PI;
  const swept = (((to - from) % turn) + turn) % turn || turn;
  const at = (t: number): Point => ({
    x: centre.x + Math.cos(t) * major.x - Math.sin(t) * ratio * major.y,
    y: centre.y + Math.cos(t) * major.y + Math.sin(t) * ratio * major.x,
  });
  const steps = [0, 1, 2, 3].flatMap(i => {
    const points = sampleCurve(at, from + (swept * i) / 4, from + (swept * (i + 1)) / 4, READ_CHORD);
    return i === 0 ? points : points.slice(1);
  });
  const closed = Math.abs(swept - turn) < 1e-9;
  return { points: closed ? steps.slice(0, -1) : steps, closed };
}

/**
 * A B-spline by de Boor's recursion (C. de Boor, 1972); one that gives only fit points is read as straight pieces
 * between them.
 */
function spline(e: Entity): DrawnLine | undefined {
  const { controlPoints: control = [], knotValues: knots = [], degreeOfSplineCurve: degree = 3 } = e;
  if (control.length <= degree || knots.length < control.length + degree + 1)
    return e.fitPoints ? { points: e.fitPoints, closed: e.closed === true } : undefined;
  const at = (t: number): Point => {
    let k = degree;
    while (k < control.length - 1 && t >= (knots[k + 1] ?? 0)) k++;
    const d = Array.from({ length: degree + 1 }, (_, j) => ({ ...(control[j + k - degree] as Point) }));
    for (let r = 1; r <= degree; r++)
      for (let j = degree; j >= r; j--) {
        const low = knots[j + k - degree] ?? 0;
        const span = (knots[j + 1 + k - r] ?? 0) - low;
        const a = span === 0 ? 0 : (t - low) / span;
        const [p, q] = [d[j - 1] as Point, d[j] as Point];
        d[j] = { x: (1 - a) * p.x + a * q.x, y: (1 - a) * p.y + a * q.y };
      }
    return d[degree] as Point;
  };
  const points: Point[] = [];
  for (let k = degree; k < control.length; k++) {
    const [from, to] = [knots[k] ?? 0, knots[k + 1] ?? 0];
    if (to > from) points.push(...sampleCurve(at, from, to, READ_CHORD).slice(points.length > 0 ? 1 : 0));
  }
  const [first, last] = [points[0], points.at(-1)];
  const closed =
    first !== undefined && last !== undefined && points.length > 2 && distance(first, last) < 1e-6;
  return { points: closed ? points.slice(0, -1) : points, closed };
}
