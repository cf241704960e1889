/** A ball bearing as it is bought: bore, outside and width, mm, and its dimension series. */
export interface BallBearing {
  readonly name: string;
  readonly bore: number;
  readonly outside: number;
  readonly width: number;
  readonly series: '18' | '19' | '10' | '02';
}

type Row = readonly [name: string, bore: number, outside: number, width: number];

/**
 * Deep groove ball bearings, single row, by their boundary dimensions. Source: ISO 15:2017, general plan of boundary
 * dimensions, dimension series 18, 19, 10 and 02 (from memory); what they are called is common practice, no source.
 */
const SERIES: { readonly [S in BallBearing['series']]: readonly Row[] } = {
  '18': [
    ['683', 3, 7, 2],
    ['684', 4, 9, 2.5],
    ['685', 5, 11, 3],
    ['686', 6, 13, 3.5],
    ['687', 7, 14, 3.5],
    ['688', 8, 16, 4],
    ['689', 9, 17, 4],
    ['6800', 10, 19, 5],
    ['6801', 12, 21, 5],
    ['6802', 15, 24, 5],
    ['6803', 17, 26, 5],
    ['6804', 20, 32, 7],
  ],
  '19': [
    ['692', 2, 6, 2.3],
    ['693', 3, 8, 3],
    ['694', 4, 11, 4],
    ['695', 5, 13, 4],
    ['696', 6, 15, 5],
    ['697', 7, 17, 5],
    ['698', 8, 19, 6],
    ['699', 9, 20, 6],
    ['6900', 10, 22, 6],
    ['6901', 12, 24, 6],
    ['6902', 15, 28, 7],
    ['6903', 17, 30, 7],
    ['6904', 20, 37, 9],
  ],
  '10': [
    ['604', 4, 12, 4],
    ['605', 5, 14, 5],
    ['606', 6, 17, 6],
    ['607', 7, 19, 6],
    ['608', 8, 22, 7],
    ['609', 9, 24, 7],
    ['6000', 10, 26, 8],
    ['6001', 12, 28, 8],
    ['6002', 15, 32, 9],
    ['6003', 17, 35, 10],
    ['6004', 20, 42, 12],
  ],
  '02': [
    ['623', 3, 10, 4],
    ['624', 4, 13, 5],
    ['625', 5, 16, 5],
    ['626', 6, 19, 6],
    ['627', 7, 22, 7],
    ['628', 8, 24, 8],
    ['629', 9, 26, 8],
    ['6200', 10, 30, 9],
    ['6201', 12, 32, 10],
    ['6202', 15, 35, 11],
    ['6203', 17, 40, 12],
    ['6204', 20, 47, 14],
  ],
};

/** All bearings, by bore and then by outside. */
export const BALL_BEARINGS: readonly BallBearing[] = (Object.keys(SERIES) as BallBearing['series'][])
  .flatMap(series =>
    SERIES[series].map(([name, bore, outside, width]) => ({ name, bore, outside, width, series })),
  )
  .sort((a, b) => a.bore - b.bore || a.outside - b.outside);

/** The bearing of that name. */
export const ballBearing = (name: string | undefined): BallBearing | undefined =>
  BALL_BEARINGS.find(b => b.name === name);

/** How far an arbor may measure beside the bore of its bearing, mm (common practice, no source). */
const BORE_PLAY = 0.05;

/** The bearings for an arbor that measures so much across, the smallest first; none for odd sizes. mm. */
export const bearingsFor = (diameter: number): BallBearing[] =>
  BALL_BEARINGS.filter(b => Math.abs(b.bore - diameter) <= BORE_PLAY);
