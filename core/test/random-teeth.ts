import fc from 'fast-check';
import { bevelPair, type TeethSpec, type ToothSpec } from '../src/teeth/tooth/index.ts';

const real = (min: number, max: number): fc.Arbitrary<number> => fc.double({ min, max, noNaN: true });

const form = fc.record({
  kind: fc.constant('involute' as const),
  pressureAngleDeg: real(14.5, 30),
  addendum: real(0.4, 1.4),
  dedendum: real(0.6, 1.7),
  fillet: real(0, 0.5),
  tip: fc.option(
    fc.record({ kind: fc.constantFrom('chamfer' as const, 'round' as const), size: real(0.01, 0.4) }),
    { nil: undefined },
  ),
});

const spec = (least: number, most: number): fc.Arbitrary<ToothSpec> =>
  fc.record({
    form: form.map(({ tip, ...f }) => (tip ? { ...f, tip } : f)),
    module: real(0.3, 6),
    count: fc.integer({ min: least, max: most }),
    shift: real(-0.8, 1),
    shortening: real(-0.3, 0),
    thinning: real(0, 0.4),
  });

/** Random teeth of every family, sensible and not: each must give a valid outline or a sentence. Sizes in mm. */
export const RANDOM_TEETH: Readonly<Record<string, fc.Arbitrary<TeethSpec>>> = {
  involute: spec(3, 200).map(s => ({ family: 'involute', spec: s })),
  'involute ring': spec(6, 300).map(s => ({ family: 'involute ring', spec: s, rim: 5 })),
  'involute rack': spec(1, 30).map(s => ({ family: 'involute rack', spec: s, back: 4 })),
  bevel: fc.tuple(spec(5, 80), fc.integer({ min: 5, max: 80 }), real(10, 170)).map(([s, other, angle]) => ({
    family: 'bevel',
    spec: s,
    cone: bevelPair(s.module, [s.count, other], angle, s.form).cones[0],
  })),
  cycloidal: fc
    .record({
      module: real(0.3, 4),
      count: fc.integer({ min: 3, max: 150 }),
      mate: fc.integer({ min: 5, max: 150 }),
      drives: fc.boolean(),
      tip: fc.constantFrom(
        'eased' as const,
        'round' as const,
        'medium ogive' as const,
        'high ogive' as const,
      ),
      thick: real(0.4, 3.3),
      practical: real(0.5, 1),
      deep: real(0.5, 2.5),
      fillet: real(0, 0.5),
    })
    .map(({ thick, deep, ...s }) => ({
      family: 'cycloidal',
      spec: { ...s, thickness: thick * s.module, dedendum: deep * s.module },
    })),
  'lantern wheel': fc
    .record({
      module: real(0.5, 5),
      count: fc.integer({ min: 8, max: 120 }),
      pins: fc.integer({ min: 4, max: 20 }),
      pin: real(0.5, 2.2),
      play: real(0, 0.4),
      practical: real(0.5, 1),
      clearance: real(0, 1),
    })
    .map(({ pin, ...s }) => ({ family: 'lantern wheel', spec: { ...s, pinDiameter: pin * s.module } })),
  'reducer disc': fc
    .record({
      lobes: fc.integer({ min: 1, max: 40 }),
      more: fc.integer({ min: 0, max: 3 }),
      pin: real(0.2, 2.5),
      pinCircleRadius: real(10, 80),
      off: real(0.05, 1.1),
      offset: real(0, 0.3),
    })
    .map(({ more, pin, off, ...s }) => {
      const pins = s.lobes + more;
      const pitch = (2 * Math.PI * s.pinCircleRadius) / Math.max(1, pins);
      const eccentricity = (off * s.pinCircleRadius * Math.max(1, more)) / Math.max(1, pins);
      return {
        family: 'reducer disc',
        spec: { ...s, pins, pinDiameter: (pin * pitch) / Math.PI, eccentricity },
      };
    }),
  magnets: fc
    .record({
      pairs: fc.integer({ min: 1, max: 30 }),
      rimRadius: real(5, 60),
      inside: fc.boolean(),
      wall: real(0, 3),
      diameter: real(1, 12),
    })
    .map(({ diameter, ...s }) => ({
      family: 'magnets',
      spec: { ...s, magnet: { shape: 'round', diameter } },
      pitchRadius: s.rimRadius,
      rim: 3,
    })),
};
