import type { Derived } from '../../state/state/index.ts';
import { meshes } from '../../document/machine/index.ts';
import {
  centreWorking,
  contactWorking,
  heightWorking,
  lostMotionWorking,
  pathFromDrive,
  ratioWorking,
  type Working,
} from '../../state/working/index.ts';
import type { Severity } from '../../ground/result/index.ts';
import { nameOf, sayFinding } from '../words/index.ts';

/**
 * All the working of a machine as text: ratios and drift of every output, centres and contact of every mesh,
 * heights, lost motion, and what was found.
 */
export function workingText(derived: Derived): string {
  const { machine } = derived;
  const parts: string[] = [`${machine.name}: the working`, ''];
  const add = (of: string, working: Working | undefined): void => {
    if (working) parts.push(...sayWorking(of, working), '');
  };
  for (const aim of machine.aims) {
    const state = derived.aims[aim.id];
    const stages = aim.member === undefined ? undefined : pathFromDrive(machine, aim.member);
    if (!state?.wanted || !stages) continue;
    const { driveSeconds, driveMetres } = derived;
    add(
      aim.name,
      ratioWorking({
        stages,
        wanted: state.wanted,
        driveSeconds,
        driveMetres,
        span: state.span,
        spanText: aim.tolerance.over,
      }),
    );
  }
  for (const mesh of meshes(machine)) {
    const state = derived.meshes[mesh.id];
    if (!state) continue;
    const name = nameOf(machine, mesh.id);
    add(name, state.pair && centreWorking(state.pair, mesh.spread ?? 0));
    add(name, contactWorking(state));
  }
  if (machine.wheels.length > 0) add('Elevation', heightWorking(derived));
  for (const aim of machine.aims) {
    const slack = aim.member === undefined ? undefined : derived.slack[aim.member];
    if (slack && aim.member !== undefined)
      add(
        aim.name,
        lostMotionWorking(derived, slack, mesh => nameOf(machine, mesh)),
      );
  }
  parts.push('What was found', '');
  if (derived.findings.length === 0) parts.push('Nothing.');
  for (const f of derived.findings) {
    const said = sayFinding(f, machine);
    parts.push(`- ${said.title} (${SAID[f.severity]}). ${said.why}${said.advice ? ` ${said.advice}` : ''}`);
  }
  return `${parts.join('\n')}\n`;
}

/** Severities as the screen says them. */
const SAID: { readonly [S in Severity]: string } = { stop: 'mend', warn: 'look', note: 'note' };

/** One working as lines of text. */
function sayWorking(of: string, w: Working): string[] {
  const title = `${of}: ${w.title}`;
  return [
    title,
    '-'.repeat(Math.min(78, title.length)),
    `  ${w.formula}`,
    ...w.values.map(v => `  ${v.symbol} = ${v.value}  (${v.meaning})`),
    ...w.steps.map(s => `  ${s}`),
    `  Result: ${w.result}`,
    `  Source: ${w.source}`,
  ];
}
