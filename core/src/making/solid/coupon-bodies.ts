import type { Drawing } from '../../ground/drawing/index.ts';
import type { PlacedBody } from '../../files/format/index.ts';
import { flatten, type Path, signedArea } from '../../ground/geometry/index.ts';
import type { Process } from '../../document/machine/index.ts';
import { engrave } from './engrave.ts';
import { withFirstLayer } from './first-layer.ts';
import { extrude, type SolidKit, toTriMesh } from './kit.ts';

/** Height of a coupon, mm: enough layers to be true to size, common practice. */
const HEIGHT = 5;

/**
 * A coupon as bodies for a printer, each piece where the drawing has it: cut outlines drawn up, marks sunk in.
 * `raw` leaves the first layer as it prints, for the coupon that measures it.
 */
export function couponBodies(
  kit: SolidKit,
  drawing: Drawing,
  process: Process,
  raw: boolean,
  chordError: number,
): PlacedBody[] {
  return drawing.groups.flatMap((g): PlacedBody[] => {
    const cut = g.shapes.filter(s => s.role === 'cut').flatMap(s => s.paths);
    if (cut.length === 0) return [];
    const area = (p: Path): number => Math.abs(signedArea(flatten(p, 0.05)));
    const outline = cut.reduce((a, b) => (area(b) > area(a) ? b : a));
    const plain = extrude(kit, [outline, ...cut.filter(p => p !== outline)], HEIGHT, chordError);
    const marked = engrave(
      kit,
      plain,
      g.shapes.filter(s => s.role === 'engrave').flatMap(s => s.paths),
      HEIGHT,
    );
    const body = raw ? marked : withFirstLayer(kit, marked, process);
    const mesh = toTriMesh(body);
    body.delete();
    return [{ name: g.name, mesh, at: [[g.x, g.y, 0, g.angle]] }];
  });
}
