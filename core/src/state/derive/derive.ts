/* eslint-disable @typescript-eslint/explicit-function-return-type -- inputs are typed by what takes them */
import type { Machine } from '../../document/machine/index.ts';
import { CHORD_ERROR } from '../../teeth/tooth/index.ts';
import { type Derived, type Stages, pick, stage } from '../state/index.ts';
import { derivedFrom } from './derived-from.ts';
import { checksOf } from './checks.ts';
import * as make from './stages.ts';
import { moduleTable } from './wheel-state.ts';

/**
 * Everything a screen shows of a machine: document → rates → centres → outlines → checks → findings. Pure. A stage is
 * given what it declares here and nothing else; it is made when it is first asked for, and, given what was derived
 * before, made anew only when something it is made from is another value.
 */
export function derive(m: Machine, before?: Derived, chordError = CHORD_ERROR): Derived {
  const old: Partial<Stages> = before?.stages ?? {};
  const placing = pick(m, 'axes', 'members', 'wheels', 'joints');
  const carried = pick(m, 'axes', 'members');
  const toothed = pick(m, 'wheels', 'joints', 'toothings');
  const tools = pick(m, 'processes', 'process', 'making');

  // Rates.
  const stands = () => pick(m, 'drive', 'modes', 'mode', 'members', 'joints');
  const mode = stage(old.mode, stands, make.standingStage);
  const now = () => ({ joints: mode.value.joints, driven: mode.value.drive?.member });
  const drive = stage(old.drive, () => ({ drive: mode.value.drive }), make.driveStage);
  const stated = { ...pick(m, 'modes', 'mode'), driven: m.drive?.member };
  const train = stage(old.train, () => ({ ...placing, ...stated }), make.trainStage);
  const flow = stage(old.flow, () => ({ ...pick(m, 'wheels'), ...now() }), make.flowStage);
  const weighed = () => ({ ...pick(m, 'aims'), train: train.value, drive: drive.value });
  const standsFor = stage(old.standsFor, weighed, make.standsForStage);
  const aimed = () => ({ ...carried, ...weighed(), standsFor: standsFor.value });
  const aims = stage(old.aims, aimed, make.aimStage);

  // Centres and outlines: teeth decide the distances, and these the places.
  const modules = stage(old.modules, () => toothed, moduleTable);
  const sized = () => ({ ...toothed, modules: modules.value });
  const wheels = stage(old.wheels, () => ({ ...sized(), chordError }), make.wheelStage);
  const meshes = stage(old.meshes, () => ({ ...sized(), states: wheels.value }), make.meshStage);
  const centred = () => ({ ...sized(), meshes: meshes.value });
  const positions = stage(old.positions, () => ({ ...carried, ...centred() }), make.positionStage);
  const placed = () => ({ train: train.value, positions: positions.value });
  const meshing = () => ({ ...pick(m, 'members', 'wheels', 'joints'), positions: positions.value });
  const phases = stage(old.phases, meshing, make.phaseStage);
  const clockwise = m.drive?.turns === 'clockwise';
  const racked = () => ({ ...meshing(), phases: phases.value, meshes: meshes.value, modules: modules.value });
  const racks = stage(old.racks, racked, make.rackStage);
  const turning = () => ({ ...placing, ...placed(), clockwise, racks: racks.value });
  const moving = stage(old.moving, turning, make.movingStage);
  const filled = () => ({ ...pick(m, 'wheels'), states: wheels.value, modules: modules.value });
  const extents = stage(old.extents, filled, make.extentStage);
  const laid = {
    ...placing,
    ...pick(m, 'stack', 'layout', 'aims', 'indicators', 'toothings', 'drive'),
    ...tools,
  };
  const laying = () => ({ ...laid, ...placed(), extents: extents.value });
  const laidOut = stage(old.laid, laying, make.laidStage);
  const parts = () => ({ parts: laidOut.value });
  const clearances = stage(old.clearances, () => ({ ...parts(), moving: moving.value }), make.clearanceStage);
  const bracing = () => ({ ...parts(), states: wheels.value, positions: positions.value, chordError });
  const brackets = stage(old.brackets, bracing, make.bracketStage);
  const plates = stage(old.plates, () => ({ ...parts(), brackets: brackets.value }), make.plateStage);
  const pieces = stage(old.pieces, parts, make.pieceStage);
  const holding = () => ({
    ...{ ...parts(), clearances: clearances.value, plates: plates.value },
    brackets: brackets.value,
  });
  const held = stage(old.held, holding, make.heldStage);
  const whole = () => ({ ...holding(), pieces: pieces.value, findings: held.value });
  const layout = stage(old.layout, whole, make.layoutStage);

  // Checks.
  const turned = () => ({ ...now(), train: train.value, flow: flow.value, drive: drive.value });
  const standing = () => ({ members: mode.value.members });
  const rolled = () => ({ states: wheels.value, meshes: meshes.value });
  const lost = () => ({ ...pick(m, 'aims', 'axes', 'wheels'), ...standing(), ...turned(), ...rolled() });
  const slack = stage(old.slack, lost, make.slackStage);
  const rates = { mode, drive, standsFor, train, flow, aims };
  const placings = { modules, wheels, meshes, positions, phases, racks, moving };
  const layouts = { extents, laid: laidOut, clearances, brackets, plates, pieces, held, layout };
  const all = { ...rates, ...placings, ...layouts, slack };
  return derivedFrom(m, chordError, { ...all, ...checksOf(m, old, all, chordError) });
}
