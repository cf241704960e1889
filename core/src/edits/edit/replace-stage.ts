import { builderOn } from '../planting/index.ts';
import type { Stage } from '../../counting/search/index.ts';
import { axisOfWheel, byId, GROUND, type Machine, meshes } from '../../document/machine/index.ts';
import { type Attempt, setWheel } from '../change/index.ts';
import { fail, ok } from '../../ground/result/index.ts';
import { freeName } from './drive-new.ts';
import { gone } from './sound.ts';

/**
 * Replaces one mesh by a row of stages between the same two arbors. One stage only changes the two counts; more put new
 * arbors between, and what hung on the mesh hangs on the last one. The sense turns once for every mesh, so an even
 * number of stages in place of one turns it.
 */
export function replaceStage(meshId: string, stages: readonly Stage[]): Attempt {
  return machine => {
    const mesh = byId(meshes(machine), meshId);
    const [a, b] = [byId(machine.wheels, mesh?.a), byId(machine.wheels, mesh?.b)];
    const [first, ...more] = stages;
    const last = more.at(-1);
    if (!mesh || !a || !b) return gone(meshId);
    if (!first) return fail('hand-no-stage');
    if (sharedWheel(machine, a.id) || (last && sharedWheel(machine, b.id)))
      return fail('hand-shared-wheel', { name: sharedWheel(machine, a.id) ? a.name : b.name });
    const count = (n: number): { teeth: { kind: 'count'; count: number } } => ({
      teeth: { kind: 'count', count: n },
    });
    if (!last) {
      if (sharedWheel(machine, b.id)) return fail('hand-shared-wheel', { name: b.name });
      return ok(setWheel(b.id, count(first.driven))(setWheel(a.id, count(first.driving))(machine)));
    }
    const axis = axisOfWheel(machine, a);
    const frame = byId(machine.axes, axis)?.frame ?? GROUND;
    const build = builderOn(setWheel(a.id, count(first.driving))(machine));
    const bArbor = b.member;
    let from = a.member;
    let wheel: string | undefined = a.id;
    const before = byId(machine.members, bArbor)?.name ?? '';
    for (const [i, stage] of stages.slice(0, -1).entries()) {
      const name = freeName(build.machine(), `${before} lay arbor ${i + 1}`);
      const made = build.mesh({
        from,
        to: { name, frame },
        counts: [stage.driving, stage.driven],
        toothing: a.toothing,
        ...(wheel !== undefined && { wheel }),
      });
      from = made.arbor;
      wheel = undefined;
    }
    const name = byId(build.machine().members, from)?.name ?? '';
    const driving = build.wheel({
      name: `${name} pinion`,
      member: from,
      teeth: last.driving,
      toothing: b.toothing,
    });
    const layer = byId(build.machine().wheels, driving)?.layer ?? b.layer;
    build.edit(m => ({
      ...m,
      wheels: m.wheels.map(w => (w.id === b.id ? { ...w, ...count(last.driven), layer } : w)),
      joints: m.joints.map(j => (j.id === meshId && j.kind === 'mesh' ? { ...j, a: driving, b: b.id } : j)),
    }));
    return ok(build.machine());
  };
}

/** Whether a wheel is in mesh with more than one other. */
const sharedWheel = (machine: Machine, wheel: string): boolean =>
  meshes(machine).filter(j => j.a === wheel || j.b === wheel).length > 1;
