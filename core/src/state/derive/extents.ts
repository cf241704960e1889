import { table } from '../../ground/result/index.ts';
import { bounds, flatten } from '../../ground/geometry/index.ts';
import type { Extent } from '../../place/layout/index.ts';
import { circleCount, type Machine, otherSide } from '../../document/machine/index.ts';
import type { WheelState } from '../state/index.ts';

/** Teeth that fill a disc of the plan to their tips. */
const DISCS = new Set(['involute', 'cycloidal', 'lantern wheel', 'pins', 'reducer disc', 'magnets']);
/** Teeth round a clear room: the tips look inwards. */
const RINGS = new Set(['involute ring', 'reducer lobes']);

/** What a sprocket’s teeth reach beyond its pitch circle, in modules (common practice, no source). */
const SPROCKET_TIP = 0.6;

/**
 * The room that every wheel fills round its axis in the plan. Bevels, pegs, racks and crossed wheels stand out of
 * it and have none: they are not held against anything.
 */
export function extentsOf(
  machine: Pick<Machine, 'wheels'>,
  states: Readonly<Record<string, WheelState>>,
  modules: Readonly<Record<string, number>>,
): Record<string, Extent> {
  const found: Record<string, Extent> = table();
  for (const wheel of machine.wheels) {
    const extent = extentOf(wheel, states[wheel.id], modules[wheel.toothing]);
    if (extent) found[wheel.id] = sideOf(machine, wheel, extent, states);
  }
  return found;
}

/** Of a ring with teeth on both sides, each side ends at the roots of the other. */
function sideOf(
  machine: Pick<Machine, 'wheels'>,
  wheel: Machine['wheels'][number],
  extent: Extent,
  states: Readonly<Record<string, WheelState>>,
): Extent {
  const other = otherSide(machine, wheel);
  const root = other && states[other.id]?.dimensions.rootRadius;
  if (root === undefined) return extent;
  return wheel.role === 'ring' ? { ...extent, outer: root } : { ...extent, inner: root };
}

function extentOf(
  wheel: Machine['wheels'][number],
  state: WheelState | undefined,
  module: number | undefined,
): Extent | undefined {
  if (!state) {
    const count = circleCount(wheel);
    if (wheel.role !== 'sprocket' || module === undefined || count === undefined) return undefined;
    return { inner: undefined, outer: (count / 2 + SPROCKET_TIP) * module };
  }
  const { family } = state.teeth;
  const { tipRadius, rootRadius } = state.dimensions;
  if (state.teeth.family === 'reducer pins') {
    const { pinCircleRadius: r, pinDiameter: d } = state.teeth.spec;
    return { inner: undefined, outer: rimOf(state), pins: { inner: r - d / 2, outer: r + d / 2 } };
  }
  if (RINGS.has(family)) return { inner: Math.min(tipRadius, rootRadius), outer: rimOf(state) };
  return DISCS.has(family) ? { inner: undefined, outer: Math.max(tipRadius, rootRadius) } : undefined;
}

/** The outside of a ring, where its figure ends; its roots where it has none. */
function rimOf({ figure, dimensions }: WheelState): number {
  if (!figure.ok) return Math.max(dimensions.rootRadius, dimensions.tipRadius);
  const box = bounds(flatten(figure.value.outline, 0.05));
  return Math.max(box.maxX, box.maxY, -box.minX, -box.minY);
}
