import type { InvoluteForm } from '../../document/machine/index.ts';
import { ringInterference, tipShortening } from '../../teeth/mesh/index.ts';
import { bisect } from '../../ground/geometry/index.ts';
import { fail, ok, type Result } from '../../ground/result/index.ts';
import {
  inv,
  inverseInv,
  involuteDimensions,
  involuteFillet,
  ringDimensions,
  shiftWithoutUndercut,
  STANDARD_SPEC,
  transverseAngleDeg,
  transverseSpec,
} from '../../teeth/tooth/index.ts';
import { cosDeg, radians } from '../../ground/units/index.ts';

/** The teeth of one stage of a set: counts that need not go together by themselves, and their form. */
export interface StageTeeth {
  readonly form: InvoluteForm;
  readonly helixDeg: number;
  readonly sun: number;
  readonly planet: number;
  readonly ring: number;
  readonly second?: { readonly planet: number; readonly ring: number } | undefined;
}

/** Profile shifts of a stage and the distance of the planets from the middle, in (normal) modules. */
export interface StageShifts {
  readonly sun: number;
  readonly planet: number;
  readonly ring: number;
  readonly second: { readonly planet: number; readonly ring: number } | undefined;
  readonly distance: number;
}

/** A shift that is wanted of one wheel; the others follow it. */
export type WantedShift = { readonly wheel: 'sun' | 'planet' | 'ring'; readonly shift: number } | undefined;

/** What a wheel may be shifted by, modules, and an undercut so slight that it is customarily left. */
const LEAST = -1;
const MOST = 1.5;
const CUSTOMARY = 0.02;
/** Enough that centres meet to a millionth of a millimetre. */
const DECIMALS = 9;
/** Distances that agree this well, in modules, are one. */
const AGREES = 1e-5;

const tidy = (x: number): number => (Math.abs(x) < 1e-9 ? 0 : Number(x.toFixed(DECIMALS)));

/**
 * Shifts with which all meshes of a stage stand at one distance and nothing is undercut. Of a pair of Z teeth (the sum
 * side by side, the difference in a ring) at the distance a: Σx = (inv α_wt − inv α_t)·Z/(2 tan α_n), cos α_wt = Z cos
 * α_t/(2a cos β) (ISO 21771; in a ring the planet's counts against the ring's). The distance is the middle of those
 * that the counts have by themselves, or as much more as keeps sun and planet from being undercut. Without need all
 * are nought. `at` keeps the planets at a distance that they have. Fails where no distance will do or a shift would be
 * beyond −1 or 1.5.
 */
export function sharedShifts(teeth: StageTeeth, wanted?: WantedShift, at?: number): Result<StageShifts> {
  const { form, helixDeg, sun, planet, ring, second } = teeth;
  const inner = ring - planet;
  const inner2 = second && second.ring - second.planet;
  const sums = [sun + planet, inner, ...(inner2 === undefined ? [] : [inner2])];
  if (sums.some(z => !(z > 0))) return fail('set-no-room', { planet, ring });
  const cos = cosDeg(helixDeg);
  const own = sums.map(z => z / (2 * cos));
  const least = Math.max(...own) * cosDeg(transverseAngleDeg(form.pressureAngleDeg, helixDeg)) + 1e-9;
  const middle = Math.max(least, own.reduce((s, a) => s + a, 0) / own.length);
  const sum = (z: number, a: number): number => sumOfShifts(form.pressureAngleDeg, helixDeg, z, a);
  const [atSun, atPlanet] = [needOf(form, helixDeg, sun), needOf(form, helixDeg, planet)];
  const needed = Math.max(0, atSun) + Math.max(0, atPlanet) > 0 ? atSun + atPlanet : -Infinity;
  const distance =
    at ??
    (sum(sun + planet, middle) >= needed
      ? middle
      : bisect(a => sum(sun + planet, a) - needed, middle, middle + 4));
  const total = sum(sun + planet, distance);
  const difference = sum(inner, distance);
  const onSun = wantedOnSun(wanted, total, difference) ?? shareOf(total, atSun, atPlanet);
  const planetShift = total - onSun;
  const secondNeed = second ? Math.max(0, needOf(form, helixDeg, second.planet)) : 0;
  const secondDifference = inner2 === undefined ? 0 : sum(inner2, distance);
  const shifts: StageShifts = {
    sun: tidy(onSun),
    planet: tidy(planetShift),
    ring: tidy(planetShift + difference),
    second: second && { planet: tidy(secondNeed), ring: tidy(secondNeed + secondDifference) },
    distance,
  };
  const all = [
    shifts.sun,
    shifts.planet,
    shifts.ring,
    ...(shifts.second ? Object.values(shifts.second) : []),
  ];
  const worst = all.find(x => x < LEAST || x > MOST);
  return worst === undefined ? ok(shifts) : fail('set-shift-too-large', { sun, planet, ring, shift: worst });
}

/**
 * The distance, (normal) modules, at which shifts let all meshes of a stage stand; undefined where they ask different
 * ones. inv α_wt = inv α_t + 2 tan α_n Σx/Z (ISO 21771).
 */
export function meetingDistance(
  { form, helixDeg, sun, planet, ring, second }: StageTeeth,
  shifts: Omit<StageShifts, 'distance'>,
): number | undefined {
  const alpha = radians(transverseAngleDeg(form.pressureAngleDeg, helixDeg));
  const of = (teeth: number, sum: number): number => {
    const own = teeth / (2 * cosDeg(helixDeg));
    const working = inv(alpha) + (2 * Math.tan(radians(form.pressureAngleDeg)) * sum) / teeth;
    if (sum === 0) return own;
    return working > 0 ? (own * Math.cos(alpha)) / Math.cos(inverseInv(working)) : NaN;
  };
  const first = of(sun + planet, shifts.sun + shifts.planet);
  const inside = [[ring - planet, shifts.ring - shifts.planet] as const];
  if (second && shifts.second)
    inside.push([second.ring - second.planet, shifts.second.ring - shifts.second.planet]);
  return inside.every(([z, sum]) => z > 0 && Math.abs(of(z, sum) - first) < AGREES) ? first : undefined;
}

/** The shift of the sun with which the wheel that is asked for gets what is wanted. */
function wantedOnSun(wanted: WantedShift, total: number, difference: number): number | undefined {
  if (!wanted) return undefined;
  if (wanted.wheel === 'sun') return wanted.shift;
  return total - (wanted.wheel === 'planet' ? wanted.shift : wanted.shift - difference);
}

/** Half of the sum on the sun, or as much more or less as undercut asks. */
const shareOf = (total: number, atSun: number, atPlanet: number): number =>
  Math.max(atSun, Math.min(total / 2, total - atPlanet));

function sumOfShifts(pressureAngleDeg: number, helixDeg: number, teeth: number, distance: number): number {
  const alpha = radians(transverseAngleDeg(pressureAngleDeg, helixDeg));
  const own = teeth / (2 * cosDeg(helixDeg));
  if (Math.abs(distance - own) < 1e-12) return 0;
  const working = Math.acos(Math.min(1, (own * Math.cos(alpha)) / distance));
  return ((inv(working) - inv(alpha)) * teeth) / (2 * Math.tan(radians(pressureAngleDeg)));
}

/** The least shift of a wheel, normal modules, up to hundredths where it is more than nought. */
function needOf(form: InvoluteForm, helixDeg: number, count: number): number {
  const spec = transverseSpec({ form, module: 1, count, ...STANDARD_SPEC }, helixDeg);
  const least = shiftWithoutUndercut(spec) / cosDeg(helixDeg);
  if (least > 0 && least < CUSTOMARY) return 0;
  return least > 0 ? Math.ceil(least * 100 - 1e-9) / 100 : least;
}

/** How far apart the tips of neighbouring planets stand at a step round the middle, (normal) modules. */
export function planetsApart(teeth: StageTeeth, shifts: StageShifts, stepDeg: number): number {
  const wheel = tipOf(teeth, teeth.planet, shifts.planet, teeth.sun, shifts.sun);
  const second = teeth.second ? tipOf(teeth, teeth.second.planet, shifts.second?.planet ?? 0) : 0;
  return 2 * shifts.distance * Math.sin(radians(stepDeg) / 2) - 2 * Math.max(wheel, second);
}

/** Tip radius of a planet, normal modules, shortened for the sun where shifts ask it. */
function tipOf(
  { form, helixDeg }: StageTeeth,
  count: number,
  shift: number,
  mate?: number,
  mateShift = 0,
): number {
  const cos = cosDeg(helixDeg);
  const pair = {
    ...{ module: 1 / cos, pressureAngleDeg: transverseAngleDeg(form.pressureAngleDeg, helixDeg) },
    counts: [count, mate ?? count] as const,
    shifts: [shift * cos, mateShift * cos] as const,
  };
  const shortening = mate === undefined ? 0 : Math.min(0, tipShortening(pair)) / cos;
  return involuteDimensions(
    transverseSpec({ form, module: 1, count, ...STANDARD_SPEC, shift, shortening }, helixDeg),
  ).theoreticalTipRadius;
}

/**
 * By how many modules a ring's tips are cut down, in hundredths, so that they keep off the feet of the planets: as
 * ringRelief, for shifted and leaning teeth.
 */
export function reliefOf(
  teeth: StageTeeth,
  planet: { readonly count: number; readonly shift: number },
  ring: { readonly count: number; readonly shift: number },
  distance: number,
): number {
  const { form, helixDeg } = teeth;
  const spec = ({ count, shift }: typeof planet): Parameters<typeof transverseSpec>[0] => ({
    ...{ form, module: 1, count, ...STANDARD_SPEC, shift },
  });
  const [wheel, outer] = [transverseSpec(spec(planet), helixDeg), transverseSpec(spec(ring), helixDeg)];
  const [own, round] = [involuteDimensions(wheel), ringDimensions(outer)];
  const { involute } = ringInterference({
    counts: [planet.count, ring.count],
    tips: [own.theoreticalTipRadius, round.theoreticalTipRadius],
    bases: [own.baseRadius, round.baseRadius],
    ...{ distance, form: involuteFillet(wheel)?.formRadius },
  });
  return Math.min(1, Math.max(0, Math.ceil(-100 * involute - 1e-6) / 100));
}
