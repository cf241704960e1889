import { arbors, byId, jointEnds, type Machine } from '../machine/index.ts';
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
  const excused = reachedFrom(machine, unsolved);
  for (const id of free)
    if (!excused.has(id) && drive !== undefined) findings.push(finding('not-driven', 'warn', 'train', [id]));
  return { rates, findings };
}

/** Members that joints without a law might drive: those they tie, and all that is tied to them in turn. */
function reachedFrom(machine: Pick<Machine, 'wheels' | 'joints'>, unsolved: readonly string[]): Set<string> {
  const memberOf = (id: string): string => byId(machine.wheels, id)?.member ?? id;
  const ties = machine.joints.map(j => ({ id: j.id, members: jointEnds(j).map(([, end]) => memberOf(end)) }));
  const reached = new Set(ties.filter(t => unsolved.includes(t.id)).flatMap(t => t.members));
  for (let size = -1; size !== reached.size;) {
    size = reached.size;
    for (const t of ties) if (t.members.some(m => reached.has(m))) t.members.forEach(m => reached.add(m));
  }
  return reached;
}

const kindOf = (joint: Machine['joints'][number]): string =>
  joint.kind === 'mesh' ? `${joint.type} mesh` : joint.kind;
