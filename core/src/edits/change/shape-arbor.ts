import type { Arbor, Wheel } from '../../document/machine/types.ts';
import { byId } from '../../document/machine/lookup.ts';
import { type Edit, setArbor, setWheel } from './patch.ts';

type Section = NonNullable<Arbor['section']>;
type Bore = NonNullable<Wheel['bore']>;

/** The bore that goes on an arbor of that section; a tube's and a rod's is round. mm. */
export function boreForSection(section: Section): Bore {
  switch (section.kind) {
    case 'rod':
    case 'tube':
      return { kind: 'round', diameter: section.diameter };
    case 'hex':
    case 'square':
      return { kind: section.kind, across: section.across };
    case 'flat':
      return { kind: 'D', diameter: section.diameter, flat: section.across };
    case 'keyed':
      return {
        ...{ kind: 'keyed', diameter: section.diameter },
        ...{ width: section.keyWidth, depth: section.keyDepth },
      };
  }
}

/** Gives an arbor a section, said once: the bores of all wheels that sit on it follow, with the fits that they have. */
export const shapeArbor =
  (id: string, section: Section): Edit =>
  machine => {
    const bore = boreForSection(section);
    return machine.wheels
      .filter(w => w.member === id && w.role !== 'ring' && w.role !== 'rack')
      .reduce((m, w) => {
        const fit = w.bore && 'fit' in w.bore && w.bore.fit ? { fit: w.bore.fit } : {};
        return setWheel(w.id, { bore: { ...bore, ...fit } as Bore })(m);
      }, setArbor(id, { section })(machine));
  };

/** Makes the bore of a wheel for the section of its arbor. */
export const boreForArbor =
  (wheel: string): Edit =>
  machine => {
    const member = byId(machine.members, byId(machine.wheels, wheel)?.member);
    const section = member?.kind === 'arbor' ? member.section : undefined;
    return section ? setWheel(wheel, { bore: boreForSection(section) })(machine) : machine;
  };

/** Marks tooth 0 of every wheel, or engraves every count and name; or takes all these away. */
export const markAll =
  (what: 'mark' | 'engraved', on: boolean): Edit =>
  machine => ({
    ...machine,
    wheels: machine.wheels.map(w => ({
      ...w,
      body: { ...(w.body ?? { web: { kind: 'solid' as const }, mark: false, engraved: false }), [what]: on },
    })),
  });
