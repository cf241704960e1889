import type { Machine } from '../../document/machine/index.ts';
import { assemblyFindings } from '../../place/layout/index.ts';
import { assembledFindings, driveFindings, linkageFindings, untoldFindings } from '../judge/index.ts';
import { type Checks, type Derived, pick, stage, type Stages } from '../state/index.ts';
import * as make from './stages.ts';

type Rolled = Pick<Derived, 'meshes'> & { states: Derived['wheels'] };

/** What linkages and cams are judged from. */
const linkedParts = (m: Machine, s: Omit<Stages, keyof Checks>): Parameters<typeof linkageFindings>[0] => ({
  ...{ ...pick(m, 'members', 'wheels', 'layout'), joints: s.mode.value.joints },
  ...{ moving: s.moving.value, facts: s.drive.value },
  ...{ states: s.wheels.value, sizes: s.laid.value.sizes },
});

/** The stages that judge, each from what was made before it; `s` are those. */
export function checksOf(
  m: Machine,
  old: Partial<Stages>,
  s: Omit<Stages, keyof Checks>,
  chordError: number,
): Checks {
  const placing = pick(m, 'axes', 'members', 'wheels', 'joints');
  const toothed = pick(m, 'wheels', 'joints', 'toothings');
  const tools = pick(m, 'processes', 'process', 'making');
  const cut = { ...pick(m, 'wheels', 'toothings', 'stack', 'materials'), ...tools };
  const marked = { ...pick(m, 'axes', 'members', 'indicators', 'drive', 'aims', 'materials'), ...tools };
  const rolled = (): Rolled => ({ states: s.wheels.value, meshes: s.meshes.value });
  return {
    driven: stage(
      old.driven,
      () => ({ drive: s.mode.value.drive, ...pick(m, 'aims'), facts: s.drive.value }),
      driveFindings,
    ),
    aimed: stage(
      old.aimed,
      () => ({
        ...{ ...placing, ...pick(m, 'aims', 'modes', 'mode'), states: s.aims.value },
        ...{ driven: m.drive?.member, known: s.drive.value, standsFor: s.standsFor.value },
      }),
      make.aimFindingStage,
    ),
    untold: stage(old.untold, () => ({ ...toothed, ...pick(m, 'members') }), untoldFindings),
    linked: stage(old.linked, () => linkedParts(m, s), linkageFindings),
    assembled: stage(
      old.assembled,
      () => ({ ...placing, ...pick(m, 'indicators', 'drive', 'aims'), parts: s.laid.value }),
      assembledFindings,
    ),
    assembly: stage(old.assembly, () => placing, assemblyFindings),
    teeth: stage(
      old.teeth,
      () => ({
        ...{ ...toothed, ...tools, ...pick(m, 'stack'), modules: s.modules.value },
        ...{ train: s.train.value, flow: s.flow.value },
        ...{ states: s.wheels.value, meshes: s.meshes.value },
      }),
      make.teethStage,
    ),
    played: stage(
      old.played,
      () => ({ ...pick(m, 'aims', 'drive'), states: s.aims.value, slack: s.slack.value }),
      make.slackFindingStage,
    ),
    closed: stage(
      old.closed,
      () => ({
        ...{ ...toothed, modules: s.modules.value },
        ...{ meshes: s.meshes.value, positions: s.positions.value },
      }),
      make.closedStage,
    ),
    crossed: stage(
      old.crossed,
      () => ({
        ...{ ...placing, ...pick(m, 'toothings', 'stack', 'drive'), positions: s.positions.value },
        ...{ states: s.wheels.value, parts: s.laid.value, extents: s.extents.value, chordError },
      }),
      make.crossedStage,
    ),
    shown: stage(
      old.shown,
      () => ({ ...marked, train: s.train.value, sizes: s.laid.value.sizes }),
      make.shownStage,
    ),
    made: stage(
      old.made,
      () => ({
        ...{ ...cut, ...placing, ...rolled(), ...pick(m, 'indicators', 'layout') },
        ...{ laidOut: s.layout.value, extents: s.extents.value, positions: s.positions.value },
      }),
      make.madeStage,
    ),
  };
}
