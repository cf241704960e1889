import { type Point, rotate } from '../geometry/index.ts';
import { byId, GROUND, type Machine } from '../machine/index.ts';
import type { Rational } from '../rational/index.ts';
import { type DriveTurns, memberAngle } from './angle.ts';

/** How a frame stands: moved to `origin` and turned by `angle` against the ground. */
export interface Stance {
  readonly centre: Point;
  readonly angle: number;
}

/**
 * Where an arbor stands and how far it has turned against the ground, at some turns of the drive. `rest` gives every
 * axis at rest; what an arm carries turns with it about the arm's own axis, arms on arms included.
 */
export function arborStance(
  machine: Pick<Machine, 'axes' | 'members'>,
  rates: Readonly<Record<string, Rational>>,
  rest: Readonly<Record<string, Point>>,
  arbor: string,
  turns: DriveTurns,
): Stance | undefined {
  const member = byId(machine.members, arbor);
  if (member?.kind !== 'arbor') return undefined;
  const axis = byId(machine.axes, member.axis);
  const at = axis && rest[axis.id];
  if (!axis || !at) return undefined;
  const rate = rates[arbor];
  const own = rate ? memberAngle(rate, turns) : 0;
  if (axis.frame === GROUND) return { centre: at, angle: own };
  const arm = arborStance(machine, rates, rest, axis.frame, turns);
  const armMember = byId(machine.members, axis.frame);
  const pivot = armMember?.kind === 'arbor' ? rest[armMember.axis] : undefined;
  if (!arm || !pivot) return undefined;
  const arrow = rotate({ x: at.x - pivot.x, y: at.y - pivot.y }, arm.angle);
  return { centre: { x: arm.centre.x + arrow.x, y: arm.centre.y + arrow.y }, angle: arm.angle + own };
}
