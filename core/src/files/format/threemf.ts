import { strToU8, zipSync } from 'fflate';
import type { TriMesh } from '../../ground/geometry/index.ts';

/** A body in a 3MF file: how many of it, and where each stands, mm. */
export interface PlacedBody {
  readonly name: string;
  readonly mesh: TriMesh;
  /** Shifts along x, y and z, and a turn about the upright before them, radians; one a copy. */
  readonly at: readonly (readonly [x: number, y: number, z: number, turn?: number])[];
}

const XML = '<?xml version="1.0" encoding="UTF-8"?>\n';
const PACKAGE = 'http://schemas.openxmlformats.org/package/2006';
const MICROSOFT = 'http://schemas.microsoft.com/3dmanufacturing';
const TYPES =
  `${XML}<Types xmlns="${PACKAGE}/content-types">` +
  '<Default Extension="rels" ContentType="application/vnd.openxmlformats-package.relationships+xml"/>' +
  '<Default Extension="model" ContentType="application/vnd.ms-package.3dmanufacturing-3dmodel+xml"/></Types>';
const RELATIONS =
  `${XML}<Relationships xmlns="${PACKAGE}/relationships">` +
  `<Relationship Target="/3D/3dmodel.model" Id="rel0" Type="${MICROSOFT}/2013/01/3dmodel"/></Relationships>`;

/**
 * Bodies as one 3MF package, millimetres, each once as an object by its name and placed as often as it is wanted.
 * Corners to 0.0001 mm.
 * Source: 3MF Core Specification 1.3, parts 3 and 4 (from memory). The same bodies give the same bytes.
 */
export function writeThreeMf(bodies: readonly PlacedBody[], title: string): Uint8Array<ArrayBuffer> {
  const objects = bodies.map(
    ({ name, mesh }, i) =>
      `<object id="${i + 1}" type="model" name="${escape(name)}"><mesh>${meshXml(mesh)}</mesh></object>`,
  );
  const items = bodies.flatMap(({ at }, i) =>
    at.map(
      ([x, y, z, turn = 0]) =>
        `<item objectid="${i + 1}" transform="${turned(turn)} 0 0 0 1 ${num(x)} ${num(y)} ${num(z)}"/>`,
    ),
  );
  const model =
    `${XML}<model unit="millimeter" xml:lang="en-US" xmlns="${MICROSOFT}/core/2015/02">` +
    `<metadata name="Title">${escape(title)}</metadata>` +
    `<resources>${objects.join('')}</resources><build>${items.join('')}</build></model>`;
  const files = { '[Content_Types].xml': TYPES, '_rels/.rels': RELATIONS, '3D/3dmodel.model': model };
  const packed = Object.fromEntries(Object.entries(files).map(([path, text]) => [path, strToU8(text)]));
  return zipSync(packed, { level: 1, mtime: EPOCH }) as Uint8Array<ArrayBuffer>;
}

/** The first day that a zip archive can say: files say nothing of when they were made. */
const EPOCH = '1980-01-01T12:00:00';

/** The first two rows of a turn about the upright. */
const turned = (a: number): string =>
  [Math.cos(a), Math.sin(a), 0, -Math.sin(a), Math.cos(a)]
    .map(x => String(Number(x.toFixed(9)) + 0))
    .join(' ');

function meshXml({ positions: p, triangles: t }: TriMesh): string {
  const vertices: string[] = [];
  for (let i = 0; i < p.length; i += 3)
    vertices.push(`<vertex x="${num(p[i])}" y="${num(p[i + 1])}" z="${num(p[i + 2])}"/>`);
  const triangles: string[] = [];
  for (let i = 0; i < t.length; i += 3)
    triangles.push(`<triangle v1="${t[i]}" v2="${t[i + 1]}" v3="${t[i + 2]}"/>`);
  return `<vertices>${vertices.join('')}</vertices><triangles>${triangles.join('')}</triangles>`;
}

/** A length to four decimals, never with an exponent or a minus nought. */
const num = (x: number | undefined): string => String(Math.round((x ?? 0) * 1e4) / 1e4 + 0);

/** Marks that XML minds as numbers; what it forbids, control characters, left out. */
const escape = (text: string): string =>
  [...text]
    .filter(c => c >= ' ')
    .join('')
    .replace(/[&<>"']/g, c => `&#${c.charCodeAt(0)};`);
