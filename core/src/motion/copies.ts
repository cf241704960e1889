import { type Axis, byId, circleCount, type Machine, meshes } from '../machine/index.ts';
import { radians } from '../units/index.ts';

/** Another place of a member whose axis stands in several: carried round its arm by `turn`, and turned by `spin` itself. Radians. */
export interface MemberCopy {
  readonly member: string;
  /** The arbor that is the arm. */
  readonly arm: string;
  readonly turn: number;
  readonly spin: number;
}

/**
 * All places of planets beyond the first. A planet carried by φ round a central wheel that stays in mesh with it turns
 * by φ(1 + z_c/z_p) outside a sun and by φ(1 − z_r/z_p) inside a ring, from the phases of conventions 9; where a set
 * goes together both give the same teeth.
 */
export function memberCopies(machine: Pick<Machine, 'axes' | 'members' | 'wheels' | 'joints'>): MemberCopy[] {
  return machine.axes.flatMap(axis => {
    const on = machine.members.filter(m => m.kind === 'arbor' && m.axis === axis.id).map(m => m.id);
    return on.flatMap(member => {
      const factor = spinFactor(machine, member);
      return turnsOf(axis).map(turn => ({ member, arm: axis.frame, turn, spin: turn * factor }));
    });
  });
}

/** How far each further place is from the first, radians. */
function turnsOf({ copies }: Axis): number[] {
  if (!copies) return [];
  return Array.from({ length: copies.count - 1 }, (_, i) => {
    const stated = copies.anglesDeg?.[i + 1];
    return stated === undefined
      ? (2 * Math.PI * (i + 1)) / copies.count
      : radians(stated - (copies.anglesDeg?.[0] ?? 0));
  });
}

/** Turns of a planet for one turn of its place round the arm, the central wheel standing still. */
function spinFactor(machine: Pick<Machine, 'wheels' | 'joints'>, member: string): number {
  for (const j of meshes(machine)) {
    const [a, b] = [byId(machine.wheels, j.a), byId(machine.wheels, j.b)];
    const own = a?.member === member ? a : b?.member === member ? b : undefined;
    const mate = own === a ? b : a;
    const [z, other] = [own && circleCount(own), mate && circleCount(mate)];
    if (!z || !other) continue;
    if (j.type === 'external') return 1 + other / z;
    if (j.type === 'internal') return mate?.role === 'ring' ? 1 - other / z : 1;
  }
  return 1;
}
