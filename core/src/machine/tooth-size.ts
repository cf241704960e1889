import { byId, circleCount, meshes } from './lookup.ts';
import type { Machine, Toothing, Wheel } from './types.ts';
import { fail, ok, type Result } from '../result/index.ts';
import { moduleOfCircularPitch, moduleOfDiametralPitch } from '../units/index.ts';

/** Module from an outside diameter: m = d_a / (z + 2h_a + 2x). OD 44, z = 20: 2. Source: ISO 21771, from d_a. */
export const moduleFromOutside = (outside: number, count: number, addendum = 1, shift = 0): number =>
  outside / (count + 2 * addendum + 2 * shift);

/** The module of a toothing in mm, from whatever the maker sized it by. */
export function moduleOf(toothing: Toothing, machine: Pick<Machine, 'wheels' | 'joints'>): Result<number> {
  const { size } = toothing;
  switch (size.by) {
    case 'module':
      return ok(size.module);
    case 'diametral pitch':
      return ok(moduleOfDiametralPitch(size.pitch));
    case 'circular pitch':
      return ok(moduleOfCircularPitch(size.pitch));
    case 'outside diameter': {
      const wheel = byId(machine.wheels, size.wheel);
      const count = wheel && circleCount(wheel);
      if (!wheel || count === undefined) return fail('size-needs-count', { toothing: toothing.name });
      const addendum = toothing.form.kind === 'involute' ? toothing.form.addendum : 1;
      const module = moduleFromOutside(size.diameter, count, addendum, wheel.shift ?? 0);
      return module > 0 ? ok(module) : fail('size-impossible', { toothing: toothing.name });
    }
    case 'centre distance': {
      const joint = byId(meshes(machine), size.joint);
      const a = countOf(machine.wheels, joint?.a);
      const b = countOf(machine.wheels, joint?.b);
      if (a === undefined || b === undefined) return fail('size-needs-count', { toothing: toothing.name });
      return ok((2 * size.distance) / (a + b));
    }
  }
}

const countOf = (wheels: readonly Wheel[], id: string | undefined): number | undefined => {
  const wheel = byId(wheels, id);
  return wheel && circleCount(wheel);
};
