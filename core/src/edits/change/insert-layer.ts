import { arbors, byId, type Machine } from '../../document/machine/index.ts';
import { type Edit, setWheel } from './patch.ts';

/** An empty layer: what lies in it and above goes up by one, plates too, but for the wheels that are named. */
export const insertLayer =
  (at: number, but: ReadonlySet<string> = new Set()): Edit =>
  machine => {
    const up = (layer: number): number => (layer >= at ? layer + 1 : layer);
    const { plates } = machine.layout;
    const moved = plates && {
      ...plates,
      ...(plates.back !== undefined && { back: up(plates.back) }),
      ...(plates.front !== undefined && { front: up(plates.front) }),
    };
    return {
      ...machine,
      wheels: machine.wheels.map(w =>
        but.has(w.id) || up(w.layer) === w.layer ? w : { ...w, layer: up(w.layer) },
      ),
      members: machine.members.map(m =>
        m.kind === 'arbor' && m.arm && up(m.arm.layer) !== m.arm.layer
          ? { ...m, arm: { ...m.arm, layer: up(m.arm.layer) } }
          : m,
      ),
      ...(moved && { layout: { ...machine.layout, plates: moved } }),
    };
  };

/** Puts a reducer's plate of pins into a layer, the one behind its disc; where something lies there, into a new one. */
export const plateBehind =
  (id: string, layer: number): Edit =>
  machine => {
    const plate = byId(machine.wheels, id);
    if (!plate) return machine;
    const taken = occupied(machine, id, layer);
    const room = taken ? insertLayer(layer + 1, new Set([id]))(machine) : machine;
    return setWheel(id, { layer: taken ? layer + 1 : layer })(room);
  };

/** Whether another wheel, a wall or an arm lies in a layer. */
const occupied = (machine: Machine, id: string, layer: number): boolean =>
  machine.wheels.some(
    w => w.id !== id && (w.layer === layer || (w.mount?.kind === 'wall' && Math.abs(w.layer - layer) === 1)),
  ) || arbors(machine).some(a => a.arm?.layer === layer);
