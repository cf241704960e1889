import type { Derived } from '@tesseron/core/state';
import { circle, flatten, type Point } from '@tesseron/core/geometry';
import { armLayers, armWidth, carriedAxes, cornersOf, pillarsOf } from '@tesseron/core/layout';
import { arbors, type Region } from '@tesseron/core/machine';
import { copyPlace } from '@tesseron/core/motion';

/** A closed line of the plan that stands: the envelope, room kept free, a plate, a pillar. */
interface RoomLine {
  readonly kind: 'envelope' | 'keep-out' | 'plate' | 'pillar';
  readonly points: readonly Point[];
}

/** The bar of an arm, from where its own arbor stands to where one that it carries does. */
interface ArmBar {
  readonly arm: string;
  readonly place: string;
  readonly width: number;
}

/** What the plan shows besides wheels. */
export interface RoomFigure {
  readonly lines: readonly RoomLine[];
  readonly bars: readonly ArmBar[];
}

/** Envelope, room kept free, front plate, pillars and arms of a machine. */
export function roomFigure({ machine, layout, moving }: Derived): RoomFigure {
  const { envelope, keepOuts } = machine.layout;
  const lines: RoomLine[] = [];
  const front = layout.plates.find(p => p.side === 'front');
  if (front) lines.push({ kind: 'plate', points: flatten(front.outline, 0.1) });
  if (envelope) lines.push({ kind: 'envelope', points: borderOf(envelope.region) });
  for (const k of keepOuts) lines.push({ kind: 'keep-out', points: borderOf(k.region) });
  for (const p of [...pillarsOf(machine, layout.stack), ...layout.lugRods])
    lines.push({ kind: 'pillar', points: flatten(circle(p.at, p.shoulder / 2), 0.05) });
  const bars = [...armLayers(machine).keys()].flatMap(arm => {
    const axes = new Set(carriedAxes(machine, arm).map(a => a.id));
    const width = armWidth(machine, layout.sizes, arm);
    const carried = arbors(machine).filter(m => axes.has(m.axis));
    const further = moving.copies.flatMap((c, i) =>
      carried.some(m => m.id === c.member) ? [copyPlace(c.member, i)] : [],
    );
    return [...carried.map(m => m.id), ...further].map(place => ({ arm, place, width }));
  });
  return { lines, bars };
}

const borderOf = (region: Region): Point[] =>
  region.kind === 'circle' ? flatten(circle(region, region.diameter / 2), 0.1) : cornersOf(region);
