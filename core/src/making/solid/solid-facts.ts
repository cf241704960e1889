import type { Derived } from '../../state/state/index.ts';

/** What solids are made from. */
export type SolidFacts = Pick<
  Derived,
  'machine' | 'wheels' | 'chordError' | 'layout' | 'positions' | 'phases'
>;
