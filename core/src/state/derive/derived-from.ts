import type { Finding } from '../../ground/result/index.ts';
import type { Machine } from '../../document/machine/index.ts';
import type { Derived, Stages } from '../state/index.ts';

/** All findings in the order of the work; asks every stage that judges. */
const findingsOf = (s: Stages): readonly Finding[] => [
  ...s.driven.value,
  ...s.aimed.value,
  ...s.train.value.findings,
  ...s.untold.value,
  ...s.linked.value,
  ...s.assembled.value,
  ...s.assembly.value,
  ...s.modules.value.findings,
  ...s.teeth.value,
  ...s.played.value,
  ...s.closed.value,
  ...s.phases.value.findings,
  ...s.shown.value,
  ...s.crossed.value,
  ...s.layout.value.findings,
  ...s.made.value,
];

/** What the stages make, by name: each when it is first read. */
export function derivedFrom(machine: Machine, chordError: number, stages: Stages): Derived {
  const s = stages;
  let findings: readonly Finding[] | undefined;
  return {
    ...{ machine, chordError, stages },
    get findings() {
      return (findings ??= findingsOf(s));
    },
    get driveMetres() {
      return s.drive.value.metres;
    },
    get driveSeconds() {
      return s.drive.value.seconds;
    },
    get standsFor() {
      return s.standsFor.value;
    },
    get train() {
      return s.train.value;
    },
    get wheels() {
      return s.wheels.value;
    },
    get meshes() {
      return s.meshes.value;
    },
    get modules() {
      return s.modules.value.modules;
    },
    get positions() {
      return s.positions.value;
    },
    get phases() {
      return s.phases.value;
    },
    get racks() {
      return s.racks.value;
    },
    get moving() {
      return s.moving.value;
    },
    get aims() {
      return s.aims.value;
    },
    get flow() {
      return s.flow.value;
    },
    get slack() {
      return s.slack.value;
    },
    get extents() {
      return s.extents.value;
    },
    get layout() {
      return s.layout.value;
    },
  };
}
