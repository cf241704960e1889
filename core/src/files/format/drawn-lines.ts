import type { Point } from '../../ground/geometry/index.ts';

/** Lines read from a drawing, in its own units, y upwards. */
export interface DrawnLines {
  readonly lines: readonly DrawnLine[];
  /** Millimetres in a unit of the drawing, where it says. */
  readonly millimetres: number | undefined;
}

/** One run of points; a closed one does not repeat its first. */
export interface DrawnLine {
  readonly points: readonly Point[];
  readonly closed: boolean;
  /** What the file says of it: the layer of a DXF, the role of an SVG of ours; lower case. */
  readonly layer?: string;
}

/** Curves are read as chords this near to them, in units of the drawing. */
export const READ_CHORD = 0.001;
