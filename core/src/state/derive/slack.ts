import { type Aim, byId, type Machine, meshes } from '../../document/machine/index.ts';
import { absolute, isZero, type Rational, toNumber } from '../../ground/rational/index.ts';
import { type Finding, finding } from '../../ground/result/index.ts';
import type { PlayShare } from '../../trains/train/index.ts';
import { degrees, type DriveFacts } from '../../ground/units/index.ts';
import type { AimState, MeshState, Slack, WheelState } from '../state/index.ts';

/**
 * Lost motion of an arbor against the drive: play over the pitch radius of the wheel it is measured at, times how far
 * the output moves for that wheel's motion, for every mesh that it feels, those of planetary sets included (conventions
 * 13). Meshes without teeth in a plane count nothing.
 */
export function slackOf(
  machine: Pick<Machine, 'wheels' | 'joints'>,
  member: string,
  rates: Readonly<Record<string, Rational>>,
  shares: readonly PlayShare[],
  wheels: Readonly<Record<string, WheelState>>,
  states: Readonly<Record<string, MeshState>>,
  drive: DriveFacts,
): Slack | undefined {
  const out = rates[member];
  if (!out || isZero(out)) return undefined;
  const found = shares.flatMap(({ mesh: id, share }) => {
    const state = states[id];
    const wheel = byId(machine.wheels, byId(meshes(machine), id)?.b);
    const radius = wheel && wheels[wheel.id]?.dimensions.pitchRadius;
    if (!state || !radius) return [];
    const times = toNumber(share);
    return [{ mesh: id, times, degrees: degrees(Math.max(0, state.play) / radius) * times }];
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
