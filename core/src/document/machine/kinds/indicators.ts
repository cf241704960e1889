import type { Indicator } from '../types.ts';

export type IndicatorKind = Indicator['kind'];

/** What there is to know of a kind of indicator; its figure stands in `indicator`. */
export interface IndicatorFacts {
  /** As it is called on screen. */
  readonly called: string;
  /** May stand on the ground as well as turn. */
  readonly mayStand: boolean;
  /** Cut from a sheet; what is not is turned or bought round. */
  readonly flat: boolean;
  /** Where it is drawn among the others, the lowest first. */
  readonly above: number;
}

/** Every kind of indicator. A new one is a line here; the compiler then names what else must be decided. */
export const INDICATORS: { readonly [K in IndicatorKind]: IndicatorFacts } = {
  hand: { called: 'hand', mayStand: false, flat: true, above: 3 },
  dial: { called: 'dial', mayStand: true, flat: true, above: 1 },
  globe: { called: 'globe', mayStand: false, flat: false, above: 2 },
  body: { called: 'body', mayStand: false, flat: false, above: 2 },
};
