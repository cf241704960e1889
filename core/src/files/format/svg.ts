import type { Drawing, Group, Label, LineRole, Shape } from '../../ground/drawing/index.ts';
import { degrees } from '../../ground/units/index.ts';
import { bounds, flatten, type Path, type Point, rotate, sweep } from '../../ground/geometry/index.ts';

/** Colours and widths (mm) by role: hairlines that cutters take by colour. */
const STYLE: Readonly<Record<LineRole, string>> = {
  cut: 'fill="none" stroke="#d00000" stroke-width="0.1"',
  engrave: 'fill="none" stroke="#0000d0" stroke-width="0.1"',
  drill: 'fill="none" stroke="#008000" stroke-width="0.1"',
  reference: 'fill="none" stroke="#808080" stroke-width="0.1" stroke-dasharray="2 1"',
};

const MARGIN = 2;

/**
 * A drawing as SVG at true size: the page in millimetres, one user unit a millimetre, coordinates to 0.0001 mm, y
 * turned downwards. Every shape is one path element that holds its outline and holes, each closed; every group is
 * named.
 */
export function writeSvg(drawing: Drawing): string {
  const box = bounds(drawing.groups.flatMap(groupPoints));
  const minX = box.minX - MARGIN;
  const minY = -box.maxY - MARGIN;
  const width = box.maxX - box.minX + 2 * MARGIN;
  const height = box.maxY - box.minY + 2 * MARGIN;
  const lines = [
    '<?xml version="1.0" encoding="UTF-8"?>',
    `<svg xmlns="http://www.w3.org/2000/svg" width="${num(width)}mm" ` +
      `height="${num(height)}mm" viewBox="${num(minX)} ${num(minY)} ${num(width)} ` +
      `${num(height)}">`,
    `  <title>${escape(drawing.title)}</title>`,
    `  <desc>${escape(drawing.notes.join(' '))}</desc>`,
    ...drawing.groups.flatMap((g, i) => groupLines(g, uniqueId(drawing.groups, i))),
    '</svg>',
  ];
  return `${lines.join('\n')}\n`;
}

/** An id from the group's name, with a number where an earlier group has the same. */
function uniqueId(groups: readonly Group[], index: number): string {
  const id = idOf(groups[index]?.name ?? '');
  const before = groups.slice(0, index).filter(g => idOf(g.name) === id).length;
  return before === 0 ? id : `${id}-${before + 1}`;
}

function groupLines(group: Group, id: string): string[] {
  return [
    `  <g id="${escape(id)}" data-name="${escape(group.name)}">`,
    ...group.shapes.map(s => `    ${shapeLine(s, group)}`),
    ...group.labels.map(l => `    ${labelLine(l, group)}`),
    '  </g>',
  ];
}

function shapeLine(shape: Shape, group: Group): string {
  const d = shape.paths.map(p => pathData(p, q => place(q, group))).join(' ');
  return (
    `<path data-role="${shape.role}" data-name="${escape(shape.name)}" ` +
    `${STYLE[shape.role]} fill-rule="evenodd" d="${d}"/>`
  );
}

function labelLine(label: Label, group: Group): string {
  const p = place(label, group);
  const deg = -degrees(group.angle + (label.angle ?? 0));
  const turned = label.angle === undefined ? '' : ` transform="rotate(${num(deg)} ${num(p.x)} ${num(-p.y)})"`;
  const fill = label.role === 'reference' ? '#808080' : '#0000d0';
  return (
    `<text data-role="${label.role}" x="${num(p.x)}" y="${num(-p.y)}" ` +
    `font-family="sans-serif" font-size="${num(label.height)}" text-anchor="middle" ` +
    `fill="${fill}"${turned}>${escape(label.text)}</text>`
  );
}

/** Path data of one path: true arcs as arcs, closed by Z. */
function pathData(path: Path, put: (p: Point) => Point): string {
  const parts = [`M${pair(put(path.start))}`];
  let at = path.start;
  path.segments.forEach((s, i) => {
    const last = path.closed && i === path.segments.length - 1;
    if (s.kind === 'arc') {
      const radius = Math.hypot(at.x - s.centre.x, at.y - s.centre.y);
      const angle = sweep(at, s);
      parts.push(
        `A${num(radius)} ${num(radius)} 0 ${Math.abs(angle) > Math.PI ? 1 : 0} ${s.ccw ? 0 : 1} ${pair(put(s.to))}`,
      );
    } else if (!last) parts.push(`L${pair(put(s.to))}`);
    at = s.to;
  });
  if (path.closed) parts.push('Z');
  return parts.join('');
}

const place = (p: Point, group: Group): Point => {
  const q = rotate(p, group.angle);
  return { x: q.x + group.x, y: q.y + group.y };
};

const groupPoints = (group: Group): Point[] =>
  group.shapes.flatMap(s => s.paths.flatMap(p => flatten(p, 0.01).map(q => place(q, group))));

const pair = (p: Point): string => `${num(p.x)} ${num(-p.y)}`;

/** Four decimals, no trailing noughts, never "-0". */
function num(x: number): string {
  const text = x.toFixed(4).replace(/\.?0+$/, '');
  return text === '-0' ? '0' : text;
}

const idOf = (name: string): string =>
  name
    .trim()
    .replace(/[^\p{L}\p{N}]+/gu, '-')
    .replace(/^-+|-+$/g, '') || 'part';

/** Text safe inside XML: characters that XML 1.0 forbids are dropped, the five special ones become references. */
const escape = (text: string): string =>
  [...text]
    .filter(c => c >= ' ' || c === '\t' || c === '\n')
    .join('')
    .replace(/[\ufffe\uffff]|[\ud800-\udfff](?![\udc00-\udfff])/gu, '')
    .replace(/[&<>"']/g, c => `&#${c.charCodeAt(0)};`);
