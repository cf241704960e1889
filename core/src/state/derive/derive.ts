import { assemblyFindings } from '../../place/layout/index.ts';
import type { Machine } from '../../document/machine/index.ts';
import { CHORD_ERROR } from '../../teeth/tooth/index.ts';
import { type Derived, type Stages, pick, stage } from '../state/index.ts';
import { derivedFrom } from './derived-from.ts';
import { driveFindings, untoldFindings } from '../judge/index.ts';
import * as make from './stages.ts';
import { moduleTable } from './wheel-state.ts';

/**
 * Everything a screen shows of a machine: document → rates → centres → outlines → checks → findings. Pure. Given what
 * was derived before, each stage is made anew only when something it is made from is another value. A stage is given
 * what it declares here and nothing else.
 */
export function derive(m: Machine, before?: Derived, chordError = CHORD_ERROR): Derived {
  const old: Partial<Stages> = before?.stages ?? {};
  const placing = pick(m, 'axes', 'members', 'wheels', 'joints');
  const toothed = pick(m, 'wheels', 'joints', 'toothings');
  const tools = pick(m, 'processes', 'process', 'making');

  // Rates.
  const mode = stage(old.mode, pick(m, 'drive', 'modes', 'mode', 'members', 'joints'), make.standingStage);
  const standing = mode.value;
  const now = { joints: standing.joints, driven: standing.drive?.member };
  const drive = stage(old.drive, { drive: standing.drive }, make.driveStage);
  const stated = { ...pick(m, 'modes', 'mode'), driven: m.drive?.member };
  const train = stage(old.train, { ...placing, ...stated }, make.trainStage);
  const flow = stage(old.flow, { ...pick(m, 'wheels'), ...now }, make.flowStage);
  const weighed = { ...pick(m, 'aims'), train: train.value, drive: drive.value };
  const standsFor = stage(old.standsFor, weighed, make.standsForStage);
  const carried = pick(m, 'axes', 'members');
  const aimed = { ...carried, ...weighed, standsFor: standsFor.value };
  const aims = stage(old.aims, aimed, make.aimStage);

  // Centres and outlines: teeth decide the distances, and these the places.
  const modules = stage(old.modules, toothed, moduleTable);
  const sized = { ...toothed, modules: modules.value };
  const wheels = stage(old.wheels, { ...sized, chordError }, make.wheelStage);
  const states = wheels.value;
  const meshes = stage(old.meshes, { ...sized, states }, make.meshStage);
  const centred = { ...sized, meshes: meshes.value };
  const positions = stage(old.positions, { ...carried, ...centred }, make.positionStage);
  const placed = { train: train.value, positions: positions.value };
  const meshing = { ...pick(m, 'members', 'wheels', 'joints'), positions: positions.value };
  const phases = stage(old.phases, meshing, make.phaseStage);
  const clockwise = m.drive?.turns === 'clockwise';
  const moving = stage(old.moving, { ...placing, ...placed, clockwise }, make.movingStage);
  const filled = { ...pick(m, 'wheels'), states, modules: modules.value };
  const extents = stage(old.extents, filled, make.extentStage);
  const laid = { ...placing, ...pick(m, 'stack', 'layout', 'aims', 'indicators'), ...tools };
  const layout = stage(old.layout, { ...laid, ...placed, extents: extents.value }, make.layoutStage);

  // Checks.
  const driving = { train: train.value, flow: flow.value, states, meshes: meshes.value };
  const lost = { ...pick(m, 'aims', 'wheels', 'members'), ...now, ...driving, drive: drive.value };
  const slack = stage(old.slack, lost, make.slackStage);
  const judged = { ...placing, ...pick(m, 'aims'), states: aims.value };
  const play = { ...pick(m, 'aims'), states: aims.value, slack: slack.value };
  const made = { ...pick(m, 'wheels', 'toothings', 'stack', 'materials'), ...tools, states };
  const shown = { ...carried, ...pick(m, 'indicators', 'drive', 'aims'), train: train.value };
  const spoken = { drive: standing.drive, ...pick(m, 'aims'), facts: drive.value };
  const checks = {
    driven: stage(old.driven, spoken, driveFindings),
    aimed: stage(old.aimed, judged, make.aimFindingStage),
    untold: stage(old.untold, pick(m, 'joints'), untoldFindings),
    assembly: stage(old.assembly, placing, assemblyFindings),
    teeth: stage(old.teeth, { ...toothed, ...tools, ...driving }, make.teethStage),
    played: stage(old.played, play, make.slackFindingStage),
    closed: stage(old.closed, { ...centred, positions: positions.value }, make.closedStage),
    shown: stage(old.shown, shown, make.shownStage),
    made: stage(old.made, { ...made, layout: layout.value }, make.madeStage),
  };
  const known = { drive, standsFor, train, modules, wheels, meshes, positions, phases, aims };
  return derivedFrom(m, chordError, { mode, ...known, flow, moving, slack, extents, layout, ...checks });
}
