import { arbors, byId, type Machine } from '../machine/index.ts';
import { type Finding, finding } from '../result/index.ts';
import { rateEquations } from './equations.ts';
import { solveRates } from './solve.ts';
import type { Rational } from '../rational/index.ts';

/** Exact rates of a machine's arbors, in turns per turn of the drive, and what stands in the way of the others. */
export interface TrainRates {
  readonly rates: Readonly<Record<string, Rational>>;
  readonly findings: readonly Finding[];
}

/** The rates of all arbors, each in the frame of its axis, from the joints alone. */
export function trainRates(
  machine: Pick<Machine, 'axes' | 'members' | 'wheels' | 'joints' | 'drive'>,
): TrainRates {
  const { equations, unsolved } = rateEquations(machine);
  const ids = arbors(machine).map(a => a.id);
  const drive = machine.drive?.member;
  const { rates, free, contradictions } = solveRates(ids, equations, drive);
  const findings: Finding[] = [];
  for (const id of unsolved) {
    const joint = byId(machine.joints, id);
    const open =
      joint?.kind === 'mesh' && [joint.a, joint.b].some(w => byId(machine.wheels, w)?.teeth.kind === 'open');
    if (open) findings.push(finding('count-open', 'warn', 'train', [id]));
    else if (joint)
      findings.push(finding('joint-not-solved', 'note', 'train', [id], { kind: kindOf(joint) }));
    else findings.push(finding('held-not-solved', 'note', 'train', [id]));
  }
  if (drive === undefined) findings.push(finding('no-drive', 'warn', 'aims', []));
  else for (const c of contradictions) findings.push(finding('contradiction', 'stop', 'train', [c.source]));
  const blocked = new Set(unsolved);
  const excused = machine.joints.some(j => blocked.has(j.id));
  for (const id of free)
    if (!excused && drive !== undefined) findings.push(finding('not-driven', 'warn', 'train', [id]));
  return { rates, findings };
}

const kindOf = (joint: Machine['joints'][number]): string =>
  joint.kind === 'mesh' ? `${joint.type} mesh` : joint.kind;
