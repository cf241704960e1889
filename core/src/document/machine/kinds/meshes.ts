import type { MeshJoint } from '../types.ts';
import { ALL, type Cans } from './can.ts';

export type MeshType = MeshJoint['type'];

/** What there is to know of a kind of mesh; its law stands in `train/laws`. */
export interface MeshFacts extends Cans {
  /** As it is called on screen. */
  readonly called: string;
  /** Its wheels must lie in one layer; others keep the heights that they have to each other. */
  readonly oneLayer: boolean;
  /** Two wheels on arbors can be given it by hand. */
  readonly byHand: boolean;
}

const notYet = { outline: 'not yet', drawing: 'not yet', bodies: 'not yet', checks: 'not yet' } as const;

/** Every kind of mesh. A new one is a line here; the compiler then names what else must be decided. */
export const MESHES: { readonly [K in MeshType]: MeshFacts } = {
  external: { ...ALL, called: 'side by side', oneLayer: true, byHand: true },
  internal: { ...ALL, called: 'in a ring', oneLayer: true, byHand: true },
  rack: {
    ...ALL,
    called: 'on a rack',
    motion: 'not yet',
    clearances: 'not yet',
    oneLayer: true,
    byHand: false,
  },
  bevel: { ...ALL, called: 'bevels', oneLayer: false, byHand: true },
  worm: { ...ALL, ...notYet, called: 'worm', oneLayer: false, byHand: true },
  crossed: { ...ALL, ...notYet, bodies: 'yes', called: 'crossed helical', oneLayer: false, byHand: true },
  pegs: { ...ALL, called: 'pegs', oneLayer: false, byHand: true },
  reducer: { ...ALL, called: 'reducer', oneLayer: true, byHand: false },
  'non-circular': {
    ...ALL,
    ...notYet,
    motion: 'not yet',
    called: 'not round',
    oneLayer: true,
    byHand: false,
  },
};
