import { type Path } from '../../ground/geometry/index.ts';
import type { Label } from '../../ground/drawing/index.ts';
import type { Problem } from '../../ground/result/index.ts';
import type { Machine } from '../../document/machine/index.ts';

/** A part that is cut from a sheet or printed lying flat, as it should measure; about its own origin, mm. */
export interface FlatPart {
  readonly id: string;
  readonly kind:
    | 'wheel'
    | 'hub'
    | 'wall'
    | 'plate'
    | 'base'
    | 'bracket'
    | 'arm'
    | 'cam'
    | 'link'
    | 'body arm'
    | 'hand'
    | 'dial';
  readonly name: string;
  /** How many are made. */
  readonly number: number;
  readonly thickness: number;
  readonly outline: Path;
  /** Everything cut through within the outline, and which of it may be drilled instead. */
  readonly holes: readonly Path[];
  readonly drilled: ReadonlySet<Path>;
  readonly engraved: readonly Path[];
  readonly labels: readonly Label[];
  /** A hub that is printed with it, and stands out of one face. */
  readonly hub?: HubFigure;
  /** What is bent up by so much from there on, as it is seen from above once it is. */
  readonly raised?: {
    readonly outline: Path;
    readonly holes: readonly Path[];
    readonly from: number;
    readonly by: number;
  };
}

/** A part that cannot be made, and why. */
export interface LeftPart {
  readonly name: string;
  readonly problem: Problem;
}

/** The figure of a hub that stands out of a wheel, mm. */
export interface HubFigure {
  readonly outline: Path;
  readonly holes: readonly Path[];
  readonly height: number;
  /** Across the hole that is tapped through its side, towards x. */
  readonly drill?: number;
  /** Among how many pieces of the wheel it is shared. */
  readonly pieces: number;
}

/** Round holes up to this size are drilled rather than sawn, mm: common practice, no source. */
const DRILLED = 13;

/** How many of a part are made: as said, or as many as are needed. */
export const numberOf = (machine: Machine, id: string, needed: number): number =>
  machine.making.find(m => m.part === id)?.number ?? needed;

/** Holes that are whole circles no larger than a drill. */
export const drillable = (holes: readonly Path[]): ReadonlySet<Path> =>
  new Set(
    holes.filter(h => {
      const diameter = diameterOf(h);
      return diameter !== undefined && diameter <= DRILLED;
    }),
  );

/** The diameter of a path that is a whole circle, mm. */
export function diameterOf(path: Path): number | undefined {
  const [first, second, more] = path.segments;
  if (first?.kind !== 'arc' || second?.kind !== 'arc' || more) return undefined;
  const { centre } = first;
  const same = Math.hypot(centre.x - second.centre.x, centre.y - second.centre.y) < 1e-9;
  return same && path.closed ? 2 * Math.hypot(path.start.x - centre.x, path.start.y - centre.y) : undefined;
}
