import { Clipper, EndType, FillRule, JoinType } from 'clipper2-ts';
import type { Manifold } from 'manifold-3d';
import { flatten, type Path } from '../../ground/geometry/index.ts';
import type { SolidKit } from './kit.ts';

/** Depth and width of an engraved line, mm: common practice, no source. */
const DEPTH = 0.4;
const WIDTH = 0.5;

/**
 * Lines sunk into the upper face of a body: closed ones as pockets, open ones as grooves with round ends. Never
 * deeper than a third of the body's height. The body given is used up.
 */
export function engrave(
  kit: SolidKit,
  body: Manifold,
  lines: readonly Path[],
  top: number,
  width = WIDTH,
): Manifold {
  if (lines.length === 0) return body;
  const depth = Math.min(DEPTH, top / 3);
  const open = lines.filter(l => !l.closed).map(l => flatten(l, 0.02).map(p => ({ x: p.x, y: p.y })));
  const closed = lines.filter(l => l.closed).map(l => flatten(l, 0.02).map(p => ({ x: p.x, y: p.y })));
  const grooves =
    open.length === 0
      ? []
      : Clipper.inflatePathsD(open, width / 2, JoinType.Round, EndType.Round, 2, 4, 0.02);
  const all = Clipper.unionD(
    [...grooves, ...closed.map(c => (Clipper.areaD(c) < 0 ? [...c].reverse() : c))],
    [],
    FillRule.NonZero,
    4,
  );
  if (all.length === 0) return body;
  const section = new kit.CrossSection(
    all.map(c => c.map(p => [p.x, p.y] as [number, number])),
    'NonZero',
  );
  const cut = section.extrude(depth + 1).translate([0, 0, top - depth]);
  section.delete();
  const made = body.subtract(cut);
  cut.delete();
  body.delete();
  return made;
}
