import { circle, type Path, reversePath } from '../../ground/geometry/index.ts';
import { fail, ok, type Result } from '../../ground/result/index.ts';
import { backConeHalf, endTemplate } from './bevel-patterns.ts';
import { cycloidalDimensions, cycloidalHalf } from './cycloidal.ts';
import type { ToothFigure } from './figure.ts';
import { arcTo, borderOf, type HalfTooth, halfOf } from './half-tooth.ts';
import { involuteDimensions } from './involute-dimensions.ts';
import { involuteHalf } from './involute-outline.ts';
import { rackHalf, rackOutline } from './involute-rack.ts';
import { ringDimensions, ringHalf } from './involute-ring.ts';
import { lanternDimensions, lanternHalf, pinCircles, pinHalf } from './lantern.ts';
import { magnetRim } from './magnet-rim.ts';
import { lobeRingWall, reducerDimensions, reducerHalf, type ReducerSpec } from './reducer-disc.ts';
import { largestModule, MOST_POINTS, outlineWork, sizeOf } from './outline-work.ts';
import { isSoundHalf } from './sound-half.ts';
import type { TeethSpec } from './teeth-spec.ts';

type Family = TeethSpec['family'];
type Of<F extends Family> = Extract<TeethSpec, { family: F }>;

/** The figure of each family, its curves as chords within an error in mm. */
const FAMILIES: { readonly [F in Family]: (teeth: Of<F>, chordError: number) => Result<ToothFigure> } = {
  involute: involuteFigure,
  'involute ring': ringFigure,
  'involute rack': rackFigure,
  bevel: bevelFigure,
  cycloidal: cycloidalFigure,
  'lantern wheel': lanternFigure,
  pins: pinsFigure,
  pegs: pinsFigure,
  'reducer disc': reducerFigure,
  'reducer pins': reducerPinsFigure,
  'reducer lobes': reducerLobesFigure,
  magnets: magnetFigure,
};

/** The plane figure of a part's teeth; refused with a sentence where its teeth would run through themselves. */
export function toothFigure(teeth: TeethSpec, chordError: number): Result<ToothFigure> {
  if (outlineWork(teeth, chordError) > MOST_POINTS) {
    const { count, module } = sizeOf(teeth);
    return fail('teeth-too-large', { count, module, largest: largestModule(count, chordError) });
  }
  const figure = (FAMILIES[teeth.family] as (t: TeethSpec, e: number) => Result<ToothFigure>)(
    teeth,
    chordError,
  );
  if (figure.ok && !hasCircles(teeth, figure.value)) return withoutCircles(teeth, figure.value);
  if (!figure.ok || !figure.value.half || isPin(teeth)) return figure;
  const { half, count } = figure.value;
  const rack = teeth.family === 'involute rack';
  const width = rack ? (Math.PI * teeth.spec.module) / 2 : Math.PI / count;
  return isSoundHalf(half, width, rack, chordError) ? figure : fail('teeth-cross-themselves', { count });
}

/** Whether the circles are circles: a rack has heights instead. */
const hasCircles = ({ family }: TeethSpec, { pitchRadius, tipRadius }: ToothFigure): boolean =>
  family === 'involute rack' ||
  (pitchRadius > 0 && tipRadius > 0 && Number.isFinite(pitchRadius + tipRadius));

const withoutCircles = (teeth: TeethSpec, { rootRadius }: ToothFigure): Result<ToothFigure> =>
  'lobes' in teeth.spec
    ? fail('pins-not-more', { pins: teeth.spec.pins, lobes: teeth.spec.lobes })
    : fail('root-vanishes', { rootDiameter: 2 * rootRadius });

/** Pins are rounds of their own. */
const isPin = ({ family }: TeethSpec): boolean =>
  family === 'pins' || family === 'pegs' || family === 'reducer pins';

const disc = (radius: number): Path => circle({ x: 0, y: 0 }, radius);
const plain = { holes: [], engraved: [], closes: true } as const;

function involuteFigure({ spec }: Of<'involute'>, chordError: number): Result<ToothFigure> {
  const half = involuteHalf(spec, chordError);
  if (!half.ok) return half;
  const { pitchRadius, tipRadius, rootRadius } = involuteDimensions(spec);
  const outline = borderOf(half.value, spec.count);
  return ok({
    ...plain,
    pitchRadius,
    tipRadius,
    rootRadius,
    half: half.value,
    count: spec.count,
    outline,
    webRadius: rootRadius,
  });
}

function ringFigure({ spec, rim }: Of<'involute ring'>, chordError: number): Result<ToothFigure> {
  const half = ringHalf(spec, chordError);
  if (!half.ok) return half;
  const { pitchRadius, tipRadius, rootRadius } = ringDimensions(spec);
  const holes = [reversePath(borderOf(half.value, spec.count))];
  const outline = disc(rootRadius + rim);
  return ok({
    ...plain,
    pitchRadius,
    tipRadius,
    rootRadius,
    half: half.value,
    count: spec.count,
    outline,
    holes,
    webRadius: 0,
  });
}

function rackFigure({ spec, back }: Of<'involute rack'>): Result<ToothFigure> {
  const half = rackHalf(spec);
  const outline = rackOutline(spec, spec.count, back);
  if (!half.ok) return half;
  if (!outline.ok) return outline;
  const tipRadius = spec.module * (spec.form.addendum + spec.shift + spec.shortening);
  const rootRadius = half.value.start.x;
  return ok({
    ...plain,
    pitchRadius: 0,
    tipRadius,
    rootRadius,
    half: half.value,
    count: spec.count,
    outline: outline.value,
    webRadius: 0,
    closes: false,
  });
}

/** The pattern of a bevel is its large end rolled out flat; its circles are those of the large end itself. */
function bevelFigure({ spec, cone }: Of<'bevel'>, chordError: number): Result<ToothFigure> {
  const half = backConeHalf(spec, cone, chordError);
  if (!half.ok) return half;
  const down = spec.module * (spec.form.dedendum - spec.shift);
  const back = half.value.start.x - 2 * spec.module;
  const outline = endTemplate(spec, cone, chordError, Math.max(back, half.value.start.x / 2));
  if (!outline.ok) return outline;
  const rootRadius = cone.pitchDiameter / 2 - down * Math.cos(cone.pitchAngle);
  return ok({
    ...plain,
    pitchRadius: cone.pitchDiameter / 2,
    tipRadius: cone.outsideDiameter / 2,
    ...{ rootRadius, half: half.value, outline: outline.value, webRadius: 0 },
    count: cone.virtualCount,
    closes: cone.virtualCount - cone.count < 1e-9,
  });
}

function cycloidalFigure({ spec }: Of<'cycloidal'>, chordError: number): Result<ToothFigure> {
  const half = cycloidalHalf(spec, chordError);
  if (!half.ok) return half;
  const { pitchRadius, tipRadius, rootRadius } = cycloidalDimensions(spec);
  const outline = borderOf(half.value, spec.count);
  return ok({
    ...plain,
    pitchRadius,
    tipRadius,
    rootRadius,
    half: half.value,
    count: spec.count,
    outline,
    webRadius: rootRadius,
  });
}

function lanternFigure({ spec }: Of<'lantern wheel'>, chordError: number): Result<ToothFigure> {
  const half = lanternHalf(spec, chordError);
  const d = lanternDimensions(spec);
  if (!half.ok) return half;
  if (!d.ok) return d;
  const { pitchRadius, tipRadius, rootRadius } = d.value;
  const outline = borderOf(half.value, spec.count);
  return ok({
    ...plain,
    pitchRadius,
    tipRadius,
    rootRadius,
    half: half.value,
    count: spec.count,
    outline,
    webRadius: rootRadius,
  });
}

function pinsFigure({ spec }: Of<'pins' | 'pegs'>): Result<ToothFigure> {
  const { count, pitchRadius, pinDiameter: d, rim } = spec;
  if (count < 3) return fail('too-few-pins', { count, least: 3 });
  if (2 * pitchRadius * Math.sin(Math.PI / count) <= d) return fail('pins-touch', { pin: d, count });
  return ok({
    ...plain,
    pitchRadius,
    tipRadius: pitchRadius + d / 2,
    rootRadius: pitchRadius - d / 2,
    half: pinHalf(pitchRadius, d),
    count,
    outline: disc(pitchRadius + d / 2 + rim),
    holes: pinCircles(pitchRadius, d, count).map(reversePath),
    webRadius: pitchRadius - d / 2,
  });
}

function reducerFigure({ spec }: Of<'reducer disc'>, chordError: number): Result<ToothFigure> {
  const half = reducerHalf(spec, chordError);
  const d = reducerDimensions(spec);
  if (!half.ok) return half;
  if (!d.ok) return d;
  const { pitchRadius, tipRadius, rootRadius } = d.value;
  const outline = borderOf(half.value, spec.lobes);
  return ok({
    ...plain,
    pitchRadius,
    tipRadius,
    rootRadius,
    half: half.value,
    count: spec.lobes,
    outline,
    webRadius: rootRadius,
  });
}

/** The ring that stands round a reducer's disc: its pitch circle, and the circles between which its pins reach in. */
function reducerRing(spec: ReducerSpec): {
  pitchRadius: number;
  tipRadius: number;
  rootRadius: number;
  count: number;
} {
  const { pins, lobes, eccentricity, pinCircleRadius: r, pinDiameter: d } = spec;
  const pitchRadius = (eccentricity * pins) / (pins - lobes);
  return {
    pitchRadius,
    tipRadius: r - d / 2,
    rootRadius: r + Math.max(d / 2, 2 * eccentricity - d / 2 + spec.offset),
    count: pins,
  };
}

function reducerPinsFigure({ spec, rim }: Of<'reducer pins'>): Result<ToothFigure> {
  const { pins, pinCircleRadius: r, pinDiameter: d } = spec;
  if (2 * r * Math.sin(Math.PI / pins) <= d) return fail('pins-touch', { pin: d, count: pins });
  return ok({
    ...plain,
    ...reducerRing(spec),
    half: pinHalf(r, d),
    outline: disc(r + d / 2 + rim),
    holes: pinCircles(r, d, pins).map(reversePath),
    webRadius: r - d / 2,
  });
}

function reducerLobesFigure({ spec, rim }: Of<'reducer lobes'>): Result<ToothFigure> {
  const { pins, pinCircleRadius: r, pinDiameter: d } = spec;
  if (2 * r * Math.sin(Math.PI / pins) <= d) return fail('pins-touch', { pin: d, count: pins });
  const ring = reducerRing(spec);
  const wall = lobeRingWall(spec);
  const half = lobeHalf(r, d / 2, wall, pins);
  const holes = [reversePath(borderOf(half, pins))];
  return ok({ ...plain, ...ring, rootRadius: wall, half, outline: disc(wall + rim), holes, webRadius: 0 });
}

/** Half a round lobe of a ring: the wall of the ring, the lobe's straight side, and its true arc. */
function lobeHalf(r: number, radius: number, wall: number, pins: number): HalfTooth {
  const gap = -Math.PI / pins;
  return halfOf({ x: wall * Math.cos(gap), y: wall * Math.sin(gap) }, [
    arcTo({ x: Math.sqrt(wall * wall - radius * radius), y: -radius }, true),
    { kind: 'line', to: { x: r, y: -radius } },
    arcTo({ x: r - radius, y: 0 }, false, { x: r, y: 0 }),
  ]);
}

function magnetFigure({ spec, pitchRadius, rim }: Of<'magnets'>): Result<ToothFigure> {
  const found = magnetRim(spec);
  if (!found.ok) return found;
  const { pockets, centres, north, farRadius } = found.value;
  const small = Math.abs(farRadius - spec.rimRadius) / 12;
  const engraved = centres.flatMap((c, i) => (north[i] ? [circle(c, small)] : []));
  const common = {
    pitchRadius,
    tipRadius: spec.rimRadius,
    rootRadius: farRadius,
    half: undefined,
    count: spec.pairs,
    engraved,
    closes: true,
  };
  return ok(
    spec.inside
      ? {
          ...common,
          outline: disc(farRadius + rim),
          holes: [reversePath(disc(spec.rimRadius)), ...pockets],
          webRadius: 0,
        }
      : { ...common, outline: disc(spec.rimRadius), holes: pockets, webRadius: farRadius },
  );
}
