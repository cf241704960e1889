import { direction, distance, mirrored, onLine, type Point } from '../../ground/geometry/index.ts';
import { axesOfMesh, byId, type Machine } from '../../document/machine/index.ts';
import { type Edit, setAxisPlace } from '../change/index.ts';
import { degrees, radians } from '../../ground/units/index.ts';

type At = Readonly<Record<string, Point>>;

/**
 * Drags an axis towards a point, as far as what it is tied to lets it: one placed by a mesh turns about its
 * neighbour at the mesh's own distance, one so far from another turns about that, a given one moves there; one
 * between two, or on a line, takes the nearer of its two places; one in a mirror moves what it mirrors, one on
 * another's line moves that. A locked one stays.
 */
export const swingTo =
  (axisId: string, to: Point, positions: At): Edit =>
  machine =>
    swing(machine, axisId, to, positions, 0);

function swing(machine: Machine, axisId: string, to: Point, positions: At, depth: number): Machine {
  const axis = byId(machine.axes, axisId);
  if (!axis || axis.locked || depth > machine.axes.length) return machine;
  const p = axis.place;
  switch (p.kind) {
    case 'given': {
      const pivot = pivotOf(machine, axis.frame, positions);
      return setAxisPlace(axisId, { ...p, x: round(to.x - pivot.x, 0.1), y: round(to.y - pivot.y, 0.1) })(
        machine,
      );
    }
    case 'mesh': {
      const from = across(machine, p.joint, axisId, positions);
      return from ? setAxisPlace(axisId, { ...p, angleDeg: angleTo(from, to) })(machine) : machine;
    }
    case 'polar': {
      const from = positions[p.from];
      return from ? setAxisPlace(axisId, { ...p, angleDeg: angleTo(from, to) })(machine) : machine;
    }
    case 'between': {
      const [a, b] = p.joints.map(j => across(machine, j, axisId, positions));
      if (!a || !b) return machine;
      const left = (b.x - a.x) * (to.y - a.y) - (b.y - a.y) * (to.x - a.x) > 0;
      return setAxisPlace(axisId, { ...p, side: left ? 'left' : 'right' })(machine);
    }
    case 'line': {
      const [through, from, here] = [
        positions[p.through],
        across(machine, p.joint, axisId, positions),
        positions[axisId],
      ];
      if (!through || !from || !here) return machine;
      const [near, far] = [false, true].map(f =>
        onLine(through, radians(p.angleDeg), from, distance(from, here), f),
      );
      if (!near || !far) return machine;
      return setAxisPlace(axisId, { ...p, further: distance(far, to) < distance(near, to) })(machine);
    }
    case 'mirror': {
      const through = positions[p.through];
      if (!through) return machine;
      return swing(machine, p.of, mirrored(to, through, radians(p.angleDeg)), positions, depth + 1);
    }
    case 'coaxial':
      return swing(machine, p.with, to, positions, depth + 1);
  }
}

/** The place of what is at the other end of a mesh. */
function across(machine: Machine, joint: string, axisId: string, positions: At): Point | undefined {
  const other = axesOfMesh(machine, joint).find(id => id !== axisId);
  return other === undefined ? undefined : positions[other];
}

/** The origin of the frame of an axis. */
export function pivotOf(machine: Machine, frame: string, positions: At): Point {
  const arm = byId(machine.members, frame);
  return (arm?.kind === 'arbor' ? positions[arm.axis] : undefined) ?? { x: 0, y: 0 };
}

const angleTo = (from: Point, to: Point): number => round(degrees(direction(from, to)), 0.05);
const round = (x: number, step: number): number => Number((Math.round(x / step) * step).toFixed(4));
