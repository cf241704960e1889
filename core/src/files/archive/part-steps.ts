import { fusedParts, onePieces } from '../../place/layout/index.ts';
import type { Derived } from '../../state/state/index.ts';
import { type Path, turnedOver } from '../../ground/geometry/index.ts';
import { byId, processOf } from '../../document/machine/index.ts';
import { problem } from '../../ground/result/index.ts';
import { hubAtBack } from '../../making/solid/index.ts';
import { diameterOf, type FlatPart, flatParts, type LeftPart } from '../../making/workshop/index.ts';
import { bossOf, type Prism, writeStep } from '../format/index.ts';

/**
 * Every flat part as a STEP file of its own, by its name, as it should measure; and what is left out of them, with why.
 */
export function partSteps(derived: Derived): {
  readonly files: readonly (readonly [name: string, step: string])[];
  readonly left: readonly LeftPart[];
} {
  const ones = onePieces(derived.machine, derived.layout.pieces);
  const fused = fusedParts(ones);
  const left: LeftPart[] = ones.map(one => ({
    name: `${one.name}, one piece, as STEP`,
    problem: problem('step-one-piece'),
  }));
  const files = flatParts(derived).parts.flatMap((part): [string, string][] => {
    if (fused.has(part.id)) return [];
    const prism = prismOf(derived, part);
    if ('problem' in prism) {
      left.push(prism);
      return [];
    }
    if (part.hub?.drill !== undefined)
      left.push({ name: `${part.name}, as STEP`, problem: problem('step-without-tap') });
    return [[part.name, writeStep(prism)]];
  });
  return { files, left };
}

/** Whether something is made, and only no STEP file holds it. */
export const lacksStepOnly = ({ problem: { code } }: LeftPart): boolean => code.startsWith('step-');

/**
 * A flat part as a prism, a printed hub on it; one with its hub at the back lies on its front face, turned over about
 * x. Not what is no prism: teeth that lean, an arm that is bent up, a hub over openings or on a piece of a wheel.
 */
function prismOf({ machine }: Derived, part: FlatPart): Prism | LeftPart {
  const { name, outline, holes, thickness, hub } = part;
  const not = (code: 'step-without-hub' | 'step-leaning' | 'step-bent'): LeftPart => ({
    name: `${name}, as STEP`,
    problem: problem(code),
  });
  const wheel = byId(machine.wheels, part.id);
  const leans = (byId(machine.toothings, wheel?.toothing)?.helixDeg ?? 0) > 0;
  if (leans && processOf(machine, part.id)?.kind === 'printer') return not('step-leaning');
  if (part.raised) return not('step-bent');
  if (hub && hub.pieces > 1) return not('step-without-hub');
  const over = (p: Path): Path => (wheel && hubAtBack(machine, wheel) ? turnedOver(p) : p);
  const radius = hub && (diameterOf(hub.outline) ?? 0) / 2;
  const prism: Prism = {
    ...{ name, outline: over(outline), holes: holes.map(over), height: thickness },
    ...(hub && radius && { boss: { radius, height: hub.height } }),
  };
  return bossOf(prism) === false ? not('step-without-hub') : prism;
}
