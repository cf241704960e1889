/** Faults of frames, rims, dials and bolts: what is wrong, in which file, from what, to what, and who finds it. */
export const FRAME_MUTATIONS: readonly (readonly [string, string, string, string, string])[] = [
  [
    'teeth outside a ring turned against those inside',
    'state/derive/wheel-plane.ts',
    '(phases.at[other.id] ?? 0) - (phases.at[wheel.id] ?? 0)',
    '(phases.at[wheel.id] ?? 0) - (phases.at[other.id] ?? 0)',
    'core/src/making/solid/two-sided.test.ts',
  ],
  [
    'a rim judged by half of what it needs',
    'state/judge/rim-findings.ts',
    'RIM_OF_DEPTH = 1.2',
    'RIM_OF_DEPTH = 0.6',
    'core/src/making/solid/two-sided.test.ts',
  ],
  [
    'a base that is asked for its whole width instead of half',
    'place/layout/base.ts',
    'base.across / 2 - off',
    'base.across - off',
    'core/src/place/layout/base.test.ts',
  ],
  [
    'a column whose upper end is as long as its lower one',
    'making/solid/fittings.ts',
    'shoulder + (back ? back.to - back.from : 0)',
    'shoulder + low',
    'core/src/place/layout/base.test.ts',
  ],
  [
    'holes of a dial that turn with it',
    'place/indicator/dial-figure.ts',
    'radians(fixed.atDeg - settingDeg)',
    'radians(fixed.atDeg)',
    'core/src/place/layout/dial-screws.test.ts',
  ],
  [
    'a dial that floats though it is screwed on',
    'place/layout/seats.ts',
    '(lies ? 0 : SEAT_GAP)',
    'SEAT_GAP',
    'core/src/place/layout/dial-screws.test.ts',
  ],
  [
    'bolts a quarter step round',
    'teeth/body/bolts.ts',
    '(2 * Math.PI * i) / number)',
    '(2 * Math.PI * (i + 0.25)) / number)',
    'core/src/teeth/body/bolts.test.ts',
  ],
  [
    'the best plan of a school that is forgotten',
    'files/job/search-job.ts',
    'best = step.value.plan ?? best',
    'best = step.value.plan',
    'core/src/files/job/job.test.ts',
  ],
];
