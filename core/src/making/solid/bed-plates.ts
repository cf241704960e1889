import type { PlacedBody } from '../../files/format/index.ts';
import { meshBounds, type Point, type TriMesh } from '../../ground/geometry/index.ts';
import type { Process } from '../../document/machine/index.ts';
import { bedOf, gapOf } from '../process/index.ts';
import { nest } from '../nest/index.ts';
import { type Problem, problem } from '../../ground/result/index.ts';

/** A part made solid, and how many of it are wanted. */
export interface MadePart {
  readonly name: string;
  readonly number: number;
  readonly mesh: TriMesh;
}

/** Bodies laid on as many beds as they need, and those that go on none. */
export interface BedPlates {
  readonly plates: readonly (readonly PlacedBody[])[];
  readonly left: readonly { readonly name: string; readonly problem: Problem }[];
}

/**
 * Lays bodies on beds of a printer, each as its shadow from above, small ones into the rings of others; yields the
 * part done.
 */
export function* bedPlates(parts: readonly MadePart[], process: Process): Generator<number, BedPlates> {
  const bed = bedOf(process);
  const left: { name: string; problem: Problem }[] = [];
  const room = { width: bed.width, height: bed.depth };
  const lying = parts.filter(p => {
    const { least, most } = meshBounds(p.mesh);
    const tall = (most[2] ?? 0) - (least[2] ?? 0);
    if (tall > bed.height)
      left.push({
        name: p.name,
        problem: { code: 'higher-than-bed', data: { is: Math.round(tall), most: bed.height } },
      });
    return tall <= bed.height;
  });
  const laid = yield* nest({
    parts: lying.map(p => ({ outline: shadow(p.mesh), holes: [], number: p.number })),
    ...{ sheets: [room], gap: gapOf(process), grain: false, tries: 3, seed: 1 },
  });
  for (const { part, number } of laid.left) {
    const of = lying[part];
    if (!of) continue;
    const { least, most } = meshBounds(of.mesh);
    const [is, by] = [(most[0] ?? 0) - (least[0] ?? 0), (most[1] ?? 0) - (least[1] ?? 0)];
    const { width, depth } = bed;
    left.push({ name: of.name, problem: problem('no-room-on-bed', { number, is, by, width, depth }) });
  }
  const plates = laid.sheets.map((_, sheet) =>
    lying.flatMap((p, i): PlacedBody[] => {
      const at = laid.places
        .filter(q => q.sheet === sheet && q.part === i)
        .map((q): [number, number, number, number] => [
          q.x,
          q.y,
          -(meshBounds(p.mesh).least[2] ?? 0),
          q.angle,
        ]);
      return at.length > 0 ? [{ name: p.name, mesh: p.mesh, at }] : [];
    }),
  );
  return { plates, left };
}

/** The convex outline of a body seen from above (Andrew's monotone chain, 1979), counter-clockwise. */
function shadow({ positions: p }: TriMesh): Point[] {
  const points: Point[] = [];
  for (let i = 0; i < p.length; i += 3) points.push({ x: p[i] as number, y: p[i + 1] as number });
  points.sort((a, b) => a.x - b.x || a.y - b.y);
  const half = (run: readonly Point[]): Point[] => {
    const chain: Point[] = [];
    for (const q of run) {
      while (chain.length > 1 && turns(chain.at(-2) as Point, chain.at(-1) as Point, q) <= 0) chain.pop();
      chain.push(q);
    }
    return chain.slice(0, -1);
  };
  return [...half(points), ...half([...points].reverse())];
}

const turns = (a: Point, b: Point, c: Point): number => (b.x - a.x) * (c.y - a.y) - (b.y - a.y) * (c.x - a.x);
