import type { Derived } from '../../state/state/index.ts';
import { copyPlace } from '../../place/motion/index.ts';

/** What kinds of things can be taken away to see the inside. */
export type SpaceGroup = 'wheels' | 'arbors' | 'arms' | 'back plate' | 'front plate' | 'dials and hands';

/**
 * One body where it stands in the frame of its axis: turned about its own upright by `spin` and as its arbor turns,
 * and moved.
 */
export interface SpaceItem {
  /** The part whose body it is. */
  readonly body: string;
  readonly name: string;
  readonly group: SpaceGroup;
  /** The arbor that it turns with; nothing for what stands. */
  readonly member: string | undefined;
  /** Where it is as the machine turns: a key of the stances; or else where it stands. */
  readonly place: string | undefined;
  readonly at: { readonly x: number; readonly y: number; readonly z: number };
  readonly spin: number;
  /** How far out from its upright the body lies, along its own x. */
  readonly out: number;
  /** Turned over: its own upright points against its frame's. */
  readonly over: boolean;
  /** The axis whose frame it lies in. */
  readonly axis: string;
  /** The layer of a wheel. */
  readonly layer: number | undefined;
}

/** What stands still, if nothing else is said. */
export const standing = {
  member: undefined,
  place: undefined,
  spin: 0,
  out: 0,
  over: false,
  axis: '',
  layer: undefined,
};

/** A member's own place and those of its copies, with how far each is turned against the first. */
export const placesOf = ({ moving }: Derived, member: string): { place: string; spin: number }[] => [
  { place: member, spin: 0 },
  ...moving.copies.flatMap((c, i) =>
    c.member === member ? [{ place: copyPlace(member, i), spin: c.spin }] : [],
  ),
];
