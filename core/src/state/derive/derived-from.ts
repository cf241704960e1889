import type { Machine } from '../../document/machine/index.ts';
import type { Derived, Stages } from '../state/index.ts';

/** What the stages made, by name, and all findings in the order of the work. */
export function derivedFrom(machine: Machine, chordError: number, stages: Stages): Derived {
  const s = stages;
  const findings = [
    ...s.driven.value,
    ...s.aimed.value,
    ...s.train.value.findings,
    ...s.untold.value,
    ...s.assembly.value,
    ...s.modules.value.findings,
    ...s.teeth.value,
    ...s.played.value,
    ...s.closed.value,
    ...s.phases.value.findings,
    ...s.shown.value,
    ...s.layout.value.findings,
    ...s.made.value,
  ];
  return {
    ...{ machine, chordError, findings, stages },
    driveSeconds: s.drive.value.seconds,
    standsFor: s.standsFor.value,
    train: s.train.value,
    wheels: s.wheels.value,
    meshes: s.meshes.value,
    modules: s.modules.value.modules,
    positions: s.positions.value,
    phases: s.phases.value,
    moving: s.moving.value,
    aims: s.aims.value,
    flow: s.flow.value,
    slack: s.slack.value,
    extents: s.extents.value,
    layout: s.layout.value,
  };
}
