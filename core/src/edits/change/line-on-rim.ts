import { byId } from '../../document/machine/lookup.ts';
import { type Edit, patch } from './patch.ts';

/** Lays the line of a slide along the rim of the drum that draws it, on the side on which the cord leaves. */
export function lineOnRim(joint: string): Edit {
  return machine => {
    const drum = byId(machine.joints, joint);
    const arbor = drum?.kind === 'drum' ? byId(machine.members, drum.arbor) : undefined;
    if (drum?.kind !== 'drum' || arbor?.kind !== 'arbor') return machine;
    const offset = (drum.opposite ? 1 : -1) * (drum.diameter / 2);
    return patch('members', drum.slide, m =>
      m.kind === 'slide' ? { ...m, beside: { axis: arbor.axis, offset } } : m,
    )(machine);
  };
}
