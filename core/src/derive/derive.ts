import { assemblyFindings, axisPositions, layoutParts, layoutState, wheelPhases } from '../layout/index.ts';
import { type Finding, finding } from '../result/index.ts';
import { isZero, type Rational, sign, toNumber } from '../rational/index.ts';
import type { Machine } from '../machine/index.ts';
import { indicatorFindings } from '../indicator/index.ts';
import { movingOf } from '../motion/index.ts';
import { CHORD_ERROR } from '../tooth/index.ts';
import { driveFlow, groundRate, inMode, trainRates } from '../train/index.ts';
import { type DriveFacts, parsePeriod, parseTravel } from '../units/index.ts';
import { aimFindings, aimState, isCarried } from './aim-state.ts';
import { closureFixes } from './closure.ts';
import type { Derived, Stages } from './derived.ts';
import { extentsOf } from './extents.ts';
import { makeFindings } from './make-findings.ts';
import { distancesOf, meshStates } from './mesh-state.ts';
import { slackFindings, slackOf } from './slack.ts';
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
  const old: Partial<Stages> = before?.stages ?? {};
  const drive = stage(old.drive, [machine.drive, machine.modes, machine.mode], () =>
    driveFacts(inMode(machine)),
  );
  const standing = inMode(machine);
  const { modes, mode } = machine;
  const train = stage(old.train, [axes, members, wheelList, joints, machine.drive?.member, modes, mode], () =>
    trainRates(machine),
  );
  const assembly = stage(old.assembly, [axes, members, wheelList, joints], () => assemblyFindings(machine));
  const modules = stage(old.modules, [toothings, wheelList, joints], () => moduleTable(machine));
  const wheels = stage(old.wheels, [modules.value, chordError], () =>
    wheelStates(machine, modules.value, chordError, old.wheels?.value),
  );
  const meshes = stage(old.meshes, [wheels.value], () => meshStates(machine, modules.value, wheels.value));
  const positions = stage(old.positions, [axes, members, meshes.value], () =>
    axisPositions(machine, distancesOf(machine, modules.value, meshes.value)),
  );
  const closed = stage(old.closed, [positions.value, modules.value], () =>
    positions.value.findings.map(f =>
      f.code === 'centres-disagree' ? closureFixes(machine, modules.value, meshes.value, f) : f,
    ),
  );
  const phases = stage(old.phases, [positions.value, wheelList, joints], () =>
    wheelPhases(machine, positions.value.at),
  );
  const moving = stage(old.moving, [positions.value, train.value, wheelList, machine.drive?.turns], () =>
    movingOf(machine, train.value, positions.value.at),
  );
  const free = stage(old.standsFor, [aimList, train.value, drive.value], () =>
    drive.value.seconds ? undefined : standsFor(aimList, train.value),
  );
  const aims = stage(old.aims, [aimList, train.value, drive.value], () => {
    const carried = (a: (typeof aimList)[number]): boolean => isCarried(machine, a.member);
    const { rates } = train.value;
    const weighed = ({ member, seenFrom }: (typeof aimList)[number]): Rational | undefined =>
      member === undefined ? undefined : seenFrom ? rates[member] : groundRate(machine, rates, member);
    const facts = { ...drive.value, seconds: drive.value.seconds ?? free.value };
    return Object.fromEntries(aimList.map(a => [a.id, aimState(a, weighed(a), facts, carried(a))]));
  });
  const flow = stage(old.flow, [wheelList, joints, standing.drive?.member], () => driveFlow(standing));
  const { processes, process, making, materials } = machine;
  const teeth = stage(
    old.teeth,
    [wheels.value, meshes.value, flow.value, train.value, processes, process, making],
    () =>
      teethFindings({
        machine,
        wheels: wheels.value,
        meshes: meshes.value,
        flow: flow.value,
        senses: Object.fromEntries(Object.entries(train.value.rates).map(([id, r]) => [id, sign(r)])),
      }),
  );
  const slack = stage(old.slack, [aims.value, meshes.value, flow.value, train.value, drive.value], () => {
    const { rates } = train.value;
    return Object.fromEntries(
      aimList.flatMap(a => {
        const of =
          a.member && slackOf(standing, flow.value, a.member, rates, wheels.value, meshes.value, drive.value);
        return a.member && of ? [[a.member, of] as const] : [];
      }),
    );
  });
  const extents = stage(old.extents, [wheels.value], () =>
    extentsOf(machine, wheels.value, modules.value.modules),
  );
  const { layout: laid, stack, indicators } = machine;
  const layout = stage(
    old.layout,
    [
      positions.value,
      extents.value,
      train.value,
      members,
      laid,
      stack,
      aimList,
      indicators,
      machine.process,
      machine.processes,
      machine.making,
    ],
    () => {
      const { rates, responses } = train.value;
      const uneven = new Set(Object.keys(responses));
      return layoutState(layoutParts(machine, { rates, uneven, at: positions.value.at }, extents.value));
    },
  );
  const made = stage(
    old.made,
    [wheels.value, layout.value, stack, processes, process, making, materials],
    () => makeFindings(machine, wheels.value, layout.value),
  );
  const shown = stage(old.shown, [train.value, indicators, machine.drive, members], () =>
    indicatorFindings({ machine, rates: train.value.rates }),
  );
  const stages: Stages = {
    ...{ drive, standsFor: free, train, modules, wheels, meshes, positions, phases, aims, teeth },
    ...{ closed, extents, layout, assembly, moving, flow, slack, shown, made },
  };
  const findings = [
    ...driveFindings(standing, drive.value),
    ...aimList.flatMap(a => {
      const state = aims.value[a.id];
      return state ? aimFindings(a, state, machine) : [];
    }),
    ...train.value.findings,
    ...assembly.value,
    ...modules.value.findings,
    ...teeth.value,
    ...slackFindings(machine, aims.value, member => slack.value[member]),
    ...closed.value,
    ...phases.value.findings,
    ...shown.value,
    ...layout.value.findings,
    ...made.value,
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
    moving: moving.value,
    aims: aims.value,
    flow: flow.value,
    slack: slack.value,
    extents: extents.value,
    layout: layout.value,
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

/** Turns a minute that a hand manages for a short time (common practice, no source). */
export const HAND_RPM = 100;

function driveFindings({ drive, aims }: Machine, { seconds }: DriveFacts): Finding[] {
  const found: Finding[] = [];
  const aimed = aims.find(a => a.member !== undefined && a.member === drive?.member);
  if (aimed) found.push(finding('aim-on-drive', 'warn', 'aims', [aimed.id]));
  const rpm = seconds && !isZero(seconds) ? 60 / Math.abs(toNumber(seconds)) : 0;
  if (drive?.by === 'hand' && rpm > HAND_RPM * (1 + 1e-9))
    found.push(finding('too-fast-for-hand', 'warn', 'aims', [drive.member], { rpm, most: HAND_RPM }));
  return found;
}
