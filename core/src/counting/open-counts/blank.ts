/** A wheel whose count is open, with the counts it may have. */
export interface Blank {
  readonly wheel: string;
  readonly least: number;
  readonly most: number;
}
