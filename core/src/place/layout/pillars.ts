import type { Point } from '../../ground/geometry/index.ts';
import type { Machine } from '../../document/machine/index.ts';
import type { Band, Stack } from './stack.ts';

/** How much a pillar's shoulders stand out beyond its ends, mm: common practice, no source. */
export const SHOULDER = 1.5;

/** A pillar as it is made: ends that go through the plates, and thicker between them, so that they stay apart. mm. */
export interface PillarShape {
  readonly id: string;
  readonly at: Point;
  /** Across its ends, and between the plates. */
  readonly diameter: number;
  readonly shoulder: number;
  readonly whole: Band;
  readonly between: Band;
}

/** The diameter between the plates of a pillar whose ends are so thick, mm. */
export const shoulderOf = (diameter: number): number => diameter + 2 * SHOULDER;

/** How much of a foot the end of its pillar reaches into (common practice, no source). */
const INTO_FOOT = 0.7;

/** How deep the end of a pillar goes into its foot, mm. */
export const footReach = (height: number): number => INTO_FOOT * height;

/** How far a rod or a pillar stands out past what a clip on it holds, mm (common practice, no source). */
export const CLIP_ROOM = 4;

/**
 * The pillars of a machine; none where a plate is missing. Their lower ends go on into feet, where there are any, their
 * upper ones through clips, where the front plate lifts off.
 */
export function pillarsOf(
  { layout }: Pick<Machine, 'layout'>,
  { back, front }: Pick<Stack, 'back' | 'front'>,
): PillarShape[] {
  if (!back || !front) return [];
  const into = layout.plates?.feet ? footReach(layout.plates.feet.height) : 0;
  const over = layout.plates?.liftsOff ? CLIP_ROOM : 0;
  return (layout.plates?.pillars ?? []).map(p => ({
    ...{ id: p.id, at: { x: p.x, y: p.y }, diameter: p.diameter, shoulder: shoulderOf(p.diameter) },
    ...{ whole: { from: back.from - into, to: front.to + over }, between: { from: back.to, to: front.from } },
  }));
}
