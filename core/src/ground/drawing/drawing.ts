import type { Path } from '../geometry/index.ts';

/** What a line is for; a writer gives each role its layer, a screen its colour. */
export type LineRole = 'cut' | 'engrave' | 'drill' | 'reference';

/** Several closed or open paths that belong together under one name: the outline of a wheel with its holes. */
export interface Shape {
  readonly name: string;
  readonly role: LineRole;
  readonly paths: readonly Path[];
}

/** A line of text, its anchor in the middle of the baseline, millimetres. */
export interface Label {
  readonly text: string;
  readonly x: number;
  readonly y: number;
  readonly height: number;
  readonly role: LineRole;
  /** Turned about its anchor, radians, counter-clockwise; upright when not said. */
  readonly angle?: number;
}

/** A named group of shapes, turned by `angle` (radians, counter-clockwise) about its origin and then moved to x, y. */
export interface Group {
  readonly name: string;
  readonly x: number;
  readonly y: number;
  readonly angle: number;
  readonly shapes: readonly Shape[];
  readonly labels: readonly Label[];
}

/** A neutral drawing in millimetres, y upwards. It knows no machine and no file format. */
export interface Drawing {
  readonly title: string;
  /** Statements that go into the file: chord error, scale, play taken. */
  readonly notes: readonly string[];
  readonly groups: readonly Group[];
}
