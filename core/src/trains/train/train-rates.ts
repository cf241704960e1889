import { byId, GROUND, jointEnds, type Machine, JOINTS } from '../../document/machine/index.ts';
import { type Finding, finding, fix } from '../../ground/result/index.ts';
import { inMode, rateEquations } from './equations.ts';
import type { TrainParts } from './frames.ts';
import type { RateEquation } from './rate-equation.ts';
import { type Contradiction, type Response, solveRates } from './solve.ts';
import {
  add,
  compare,
  div,
  isZero,
  mul,
  neg,
  type Rational,
  sign,
  toFraction,
  ZERO,
} from '../../ground/rational/index.ts';

/**
 * Exact rates of a machine's members, in turns per turn of the drive (slides: teeth), and what stands in the way of
 * others.
 */
export interface TrainRates {
  readonly rates: Readonly<Record<string, Rational>>;
  /** How uneven laws move members off their mean; see solveRates. */
  readonly responses: Readonly<Record<string, Response>>;
  readonly findings: readonly Finding[];
}

/** Whether a member goes to and fro: an uneven joint moves it, and its rate is nought in the mean. */
export const goesToAndFro = (
  { rates, responses }: Pick<TrainRates, 'rates' | 'responses'>,
  id: string,
): boolean => responses[id] !== undefined && rates[id]?.num === 0n;

/**
 * The rates of all arbors and slides, each in the frame of its axis, from the joints alone, in the mode the machine
 * stands in.
 */
export function trainRates(
  whole: TrainParts & Pick<Machine, 'drive'> & Partial<Pick<Machine, 'modes' | 'mode'>>,
): TrainRates {
  const machine = inMode(whole);
  const { equations, open, unsolved } = rateEquations(machine);
  const drive = machine.drive?.member;
  const solution = solveRates(movers(machine, equations), equations, drive);
  const { rates, free, contradictions, responses } = solution;
  const findings: Finding[] = [...openFindings(machine, open), ...unsolvedFindings(machine, unsolved)];
  if (drive === undefined) findings.push(finding('no-drive', 'warn', 'aims', []));
  else for (const c of contradictions) findings.push(contradictionFinding(c, equations, rates));
  for (const id of solution.slipping) findings.push(...slipFindings(machine, id, rates));
  const engaged = new Set(machine.joints.map(j => j.id));
  const apart = whole.joints.filter(j => !engaged.has(j.id)).map(j => j.id);
  const excused = reachedFrom(whole, [...unsolved, ...open, ...apart]);
  const loose = free.filter(id => !excused.has(id));
  if (drive !== undefined) findings.push(...freedomFindings(machine, equations, drive, loose));
  return { rates, responses, findings };
}

/**
 * A slipping joint that slips is worth knowing. A ratchet lets its driven side run ahead the way it turns and
 * clicks; the other way it locks.
 */
function slipFindings(machine: TrainParts, id: string, rates: Readonly<Record<string, Rational>>): Finding[] {
  const joint = byId(machine.joints, id);
  if (joint?.kind !== 'ratchet') return [finding('slips', 'note', 'train', [id])];
  const [driver, driven] = [rates[joint.driver], rates[joint.driven]];
  const ahead = driver && driven ? sign(add(driven, neg(driver))) : 0;
  const allowed = joint.turns === 'forward' ? 1 : -1;
  return ahead === allowed
    ? [finding('ratchet-clicks', 'note', 'train', [id])]
    : [finding('ratchet-locks', 'stop', 'train', [id])];
}

/** Arbors, and slides that a rack moves; other slides move by a crank or a cam, in millimetres. */
function movers(machine: TrainParts, equations: readonly RateEquation[]): string[] {
  const tied = new Set(equations.flatMap(e => e.terms.map(([id]) => id)));
  return machine.members
    .filter(m => m.kind === 'arbor' || (m.kind === 'slide' && tied.has(m.id)))
    .map(m => m.id);
}

const openFindings = (machine: TrainParts, open: readonly string[]): Finding[] => {
  const wheels = open.flatMap(id => {
    const joint = byId(machine.joints, id);
    return joint ? jointEnds(joint).map(([, end]) => end) : [];
  });
  const blank = new Set(wheels.filter(w => byId(machine.wheels, w)?.teeth.kind === 'open'));
  return [...blank].map(w => finding('count-open', 'warn', 'train', [w]));
};

/** Joints that give no rate: those that move a slide or a link in their own way are no gap in the train. */
function unsolvedFindings(machine: TrainParts, unsolved: readonly string[]): Finding[] {
  return unsolved.flatMap((id): Finding[] => {
    const joint = byId(machine.joints, id);
    if (!joint) return [finding('held-not-solved', 'note', 'train', [id])];
    if (JOINTS[joint.kind].slides) return [];
    if (joint.kind === 'mesh' && joint.a === joint.b) return [];
    const [end, ...others] = jointEnds(joint).map(([, e]) => byId(machine.wheels, e)?.member ?? e);
    if (others.length > 0 && others.every(e => e === end))
      return [finding('meshes-itself', 'stop', 'train', [id])];
    const rack = joint.kind === 'mesh' && joint.type === 'rack';
    return [finding(rack ? 'rack-needs-slide' : 'frames-differ', 'stop', 'train', [id])];
  });
}

/**
 * A law that the rest of the train contradicts: what it asks of its last member, and what that member has by the other
 * way. Where the two differ in nothing but their sense, wheels mesh in a ring of odd length, and it is locked.
 */
function contradictionFinding(
  { source, uneven }: Contradiction,
  equations: readonly RateEquation[],
  rates: Readonly<Record<string, Rational>>,
): Finding {
  if (uneven) return finding('uneven-loop', 'stop', 'train', [source]);
  const terms = equations.find(e => e.source === source)?.terms ?? [];
  const [member, own] = terms.at(-1) ?? [];
  const given = member === undefined ? undefined : rates[member];
  let others: Rational | undefined = ZERO;
  for (const [id, coefficient] of terms.slice(0, -1)) {
    const rate = rates[id];
    others = others && rate && add(others, mul(coefficient, rate));
  }
  if (!member || !own || !given || !others || isZero(own))
    return finding('contradiction', 'stop', 'train', [source]);
  const asked = neg(div(others, own));
  const code = !isZero(given) && compare(asked, neg(given)) === 0 ? 'locked' : 'contradiction';
  return finding(code, 'stop', 'train', [source, member], {
    asked: toFraction(asked),
    given: toFraction(given),
  });
}

/**
 * Members whose rate nothing fixes: those that laws tie to the drive have a second freedom, and holding one would
 * settle it; the others are not driven at all.
 */
function freedomFindings(
  machine: Pick<Machine, 'axes' | 'members'>,
  equations: readonly RateEquation[],
  drive: string,
  free: readonly string[],
): Finding[] {
  const tied = new Set([drive]);
  for (let size = -1; size !== tied.size;) {
    size = tied.size;
    for (const { terms } of equations)
      if (terms.some(([id]) => tied.has(id))) for (const [id] of terms) tied.add(id);
  }
  const loose = free.filter(id => tied.has(id));
  const apart = free.filter(id => !tied.has(id)).map(id => finding('not-driven', 'warn', 'train', [id]));
  const onGround = (id: string): boolean => {
    const member = byId(machine.members, id);
    return member?.kind === 'arbor' && byId(machine.axes, member.axis)?.frame === GROUND;
  };
  const arms = new Set(machine.axes.map(a => a.frame));
  const hold = loose.find(id => onGround(id) && !arms.has(id)) ?? loose.find(onGround);
  if (loose.length === 0) return apart;
  const subjects = hold === undefined ? loose : [hold, ...loose.filter(id => id !== hold)];
  const fixes = hold === undefined ? [] : [fix('hold-member', hold)];
  return [
    finding('second-freedom', 'warn', 'train', subjects, { members: subjects.length }, fixes),
    ...apart,
  ];
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
