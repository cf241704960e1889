import type { Derived } from '@tesseron/core/state';
import { direction, type Point, polar } from '@tesseron/core/geometry';
import { axisOfWheel, byId, meshes } from '@tesseron/core/machine';

const MODULES_SHOWN = 7;

/** The pitch point of a mesh at rest and a circle of a few teeth round it, mm; undefined for a mesh without a place. */
export function meshFocus(
  derived: Derived,
  meshId: string | undefined,
): { centre: Point; radius: number } | undefined {
  const mesh = byId(meshes(derived.machine), meshId);
  const wheel = byId(derived.machine.wheels, mesh?.a);
  const mate = byId(derived.machine.wheels, mesh?.b);
  const state = wheel && derived.wheels[wheel.id];
  if (!wheel || !mate || !state) return undefined;
  const from = derived.positions.at[axisOfWheel(derived.machine, wheel) ?? ''];
  const to = derived.positions.at[axisOfWheel(derived.machine, mate) ?? ''];
  if (!from || !to) return undefined;
  return {
    centre: polar(from, state.dimensions.pitchRadius, direction(from, to)),
    radius: MODULES_SHOWN * (derived.modules[wheel.toothing] ?? 1),
  };
}
