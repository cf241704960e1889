import { byId, type Machine, ringWithin, type Wheel } from '../../document/machine/index.ts';

/** A wheel as another, whose rim it shares: in its layer, as thick, leaning with it where they share their teeth. */
function like(wheel: Wheel, { layer, thickness }: Wheel): Wheel {
  const { thickness: _, ...rest } = wheel;
  return { ...rest, layer, ...(thickness !== undefined && { thickness }) };
}

const same = (a: Wheel, b: Wheel): boolean => a.layer === b.layer && a.thickness === b.thickness;

/**
 * A machine after a change, with the two sides of every ring that has teeth inside and outside in one layer and as
 * thick: as the side that was changed.
 */
export function followRims(before: Machine, after: Machine): Machine {
  if (before.wheels === after.wheels) return after;
  const news = new Map<string, Wheel>();
  for (const outside of after.wheels) {
    const ring = ringWithin(after, outside);
    if (!ring || same(ring, outside)) continue;
    const [was, ringWas] = [byId(before.wheels, outside.id), byId(before.wheels, ring.id)];
    const led = was && !same(was, outside) && ringWas && same(ringWas, ring);
    if (led) news.set(ring.id, like(ring, outside));
    else news.set(outside.id, like(outside, ring));
  }
  return news.size === 0 ? after : { ...after, wheels: after.wheels.map(w => news.get(w.id) ?? w) };
}
