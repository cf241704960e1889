/**
 * How far something of a kind is worked out: it is, not yet, or there is nothing to work out. What is *not yet* is told
 * by findings and by the lists of what is not made, which are made from these tables.
 */
export type Can = 'yes' | 'not yet' | 'nothing';

/** What of a kind can be worked out, in the order in which it is told. */
export const ABILITIES = ['motion', 'outline', 'drawing', 'clearances', 'bodies', 'checks'] as const;
export type Ability = (typeof ABILITIES)[number];

/** What the application can do of each thing there is to do. */
export type Cans = { readonly [A in Ability]: Can };

export const ALL: Cans = {
  motion: 'yes',
  outline: 'yes',
  drawing: 'yes',
  clearances: 'yes',
  bodies: 'yes',
  checks: 'yes',
};

/** What is not worked out yet of a kind. */
export const lacking = (cans: Cans): readonly Ability[] => ABILITIES.filter(a => cans[a] === 'not yet');
