import { type Finding, finding, fix } from '../../ground/result/index.ts';
import { type ArmParts, bodyArmOf, bodyBalance, type BodyIndicator } from '../../place/indicator/index.ts';
import type { Machine } from '../../document/machine/index.ts';

/** By how much of what it should balance a counterweight may be off (our choice). */
const OFF = 0.05;

/** Arms of bodies that are too short to be bent as is said, and counterweights that do not balance them. */
export function armFindings(parts: ArmParts & { readonly indicators: Machine['indicators'] }): Finding[] {
  return parts.indicators.flatMap((i): Finding[] => (i.kind === 'body' ? oneArm(parts, i) : []));
}

function oneArm(parts: ArmParts, i: BodyIndicator): Finding[] {
  const found: Finding[] = [];
  const { lift = 0 } = i;
  if (i.bent && lift > 0 && !bodyArmOf(parts, i).bend)
    found.push(finding('arm-not-bent', 'warn', 'run', [i.id], { lift }, [fix('not-bent', i.id)]));
  const balance = bodyBalance(parts, i);
  if (balance && Math.abs(balance.weight - balance.out) > OFF * balance.out) {
    const { out, weight, known } = balance;
    const height = Math.round(100 * balance.height) / 100;
    found.push(
      finding('out-of-balance', 'note', 'run', [i.id], { out, weight, known }, [
        fix('set-weight-height', i.id, height),
      ]),
    );
  }
  return found;
}
