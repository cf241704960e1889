import { copyGroups, equalNumbers, nearestPlaces, placeStep } from '../../place/layout/index.ts';
import {
  byId,
  LIMITS,
  type Machine,
  moduleOf,
  recounted,
  type SetStage,
  setWheels,
  type Toothing,
  type ToothSize,
  type Wheel,
} from '../../document/machine/index.ts';
import { type Attempt, ownToothing, setAxis } from '../change/index.ts';
import {
  LEAST_PLANETARY,
  meetingDistance,
  MOST_PLANETS,
  planetsApart,
  reliefOf,
  sharedShifts,
  type StageShifts,
  type StageTeeth,
  type WantedShift,
} from '../../counting/planetary/index.ts';
import { fail, ok, type Result } from '../../ground/result/index.ts';
import { type StageCounts, stageCounts, type StageParts, stageParts } from './stage-parts.ts';

/** What is to become of a set; what is left out stays, or follows. Lengths in mm. */
export interface SetChange {
  /** The stage that it is meant for, from nought; all of them when left out. */
  readonly stage?: number | undefined;
  readonly sun?: number;
  readonly planet?: number;
  readonly ring?: number;
  /** Of two rings: the second wheel of the planets, and the ring that it turns in. */
  readonly second?: number;
  readonly secondRing?: number;
  readonly planets?: number;
  /** Where the planets stand, degrees from the first; the nearest places at which they go together are taken. */
  readonly placesDeg?: readonly number[];
  readonly shift?: WantedShift;
  readonly module?: number;
  /** Across the rim of the (first) ring, as it is made; the module follows, and stays with it. */
  readonly outside?: number;
  readonly rim?: number;
  readonly helixDeg?: number;
  readonly double?: boolean;
  readonly play?: number;
  readonly height?: number;
}

/**
 * Changes a set, and lets the rest of it follow: the ring from sun and planets, the planets from a ring that is asked
 * for (one tooth fewer and shifts where the difference is odd), shifts that bring all meshes to one distance without
 * undercut, tips of rings cut down as far as needed, hands of leaning teeth, and where the planets stand. Refused with
 * a sentence where counts cannot go together, planets would overlap, or a size is out of reach.
 */
export function changeSet(setId: string, change: SetChange): Attempt {
  return machine => {
    const set = byId(machine.sets, setId);
    if (!set) return fail('set-gone', { id: setId });
    const stages = set.stages.filter((_, i) => change.stage === undefined || change.stage === i);
    const toothed = withToothing(machine, stages, change);
    if (!toothed.ok) return toothed;
    let current = toothed.value;
    for (const stage of stages) {
      const made = changeStage(current, stage, change);
      if (!made.ok) return made;
      current = made.value;
    }
    return ok(current);
  };
}

/**
 * The stages with the helix, play and size that are asked, on teeth of their own where others share them: once for all
 * of them, so that stages that had one toothing keep one.
 */
function withToothing(machine: Machine, stages: readonly SetStage[], change: SetChange): Result<Machine> {
  const { helixDeg, double, play, module, outside } = change;
  if ([helixDeg, double, play, module, outside].every(x => x === undefined)) return ok(machine);
  let current = ownToothing(...stages.flatMap(setWheels))(machine);
  const done = new Set<string>();
  for (const stage of stages) {
    const toothing = byId(current.toothings, byId(current.wheels, stage.sun)?.toothing);
    if (!toothing || done.has(toothing.id)) continue;
    done.add(toothing.id);
    const made = toothingAfter(toothing, stage.ring, change);
    current = { ...current, toothings: current.toothings.map(t => (t === toothing ? made : t)) };
    const comes = moduleOf(made, current);
    const [least, most] = LIMITS.module;
    if (outside !== undefined && (!comes.ok || comes.value < least || comes.value > most))
      return fail('set-outside-out-of-reach', { outside, least, most });
  }
  return ok(current);
}

/** A toothing with what is asked of it; the outside is that of a ring as it is made. */
function toothingAfter(toothing: Toothing, ring: string, change: SetChange): Toothing {
  const { helixDeg: hadHelix, double: hadDouble, ...rest } = toothing;
  const helix = change.helixDeg ?? hadHelix ?? 0;
  const both = (change.double ?? hadDouble ?? false) && helix > 0;
  const size: ToothSize =
    change.module !== undefined
      ? { by: 'module', module: change.module }
      : change.outside !== undefined
        ? { by: 'outside diameter', wheel: ring, diameter: change.outside }
        : toothing.size;
  return {
    ...{ ...rest, size, play: change.play ?? toothing.play },
    ...(helix > 0 && { helixDeg: helix }),
    ...(both && { double: true as const }),
  };
}

/** Counts, shifts, places, hands and heights of one stage. */
export function changeStage(machine: Machine, stage: SetStage, change: SetChange): Result<Machine> {
  const parts = stageParts(machine, stage);
  const before = parts && stageCounts(parts);
  if (!parts || !before) return fail('set-not-whole', { name: byId(machine.wheels, stage.sun)?.name ?? '' });
  const counts = countsAfter(before, change);
  if (!counts.ok) return counts;
  const teeth: StageTeeth = {
    ...counts.value,
    form: parts.toothing.form,
    helixDeg: parts.toothing.helixDeg ?? 0,
  };
  const shifts = shiftsAfter(parts, before, teeth, change);
  if (!shifts.ok) return shifts;
  const made = withTeeth(machine, parts, teeth, shifts.value, change);
  return placed(made, parts, teeth, shifts.value, change);
}

/**
 * The shifts of a stage as they are, with the distance to which they bring all its meshes; undefined where they bring
 * them to none.
 */
export function shiftsAsTheyAre(parts: StageParts, teeth: StageTeeth): StageShifts | undefined {
  const { sun, planet, ring, second } = parts;
  const shifts = {
    ...{ sun: sun.shift ?? 0, planet: planet.shift ?? 0, ring: ring.shift ?? 0 },
    second: second && { planet: second.planet.shift ?? 0, ring: second.ring.shift ?? 0 },
  };
  const distance = meetingDistance(teeth, shifts);
  return distance === undefined ? undefined : { ...shifts, distance };
}

const sameTeeth = (a: StageCounts, b: Omit<StageTeeth, 'form' | 'helixDeg'>): boolean =>
  a.sun === b.sun &&
  a.planet === b.planet &&
  a.ring === b.ring &&
  a.second?.planet === b.second?.planet &&
  a.second?.ring === b.second?.ring;

/**
 * Shifts stay as they are where no tooth is changed and they bring all meshes to one distance; one that is asked for
 * keeps that distance. Of a set whose teeth change they are shared out anew.
 */
function shiftsAfter(
  parts: StageParts,
  before: StageCounts,
  teeth: StageTeeth,
  { helixDeg, shift }: SetChange,
): Result<StageShifts> {
  const kept = sameTeeth(before, teeth) && helixDeg === undefined ? shiftsAsTheyAre(parts, teeth) : undefined;
  return kept && !shift ? ok(kept) : sharedShifts(teeth, shift, kept?.distance);
}

/** What the counts come to: what is asked stays, the ring follows, or the planets where only the ring is asked. */
function countsAfter(before: StageCounts, change: SetChange): Result<StageCounts> {
  const sun = change.sun ?? before.sun;
  const asksRing = change.ring !== undefined && change.planet === undefined;
  const planet = asksRing ? Math.floor(((change.ring ?? 0) - sun) / 2) : (change.planet ?? before.planet);
  const counted = change.sun !== undefined || change.planet !== undefined || change.ring !== undefined;
  const ring = change.ring ?? (counted ? sun + 2 * planet : before.ring);
  const p2 = change.second ?? before.second?.planet ?? 0;
  const r2 =
    change.secondRing ??
    (counted || change.second !== undefined ? sun + planet + p2 : (before.second?.ring ?? 0));
  return checked({ sun, planet, ring, second: before.second && { planet: p2, ring: r2 } });
}

function checked(counts: StageCounts): Result<StageCounts> {
  const { sun, planet, ring, second } = counts;
  const all = [sun, planet, ring, ...(second ? [second.planet, second.ring] : [])];
  if (!all.every(Number.isInteger)) return fail('limits-not-whole');
  const [least, most] = [Math.min(...all), Math.max(...all)];
  if (least < LEAST_PLANETARY) return fail('planetary-too-small', { least, smallest: LEAST_PLANETARY });
  if (most > LIMITS.ringCount[1]) return fail('set-too-many-teeth', { most: LIMITS.ringCount[1], is: most });
  if (second && planet === second.planet && ring === second.ring) return fail('two-ring-still', { planet });
  return ok(counts);
}

function withTeeth(
  machine: Machine,
  { sun, planet, ring, second, toothing }: StageParts,
  teeth: StageTeeth,
  shifts: StageShifts,
  change: SetChange,
): Machine {
  const leans = (toothing.helixDeg ?? 0) > 0;
  const hand = planet.hand ?? (sun.hand === 'left' ? 'right' : 'left');
  const opposite = hand === 'left' ? 'right' : 'left';
  const toothed = (w: Wheel, count: number, shift: number, own: 'left' | 'right'): Wheel =>
    tidied({
      ...w,
      teeth: recounted(w.teeth, count),
      shift,
      ...(leans && { hand: own }),
      ...(change.height !== undefined && { thickness: change.height }),
    });
  const cut = (p: { count: number; shift: number }, w: Wheel, count: number, shift: number): Wheel => {
    const shorten = reliefOf(teeth, p, { count, shift }, shifts.distance);
    const { shorten: _, ...whole } = toothed(w, count, shift, hand);
    const rim =
      change.rim === undefined
        ? {}
        : {
            body: {
              ...(w.body ?? { web: { kind: 'solid' }, mark: false, engraved: false }),
              rim: change.rim,
            },
          };
    return { ...whole, ...(shorten > 0 && { shorten }), ...rim } as Wheel;
  };
  const news = new Map<string, Wheel>([
    [sun.id, toothed(sun, teeth.sun, shifts.sun, opposite)],
    [planet.id, toothed(planet, teeth.planet, shifts.planet, hand)],
    [ring.id, cut({ count: teeth.planet, shift: shifts.planet }, ring, teeth.ring, shifts.ring)],
  ]);
  if (second && teeth.second && shifts.second) {
    const [p, r] = [shifts.second.planet, shifts.second.ring];
    news.set(second.planet.id, toothed(second.planet, teeth.second.planet, p, hand));
    news.set(
      second.ring.id,
      cut({ count: teeth.second.planet, shift: p }, second.ring, teeth.second.ring, r),
    );
  }
  return { ...machine, wheels: machine.wheels.map(w => news.get(w.id) ?? w) };
}

/** A wheel without a shift of nought. */
function tidied(wheel: Wheel): Wheel {
  const { shift, ...rest } = wheel;
  return shift ? wheel : rest;
}

/** The planets where they go together: at equal places where they can, or at the nearest ones; never overlapping. */
function placed(
  machine: Machine,
  parts: StageParts,
  teeth: StageTeeth,
  shifts: StageShifts,
  { planets, placesDeg }: SetChange,
): Result<Machine> {
  const number = placesDeg?.length ?? planets ?? parts.axis.copies?.count ?? 1;
  if (!Number.isInteger(number) || number < 1 || number > MOST_PLANETS)
    return fail('planets-out-of-range', { planets: number, most: MOST_PLANETS });
  if (number === 1) return ok(setAxis(parts.axis.id, { copies: undefined })(machine));
  const many = setAxis(parts.axis.id, { copies: { count: number } })(machine);
  const group = copyGroups(many).find(g => g.members.includes(parts.planetArbor.id));
  const step = group && placeStep(group);
  const asked = placesDeg ?? keptPlaces(parts, planets);
  const free = step === undefined || (asked === undefined && equalNumbers(step, number).includes(number));
  const places = free ? asked : asked ? nearest(asked, step) : nearestPlaces(step, number);
  const steps = stepsBetween(places, number);
  const apart = Math.min(...steps.map(s => planetsApart(teeth, shifts, s)));
  if (!(apart > 0))
    return fail('planets-overlap', { planets: number, planet: teeth.planet, fit: fits(teeth, shifts) });
  const copies = { count: number, ...(places && { anglesDeg: [...places] }) };
  return ok(setAxis(parts.axis.id, { copies })(many));
}

/** Places that the maker chose stay near where they are, as long as their number does. */
function keptPlaces({ axis }: StageParts, planets: number | undefined): readonly number[] | undefined {
  const { copies } = axis;
  if (!copies?.anglesDeg || (planets !== undefined && planets !== copies.count)) return undefined;
  const near = copies.anglesDeg.every(
    (a, i) => Math.abs(a - (360 * i) / copies.count) < 360 / copies.count / 4,
  );
  return near ? undefined : copies.anglesDeg;
}

/** Each asked place at the nearest at which planets go together. */
function nearest(asked: readonly number[], step: NonNullable<ReturnType<typeof placeStep>>): number[] {
  const unit = (360 * Number(step.num)) / Number(step.den);
  return asked.map(a => Math.round((a - (asked[0] ?? 0)) / unit) * unit);
}

/** How far neighbouring planets stand apart, degrees: at equal places where no places are said. */
export function stepsBetween(places: readonly number[] | undefined, number: number): number[] {
  if (!places) return [360 / number];
  const sorted = [...places].sort((a, b) => a - b);
  return sorted.map((a, i) => (sorted[i + 1] ?? (sorted[0] ?? 0) + 360) - a);
}

/** How many planets fit at equal distances without touching. */
function fits(teeth: StageTeeth, shifts: StageShifts): number {
  let most = 1;
  while (most < MOST_PLANETS && planetsApart(teeth, shifts, 360 / (most + 1)) > 0) most += 1;
  return most;
}
