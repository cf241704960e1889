import { driftDegrees, rateError, withinTolerance } from '../../document/period/index.ts';
import { byId, GROUND, placeHangsOn, type Aim, type Machine } from '../../document/machine/index.ts';
import { IDLER_COUNT } from '../../edits/change/index.ts';
import { absolute, div, mul, type Rational, sign, toNumber, ZERO } from '../../ground/rational/index.ts';
import { type Finding, finding, type Problem, type Result, fix } from '../../ground/result/index.ts';
import {
  type Amount,
  amountFigure,
  degreesOf,
  type DriveFacts,
  parseAmount,
  parseSpan,
  parseWanted,
  type Span,
  type Wanted,
  wantedRate,
  whatCounts,
} from '../../ground/units/index.ts';
import { type ArmFrame, armFrame } from './arm-frame.ts';

/** How an aim stands. Rates are turns per turn of the drive; the wanted one is a size, without sign. */
export interface AimState {
  readonly status: 'no train' | 'no rate' | 'wrong sense' | 'missed' | 'met';
  /** What the train must give; for an output that an arm carries the ratio of the train on the arm. */
  readonly wanted: Rational | undefined;
  /** Which way the train must turn it. */
  readonly sense: Aim['sense'];
  /** Set when the wanted rate is a limit: the most, or the least, that is allowed. */
  readonly limit: 'most' | 'least' | undefined;
  /** How well the wanted figure is known, relative; an error below it is as good as the figure (conventions 3). */
  readonly uncertainty: Rational | undefined;
  readonly frame: ArmFrame | undefined;
  readonly achieved: Rational | undefined;
  /** Achieved / wanted − 1 by size, exact. */
  readonly error: Rational | undefined;
  /** Drift in degrees over the span of the tolerance, signed, exact. */
  readonly drift: Rational | undefined;
  readonly toleranceDegrees: Rational | undefined;
  /** The tolerance as it is stated: an angle, or so much of what the output counts. */
  readonly tolerance: Amount | undefined;
  readonly span: Span | undefined;
  readonly problem: Problem | undefined;
}

type Asked = Pick<AimState, 'wanted' | 'sense' | 'limit' | 'uncertainty' | 'frame' | 'problem'>;

/** What an aim asks of a train, given its wanted text as it was read and what is known of the drive. */
function asked(aim: Aim, read: Result<Wanted>, drive: DriveFacts): Asked {
  const rate = read.ok ? wantedRate(read.value, drive) : read;
  const nothing = {
    wanted: undefined,
    sense: aim.sense,
    limit: undefined,
    uncertainty: undefined,
    frame: undefined,
  };
  if (!read.ok || !rate.ok) return { ...nothing, problem: rate.ok ? undefined : rate.problem };
  if (read.value.kind === 'still' && !aim.seenFrom)
    return { ...nothing, problem: { code: 'still-needs-arm', data: {} } };
  const frame = armFrame(aim, rate.value, drive);
  if (!frame.ok) return { ...nothing, problem: frame.problem };
  const uncertainty = 'uncertainty' in read.value ? read.value.uncertainty : undefined;
  const limit = read.value.kind === 'speed limit' ? read.value.bound : undefined;
  if (!frame.value)
    return { wanted: rate.value, sense: aim.sense, limit, uncertainty, frame: undefined, problem: undefined };
  const sense = sign(frame.value.ratio) > 0 ? 'with the drive' : 'against the drive';
  return {
    wanted: absolute(frame.value.ratio),
    sense,
    limit,
    uncertainty,
    frame: frame.value,
    problem: undefined,
  };
}

/**
 * Once an output stands on an arm, its own rate there is what is weighed, no longer the ratio that its train must
 * have.
 */
function onArm(ask: Asked, carried: boolean): Asked {
  if (!ask.frame || !carried) return ask;
  return {
    ...ask,
    wanted: absolute(ask.frame.seen),
    sense: sign(ask.frame.seen) > 0 ? 'with the drive' : 'against the drive',
  };
}

/** The state as a search must take it: for an output that an arm carries, the ratio of its train on the arm. */
export function searchedState(state: AimState): AimState {
  if (!state.frame) return state;
  const sense = sign(state.frame.ratio) > 0 ? 'with the drive' : 'against the drive';
  return { ...state, wanted: absolute(state.frame.ratio), sense };
}

/**
 * Weighs an aim against the rate that the meshes give its arbor: its own on the arm for an aim that is seen from
 * one, against the ground for any other. `carried`: its arbor stands on an arm.
 */
export function aimState(aim: Aim, rate: Rational | undefined, drive: DriveFacts, carried = false): AimState {
  const read = parseWanted(aim.wanted);
  const counts = whatCounts(read);
  const span = parseSpan(aim.tolerance.over, counts);
  const amount = parseAmount(aim.tolerance.amount, counts);
  const ask = onArm(asked(aim, read, drive), carried);
  const base = {
    ...ask,
    tolerance: amount.ok ? amount.value : undefined,
    toleranceDegrees:
      amount.ok && read.ok && ask.wanted ? degreesOf(amount.value, read.value, ask.wanted, drive) : undefined,
    span: span.ok ? span.value : undefined,
  };
  const achieved = aim.member === undefined ? undefined : rate;
  const nothing = { achieved, error: undefined, drift: undefined };
  if (aim.member === undefined) return { ...base, ...nothing, status: 'no train' };
  if (!achieved || sign(achieved) === 0 || !base.wanted) return { ...base, ...nothing, status: 'no rate' };
  const error = rateError(absolute(achieved), base.wanted);
  const reversed = wrongSense(base.sense, achieved);
  if (base.limit) {
    const within = base.limit === 'most' ? sign(error) <= 0 : sign(error) >= 0;
    return {
      ...base,
      achieved,
      error,
      drift: undefined,
      status: reversed ? 'wrong sense' : within ? 'met' : 'missed',
    };
  }
  const drift = base.span && driftDegrees(error, base.wanted, base.span, drive);
  const within =
    drift !== undefined &&
    base.toleranceDegrees !== undefined &&
    withinTolerance(drift, base.toleranceDegrees);
  const status = reversed ? 'wrong sense' : within ? 'met' : 'missed';
  return { ...base, achieved, error, drift, status };
}

/** A drift, signed, as the tolerance is stated: degrees, seconds or metres. Undefined where it says nothing of it. */
export function driftStated({ drift, tolerance, toleranceDegrees }: AimState): Amount | undefined {
  if (!drift || !tolerance || !toleranceDegrees || sign(toleranceDegrees) === 0) return undefined;
  const share = div(drift, toleranceDegrees);
  switch (tolerance.kind) {
    case 'angle':
      return { kind: 'angle', degrees: mul(tolerance.degrees, share) };
    case 'time':
      return { kind: 'time', seconds: mul(tolerance.seconds, share) };
    case 'way':
      return { kind: 'way', metres: mul(tolerance.metres, share) };
  }
}

function wrongSense(sense: Aim['sense'], achieved: Rational): boolean {
  if (sense === 'either') return false;
  return sign(achieved) !== (sense === 'with the drive' ? 1 : -1);
}

/** Whether an arbor stands on an axis that an arm carries. */
export function isCarried(machine: Pick<Machine, 'axes' | 'members'>, arbor: string | undefined): boolean {
  const member = byId(machine.members, arbor);
  const axis = member?.kind === 'arbor' ? byId(machine.axes, member.axis) : undefined;
  return axis !== undefined && axis.frame !== GROUND;
}

type Parts = Pick<Machine, 'axes' | 'members' | 'wheels' | 'joints'>;

/** What an aim's state asks of the maker. `elsewhere` names a mode other than the present one, in which it is met. */
export function aimFindings(aim: Aim, state: AimState, machine: Parts, elsewhere?: string): Finding[] {
  if (aim.frame !== GROUND) return [finding('aim-frame-not-solved', 'note', 'aims', [aim.id])];
  if (state.problem) return [finding('aim-unreadable', 'warn', 'aims', [aim.id], { problem: state.problem })];
  if (aim.seenFrom && !isCarried(machine, aim.member))
    return [finding('aim-on-arm', 'note', 'aims', [aim.id])];
  if (elsewhere !== undefined)
    return [finding('aim-in-other-mode', 'note', 'train', [aim.id], { mode: elsewhere })];
  switch (state.status) {
    case 'no train':
      return [finding('aim-without-train', 'note', 'counts', [aim.id])];
    case 'no rate':
      return [finding('aim-without-rate', 'warn', 'train', [aim.id])];
    case 'wrong sense': {
      const mesh = swingingMesh(machine, aim.member);
      const fixes = mesh === undefined ? [] : [fix('insert-idler', mesh, IDLER_COUNT)];
      return [finding('wrong-sense', 'stop', 'train', [aim.id], {}, fixes)];
    }
    case 'missed': {
      if (state.limit)
        return [
          finding('limit-missed', 'warn', 'aims', [aim.id], {
            limit: state.limit,
            wanted: toNumber(state.wanted ?? ZERO),
            achieved: Math.abs(toNumber(state.achieved ?? ZERO)),
          }),
        ];
      const [out, most] = [driftStated(state), state.tolerance];
      if (!out || !most) return [finding('tolerance-needs-period', 'note', 'aims', [aim.id])];
      const data = { in: most.kind, drift: amountFigure(out), limit: amountFigure(most) };
      return [finding('aim-missed', 'warn', 'counts', [aim.id], { ...data, over: aim.tolerance.over })];
    }
    case 'met':
      return [];
  }
}

/**
 * The mesh that drives an arbor, when an axis hangs on it and can move away to let an idler in. Between two fixed
 * axes there is no room for one: there the search must find other counts.
 */
function swingingMesh(machine: Parts, member: string | undefined): string | undefined {
  const hung = new Set(machine.axes.flatMap(a => [...placeHangsOn(a.place).joints]));
  return machine.joints.find(
    j =>
      j.kind === 'mesh' &&
      j.type === 'external' &&
      hung.has(j.id) &&
      byId(machine.wheels, j.b)?.member === member,
  )?.id;
}
