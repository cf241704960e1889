import { byId, meshes } from './lookup.ts';
import type { Machine } from './types.ts';

/**
 * The wheels whose teeth must be like those of a mesh, or of wheels: these, those they mesh with, those that mesh
 * with them, and so on. Empty where nothing has that id.
 */
export function inMeshWith(
  machine: Pick<Machine, 'wheels' | 'joints'>,
  ...subjects: readonly string[]
): Set<string> {
  const own = meshes(machine);
  const found = new Set(
    subjects.flatMap(id => {
      const mesh = byId(own, id);
      return mesh ? [mesh.a, mesh.b] : byId(machine.wheels, id) ? [id] : [];
    }),
  );
  for (let size = -1; size !== found.size;) {
    size = found.size;
    for (const { a, b } of own) if (found.has(a) || found.has(b)) found.add(a).add(b);
  }
  return found;
}

/** The wheels of a toothing by what meshes with what: each group could have teeth of its own. */
export function groupsOf(machine: Pick<Machine, 'wheels' | 'joints'>, toothing: string): string[][] {
  const left = new Set(machine.wheels.filter(w => w.toothing === toothing).map(w => w.id));
  const groups: string[][] = [];
  for (const id of left) {
    const group = [...inMeshWith(machine, id)].filter(w => left.has(w));
    for (const w of group) left.delete(w);
    groups.push(group);
  }
  return groups;
}
