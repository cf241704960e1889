import { arbors, axisOfWheel, byId, GROUND, type Machine, meshes } from '../../document/machine/index.ts';

type Parts = Pick<Machine, 'wheels' | 'members' | 'axes' | 'joints'>;

/**
 * Arms that carry their axes on a bar. An eccentric that swings a reducer’s disc needs none: it turns within the disc;
 * nor does an arm of which nothing is made.
 */
export function barredArms(machine: Parts): string[] {
  const swung = new Set(
    meshes(machine).flatMap(j =>
      j.type === 'reducer'
        ? [j.a, j.b].flatMap(id => {
            const wheel = byId(machine.wheels, id);
            return wheel?.role === 'disc' ? (axisOfWheel(machine, wheel) ?? []) : [];
          })
        : [],
    ),
  );
  const arms = new Set(machine.axes.flatMap(a => (a.frame !== GROUND && !swung.has(a.id) ? [a.frame] : [])));
  return arbors(machine).flatMap(m => (arms.has(m.id) && !m.bodiless ? [m.id] : []));
}

/** The axes that an arm carries, those on its own line left out: nothing reaches out to them. */
export const carriedAxes = (machine: Pick<Machine, 'axes'>, arm: string): Machine['axes'][number][] =>
  machine.axes.filter(a => a.frame === arm && a.place.kind !== 'coaxial');

/** The layer of every arm's bar: as said, or the one below the lowest wheel that it carries. */
export function armLayers(machine: Parts): Map<string, number> {
  const found = new Map<string, number>();
  for (const id of barredArms(machine)) {
    const arm = byId(arbors(machine), id);
    const axes = new Set(carriedAxes(machine, id).map(a => a.id));
    if (axes.size === 0) continue;
    const carried = machine.wheels.filter(w => axes.has(axisOfWheel(machine, w) ?? ''));
    const layer = arm?.arm?.layer ?? (carried.length > 0 ? Math.min(...carried.map(w => w.layer)) - 1 : 0);
    found.set(id, layer);
  }
  return found;
}
