import type { Derived, Slack } from '../state/index.ts';
import { byId, meshes } from '../../document/machine/index.ts';
import { figure, mm, sayTime } from '../../ground/units/index.ts';
import type { Working } from './working.ts';

/** How the lost motion of an output is added up along its train. `named` gives a mesh its name. */
export function lostMotionWorking(
  derived: Pick<Derived, 'machine' | 'meshes' | 'wheels'>,
  slack: Slack,
  named: (mesh: string) => string,
): Working {
  const steps = slack.meshes.map(({ mesh, times, degrees }) => {
    const wheel = byId(derived.machine.wheels, byId(meshes(derived.machine), mesh)?.b);
    const radius = derived.wheels[wheel?.id ?? '']?.dimensions.pitchRadius ?? 0;
    const play = derived.meshes[mesh]?.play ?? 0;
    return `${named(mesh)}: ${mm(play, 3)} / ${mm(radius)} · 57.296° · ${figure(times, 4)} = ${figure(degrees, 3)}°`;
  });
  const own = slack.seconds === undefined ? [] : [`as time shown: ${sayTime(slack.seconds)}`];
  const way = slack.metres === undefined ? [] : [`as way counted: ${figure(slack.metres, 3)} m`];
  return {
    title: 'Lost motion',
    formula: 'λ = Σ j / r · 180°/π · s',
    values: [
      { symbol: 'j', meaning: 'play of each mesh along its pitch circle', value: 'below' },
      { symbol: 'r', meaning: 'pitch radius of the wheel it is measured at', value: 'below' },
      { symbol: 's', meaning: 'how far the output moves for that wheel’s motion', value: 'below' },
    ],
    steps: [...steps, ...own, ...way],
    result: `${figure(slack.total, 3)}°`,
    source: 'conventions 13; derived from the arcs',
  };
}
