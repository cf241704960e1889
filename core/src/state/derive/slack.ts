import { type Aim, axisOfWheel, byId, type Machine, meshes } from '../../document/machine/index.ts';
import { absolute, isZero, type Rational, toNumber } from '../../ground/rational/index.ts';
import { type Finding, finding } from '../../ground/result/index.ts';
import { type DriveFlow, wayTo } from '../../trains/train/index.ts';
import { degrees, type DriveFacts } from '../../ground/units/index.ts';
import type { AimState, MeshState, Slack, WheelState } from '../state/index.ts';

/**
 * Lost motion of an arbor against the drive: play over the pitch radius of the wheel it is measured at, times how
 * much faster the output turns than that wheel, for every mesh on the way (conventions 13). Meshes without teeth in
 * a plane count nothing.
 */
export function slackOf(
  machine: Pick<Machine, 'wheels' | 'members' | 'joints'>,
  driven: string | undefined,
  flow: DriveFlow,
  member: string,
  rates: Readonly<Record<string, Rational>>,
  wheels: Readonly<Record<string, WheelState>>,
  states: Readonly<Record<string, MeshState>>,
  drive: DriveFacts,
): Slack | undefined {
  const way = driven === undefined ? undefined : wayTo(flow, member, driven);
  const out = rates[member];
  if (!way || !out || isZero(out)) return undefined;
  const found = way.flatMap(id => {
    const mesh = byId(meshes(machine), id);
    const state = states[id];
    const wheel = byId(machine.wheels, mesh?.b);
    const radius = wheel && wheels[wheel.id]?.dimensions.pitchRadius;
    const rate = wheel && axisOfWheel(machine, wheel) !== undefined ? rates[wheel.member] : undefined;
    if (!mesh || !state || !radius || !rate) return [];
    if (isZero(out) || isZero(rate)) return [];
    const faster = Math.abs(toNumber(out)) / Math.abs(toNumber(absolute(rate)));
    return [{ mesh: id, degrees: degrees(Math.max(0, state.play) / radius) * faster }];
  });
  const total = found.reduce((sum, f) => sum + f.degrees, 0);
  const perTurn = total / 360 / Math.abs(toNumber(out));
  const [seconds, metres] = [drive.seconds, drive.metres].map(d => d && toNumber(absolute(d)) * perTurn);
  return { meshes: found, total, seconds, metres };
}

/** Outputs whose hands may stand further off for want of play alone than their tolerance allows. */
export function slackFindings(
  aims: readonly Aim[],
  states: Readonly<Record<string, AimState>>,
  slack: Readonly<Record<string, Slack>>,
): Finding[] {
  return aims.flatMap(aim => {
    const state = states[aim.id];
    const found = aim.member === undefined ? undefined : slack[aim.member];
    const limit = state?.toleranceDegrees && toNumber(state.toleranceDegrees);
    if (!found || limit === undefined || found.total <= limit) return [];
    const most = found.meshes.reduce((m, f) => (f.degrees > m.degrees ? f : m), { mesh: '', degrees: 0 });
    const subjects = most.mesh === '' ? [aim.id] : [aim.id, most.mesh];
    return [
      finding('slack-exceeds', 'note', 'teeth', subjects, { total: found.total, limit, most: most.degrees }),
    ];
  });
}
