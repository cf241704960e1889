/** An E clip as it is bought, by the groove it snaps into, mm. */
export interface EClip {
  /** Across the groove, by which it is called. */
  readonly groove: number;
  /** Rods on which it goes, across. */
  readonly from: number;
  readonly to: number;
  readonly thickness: number;
  /** How wide the groove is. */
  readonly width: number;
  /** From the groove to the end of the rod, at least. */
  readonly land: number;
}

type Row = readonly [
  groove: number,
  from: number,
  to: number,
  thickness: number,
  width: number,
  land: number,
];

/** Lock washers for shafts. Source: DIN 6799:2017 (from memory). */
const ROWS: readonly Row[] = [
  [1.2, 1.4, 2, 0.3, 0.34, 0.6],
  [1.5, 2, 2.5, 0.4, 0.44, 0.8],
  [1.9, 2.5, 3, 0.5, 0.54, 1],
  [2.3, 3, 4, 0.6, 0.64, 1],
  [3.2, 4, 5, 0.6, 0.64, 1],
  [4, 5, 7, 0.7, 0.74, 1.2],
  [5, 6, 8, 0.7, 0.74, 1.2],
  [6, 7, 9, 0.7, 0.74, 1.2],
  [7, 8, 11, 0.9, 0.94, 1.5],
  [8, 9, 12, 1, 1.05, 1.8],
  [9, 10, 14, 1.1, 1.15, 2],
  [10, 11, 15, 1.2, 1.25, 2],
  [12, 13, 18, 1.3, 1.35, 2.5],
  [15, 16, 24, 1.5, 1.55, 3],
];

/** All E clips, the smallest first. */
export const E_CLIPS: readonly EClip[] = ROWS.map(([groove, from, to, thickness, width, land]) => ({
  ...{ groove, from, to, thickness, width, land },
}));

/** The largest E clip for a rod that measures so much across, mm, with the shallowest groove; undefined for others. */
export const eClipFor = (diameter: number): EClip | undefined =>
  E_CLIPS.filter(c => c.from <= diameter + 1e-9 && diameter <= c.to + 1e-9).at(-1);
