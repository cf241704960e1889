import { arrange } from './arrange.ts';
import type { Machine } from '../src/document/machine/index.ts';
import { setLayout, shapeArbor } from '../src/edits/change/index.ts';

export type Plates = NonNullable<Machine['layout']['plates']>;

/** Plates round their holes, with three pillars. */
export const PLATES: Plates = {
  ...{ thickness: 4, margin: 6, shape: 'round the holes', fit: 'free' },
  pillars: [
    { id: 'p1', x: -40, y: 0, diameter: 6 },
    { id: 'p2', x: 40, y: 40, diameter: 6 },
    { id: 'p3', x: 40, y: -40, diameter: 6 },
  ],
};

/** Two wheels of 30 side by side. */
export const PAIR: Machine = arrange({ a: {}, b: { at: [30, 0] } }, { 'a.u': 30, 'b.w': 30 }, [
  ['a.u', 'b.w'],
]);

/** These on rods of 5 mm between such plates, or others. */
export const plated = (more: Partial<Plates> = {}): Machine =>
  shapeArbor('a', { kind: 'rod', diameter: 5 })(
    shapeArbor('b', { kind: 'rod', diameter: 5 })(setLayout({ plates: { ...PLATES, ...more } })(PAIR)),
  );
