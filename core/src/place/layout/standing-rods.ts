import { GROUND, type Machine } from '../../document/machine/index.ts';
import { type Line, linesOf } from './lines.ts';
import { CLIP_ROOM } from './pillars.ts';
import type { Spans } from './spans.ts';
import type { Band, Stack } from './stack.ts';
import { USUAL_TUBES } from './tubes.ts';

/**
 * A rod that stands still and on which arbors of a line turn side by side: no arbor of theirs runs through them
 * all.
 */
export interface StandingRod {
  readonly line: Line;
  /** The first arbor that turns on it, by which it is named. */
  readonly arbor: string;
  readonly diameter: number;
  /** From plate to plate, or as far as what turns on it; on a plank a little further. */
  readonly band: Band;
}

/** The standing rods of the ground’s lines. */
export function standingRods(
  machine: Pick<Machine, 'axes' | 'members' | 'layout' | 'indicators'>,
  spans: Spans,
  stack: Pick<Stack, 'back' | 'front'>,
  crossing: ReadonlyMap<string, unknown> = new Map(),
): StandingRod[] {
  return linesOf(machine).flatMap(line => {
    const { back, front } = crossing.has(line.axis) ? { back: undefined, front: undefined } : stack;
    const standing = line.arbors.flatMap(a => {
      const span = spans.of.get(a.id);
      return span?.stands === 'on a standing rod' ? [span] : [];
    });
    const [first] = standing;
    if (!first || line.frame !== GROUND) return [];
    const own = new Set(standing.map(s => s.arbor));
    const topped = machine.indicators.some(i => i.kind === 'globe' && own.has(i.member));
    // Without a plate in front the rod reaches past what turns on it, for a clip, but not into a globe on its end.
    const clip = back && !front && !topped ? CLIP_ROOM : 0;
    const band = {
      from: Math.min(...standing.map(s => s.whole.from), back?.from ?? Infinity),
      to: Math.max(...standing.map(s => s.whole.to + clip), front?.to ?? -Infinity),
    };
    return [{ line, arbor: first.arbor, diameter: (machine.layout.tubes ?? USUAL_TUBES).rod, band }];
  });
}
