import type { Point } from '../geometry/index.ts';
import { arbors, GROUND, type Machine } from '../machine/index.ts';
import type { Rational } from '../rational/index.ts';
import type { TrainRates } from '../train/index.ts';
import { type DriveTurns, memberAngle } from './angle.ts';
import { type MemberCopy, memberCopies } from './copies.ts';
import type { Stance } from './stance.ts';
import { unevenOffset } from './uneven.ts';

/** Everything that the positions of one machine need, made once: arbors with what carries them, carriers first. */
export interface Moving {
  readonly machine: Pick<Machine, 'joints'>;
  readonly train: Pick<TrainRates, 'rates' | 'responses'>;
  readonly arbors: readonly MovingArbor[];
  readonly copies: readonly MemberCopy[];
}

interface MovingArbor {
  readonly id: string;
  readonly rate: Rational | undefined;
  readonly uneven: boolean;
  /** At rest: its place, or the way to it from its arm's own axis. */
  readonly at: Point;
  readonly arm: string | undefined;
}

/** Prepares positions: `rest` gives every axis at rest, mm. What stands on nothing known is left out. */
export function movingOf(
  machine: Pick<Machine, 'axes' | 'members' | 'wheels' | 'joints'>,
  train: Pick<TrainRates, 'rates' | 'responses'>,
  rest: Readonly<Record<string, Point>>,
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
  return { machine, train, arbors: ordered, copies: memberCopies(machine) };
}

/** Where every arbor stands and how far it has turned against the ground, by id; copies by `copyPlace`. */
export function stancesAt(moving: Moving, turns: DriveTurns): Map<string, Stance> {
  const found = new Map<string, Stance>();
  const { rates, responses } = moving.train;
  for (const { id, rate, uneven, at, arm } of moving.arbors) {
    const mean = rate ? memberAngle(rate, turns) : 0;
    const own = uneven ? mean + unevenOffset(moving.machine, rates, responses, id, turns) : mean;
    const carried = arm === undefined ? undefined : found.get(arm);
    found.set(id, carried ? onArm(carried, at, own) : { centre: at, angle: own });
  }
  for (const [i, copy] of moving.copies.entries()) {
    const [own, arm] = [found.get(copy.member), found.get(copy.arm)];
    if (!own || !arm) continue;
    const [dx, dy] = [own.centre.x - arm.centre.x, own.centre.y - arm.centre.y];
    const place = onArm({ centre: arm.centre, angle: copy.turn }, { x: dx, y: dy }, 0);
    found.set(copyPlace(copy.member, i), { centre: place.centre, angle: own.angle });
  }
  return found;
}

/** The name of a further place of a member: of the i-th copy of a machine. */
export const copyPlace = (member: string, i: number): string => `${member} ${i}`;

function onArm(arm: Stance, at: Point, own: number): Stance {
  const [c, s] = [Math.cos(arm.angle), Math.sin(arm.angle)];
  return {
    centre: { x: arm.centre.x + c * at.x - s * at.y, y: arm.centre.y + s * at.x + c * at.y },
    angle: arm.angle + own,
  };
}
