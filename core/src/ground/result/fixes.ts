import type { Count, Degrees, Layer, Mm, Modules, Turns } from './measures.ts';
/** A change that needs no figure. */
type Nothing = undefined;

/** Every change that can mend a finding, and the figure that it sets. What it does is in `machine/edit/fix`. */
export interface Fixes {
  'dial-other-way': Nothing;
  'drive-other-way': Nothing;
  'find-layers': Nothing;
  'body-out': Mm;
  'reach-back': Nothing;
  'section-for-bore': Nothing;
  'form-pinion-drives': Nothing;
  'form-wheel-drives': Nothing;
  'bore-for-arbor': Nothing;
  'give-body': Nothing;
  /** The name of the ball bearing. */
  'take-bearing': string;
  'no-bearing': Nothing;
  /** Into so many equal pieces. */
  divide: Count;
  'not-divided': Nothing;
  'glue-on': Nothing;
  'press-on': Nothing;
  'set-plate-thickness': Mm;
  'set-weight-height': Mm;
  'not-bent': Nothing;
  'plates-round-holes': Nothing;
  'set-feet-height': Mm;
  /** Screws on a circle so far across, the first at an angle of the plan. */
  'screw-dial': { number: Count; circle: Mm; atDeg: number; screw: string };
  'glue-dial': Nothing;
  'set-column-height': Mm;
  'set-base-across': Mm;
  'set-feet-across': Mm;
  /** The circle on which their holes lie, across. */
  'give-lugs': Mm;
  'give-hub': Mm;
  'no-hub': Nothing;
  'set-magnet':
    | { readonly shape: 'round'; readonly diameter: Mm }
    | { readonly shape: 'block'; readonly width: Mm; readonly depth: Mm };
  'set-bolt-circle': Mm;
  'set-bolts': Count;
  'no-bolts': Nothing;
  'no-lugs': Nothing;
  'set-hub-height': Mm;
  'set-hub-across': Mm;
  'pins-behind': Layer;
  'give-wall': 'front' | 'back';
  'grow-envelope': Mm;
  'hand-left': Nothing;
  'hand-length': Mm;
  'hand-right': Nothing;
  'hold-member': Nothing;
  'set-rod-length': Mm;
  'set-cord-length': Mm;
  'line-on-rim': Nothing;
  /** Of the pin of a joint that stands on a wheel. */
  'set-pin-out': Mm;
  'pin-on-arm': Nothing;
  'set-cam-radius': Mm;
  'goes-round': Nothing;
  swings: Nothing;
  'insert-idler': Count;
  'own-module': Mm;
  'press-bore': Nothing;
  'set-addendum': Modules;
  'set-arm-layer': Layer;
  'set-bore': Mm;
  'set-face-width': Mm;
  'set-fillet': Modules;
  'set-pin': Mm;
  /** The step between places, of which equal ones are multiples. */
  'set-places': Turns;
  /** Backlash along the pitch circle. */
  'set-play': Mm;
  'set-rim': Mm;
  'set-shift': Modules;
  'set-shorten': Modules;
  'set-solid': Nothing;
  'set-spread': Mm;
  'set-teeth': Count;
  'set-tube': Mm;
  /** Shift of one wheel, and as much of all that mesh with it, so that every centre stays. */
  'shift-together': Modules;
  'slot-bearing': Mm;
  'support-both': Nothing;
  'swing-axis': Degrees;
  'take-thickness': Mm;
}

export type FixCode = keyof Fixes;

/** A change that would mend a finding, as data: what it changes, and the figure it sets. */
export type Fix<C extends FixCode = FixCode> = {
  readonly [K in C]: { readonly code: K; readonly subject: string; readonly value: Fixes[K] };
}[C];

/** Builds a fix; those without a figure take none. */
export const fix = <C extends FixCode>(
  code: C,
  subject: string,
  ...value: Fixes[C] extends undefined ? [] : [value: Fixes[C]]
): Fix<C> => ({ code, subject, value: value[0] }) as unknown as Fix<C>;
