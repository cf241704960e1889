/** What figures of findings and mends are measured in. */
export type Mm = number;
export type Modules = number;
export type Degrees = number;
export type Radians = number;
export type Count = number;
export type Layer = number;
/** Turns per turn of the drive, or parts of a turn. */
export type Turns = number;
/** A contact ratio. */
export type Pitches = number;
/** A part of one, with a sign where it has a sense. */
export type Part = number;
export type Rpm = number;
