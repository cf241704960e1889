import { pillarsOf, USUAL_TUBES } from '../../place/layout/index.ts';
import type { Derived } from '../../state/state/index.ts';

/** How often a member is there: once, and once more for every copy of the axis on which it turns. */
export const piecesNeeded = ({ moving }: Pick<Derived, 'moving'>, member: string): number =>
  1 + moving.copies.filter(c => c.member === member).length;

/** A clip or collar that keeps what turns or slides on its rod, tube or pillar: across that, mm, and how many. */
export interface Clip {
  /** The arbor; undefined for the pillars of a plate that lifts off. */
  readonly arbor: string | undefined;
  readonly diameter: number;
  /** Whether that is a tube, whose wall no groove leaves whole. */
  readonly tube: boolean;
  readonly number: number;
}

/** Clips for arbors that stand on a rod of their own or end free, copies included, and on pillars of a loose plate. */
export function clipsNeeded(derived: Derived): Clip[] {
  const { machine, layout } = derived;
  const pillars = machine.layout.plates?.liftsOff ? pillarsOf(machine, layout.stack) : [];
  const arbors = [...layout.spans.of.values()].flatMap((s): Clip[] => {
    if (s.stands !== 'on a standing rod' && s.stands !== 'free') return [];
    const own = layout.sizes.get(s.arbor);
    const free = s.stands === 'free';
    const diameter = free ? own?.diameter : (machine.layout.tubes ?? USUAL_TUBES).rod;
    return diameter === undefined
      ? []
      : [
          {
            arbor: s.arbor,
            diameter,
            tube: free && own?.bore !== undefined,
            number: piecesNeeded(derived, s.arbor),
          },
        ];
  });
  return [
    ...arbors,
    ...pillars.map(p => ({ arbor: undefined, diameter: p.diameter, tube: false, number: 1 })),
  ];
}
