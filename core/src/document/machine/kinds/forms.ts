import type { Toothing } from '../types.ts';
import { ALL, type Cans } from './can.ts';

export type FormKind = Toothing['form']['kind'];

/** What there is to know of a form of teeth before any is drawn. */
export interface FormFacts extends Cans {
  /** As it is called on screen. */
  readonly called: string;
  /** Its outline follows from the wheel it meets, so without a mate it has none. */
  readonly needsMate: boolean;
  /** An outside or a root diameter tells the module. */
  readonly byDiameter: boolean;
  /** May run in rings and on racks. */
  readonly inside: boolean;
  /** Its teeth may lean, and lie on cones. */
  readonly leans: boolean;
}

const flat = { ...ALL, byDiameter: false, leans: false };

/** Every form of teeth. A new one is a line here; the compiler then names what else must be decided. */
export const FORMS: { readonly [K in FormKind]: FormFacts } = {
  involute: { ...ALL, called: 'involute', needsMate: false, byDiameter: true, inside: true, leans: true },
  cycloidal: { ...flat, called: 'clock, cycloidal', needsMate: true, inside: false },
  lantern: { ...flat, called: 'lantern pinion and wheel', needsMate: true, inside: false },
  pegs: { ...flat, called: 'pegs at right angles', needsMate: false, inside: false },
  reducer: { ...flat, called: 'reducer: lobes in pins', needsMate: true, inside: true },
  magnetic: { ...flat, called: 'magnets', needsMate: false, inside: true },
  sprocket: { ...notYet(), called: 'sprocket', needsMate: false, inside: false },
  spiral: { ...notYet(), motion: 'not yet', called: 'spiral', needsMate: false, inside: false },
};

function notYet(): Cans & Pick<FormFacts, 'byDiameter' | 'leans'> {
  const none = 'not yet' as const;
  return { ...flat, outline: none, drawing: none, bodies: none, checks: none };
}

/** The forms that are worked out, in the order in which they are offered. */
export const TOOTH_FORMS = (Object.keys(FORMS) as FormKind[]).filter(k => FORMS[k].outline === 'yes');
