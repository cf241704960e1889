import { byId, JOINTS, type Machine } from '../../document/machine/index.ts';
import { ok } from '../../ground/result/index.ts';
import { inMode } from '../../trains/train/index.ts';
import { type Attempt, type Edit, patch } from '../change/index.ts';
import { builderOn } from '../planting/index.ts';
import type { Made } from './drive-new.ts';

type Mode = Machine['modes'][number];

/** Adds a mode in which all is joined as it is now, and lets the machine stand in it. */
export const addMode: Attempt<Made> = machine => {
  const id = builderOn(machine).id('mode');
  const now = byId(machine.modes, machine.mode);
  const engaged = machine.joints.flatMap(j => (JOINTS[j.kind].switched ? [j.id] : []));
  const made: Mode = { engaged, held: [], ...now, id, name: freeModeName(machine) };
  return ok({ machine: { ...machine, modes: [...machine.modes, made], mode: id }, made: id });
};

function freeModeName({ modes }: Pick<Machine, 'modes'>): string {
  const taken = new Set(modes.map(m => m.name));
  for (let n = modes.length + 1; ; n++) if (!taken.has(`Mode ${n}`)) return `Mode ${n}`;
}

/** Takes a mode away; a machine that stood in it stands with all joined. */
export const removeMode =
  (id: string): Edit =>
  ({ mode, ...machine }) => ({
    ...machine,
    modes: machine.modes.filter(m => m.id !== id),
    ...(mode !== undefined && mode !== id && { mode }),
  });

/** Another name for a mode. */
export const renameMode = (id: string, name: string): Edit => patch('modes', id, m => ({ ...m, name }));

/** Which arbor drives in a mode; none: the machine's own drive. */
export const setModeDrive = (id: string, drive: string | undefined): Edit =>
  patch('modes', id, ({ drive: _, ...m }) => (drive === undefined ? m : { ...m, drive }));

const toggled = (list: readonly string[], id: string, on: boolean): string[] =>
  on ? [...list.filter(x => x !== id), id] : list.filter(x => x !== id);

/** Joins a joint in a mode, or lets it go: any joint can be let go. */
export const joinInMode =
  (id: string, joint: string, on: boolean): Edit =>
  machine => {
    const of = byId(machine.joints, joint);
    if (!of) return machine;
    return patch('modes', id, mode => {
      if (JOINTS[of.kind].switched) return { ...mode, engaged: toggled(mode.engaged, joint, on) };
      const released = toggled(mode.released ?? [], joint, !on);
      const { released: _, ...rest } = mode;
      return released.length === 0 ? rest : { ...rest, released };
    })(machine);
  };

/** Holds a member in a mode, or lets it turn. */
export const holdInMode = (id: string, member: string, on: boolean): Edit =>
  patch('modes', id, mode => ({ ...mode, held: toggled(mode.held, member, on) }));

/** What a mode does with a machine's joints and members, in their order. */
export function modeParts(machine: Machine, mode: Mode): ModeParts {
  const joined = new Set(inMode({ ...machine, modes: [mode], mode: mode.id }).joints.map(j => j.id));
  return {
    joints: machine.joints.map(j => ({ id: j.id, kind: j.kind, joined: joined.has(j.id) })),
    members: machine.members.flatMap(m =>
      m.kind === 'link' || m.held !== undefined ? [] : [{ id: m.id, held: mode.held.includes(m.id) }],
    ),
  };
}

export interface ModeParts {
  readonly joints: readonly {
    readonly id: string;
    readonly kind: Machine['joints'][number]['kind'];
    readonly joined: boolean;
  }[];
  readonly members: readonly { readonly id: string; readonly held: boolean }[];
}
