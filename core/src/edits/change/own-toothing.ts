import { sizeMeasures } from '../../document/machine/kinds/index.ts';
import { byId, freeId, meshes } from '../../document/machine/lookup.ts';
import { inMeshWith } from '../../document/machine/teeth-groups.ts';
import { moduleOf } from '../../document/machine/tooth-size.ts';
import type { Machine, Toothing } from '../../document/machine/types.ts';
import type { Edit } from './patch.ts';

/** Whether a toothing has wheels beside these. */
const sharedBeyond = (
  machine: Pick<Machine, 'wheels'>,
  toothing: string,
  own: ReadonlySet<string>,
): boolean => machine.wheels.some(w => w.toothing === toothing && !own.has(w.id));

/** The toothing of the first of these wheels. */
const toothingOf = (machine: Machine, wheels: ReadonlySet<string>): Toothing | undefined =>
  byId(machine.toothings, machine.wheels.find(w => wheels.has(w.id))?.toothing);

/**
 * Gives a mesh, or wheels, with all that meshes with them, teeth of their own, as those were till now. As it was
 * where nothing else has these teeth.
 */
export const ownToothing =
  (...subjects: readonly string[]): Edit =>
  machine => {
    const group = inMeshWith(machine, ...subjects);
    const like = toothingOf(machine, group);
    if (!like || !sharedBeyond(machine, like.id, group)) return machine;
    const id = freeId(machine, 'toothing');
    const own: Toothing = { ...like, id, name: freeToothingName(machine, like.name) };
    return withToothing({ ...machine, toothings: [...machine.toothings, own] }, group, id);
  };

/** A name that no toothing has: the stem, or the stem and a number. */
function freeToothingName(machine: Machine, name: string): string {
  const stem = name.replace(/ \d+$/, '').slice(0, 110);
  const taken = new Set(machine.toothings.map(t => t.name));
  for (let n = 2; ; n++) if (!taken.has(`${stem} ${n}`)) return `${stem} ${n}`;
}

/**
 * The machine with these wheels at that toothing. What was sized by a wheel or a mesh that has other teeth now keeps
 * its size as a module, and teeth that nothing has go.
 */
export function withToothing(machine: Machine, group: ReadonlySet<string>, toothing: string): Machine {
  const wheels = machine.wheels.map(w =>
    group.has(w.id) && w.toothing !== toothing ? { ...w, toothing } : w,
  );
  const has = (id: string, wheel: string | undefined): boolean => byId(wheels, wheel)?.toothing === id;
  const left = machine.toothings.filter(
    t => t.id === toothing || wheels.some(w => w.toothing === t.id) || !toothingHad(machine, t.id),
  );
  return {
    ...machine,
    wheels,
    toothings: left.map(t => {
      const { wheel, joint } = sizeMeasures(t.size);
      const by = wheel ?? byId(meshes(machine), joint)?.a;
      if (by === undefined || has(t.id, by)) return t;
      const module = moduleOf(t, machine);
      return { ...t, size: { by: 'module', module: module.ok ? module.value : 1 } };
    }),
  };
}

const toothingHad = (machine: Machine, id: string): boolean => machine.wheels.some(w => w.toothing === id);

/**
 * A change of the teeth of a mesh or a wheel and of nothing else: where others have the same teeth, it gets its own
 * first. The id of a toothing changes that toothing, for all.
 */
export const onOwnTeeth =
  (subject: string, change: (toothing: string) => Edit): Edit =>
  machine => {
    if (byId(machine.toothings, subject)) return change(subject)(machine);
    const own = ownToothing(subject)(machine);
    const toothing = toothingOf(own, inMeshWith(own, subject));
    return toothing ? change(toothing.id)(own) : machine;
  };
