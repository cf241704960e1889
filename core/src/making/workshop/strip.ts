import { Clipper, EndType, JoinType } from 'clipper2-ts';
import { circle, type Path, type Point, polygon } from '../../ground/geometry/index.ts';

/** What strips of one width along lines fill together, their ends round, as one outline; mm. */
export function strip(lines: readonly (readonly Point[])[], width: number): Path {
  const drawn = lines.map(line => line.map(p => ({ x: p.x, y: p.y })));
  const [outline] = Clipper.inflatePathsD(drawn, width / 2, JoinType.Round, EndType.Round, 2, 4, 0.005);
  const [first] = drawn[0] ?? [];
  return outline
    ? polygon(outline.map(p => ({ x: p.x, y: p.y })))
    : circle(first ?? { x: 0, y: 0 }, width / 2);
}
