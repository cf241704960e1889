import type { Machine } from '../../document/machine/index.ts';
import { type Finding, finding, fix } from '../../ground/result/index.ts';
import { centroid, distance, flatten, type Point } from '../../ground/geometry/index.ts';
import { degrees, radians } from '../../ground/units/index.ts';
import { USUAL_CLEARANCE } from './clearances.ts';
import type { Plate } from './plate-holes.ts';
import type { LayoutParts } from './solids.ts';
import type { Band, Stack } from './stack.ts';

/** A round board on which the back plate stands by way of a column, which is pressed into both. mm. */
export interface Base {
  readonly at: Point;
  readonly across: number;
  readonly board: Band;
  readonly column: Band;
  readonly columnAcross: number;
  /** Across the turned ends of the column, which go through the board and the back plate. */
  readonly spigot: number;
}

/** By how much the ends of a column are turned down, so that it bears on its shoulders (common practice, no source). */
const SPIGOT = 0.6;

/** What must lean before it falls, degrees: the tilt at which equipment must stand (IEC 62368-1, 8.6; from memory). */
export const LEAST_LEAN = 10;

/** The base of a machine; none where nothing is said of one, or there is no back plate. */
export function baseOf({ layout }: Pick<Machine, 'layout'>, { back }: Pick<Stack, 'back'>): Base | undefined {
  const said = layout.plates?.base;
  if (!said || !back) return undefined;
  const { x, y, across, thickness, column } = said;
  const foot = back.from - column.height;
  return {
    ...{ at: { x, y }, across, columnAcross: column.diameter, spigot: spigotOf(column.diameter) },
    ...{ board: { from: foot - thickness, to: foot }, column: { from: foot, to: back.from } },
  };
}

/** Across the ends of a column, mm, to a tenth. */
export const spigotOf = (columnAcross: number): number => Math.round(10 * SPIGOT * columnAcross) / 10;

/** How far the lowest arbor reaches out below the back plate, mm. */
export function outBelow({ stack, spans }: Pick<LayoutParts, 'stack' | 'spans'>): number {
  const from = stack.back?.from ?? 0;
  return from - Math.min(from, ...[...spans.of.values()].map(s => s.whole.from));
}

/**
 * A column that is shorter than what reaches out below, or stands in an arbor that does; a base on which the machine
 * falls before it leans by `LEAST_LEAN`, its weight taken to lie in the middle of its height over the middle of its
 * back plate.
 */
export function baseFindings(parts: LayoutParts, plates: readonly Plate[]): Finding[] {
  const base = baseOf(parts.machine, parts.stack);
  const plate = plates.find(p => p.side === 'back');
  if (!base || !plate) return [];
  const height = base.column.to - base.column.from;
  const out = outBelow(parts);
  const found: Finding[] = [];
  if (out > height)
    found.push(
      finding('column-too-short', 'warn', 'plan', [], { height, out }, [
        fix('set-column-height', '', Math.ceil(out + 1)),
      ]),
    );
  const clear = parts.machine.layout.clearance ?? USUAL_CLEARANCE;
  for (const hole of plate.holes) {
    const [span, size] = [parts.spans.of.get(hole.for), parts.sizes.get(hole.for)];
    if (!span || !size || span.whole.from >= base.column.to - 1e-9) continue;
    const gap = distance(hole.at, base.at) - (base.columnAcross + size.diameter) / 2;
    if (gap < clear) found.push(finding('column-strikes', 'stop', 'plan', [hole.for], { gap, least: clear }));
  }
  const { high, off } = weightOver(base, parts.stack, plate);
  const lean = degrees(Math.atan2(base.across / 2 - off, high));
  const least = leastBase(parts.machine, parts.stack, plate);
  if (lean < LEAST_LEAN)
    found.push(
      finding('base-tips', 'warn', 'plan', [], { lean, least }, [
        fix('set-base-across', '', Math.ceil(least)),
      ]),
    );
  return found;
}

type StackParts = Pick<Stack, 'back' | 'height'>;

/** How high above the ground the weight is taken to lie, and how far beside the middle of the base, mm. */
function weightOver(
  base: Base,
  { height }: StackParts,
  plate: Plate,
): { readonly high: number; readonly off: number } {
  return {
    high: plate.band.from + height / 2 - base.board.from,
    off: distance(centroid(flatten(plate.outline, 0.1)), base.at),
  };
}

/** Across the least base on which a machine leans by `LEAST_LEAN` before it falls, mm; nought without a base. */
export function leastBase(machine: Pick<Machine, 'layout'>, stack: StackParts, back: Plate): number {
  const base = baseOf(machine, stack);
  if (!base) return 0;
  const { high, off } = weightOver(base, stack, back);
  return 2 * (off + high * Math.tan(radians(LEAST_LEAN)));
}
