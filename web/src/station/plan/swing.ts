import { direction, type Point } from '@tesseron/core/geometry';
import { axisOfWheel, byId, type Edit, meshes, setAxisPlace } from '@tesseron/core/machine';
import { degrees } from '@tesseron/core/units';

/**
 * Swings an axis towards a point: one placed by a mesh turns about its neighbour at the mesh's own distance, a given one
 * moves there, an idler between two goes to that side of their line; any other stays.
 */
export const swingTo =
  (axisId: string, to: Point, positions: Readonly<Record<string, Point>>): Edit =>
  machine => {
    const axis = byId(machine.axes, axisId);
    if (!axis) return machine;
    const across = (joint: string): Point | undefined => {
      const mesh = byId(meshes(machine), joint);
      const ends = [mesh?.a, mesh?.b].flatMap(id => byId(machine.wheels, id) ?? []);
      const other = ends.map(w => axisOfWheel(machine, w)).find(id => id !== axisId);
      return other === undefined ? undefined : positions[other];
    };
    const p = axis.place;
    if (p.kind === 'given')
      return setAxisPlace(axisId, { ...p, x: round(to.x, 0.1), y: round(to.y, 0.1) })(machine);
    if (p.kind === 'mesh') {
      const from = across(p.joint);
      return from
        ? setAxisPlace(axisId, { ...p, angleDeg: round(degrees(direction(from, to)), 0.05) })(machine)
        : machine;
    }
    if (p.kind === 'between') {
      const [a, b] = p.joints.map(across);
      if (!a || !b) return machine;
      const left = (b.x - a.x) * (to.y - a.y) - (b.y - a.y) * (to.x - a.x) > 0;
      return setAxisPlace(axisId, { ...p, side: left ? 'left' : 'right' })(machine);
    }
    return machine;
  };

const round = (x: number, step: number): number => Number((Math.round(x / step) * step).toFixed(4));
