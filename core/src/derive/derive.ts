import { axisPositions, clearanceFindings, wheelPhases } from '../layout/index.ts';
import { type Finding, finding } from '../result/index.ts';
import type { Machine } from '../machine/index.ts';
import { CHORD_ERROR } from '../tooth/index.ts';
import { trainRates } from '../train/index.ts';
import { type DriveFacts, parsePeriod, parseTravel } from '../units/index.ts';
import { aimFindings, aimState, isCarried } from './aim-state.ts';
import type { Derived, Stages } from './derived.ts';
import { distancesOf, meshStates } from './mesh-state.ts';
import { stage } from './stage.ts';
import { standsFor } from './stands-for.ts';
import { teethFindings } from './teeth-findings.ts';
import { moduleTable, wheelStates } from './wheel-state.ts';

/**
 * Everything a screen shows of a machine: document → rates → centres → outlines → checks → findings. Pure. Given what
 * was derived before, each stage is made anew only when something it is made from is another value.
 */
export function derive(machine: Machine, before?: Derived, chordError = CHORD_ERROR): Derived {
  const { axes, members, toothings, wheels: wheelList, joints, aims: aimList } = machine;
  const old = before?.stages;
  const drive = stage(old?.drive, [machine.drive?.speed, machine.drive?.travel], () => driveFacts(machine));
  const train = stage(old?.train, [axes, members, wheelList, joints, machine.drive?.member], () =>
    trainRates(machine),
  );
  const modules = stage(old?.modules, [toothings, wheelList, joints], () => moduleTable(machine));
  const wheels = stage(old?.wheels, [modules.value, chordError], () =>
    wheelStates(machine, modules.value, chordError, old?.wheels.value),
  );
  const meshes = stage(old?.meshes, [wheels.value], () => meshStates(machine, modules.value, wheels.value));
  const positions = stage(old?.positions, [axes, members, meshes.value], () =>
    axisPositions(machine, distancesOf(meshes.value)),
  );
  const phases = stage(old?.phases, [positions.value, wheelList, joints], () =>
    wheelPhases(machine, positions.value.at),
  );
  const free = stage(old?.standsFor, [aimList, train.value, drive.value], () =>
    drive.value.seconds ? undefined : standsFor(aimList, train.value),
  );
  const aims = stage(old?.aims, [aimList, train.value, drive.value], () => {
    const carried = (a: (typeof aimList)[number]): boolean => isCarried(machine, a.member);
    const facts = { ...drive.value, seconds: drive.value.seconds ?? free.value };
    return Object.fromEntries(aimList.map(a => [a.id, aimState(a, train.value, facts, carried(a))]));
  });
  const teeth = stage(old?.teeth, [wheels.value, meshes.value], () =>
    teethFindings(machine, wheels.value, meshes.value),
  );
  const clearance = stage(old?.clearance, [positions.value, wheels.value, members], () => {
    const tips = Object.fromEntries(
      Object.entries(wheels.value).map(([id, s]) => [id, s.dimensions.tipRadius]),
    );
    return clearanceFindings(machine, positions.value.at, tips);
  });
  const stages: Stages = {
    ...{ drive, standsFor: free, train, modules, wheels, meshes, positions, phases, aims, teeth },
    clearance,
  };
  const findings = [
    ...driveFindings(machine),
    ...aimList.flatMap(a => {
      const state = aims.value[a.id];
      return state ? aimFindings(a, state, machine) : [];
    }),
    ...train.value.findings,
    ...modules.value.findings,
    ...teeth.value,
    ...positions.value.findings,
    ...phases.value.findings,
    ...clearance.value,
  ];
  return {
    machine,
    chordError,
    driveSeconds: drive.value.seconds,
    standsFor: free.value,
    train: train.value,
    wheels: wheels.value,
    meshes: meshes.value,
    modules: modules.value.modules,
    positions: positions.value,
    phases: phases.value,
    aims: aims.value,
    findings,
    stages,
  };
}

function driveFacts({ drive }: Machine): DriveFacts {
  const seconds = drive?.speed.kind === 'period' ? parsePeriod(drive.speed.text) : undefined;
  const metres = drive?.travel === undefined ? undefined : parseTravel(drive.travel);
  return {
    seconds: seconds?.ok ? seconds.value : undefined,
    metres: metres?.ok ? metres.value : undefined,
  };
}

function driveFindings(machine: Machine): Finding[] {
  const aimed = machine.aims.find(a => a.member !== undefined && a.member === machine.drive?.member);
  return aimed ? [finding('aim-on-drive', 'warn', 'aims', [aimed.id])] : [];
}
