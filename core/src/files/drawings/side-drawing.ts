import type { Derived } from '../../state/state/index.ts';
import type { Drawing, Shape } from '../../ground/drawing/index.ts';
import { circle, type Path, polygon } from '../../ground/geometry/index.ts';
import { type DriveTurns, stancesAt } from '../../place/motion/index.ts';
import { fail, ok, type Result } from '../../ground/result/index.ts';
import { sideFrame, type SideRect, sideTeeth, type SideView } from './side-frame.ts';
import { sideScene } from './side-scene.ts';

/**
 * The machine from the side, or cut open, at some turns of the drive, as lines: a picture to look at, farthest
 * first. Cut faces are engraved, the rest is reference; y is the height.
 */
export function sideDrawing(derived: Derived, view: SideView, turns: DriveTurns): Result<Drawing> {
  const rects = sideFrame(sideScene(derived), view, stancesAt(derived.moving, turns), derived.positions.at);
  if (rects.length === 0) return fail('nothing-to-draw');
  const shapes = rects.map((r): Shape => ({
    name: r.of.id,
    role: r.cut ? 'engrave' : 'reference',
    paths: outline(r, view),
  }));
  return ok({
    title: `${derived.machine.name}: ${view.cut === undefined ? 'from the side' : 'cut open'}`,
    notes: ['Millimetres; a picture of a position, not a part to cut.'],
    groups: [{ name: 'side', x: 0, y: 0, angle: 0, shapes, labels: [] }],
  });
}

function outline(r: SideRect, view: SideView): Path[] {
  const { left, right, low, high } = r;
  if (r.what === 'ball') return [circle({ x: (left + right) / 2, y: (low + high) / 2 }, (right - left) / 2)];
  const box = polygon([
    { x: left, y: low },
    { x: right, y: low },
    { x: right, y: high },
    { x: left, y: high },
  ]);
  const edges: Path[] = [];
  if (!r.cut && view.cut === undefined)
    sideTeeth(r, view.angle, x =>
      edges.push({ start: { x, y: low }, segments: [{ kind: 'line', to: { x, y: high } }], closed: false }),
    );
  return [box, ...edges];
}
