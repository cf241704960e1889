import { byId, type Machine } from '../../document/machine/index.ts';
import { absolute, isZero, mul, type Rational } from '../../ground/rational/index.ts';
import { table } from '../../ground/result/index.ts';
import { rateEquations } from './equations.ts';
import type { TrainParts } from './frames.ts';
import { solveRates } from './solve.ts';

/** How far a member moves, by size, for each unit by which a mesh's second wheel stands off its law. */
export interface PlayShare {
  readonly mesh: string;
  readonly share: Rational;
}

/**
 * For every member: the meshes whose play it feels while the drive stands still, planetary ones and those of held
 * wheels included, in the order of the joints. Every mesh's law Σ c·θ = δ carries its δ through the elimination, and
 * δ = c_b·φ where the second wheel is off by φ. The machine is taken as it stands in its mode. Exact.
 */
export function playShares(
  machine: TrainParts & Pick<Machine, 'drive'>,
): Readonly<Record<string, readonly PlayShare[]>> {
  const { equations } = rateEquations(machine);
  const bySource = new Map(equations.map(e => [e.source, e] as const));
  const isMesh = (source: string): boolean => byId(machine.joints, source)?.kind === 'mesh';
  const marked = equations.map(e => (isMesh(e.source) ? { ...e, uneven: true as const } : e));
  const members = [...new Set(equations.flatMap(e => e.terms.map(([id]) => id)))];
  const { responses } = solveRates(members, marked, machine.drive?.member);
  const order = new Map(machine.joints.map((j, i) => [j.id, i] as const));
  const shareOf = (mesh: string, coefficient: Rational): PlayShare[] => {
    const joint = byId(machine.joints, mesh);
    const member = joint?.kind === 'mesh' ? byId(machine.wheels, joint.b)?.member : undefined;
    const own = bySource.get(mesh)?.terms.find(([id]) => id === member)?.[1];
    return own && !isZero(own) ? [{ mesh, share: absolute(mul(coefficient, own)) }] : [];
  };
  return table(
    Object.entries(responses).map(
      ([member, response]) =>
        [
          member,
          response
            .flatMap(([source, coefficient]) => shareOf(source, coefficient))
            .sort((x, y) => (order.get(x.mesh) ?? 0) - (order.get(y.mesh) ?? 0)),
        ] as const,
    ),
  );
}
