import { JOINTS, type Machine } from '../../document/machine/index.ts';
import { ONE } from '../../ground/rational/index.ts';
import { framesOf, type TrainParts } from './frames.ts';
import { jointLaws } from './joints/index.ts';
import type { RateEquation } from './rate-equation.ts';

/** The laws of a machine, joints with an open count, and those for which there is no law. */
export interface Equations {
  readonly equations: readonly RateEquation[];
  readonly open: readonly string[];
  readonly unsolved: readonly string[];
}

/**
 * Every joint as a linear equation in the frame in which both its axes rest (see jointLaws), and a rate of nought
 * for what is held. Laws that yield come last, so that they hold only where the others leave a freedom.
 */
export function rateEquations(machine: TrainParts): Equations {
  const frames = framesOf(machine);
  const equations: RateEquation[] = [];
  const unsolved: string[] = [];
  const open: string[] = [];
  for (const m of machine.members) {
    if (m.kind === 'link' || m.held === undefined) continue;
    const held = m.kind === 'slide' ? ([[m.id, ONE]] as const) : frames.turnIn(m.id, m.held);
    if (held) equations.push({ source: m.id, terms: held });
    else unsolved.push(m.id);
  }
  for (const j of machine.joints) {
    const found = jointLaws(frames, j);
    if (found === 'open') open.push(j.id);
    else if (found) equations.push(...found);
    else unsolved.push(j.id);
  }
  const yielding = (e: RateEquation): boolean => e.yields === true;
  return {
    equations: [...equations.filter(e => !yielding(e)), ...equations.filter(yielding)],
    open,
    unsolved,
  };
}

/**
 * The machine as it stands in its mode: the arbor that drives in it, what it holds, and only the clutches and slipping
 * joints that it engages. The stated speed is that of the machine's own drive; another arbor turns at any speed.
 * Without a mode it is the machine itself.
 */
export function inMode<
  M extends Pick<Machine, 'members' | 'joints'> & Partial<Pick<Machine, 'modes' | 'mode' | 'drive'>>,
>(machine: M): M {
  const mode = machine.modes?.find(m => m.id === machine.mode);
  if (!mode) return machine;
  const held = new Set(mode.held);
  const engaged = new Set(mode.engaged);
  const released = new Set(mode.released);
  const drive = mode.drive ?? machine.drive?.member;
  return {
    ...machine,
    members: machine.members.map(m =>
      held.has(m.id) && m.kind !== 'link' ? { ...m, held: m.held ?? 'ground' } : m,
    ),
    joints: machine.joints.filter(
      j => !released.has(j.id) && (!JOINTS[j.kind].switched || engaged.has(j.id)),
    ),
    ...(drive !== undefined &&
      drive !== machine.drive?.member && {
        drive: { member: drive, speed: { kind: 'free' as const } },
      }),
  };
}
