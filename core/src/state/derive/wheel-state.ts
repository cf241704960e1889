import { type Machine, moduleOf } from '../../document/machine/index.ts';
import { cosDeg } from '../../ground/units/index.ts';
import { finding, type Result, table } from '../../ground/result/index.ts';
import {
  type Circles,
  involuteDimensions,
  ringDimensions,
  type TeethSpec,
  toothFigure,
  type ToothFigure,
} from '../../teeth/tooth/index.ts';
import type { ModuleTable, WheelState } from '../state/index.ts';
import { teethSpec } from './teeth-spec.ts';

type Parts = Pick<Machine, 'wheels' | 'joints' | 'toothings'>;

/** The modules of every toothing: normal as said, and across the axis. */
export function moduleTable(machine: Parts): ModuleTable {
  const modules: Record<string, number> = table();
  const normal: Record<string, number> = table();
  const findings = [];
  for (const t of machine.toothings) {
    const m = moduleOf(t, machine);
    if (m.ok) {
      normal[t.id] = m.value;
      modules[t.id] = m.value / cosDeg(t.helixDeg ?? 0);
    } else findings.push(finding('no-module', 'warn', 'teeth', [t.id], { problem: m.problem }));
  }
  return { modules, normal, findings };
}

/** Teeth of every wheel. Figures with an unchanged key are taken from before. */
export function wheelStates(
  machine: Parts,
  sizes: ModuleTable,
  chordError: number,
  before: Readonly<Record<string, WheelState>> | undefined,
): Readonly<Record<string, WheelState>> {
  const known = new Map(Object.values(before ?? {}).map(s => [s.key, s] as const));
  const states: Record<string, WheelState> = table();
  for (const wheel of machine.wheels) {
    const teeth = teethSpec(machine, sizes, wheel);
    if (!teeth) continue;
    const key = JSON.stringify([teeth, chordError]);
    const state = known.get(key) ?? stateOf(teeth, chordError, key);
    known.set(key, state);
    states[wheel.id] = state;
  }
  return states;
}

function stateOf(teeth: TeethSpec, chordError: number, key: string): WheelState {
  const figure = toothFigure(teeth, chordError);
  const spec = teeth.family === 'involute' ? teeth.spec : undefined;
  return {
    ...{ teeth, spec, figure, key },
    involute: spec && involuteDimensions(spec),
    dimensions: circlesOf(teeth, figure),
    outline: figure.ok ? { ok: true, value: figure.value.outline } : figure,
  };
}

/** The circles, also of teeth that cannot be drawn, as far as they are known. */
function circlesOf(teeth: TeethSpec, figure: Result<ToothFigure>): Circles {
  if (figure.ok) return figure.value;
  if (teeth.family === 'involute') return involuteDimensions(teeth.spec);
  if (teeth.family === 'involute ring') return ringDimensions(teeth.spec);
  const pitch = pitchRadiusOf(teeth);
  return { pitchRadius: pitch, tipRadius: pitch, rootRadius: pitch };
}

function pitchRadiusOf(teeth: TeethSpec): number {
  switch (teeth.family) {
    case 'pins':
    case 'pegs':
    case 'magnets':
      return 'pitchRadius' in teeth ? teeth.pitchRadius : teeth.spec.pitchRadius;
    case 'reducer disc':
    case 'reducer pins':
    case 'reducer lobes':
      return teeth.spec.pinCircleRadius;
    case 'cycloidal':
    case 'lantern wheel':
    case 'involute':
    case 'involute ring':
    case 'involute rack':
    case 'bevel':
      return (teeth.spec.module * teeth.spec.count) / 2;
  }
}
