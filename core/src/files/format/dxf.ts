import {
  Colors,
  DxfWriter,
  LWPolylineFlags,
  type LWPolylineVertex,
  point2d,
  point3d,
  TextHorizontalAlignment,
  TextVerticalAlignment,
  Units,
} from '@tarikjabiri/dxf';
import type { Drawing, Group, LineRole } from '../../ground/drawing/index.ts';
import { degrees } from '../../ground/units/index.ts';
import { type Path, type Point, rotate, sweep } from '../../ground/geometry/index.ts';

/** A layer for every operation, in its own colour. */
const LAYERS: Readonly<Record<LineRole, { readonly name: string; readonly colour: number }>> = {
  cut: { name: 'CUT', colour: Colors.Red },
  engrave: { name: 'ENGRAVE', colour: Colors.Blue },
  drill: { name: 'DRILL', colour: Colors.Green },
  reference: { name: 'REFERENCE', colour: Colors.Cyan },
};

/**
 * A drawing as DXF (file version AC1021) in millimetres ($INSUNITS 4), one layer for each operation. A full
 * circle is one circle, every other path one polyline whose arcs are true arcs (bulges); labels are texts.
 */
export function writeDxf(drawing: Drawing): string {
  const dxf = new DxfWriter();
  dxf.setUnits(Units.Millimeters);
  for (const { name, colour } of Object.values(LAYERS)) dxf.addLayer(name, colour, 'Continuous');
  for (const group of drawing.groups) writeGroup(dxf, group);
  return dxf.stringify();
}

function writeGroup(dxf: DxfWriter, group: Group): void {
  const put = (p: Point): Point => {
    const q = rotate(p, group.angle);
    return { x: round(q.x + group.x), y: round(q.y + group.y) };
  };
  for (const shape of group.shapes) {
    const layerName = LAYERS[shape.role].name;
    for (const path of shape.paths) writePath(dxf, path, put, layerName);
  }
  for (const label of group.labels) {
    const p = put(label);
    dxf.addText(point3d(p.x, p.y), label.height, label.text, {
      layerName: LAYERS[label.role].name,
      secondAlignmentPoint: point3d(p.x, p.y),
      ...(label.angle !== undefined && { rotation: degrees(group.angle + label.angle) }),
      horizontalAlignment: TextHorizontalAlignment.Center,
      verticalAlignment: TextVerticalAlignment.BaseLine,
    });
  }
}

function writePath(dxf: DxfWriter, path: Path, put: (p: Point) => Point, layerName: string): void {
  const whole = fullCircle(path);
  if (whole) {
    const p = put(whole.centre);
    dxf.addCircle(point3d(p.x, p.y), round(whole.radius), { layerName });
    return;
  }
  const vertices: LWPolylineVertex[] = [];
  let at = path.start;
  for (const s of path.segments) {
    const bulge = s.kind === 'arc' ? Math.tan(sweep(at, s) / 4) : 0;
    vertices.push({ point: flat(put(at)), bulge });
    at = s.to;
  }
  if (!path.closed) vertices.push({ point: flat(put(at)), bulge: 0 });
  dxf.addLWPolyline(vertices, {
    layerName,
    flags: path.closed ? LWPolylineFlags.Closed : LWPolylineFlags.None,
  });
}

const flat = (p: Point): ReturnType<typeof point2d> => point2d(p.x, p.y);

/** A path that is one whole circle. */
function fullCircle(path: Path): { readonly centre: Point; readonly radius: number } | undefined {
  const [first, second, more] = path.segments;
  if (first?.kind !== 'arc' || second?.kind !== 'arc' || more || !path.closed) return undefined;
  const { centre } = first;
  const total = Math.abs(sweep(path.start, first) + sweep(first.to, second));
  const same = Math.hypot(centre.x - second.centre.x, centre.y - second.centre.y) < 1e-9;
  if (!same || Math.abs(total - 2 * Math.PI) > 1e-9) return undefined;
  return { centre, radius: Math.hypot(path.start.x - centre.x, path.start.y - centre.y) };
}

const round = (x: number): number => Number(x.toFixed(4)) + 0;
