import type { Point } from '../../ground/geometry/index.ts';
import { arbors, GROUND, type Machine } from '../../document/machine/index.ts';
import type { Rational } from '../../ground/rational/index.ts';
import type { RackPlace } from '../layout/index.ts';
import type { TrainRates } from '../../trains/train/index.ts';
import { type DriveTurns, memberAngle, opposite } from './angle.ts';
import { type MemberCopy, memberCopies } from './copies.ts';
import type { Stance } from './stance.ts';
import { unevenOffset } from './uneven.ts';

/** Everything that the positions of one machine need, made once: arbors with what carries them, carriers first. */
export interface Moving {
  readonly machine: Pick<Machine, 'joints'>;
  readonly train: Pick<TrainRates, 'rates' | 'responses'>;
  readonly arbors: readonly MovingArbor[];
  readonly copies: readonly MemberCopy[];
  /** Racks where they stand at rest; carried where their slide is on an arm. */
  readonly racks: readonly StandingRack[];
  /** The drive turns clockwise, seen from the front, and all else the other way round. */
  readonly clockwise: boolean;
}

interface MovingArbor {
  readonly id: string;
  readonly rate: Rational | undefined;
  readonly uneven: boolean;
  /** At rest: its place, or the way to it from its arm's own axis. */
  readonly at: Point;
  readonly arm: string | undefined;
}

interface StandingRack {
  readonly id: string;
  readonly at: Point;
  readonly angle: number;
  readonly arm: string | undefined;
}

/** Prepares positions: `rest` gives every axis at rest, mm. What stands on nothing known is left out. */
export function movingOf(
  machine: Pick<Machine, 'axes' | 'members' | 'wheels' | 'joints'>,
  train: Pick<TrainRates, 'rates' | 'responses'>,
  rest: Readonly<Record<string, Point>>,
  clockwise: boolean,
  racks: readonly RackPlace[],
): Moving {
  const axes = new Map(machine.axes.map(a => [a.id, a] as const));
  const axisOf = new Map(arbors(machine).map(m => [m.id, axes.get(m.axis)] as const));
  const ordered: MovingArbor[] = [];
  const done = new Set<string>();
  const put = (id: string, depth: number): void => {
    const axis = axisOf.get(id);
    const at = axis && rest[axis.id];
    if (done.has(id) || !axis || !at || depth > machine.axes.length) return;
    const common = { id, rate: train.rates[id], uneven: train.responses[id] !== undefined };
    if (axis.frame === GROUND) ordered.push({ ...common, at, arm: undefined });
    else {
      put(axis.frame, depth + 1);
      const pivot = rest[axisOf.get(axis.frame)?.id ?? ''];
      if (!pivot || !done.has(axis.frame)) return;
      ordered.push({ ...common, at: { x: at.x - pivot.x, y: at.y - pivot.y }, arm: axis.frame });
    }
    done.add(id);
  };
  for (const id of axisOf.keys()) put(id, 0);
  const standing = racks.flatMap(({ slide, frame, at, angle }): StandingRack[] => {
    if (frame === GROUND) return [{ id: slide, at, angle, arm: undefined }];
    const pivot = rest[axisOf.get(frame)?.id ?? ''];
    if (!pivot || !done.has(frame)) return [];
    return [{ id: slide, at: { x: at.x - pivot.x, y: at.y - pivot.y }, angle, arm: frame }];
  });
  const { joints } = machine;
  return {
    machine: { joints },
    train,
    arbors: ordered,
    copies: memberCopies(machine),
    racks: standing,
    clockwise,
  };
}

/**
 * Where every arbor stands and how far it has turned against the ground, by id; copies by `copyPlace`. Given a map,
 * fills it anew and makes no new places for those it has: a running picture asks for one every frame.
 */
export function stancesAt(
  moving: Moving,
  turns: DriveTurns,
  found: Map<string, Stance> = new Map<string, Stance>(),
): Map<string, Stance> {
  const { rates, responses } = moving.train;
  const driven = moving.clockwise ? opposite(turns) : turns;
  for (const { id, rate, uneven, at, arm } of moving.arbors) {
    const mean = rate ? memberAngle(rate, driven) : 0;
    const own = uneven ? mean + unevenOffset(moving.machine, rates, responses, id, driven) : mean;
    const carried = arm === undefined ? undefined : found.get(arm);
    if (carried) putOnArm(found, id, carried.centre, carried.angle, at.x, at.y, carried.angle + own);
    else put(found, id, at.x, at.y, own);
  }
  for (const { id, at, angle, arm } of moving.racks) {
    const carried = arm === undefined ? undefined : found.get(arm);
    if (carried) putOnArm(found, id, carried.centre, carried.angle, at.x, at.y, carried.angle + angle);
    else if (arm === undefined) put(found, id, at.x, at.y, angle);
  }
  for (let i = 0; i < moving.copies.length; i++) {
    const copy = moving.copies[i];
    const own = copy && found.get(copy.member);
    const arm = copy && found.get(copy.arm);
    if (!own || !arm) continue;
    const [dx, dy] = [own.centre.x - arm.centre.x, own.centre.y - arm.centre.y];
    putOnArm(found, copyPlace(copy.member, i), arm.centre, copy.turn, dx, dy, own.angle);
  }
  return found;
}

/** The name of a further place of a member: of the i-th copy of a machine. */
export const copyPlace = (member: string, i: number): string => `${member} ${i}`;

interface Place {
  centre: { x: number; y: number };
  angle: number;
}

function put(found: Map<string, Stance>, id: string, x: number, y: number, angle: number): void {
  const known = found.get(id) as Place | undefined;
  if (!known) {
    found.set(id, { centre: { x, y }, angle });
    return;
  }
  known.centre.x = x;
  known.centre.y = y;
  known.angle = angle;
}

/** Puts what stands so far from an arm's axis, the arm turned by an angle. */
function putOnArm(
  found: Map<string, Stance>,
  id: string,
  pivot: Point,
  turned: number,
  dx: number,
  dy: number,
  angle: number,
): void {
  const [c, s] = [Math.cos(turned), Math.sin(turned)];
  put(found, id, pivot.x + c * dx - s * dy, pivot.y + s * dx + c * dy, angle);
}
