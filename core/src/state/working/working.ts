/** How a figure came about: the formula, each value put in, each step, the result, and where the formula is from. */
export interface Working {
  readonly title: string;
  readonly formula: string;
  readonly values: readonly WorkingValue[];
  readonly steps: readonly string[];
  readonly result: string;
  readonly source: string;
}

/** One value put into a formula, as text with its unit. */
export interface WorkingValue {
  readonly symbol: string;
  readonly meaning: string;
  readonly value: string;
}
