import { driftDegrees, rateError, withinTolerance } from '../period/index.ts';
import { byId, GROUND, IDLER_COUNT, type Aim, type Machine } from '../machine/index.ts';
import { absolute, parseDecimal, type Rational, sign, toNumber } from '../rational/index.ts';
import { type Finding, finding, type Problem } from '../result/index.ts';
import { parseSpan, parseWanted, type Span, wantedRate } from '../units/index.ts';
import type { TrainRates } from '../train/index.ts';

/** How an aim stands. Rates are turns per turn of the drive; the wanted one is a size, without sign. */
export interface AimState {
  readonly status: 'no train' | 'no rate' | 'wrong sense' | 'missed' | 'met';
  readonly wanted: Rational | undefined;
  readonly achieved: Rational | undefined;
  /** Achieved / wanted − 1 by size, exact. */
  readonly error: Rational | undefined;
  /** Drift in degrees over the span of the tolerance, signed, exact. */
  readonly drift: Rational | undefined;
  readonly toleranceDegrees: Rational | undefined;
  readonly span: Span | undefined;
  readonly problem: Problem | undefined;
}

/** Weighs an aim against the rates that the meshes give. */
export function aimState(aim: Aim, train: TrainRates, driveSeconds: Rational | undefined): AimState {
  const wanted = parseWanted(aim.wanted);
  const rate = wanted.ok ? wantedRate(wanted.value, driveSeconds) : wanted;
  const span = parseSpan(aim.tolerance.over);
  const degrees = parseDecimal(aim.tolerance.degrees);
  const base = {
    wanted: rate.ok ? rate.value : undefined,
    toleranceDegrees: degrees.ok ? absolute(degrees.value) : undefined,
    span: span.ok ? span.value : undefined,
    problem: rate.ok ? undefined : rate.problem,
  };
  const achieved = aim.member === undefined ? undefined : train.rates[aim.member];
  const nothing = { achieved, error: undefined, drift: undefined };
  if (aim.member === undefined) return { ...base, ...nothing, status: 'no train' };
  if (!achieved || sign(achieved) === 0 || !base.wanted) return { ...base, ...nothing, status: 'no rate' };
  const error = rateError(absolute(achieved), base.wanted);
  const drift = base.span && driftDegrees(error, base.wanted, base.span, driveSeconds);
  const within =
    drift !== undefined &&
    base.toleranceDegrees !== undefined &&
    withinTolerance(drift, base.toleranceDegrees);
  const status = wrongSense(aim, achieved) ? 'wrong sense' : within ? 'met' : 'missed';
  return { ...base, achieved, error, drift, status };
}

function wrongSense(aim: Aim, achieved: Rational): boolean {
  if (aim.sense === 'either') return false;
  return sign(achieved) !== (aim.sense === 'with the drive' ? 1 : -1);
}

/** What an aim's state asks of the maker. */
export function aimFindings(aim: Aim, state: AimState, machine: Machine): Finding[] {
  if (aim.frame !== GROUND) return [finding('aim-frame-not-solved', 'note', 'aims', [aim.id])];
  if (state.problem)
    return [finding('aim-unreadable', 'warn', 'aims', [aim.id], { problem: state.problem.code })];
  switch (state.status) {
    case 'no train':
      return [finding('aim-without-train', 'note', 'counts', [aim.id])];
    case 'no rate':
      return [finding('aim-without-rate', 'warn', 'train', [aim.id])];
    case 'wrong sense': {
      const mesh = swingingMesh(machine, aim.member);
      const fixes = mesh === undefined ? [] : [{ code: 'insert-idler', subject: mesh, value: IDLER_COUNT }];
      return [finding('wrong-sense', 'stop', 'train', [aim.id], {}, fixes)];
    }
    case 'missed': {
      if (state.drift === undefined) return [finding('tolerance-needs-period', 'note', 'aims', [aim.id])];
      const data = {
        drift: toNumber(state.drift),
        limit: toNumber(state.toleranceDegrees ?? absolute(state.drift)),
      };
      return [finding('aim-missed', 'warn', 'counts', [aim.id], { ...data, over: aim.tolerance.over })];
    }
    case 'met':
      return [];
  }
}

/**
 * The mesh that drives an arbor, when an axis hangs on it and can move away to let an idler in. Between two fixed axes there is
 * no room for one: there the search must find other counts.
 */
function swingingMesh(machine: Machine, member: string | undefined): string | undefined {
  const hung = new Set(machine.axes.flatMap(a => (a.place.kind === 'mesh' ? [a.place.joint] : [])));
  return machine.joints.find(
    j =>
      j.kind === 'mesh' &&
      j.type === 'external' &&
      hung.has(j.id) &&
      byId(machine.wheels, j.b)?.member === member,
  )?.id;
}
