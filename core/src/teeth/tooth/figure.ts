import type { Path } from '../../ground/geometry/index.ts';
import type { HalfTooth } from './half-tooth.ts';

/** The circles that every toothed part has; radii in mm. For a rack: heights from its pitch line. */
export interface Circles {
  readonly pitchRadius: number;
  /** As far as teeth reach towards the mate. */
  readonly tipRadius: number;
  readonly rootRadius: number;
}

/**
 * The plane figure of a toothed part without its bore and web: what every family of teeth gives, whatever its law of
 * motion. Outlines run counter-clockwise, holes clockwise; tooth 0 lies on the x axis.
 */
export interface ToothFigure extends Circles {
  /**
   * The tooth that meets the mate, and how many of them a full circle would hold; no whole number when they do not
   * close.
   */
  readonly half: HalfTooth | undefined;
  readonly count: number;
  readonly outline: Path;
  readonly holes: readonly Path[];
  readonly engraved: readonly Path[];
  /** Within this radius a web and a bore may be cut; nought where there is no such room (a ring, a rack). */
  readonly webRadius: number;
  /** Whether the figure is the same after a tooth's turn: a rack and a developed cone are not. */
  readonly closes: boolean;
}
