import { XMLParser } from 'fast-xml-parser';
import { strFromU8, unzipSync } from 'fflate';
import type { TriMesh } from '../../ground/geometry/index.ts';
import { fail, ok, type Result } from '../../ground/result/index.ts';

/** A body read from a file, as it stands on its plate. */
export interface ReadBody {
  readonly name: string;
  readonly mesh: TriMesh;
}

const HEADER = 80;
const PER_TRIANGLE = 50;

/** Reads a binary STL: equal corners become one. */
export function readStl(bytes: Uint8Array): Result<ReadBody> {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  const count = bytes.length >= HEADER + 4 ? view.getUint32(HEADER, true) : 0;
  if (count === 0 || bytes.length < HEADER + 4 + PER_TRIANGLE * count)
    return fail('mesh-unreadable', { format: 'STL', what: 'it holds fewer triangles than it says' });
  const known = new Map<string, number>();
  const positions: number[] = [];
  const triangles = new Uint32Array(3 * count);
  for (let i = 0; i < 3 * count; i++) {
    const at = HEADER + 4 + PER_TRIANGLE * Math.floor(i / 3) + 12 * (1 + (i % 3));
    const corner = [0, 4, 8].map(k => view.getFloat32(at + k, true));
    const key = corner.join(' ');
    const one = known.get(key) ?? positions.length / 3;
    if (!known.has(key)) positions.push(...corner);
    known.set(key, one);
    triangles[i] = one;
  }
  const name = String.fromCharCode(...bytes.slice(0, HEADER))
    .replace(/\0+$/, '')
    .replace(/^binary, mm: /, '');
  return ok({ name, mesh: { positions: Float64Array.from(positions), triangles } });
}

type Attributes = Readonly<Record<string, string>>;
const list = <T>(x: T | readonly T[] | undefined): readonly T[] =>
  x === undefined ? [] : Array.isArray(x) ? (x as readonly T[]) : [x as T];

interface Model {
  readonly model?: {
    readonly resources?: { readonly object?: ObjectNode | readonly ObjectNode[] };
    readonly build?: { readonly item?: Attributes | readonly Attributes[] };
  };
}
interface ObjectNode {
  readonly id: string;
  readonly name?: string;
  readonly mesh?: {
    readonly vertices?: { readonly vertex?: Attributes | readonly Attributes[] };
    readonly triangles?: { readonly triangle?: Attributes | readonly Attributes[] };
  };
}

/** Reads the placed bodies of a 3MF package; shifts and turns of its items are applied. */
export function readThreeMf(bytes: Uint8Array): Result<readonly ReadBody[]> {
  let model: Model;
  try {
    const files = unzipSync(bytes);
    const path = Object.keys(files).find(f => f.toLowerCase().endsWith('.model'));
    const parser = new XMLParser({
      ignoreAttributes: false,
      attributeNamePrefix: '',
      parseAttributeValue: false,
    });
    model = parser.parse(strFromU8(files[path ?? ''] ?? new Uint8Array())) as Model;
  } catch (error) {
    return fail('mesh-unreadable', {
      format: '3MF',
      what: String(error instanceof Error ? error.message : error).slice(0, 120),
    });
  }
  const objects = new Map(list(model.model?.resources?.object).map(o => [o.id, o]));
  const bodies = list(model.model?.build?.item).flatMap((item): ReadBody[] => {
    const object = objects.get(item['objectid'] ?? '');
    const vertices = list(object?.mesh?.vertices?.vertex);
    const triangles = list(object?.mesh?.triangles?.triangle);
    if (!object || triangles.length === 0) return [];
    const m = (item['transform'] ?? '1 0 0 0 1 0 0 0 1 0 0 0').split(/\s+/).map(Number);
    const at = (k: number): number => m[k] ?? 0;
    const positions = new Float64Array(3 * vertices.length);
    vertices.forEach((v, i) => {
      const [x, y, z] = [Number(v['x']), Number(v['y']), Number(v['z'])];
      for (let k = 0; k < 3; k++)
        positions[3 * i + k] = x * at(k) + y * at(3 + k) + z * at(6 + k) + at(9 + k);
    });
    const corners = Uint32Array.from(
      triangles.flatMap(t => [Number(t['v1']), Number(t['v2']), Number(t['v3'])]),
    );
    return [{ name: object.name ?? '', mesh: { positions, triangles: corners } }];
  });
  return bodies.length === 0
    ? fail('mesh-unreadable', { format: '3MF', what: 'it holds no body' })
    : ok(bodies);
}
