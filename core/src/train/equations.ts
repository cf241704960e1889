import { arbors, circleCount, GROUND, type Joint, type Machine, type Wheel } from '../machine/index.ts';
import { ONE, type Rational, rational } from '../rational/index.ts';

/** One linear law among the rates of members, each in the frame of its own axis: Σ coefficient·rate = 0. */
export interface RateEquation {
  /** The joint or member that states it. */
  readonly source: string;
  readonly terms: readonly (readonly [member: string, coefficient: Rational])[];
}

/** The laws of a machine, and the joints for which this version has no law. */
export interface Equations {
  readonly equations: readonly RateEquation[];
  readonly unsolved: readonly string[];
}

type Parts = Pick<Machine, 'axes' | 'members' | 'wheels' | 'joints'>;
type Terms = readonly (readonly [string, Rational])[];

/**
 * Every joint of constant ratio as a linear equation in the frame in which both its axes rest (Willis, Principles of
 * Mechanism, 1841; conventions 8). External meshes reverse: z_a·ω_a + z_b·ω_b = 0; ring, chain and belt keep.
 */
export function rateEquations(machine: Parts): Equations {
  const equations: RateEquation[] = [];
  const unsolved: string[] = [];
  for (const m of machine.members) {
    if (m.kind === 'link' || m.held === undefined) continue;
    const held = m.kind === 'slide' ? ([[m.id, ONE]] as const) : rateIn(machine, m.id, m.held);
    if (held) equations.push({ source: m.id, terms: held });
    else unsolved.push(m.id);
  }
  for (const j of machine.joints) {
    const found = jointEquations(machine, j);
    if (found) equations.push(...found);
    else unsolved.push(j.id);
  }
  return { equations, unsolved };
}

function jointEquations(machine: Parts, joint: Joint): RateEquation[] | undefined {
  if (joint.kind === 'mesh' && (joint.type === 'external' || joint.type === 'internal')) {
    const e = pairEquation(machine, joint.id, joint.a, joint.b, joint.type === 'external');
    return e && [e];
  }
  if (joint.kind === 'chain') {
    const found: RateEquation[] = [];
    for (let i = 1; i < joint.runs.length; i++) {
      const [a, b] = [joint.runs[i - 1], joint.runs[i]];
      const e = a && b && pairEquation(machine, joint.id, a.wheel, b.wheel, a.side !== b.side);
      if (!e) return undefined;
      found.push(e);
    }
    return found;
  }
  return undefined;
}

function pairEquation(
  machine: Parts,
  source: string,
  a: string,
  b: string,
  reverses: boolean,
): RateEquation | undefined {
  const wheels = [a, b].map(id => machine.wheels.find(w => w.id === id));
  const [wa, wb] = wheels as [Wheel | undefined, Wheel | undefined];
  const za = wa && circleCount(wa);
  const zb = wb && circleCount(wb);
  if (!wa || !wb || za === undefined || zb === undefined) return undefined;
  const frame = commonFrame(machine, wa.member, wb.member);
  if (frame === undefined) return undefined;
  const ta = rateIn(machine, wa.member, frame);
  const tb = rateIn(machine, wb.member, frame);
  if (!ta || !tb) return undefined;
  return { source, terms: [...scaled(ta, rational(za)), ...scaled(tb, rational(reverses ? zb : -zb))] };
}

const scaled = (terms: Terms, by: Rational): Terms =>
  terms.map(([id, c]) => [id, rational(c.num * by.num, c.den * by.den)] as const);

/** The frame in which the axes of two arbors both rest, or undefined: the first's own frame before the second's. */
function commonFrame(machine: Parts, a: string, b: string): string | undefined {
  const [fa, fb] = [frameOf(machine, a), frameOf(machine, b)];
  if (fa === undefined || fb === undefined) return undefined;
  if (fa === fb) return fa;
  return rateIn(machine, b, fa) ? fa : rateIn(machine, a, fb) ? fb : undefined;
}

const axisOf = (machine: Parts, arbor: string): Machine['axes'][number] | undefined => {
  const member = arbors(machine).find(m => m.id === arbor);
  return member && machine.axes.find(x => x.id === member.axis);
};
const frameOf = (machine: Parts, arbor: string): string | undefined => axisOf(machine, arbor)?.frame;

/** Whether two axes are one line: the same, or one placed on the other. */
function sameLine(machine: Parts, a: string, b: string): boolean {
  const root = (id: string): string => {
    let at = id;
    for (let i = 0; i <= machine.axes.length; i++) {
      const place = machine.axes.find(x => x.id === at)?.place;
      if (place?.kind !== 'coaxial') return at;
      at = place.with;
    }
    return at;
  };
  return root(a) === root(b);
}

/**
 * The rate of an arbor in a frame, as a sum of rates in their own frames. In its own frame it is itself; in an arm
 * that turns on the same line it is its rate less the arm's. Undefined where its axis does not rest in that frame.
 */
function rateIn(machine: Parts, arbor: string, frame: string): Terms | undefined {
  const axis = axisOf(machine, arbor);
  if (!axis) return undefined;
  if (axis.frame === frame) return [[arbor, ONE]];
  if (frame === GROUND) return undefined;
  const armAxis = axisOf(machine, frame);
  if (!armAxis || !sameLine(machine, axis.id, armAxis.id)) return undefined;
  if (axis.frame !== armAxis.frame) return undefined;
  return [
    [arbor, ONE],
    [frame, rational(-1n)],
  ];
}
