import { byId, type Joint, type Machine } from '../../document/machine/index.ts';
import { type Rational, toNumber } from '../../ground/rational/index.ts';
import type { Response } from '../../trains/train/index.ts';
import { radians } from '../../ground/units/index.ts';
import { type DriveTurns, memberAngle } from './angle.ts';

const FULL = 2 * Math.PI;
const turned = (angle: number): number => angle - FULL * Math.floor(angle / FULL);

/**
 * Angle of the driven shaft of a universal joint when the driving one, whose fork starts square to the plane of the
 * bend, has turned by θ: tan φ = tan θ · cos β, so it runs ahead and behind by up to δ with tan δ = (1 − cos
 * β)/(2√cos β), twice a turn. Radians. Source: Machinery's Handbook, universal joints; from memory.
 */
export function universalAngle(theta: number, bend: number): number {
  const whole = FULL * Math.round(theta / FULL);
  const rest = theta - whole;
  return whole + Math.atan2(Math.sin(rest) * Math.cos(bend), Math.cos(rest));
}

/**
 * How far an external Geneva wheel of n slots has turned, against its driver, when the driver has turned by θ, the pin
 * entering its slot at 90° − 180°/n before the line of centres (θ = 180°): tan β = λ sin α / (1 − λ cos α), λ =
 * sin(π/n) (Machinery's Handbook, Geneva motion; from memory). Radians, in whole steps and parts of one.
 */
export function genevaAngle(theta: number, slots: number): number {
  const reach = Math.PI / 2 - Math.PI / slots;
  const cycle = Math.floor(theta / FULL);
  const alpha = theta - cycle * FULL - Math.PI;
  const lambda = Math.sin(Math.PI / slots);
  const half = Math.PI / slots;
  const beta =
    Math.abs(alpha) >= reach
      ? Math.sign(alpha) * half
      : Math.atan2(lambda * Math.sin(alpha), 1 - lambda * Math.cos(alpha));
  return cycle * 2 * half + beta + half;
}

/**
 * How far a wheel has turned that is moved evenly by `step` of a turn during the last `during` of each turn of its
 * driver. Radians.
 */
export function stepAngle(theta: number, step: number, during: number): number {
  const cycle = Math.floor(theta / FULL);
  const part = theta / FULL - cycle;
  return FULL * step * (cycle + Math.max(0, (part - (1 - during)) / during));
}

/**
 * Way of a slide on a crank, from the crank's axis along the slide's line: r cos θ + √(l² − r² sin² θ). Lengths in mm.
 * Undefined where the rod is too short to reach. Source: any text on mechanisms; the in-line slider crank.
 */
export function crankWay(theta: number, radius: number, rod: number): number | undefined {
  const across = radius * Math.sin(theta);
  return Math.abs(across) > rod
    ? undefined
    : radius * Math.cos(theta) + Math.sqrt(rod * rod - across * across);
}

/** Lift of a follower at an angle of its cam, between the stated points, round the turn. Radians, mm. */
export function camLift(theta: number, lift: readonly (readonly [number, number])[]): number {
  const at = (turned(theta) * 180) / Math.PI;
  const points = [...lift].sort((a, b) => a[0] - b[0]);
  const [first, last] = [points[0], points.at(-1)];
  if (!first || !last) return 0;
  const after = points.findIndex(p => p[0] > at);
  const [from, to] =
    after === -1
      ? [last, [first[0] + 360, first[1]] as const]
      : after === 0
        ? [[last[0] - 360, last[1]] as const, first]
        : [points[after - 1] ?? first, points[after] ?? last];
  const span = to[0] - from[0];
  return span === 0 ? from[1] : from[1] + ((to[1] - from[1]) * (at - from[0])) / span;
}

type Kind = Joint['kind'];
type Of<K extends Kind> = Extract<Joint, { kind: K }>;
/** An uneven joint: whose angle decides, and by how much it is off its mean law there. */
interface Uneven<K extends Kind> {
  readonly driver: (joint: Of<K>) => string;
  /** The δ of its equation Σ c·θ = δ (see solveRates), radians times the law's own coefficients. */
  readonly off: (joint: Of<K>, theta: number) => number;
}

/** How every kind of joint moves within a turn. What moves a slide in millimetres is not among the rates. */
const UNEVEN: { readonly [K in Kind]: Uneven<K> | 'even' | 'not yet' } = {
  mesh: 'even',
  chain: 'even',
  friction: 'even',
  crank: 'not yet',
  cam: 'not yet',
  universal: {
    driver: j => j.a,
    off: (j, theta) => theta - universalAngle(theta, radians(j.bendDeg ?? 0)),
  },
  'pins in holes': 'even',
  ratchet: 'not yet',
  slip: 'even',
  clutch: 'even',
  intermittent: { driver: j => j.driver, off: stepsOff },
};

function stepsOff(joint: Of<'intermittent'>, theta: number): number {
  const [steps, of] = joint.step;
  const step = steps / of;
  const mean = step * theta;
  if (joint.type === 'geneva' && steps === 1 && of >= 3) return -of * (genevaAngle(theta, of) - mean);
  const during = joint.type === 'half gear' ? 0.5 : Math.min(1, step);
  const sign = joint.type === 'counter carry' ? 1 : -1;
  return sign * of * (stepAngle(theta, step, during) - mean);
}

const unevenOf = (joint: Joint | undefined): Uneven<Kind> | undefined => {
  const how = joint && UNEVEN[joint.kind];
  return how === undefined || how === 'even' || how === 'not yet'
    ? undefined
    : (how as unknown as Uneven<Kind>);
};

/**
 * How far a member is off its mean angle because of the uneven joints on its way from the drive, radians. Each joint is
 * taken at the true angle of its own driver, which may be uneven in turn.
 */
export function unevenOffset(
  machine: Pick<Machine, 'joints'>,
  rates: Readonly<Record<string, Rational>>,
  responses: Readonly<Record<string, Response>>,
  member: string,
  turns: DriveTurns,
  depth = 0,
): number {
  let off = 0;
  for (const [source, coefficient] of responses[member] ?? []) {
    const joint = byId(machine.joints, source);
    const law = unevenOf(joint);
    const driver = joint && law?.driver(joint);
    const rate = driver === undefined ? undefined : rates[driver];
    if (!joint || !law || driver === undefined || !rate || driver === member) continue;
    if (depth > machine.joints.length) continue;
    const theta =
      memberAngle(rate, turns) + unevenOffset(machine, rates, responses, driver, turns, depth + 1);
    off += toNumber(coefficient) * law.off(joint, theta);
  }
  return off;
}
