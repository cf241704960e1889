import { isClosed, type TriMesh } from './tri-mesh.ts';

/** Files hold corners to so many mm, and in single precision. */
const GRID = 1e-4;
/** A facet of less than so much (twice its area, mm²) has none. */
const NO_AREA = 1e-8;
/** Rounds of flipping; each flip takes one facet without area away, or hands it on. */
const MOST_ROUNDS = 40;

/** A length as files hold it. */
const held = (x: number): number => Math.fround(Math.round(x / GRID) * GRID);

/**
 * A closed mesh without facets that have no area once files round it: corners that then coincide are made one, and a
 * facet whose corner lies on its opposite edge gives that edge to its neighbour, which is split there. Corners stay
 * where they are. The mesh as it was where that would open it.
 */
export function soundFacets(mesh: TriMesh): TriMesh {
  const { positions, rounded, corner } = welded(mesh);
  let facets: number[][] = [];
  for (let i = 0; i < mesh.triangles.length; i += 3) {
    const f = [0, 1, 2].map(k => corner[mesh.triangles[i + k] as number] as number);
    if (new Set(f).size === 3) facets.push(f);
  }
  facets = withoutPairs(facets);
  for (let round = 0; round < MOST_ROUNDS; round++) if (flipAll(rounded, facets) === 0) break;
  const left = withoutPairs(facets);
  const sound = compact(positions, left);
  return isClosed(sound) ? sound : mesh;
}

interface Welded {
  readonly positions: number[];
  /** The same as files hold them. */
  readonly rounded: number[];
  /** The number that each corner of the mesh now has. */
  readonly corner: number[];
}

function welded({ positions }: TriMesh): Welded {
  const known = new Map<string, number>();
  const all: Welded = { positions: [], rounded: [], corner: [] };
  for (let i = 0; i < positions.length; i += 3) {
    const p = [...positions.slice(i, i + 3)];
    const as = p.map(held);
    const at = known.get(as.join(' ')) ?? known.size;
    if (at === known.size) {
      known.set(as.join(' '), at);
      all.positions.push(...p);
      all.rounded.push(...as);
    }
    all.corner.push(at);
  }
  return all;
}

/** Two facets on the same corners, turned against each other, enclose nothing. */
function withoutPairs(facets: readonly number[][]): number[][] {
  const seen = new Map<string, number[]>();
  facets.forEach((f, i) => {
    const key = [...f].sort((a, b) => a - b).join(' ');
    seen.set(key, [...(seen.get(key) ?? []), i]);
  });
  const gone = new Set([...seen.values()].flatMap(all => (all.length % 2 === 0 ? all : all.slice(1))));
  return facets.filter((_, i) => !gone.has(i));
}

const key = (a: number, b: number): string => `${a} ${b}`;

/** Flips the long edge of every facet without area; how many were flipped. */
function flipAll(p: readonly number[], facets: number[][]): number {
  const flat = facets.flatMap((f, i) => (twiceArea(p, f) < NO_AREA ? [i] : []));
  if (flat.length === 0) return 0;
  const owner = new Map<string, number>();
  facets.forEach((f, i) => f.forEach((a, k) => owner.set(key(a, f[(k + 1) % 3] as number), i)));
  const touched = new Set<number>();
  let flips = 0;
  for (const i of flat) {
    const f = facets[i] as number[];
    const long = [0, 1, 2].reduce((m, k) => (length(p, f, k) > length(p, f, m) ? k : m), 0);
    const [a, b, c] = [f[long], f[(long + 1) % 3], f[(long + 2) % 3]] as [number, number, number];
    const other = owner.get(key(b, a));
    if (other === undefined || other === i || touched.has(i) || touched.has(other)) continue;
    const g = facets[other] as number[];
    const d = g.find(x => x !== a && x !== b);
    if (d === undefined || d === c || owner.has(key(c, d)) || owner.has(key(d, c))) continue;
    facets[i] = [a, d, c];
    facets[other] = [d, b, c];
    touched.add(i).add(other);
    flips += 1;
  }
  return flips;
}

const length = (p: readonly number[], f: readonly number[], k: number): number => {
  const [a, b] = [3 * (f[k] as number), 3 * (f[(k + 1) % 3] as number)];
  return Math.hypot(...[0, 1, 2].map(i => (p[a + i] as number) - (p[b + i] as number)));
};

function twiceArea(p: readonly number[], f: readonly number[]): number {
  const [a, b, c] = f.map(x => 3 * x) as [number, number, number];
  const from = (q: number): number[] => [0, 1, 2].map(k => (p[q + k] as number) - (p[a + k] as number));
  const [u, v] = [from(b), from(c)] as [number[], number[]];
  return Math.hypot(
    ...[0, 1, 2].map(
      k =>
        (u[(k + 1) % 3] as number) * (v[(k + 2) % 3] as number) -
        (u[(k + 2) % 3] as number) * (v[(k + 1) % 3] as number),
    ),
  );
}

/** Only the corners that facets have. */
function compact(positions: readonly number[], facets: readonly number[][]): TriMesh {
  const number = new Map<number, number>();
  const out: number[] = [];
  const triangles = Uint32Array.from(facets.flat(), at => {
    const known = number.get(at);
    if (known !== undefined) return known;
    number.set(at, out.length / 3);
    out.push(...positions.slice(3 * at, 3 * at + 3));
    return out.length / 3 - 1;
  });
  return { positions: Float64Array.from(out), triangles };
}
