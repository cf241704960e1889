import { arbors, axisOfWheel } from '../../document/machine/index.ts';
import { FIT_ALLOWANCE } from '../../teeth/body/index.ts';
import { outputPlates, pinPlates, swungDiscs } from './reducer-layers.ts';
import { type Cut, halves, type Section, type SectionParts } from './cut.ts';

/** Output plates of reducers on the lines that are cut. */
export const outputCuts = (parts: SectionParts, members: ReadonlySet<string>, at: number): Cut[] =>
  outputPlates(parts.machine).flatMap(({ joint, member, layer, outer }) => {
    const band = parts.stack.layers.get(layer);
    const rod = (parts.sizes.get(member)?.diameter ?? 0) / 2;
    return members.has(member) && band
      ? halves({ kind: 'wheel', id: joint.id, member }, at, rod, outer, band)
      : [];
  });

/** Pins of reducers' rings, in the layers of the discs that roll on them. */
export const pinCuts = (
  { machine, stack, extents }: SectionParts,
  members: ReadonlySet<string>,
  at: number,
): Cut[] =>
  pinPlates(machine).flatMap(({ wheel, rolling }) =>
    rolling.flatMap(({ mesh, disc }) => {
      const [band, pins] = [stack.layers.get(disc.layer), extents[wheel.id]?.pins];
      return members.has(wheel.member) && band && pins && disc.layer !== wheel.layer
        ? halves({ kind: 'ring', id: mesh, member: wheel.member }, at, pins.inner, pins.outer, band)
        : [];
    }),
  );

/** Eccentrics in the discs that they swing, where the section passes both lines: round about the disc's. */
export const eccentricCuts = ({ machine, stack, sizes }: SectionParts, along: Section['axes']): Cut[] =>
  arbors(machine).flatMap(a =>
    swungDiscs(machine, a.id).flatMap((disc): Cut[] => {
      const [own, out] = [a.axis, axisOfWheel(machine, disc)].map(id => along.find(x => x.axis === id)?.at);
      const band = stack.layers.get(disc.layer);
      if (own === undefined || out === undefined || !band || disc.bore?.kind !== 'round') return [];
      const [rod, reach] = [
        (sizes.get(a.id)?.diameter ?? 0) / 2,
        (disc.bore.diameter - FIT_ALLOWANCE.free) / 2,
      ];
      const common = { kind: 'wheel' as const, id: a.id, member: a.id, low: band.from, high: band.to };
      return [
        { ...common, left: out - reach, right: own - rod },
        { ...common, left: own + rod, right: out + reach },
      ];
    }),
  );
