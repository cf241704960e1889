import { XMLParser } from 'fast-xml-parser';
import svgpath from 'svgpath';
import { type Point, sampleCurve } from '../../ground/geometry/index.ts';
import { fail, ok, type Result } from '../../ground/result/index.ts';
import { type DrawnLine, type DrawnLines, READ_CHORD } from './drawn-lines.ts';

type Node = Readonly<Record<string, unknown>>;

/** Millimetres in the absolute units of length. Source: CSS Values and Units, absolute lengths. */
const UNITS: Readonly<Record<string, number>> = {
  mm: 1,
  cm: 10,
  in: 25.4,
  pt: 25.4 / 72,
  pc: 25.4 / 6,
  q: 0.25,
};

/**
 * Reads the lines of an SVG drawing, all transforms applied, y turned upwards: paths, rectangles, circles,
 * ellipses, lines and polygons. Its size in millimetres is known when width and view box say so; pixels say nothing.
 */
export function readSvg(text: string): Result<DrawnLines> {
  let roots: readonly Node[];
  try {
    const parser = new XMLParser({ ignoreAttributes: false, attributeNamePrefix: '', preserveOrder: true });
    roots = parser.parse(text) as readonly Node[];
  } catch (error) {
    return fail('outline-unreadable', {
      format: 'SVG',
      what: String(error instanceof Error ? error.message : error).slice(0, 120),
    });
  }
  const svg = roots.find(n => 'svg' in n);
  if (!svg) return fail('outline-unreadable', { format: 'SVG', what: 'it holds no drawing' });
  const lines: DrawnLine[] = [];
  try {
    collect(svg['svg'] as readonly Node[], [], lines);
  } catch (error) {
    return fail('outline-unreadable', {
      format: 'SVG',
      what: String(error instanceof Error ? error.message : error).slice(0, 120),
    });
  }
  return ok({ lines: lines.filter(l => l.points.length > 1), millimetres: unitOf(attributes(svg)) });
}

const attributes = (node: Node): Readonly<Record<string, string>> =>
  (node[':@'] as Readonly<Record<string, string>> | undefined) ?? {};

function unitOf(root: Readonly<Record<string, string>>): number | undefined {
  const [, size, unit = ''] = /^\s*([\d.]+)\s*([a-z]*)\s*$/i.exec(root['width'] ?? '') ?? [];
  const mm = UNITS[unit.toLowerCase()];
  if (size === undefined || mm === undefined) return undefined;
  const box = (root['viewBox'] ?? '')
    .trim()
    .split(/[\s,]+/)
    .map(Number);
  const across = box.length === 4 && (box[2] ?? 0) > 0 ? (box[2] as number) : undefined;
  return across === undefined ? 25.4 / 96 : (Number(size) * mm) / across;
}

/** Elements that are not drawn where they stand. */
const HIDDEN = new Set([
  'defs',
  'symbol',
  'clipPath',
  'mask',
  'marker',
  'pattern',
  'metadata',
  'title',
  'desc',
  'style',
]);

function collect(nodes: readonly Node[], transforms: readonly string[], lines: DrawnLine[]): void {
  for (const node of nodes) {
    const name = Object.keys(node).find(k => k !== ':@');
    if (name === undefined || HIDDEN.has(name)) continue;
    const at = attributes(node);
    const here = at['transform'] ? [...transforms, at['transform']] : transforms;
    const d = dataOf(name, at);
    if (d !== undefined)
      lines.push(...linesOf(d, here).map(l => (at['data-role'] ? { ...l, layer: at['data-role'] } : l)));
    const children = node[name];
    if (Array.isArray(children)) collect(children as readonly Node[], here, lines);
  }
}

/** The path data that an element stands for. */
function dataOf(name: string, at: Readonly<Record<string, string>>): string | undefined {
  const n = (key: string): number => Number.parseFloat(at[key] ?? '0') || 0;
  switch (name) {
    case 'path':
      return at['d'];
    case 'rect':
      return `M${n('x')} ${n('y')}h${n('width')}v${n('height')}h${-n('width')}z`;
    case 'line':
      return `M${n('x1')} ${n('y1')}L${n('x2')} ${n('y2')}`;
    case 'polyline':
    case 'polygon':
      return `M${at['points'] ?? ''}${name === 'polygon' ? 'z' : ''}`;
    case 'circle':
      return round(n('cx'), n('cy'), n('r'), n('r'));
    case 'ellipse':
      return round(n('cx'), n('cy'), n('rx'), n('ry'));
    default:
      return undefined;
  }
}

const round = (x: number, y: number, rx: number, ry: number): string | undefined =>
  rx > 0 && ry > 0
    ? `M${x + rx} ${y}A${rx} ${ry} 0 0 1 ${x - rx} ${y}A${rx} ${ry} 0 0 1 ${x + rx} ${y}z`
    : undefined;

function linesOf(d: string, transforms: readonly string[]): DrawnLine[] {
  let path = svgpath(d).abs().unshort();
  for (const t of [...transforms].reverse()) path = path.transform(t);
  const found: DrawnLine[] = [];
  let points: Point[] = [];
  const put = (x: number, y: number): void => void points.push({ x, y: -y });
  const end = (closed: boolean): void => {
    const [first, last] = [points[0], points.at(-1)];
    const repeats =
      closed && first && last && points.length > 1 && Math.hypot(first.x - last.x, first.y - last.y) < 1e-9;
    if (points.length > 1) found.push({ points: repeats ? points.slice(0, -1) : points, closed });
    points = [];
  };
  path.abs().iterate((segment, _, x, y) => {
    const [kind, ...v] = segment as [string, ...number[]];
    const [a = 0, b = 0, c = 0, e = 0, f = 0, g = 0, h = 0] = v;
    if (points.length === 0 && kind !== 'M') put(x, y);
    if (kind === 'M') {
      end(false);
      put(a, b);
    } else if (kind === 'L') put(a, b);
    else if (kind === 'H') put(a, y);
    else if (kind === 'V') put(x, a);
    else if (kind === 'C') points.push(...cubic({ x, y }, { x: a, y: b }, { x: c, y: e }, { x: f, y: g }));
    else if (kind === 'Q') {
      const [one, two] = [third({ x, y }, { x: a, y: b }), third({ x: c, y: e }, { x: a, y: b })];
      points.push(...cubic({ x, y }, one, two, { x: c, y: e }));
    } else if (kind === 'A') points.push(...arc({ x, y }, [a, b], c, e !== 0, f !== 0, { x: g, y: h }));
    else if (kind === 'Z') end(true);
  });
  end(false);
  return found;
}

/**
 * An elliptical arc by its centre. Source: SVG 1.1, implementation notes F.6.5: conversion from endpoint to center
 * parameterization; radii that are too small are stretched (F.6.6).
 */
function arc(
  p: Point,
  [rx0, ry0]: readonly [number, number],
  turnDeg: number,
  large: boolean,
  sweep: boolean,
  q: Point,
): Point[] {
  if (rx0 === 0 || ry0 === 0) return [{ x: q.x, y: -q.y }];
  const turn = (turnDeg * Math.PI) / 180;
  const [c, s] = [Math.cos(turn), Math.sin(turn)];
  const [dx, dy] = [(p.x - q.x) / 2, (p.y - q.y) / 2];
  const [x1, y1] = [c * dx + s * dy, -s * dx + c * dy];
  const short = (x1 / rx0) ** 2 + (y1 / ry0) ** 2;
  const stretch = short > 1 ? Math.sqrt(short) : 1;
  const [rx, ry] = [Math.abs(rx0) * stretch, Math.abs(ry0) * stretch];
  const rest = (rx * ry) ** 2 - (rx * y1) ** 2 - (ry * x1) ** 2;
  const k =
    (large === sweep ? -1 : 1) * Math.sqrt(Math.max(0, rest) / ((rx * y1) ** 2 + (ry * x1) ** 2 || 1));
  const [cx1, cy1] = [(k * rx * y1) / ry, (-k * ry * x1) / rx];
  const from = Math.atan2((y1 - cy1) / ry, (x1 - cx1) / rx);
  const to = Math.atan2((-y1 - cy1) / ry, (-x1 - cx1) / rx);
  const full = 2 * Math.PI;
  const swept = sweep ? (to - from + 2 * full) % full : -((from - to + 2 * full) % full);
  const [mx, my] = [c * cx1 - s * cy1 + (p.x + q.x) / 2, s * cx1 + c * cy1 + (p.y + q.y) / 2];
  const at = (t: number): Point => {
    const a = from + swept * t;
    const [u, v] = [rx * Math.cos(a), ry * Math.sin(a)];
    return { x: mx + c * u - s * v, y: -(my + s * u + c * v) };
  };
  return [0, 1, 2, 3].flatMap(i => sampleCurve(at, i / 4, (i + 1) / 4, READ_CHORD).slice(1));
}

/** Two thirds of the way to a quadratic curve’s control point: the cubic curve’s. */
const third = (p: Point, control: Point): Point => ({
  x: p.x + (2 / 3) * (control.x - p.x),
  y: p.y + (2 / 3) * (control.y - p.y),
});

function cubic(p: Point, a: Point, b: Point, q: Point): Point[] {
  const at = (t: number): Point => {
    const u = 1 - t;
    const [k0, k1, k2, k3] = [u * u * u, 3 * u * u * t, 3 * u * t * t, t * t * t];
    return {
      x: k0 * p.x + k1 * a.x + k2 * b.x + k3 * q.x,
      y: -(k0 * p.y + k1 * a.y + k2 * b.y + k3 * q.y),
    };
  };
  return sampleCurve(at, 0, 1, READ_CHORD).slice(1);
}
