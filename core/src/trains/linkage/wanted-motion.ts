import type { Point } from '../../ground/geometry/index.ts';
import type { FourBar, Room } from './four-bar.ts';

/** What a linkage is to do; mm and degrees. */
export type WantedMotion =
  | {
      /** A point of the coupler goes through points in their order. */
      readonly kind: 'path';
      readonly points: readonly Point[];
      /** It comes back to the first. */
      readonly closed: boolean;
      /** The points are said from the axis of the crank; else the path may lie anywhere, as large and as it stands. */
      readonly placed: boolean;
    }
  | {
      /** The rocker stands at such angles when the crank has turned so far, both from the first of them. */
      readonly kind: 'angles';
      readonly pairs: readonly (readonly [crankDeg: number, rockerDeg: number])[];
      /** How far the axes stand apart. */
      readonly apart: number;
    }
  | {
      /** The rocker swings so far; one way takes so many times as long as the other, 1 or more. */
      readonly kind: 'swing';
      readonly swingDeg: number;
      readonly timeRatio: number;
      readonly apart: number;
    };

/** A question for the search. */
export interface LinkageQuery {
  readonly wanted: WantedMotion;
  /** No transmission angle is to be less, degrees. */
  readonly leastTransmissionDeg: number;
  /** All that moves has to fit into so much, mm; left out, there is room. */
  readonly room?: Room;
  /** How many are kept. */
  readonly top: number;
  /** How often it begins anew from chance. */
  readonly rounds: number;
}

/** A linkage that was found. */
export interface LinkageFound {
  readonly linkage: FourBar;
  /** Farthest from what was wanted: mm of a path, degrees of angles. */
  readonly off: number;
  readonly transmissionDeg: number;
  readonly room: Room;
  /** The angle of the crank's pin at the first of the angles, and of the rocker's pin there, degrees. */
  readonly startDeg?: readonly [crank: number, rocker: number];
  /** Where the axis of the crank stands among the wanted points, mm. */
  readonly axis?: Point;
}

/** News of a search: how far it is, and the best so far. */
export interface LinkageNews {
  readonly done: number;
  readonly linkages?: readonly LinkageFound[];
}

/** Linkages are made better towards a transmission angle so much greater, so that they keep the one asked, radians. */
export const TRANSMISSION_MARGIN = 0.002;
