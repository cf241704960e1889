/** Fits of a shaft that turns in a hole, on the basis of the hole. */
export type RunningFit = 'H7/g6' | 'H8/f7' | 'H9/d9' | 'H11/c11';

/**
 * The most and the least a fit leaves between hole and shaft, mm across; what hole and shaft may measure more or
 * less than their name.
 */
export interface FitLimits {
  readonly hole: readonly [least: number, most: number];
  readonly shaft: readonly [least: number, most: number];
  readonly clearance: readonly [least: number, most: number];
}

/** Up to these nominal diameters, mm. */
const UP_TO = [3, 6, 10, 18, 30, 40, 50] as const;
/** Standard tolerances, µm, by grade. */
const GRADES: Readonly<Record<number, readonly number[]>> = {
  6: [6, 8, 9, 11, 13, 16, 16],
  7: [10, 12, 15, 18, 21, 25, 25],
  8: [14, 18, 22, 27, 33, 39, 39],
  9: [25, 30, 36, 43, 52, 62, 62],
  11: [60, 75, 90, 110, 130, 160, 160],
};
/** How far below its name the largest shaft lies, µm. */
const BELOW: Readonly<Record<string, readonly number[]>> = {
  g: [2, 4, 5, 6, 7, 9, 9],
  f: [6, 10, 13, 16, 20, 25, 25],
  d: [20, 30, 40, 50, 65, 80, 80],
  c: [60, 70, 80, 95, 110, 120, 130],
};

/**
 * The limits of a running fit at a diameter up to 50 mm; undefined beyond. 25 H7/g6: hole 0 to +0.021, shaft −0.020
 * to −0.007, clearance 0.007 to 0.041. Source: ISO 286-1 and 286-2, tables (from memory).
 */
export function fitLimits(fit: RunningFit, diameter: number): FitLimits | undefined {
  const i = UP_TO.findIndex(most => diameter <= most);
  const [, holeGrade, letter = '', shaftGrade] = /^H(\d+)\/([a-z])(\d+)$/.exec(fit) ?? [];
  const [wide, narrow, below] = [
    GRADES[Number(holeGrade)]?.[i],
    GRADES[Number(shaftGrade)]?.[i],
    BELOW[letter]?.[i],
  ];
  if (!(diameter > 0) || wide === undefined || narrow === undefined || below === undefined) return undefined;
  const mm = (um: number): number => um / 1000;
  return {
    hole: [0, mm(wide)],
    shaft: [mm(-below - narrow), mm(-below)],
    clearance: [mm(below), mm(below + narrow + wide)],
  };
}
