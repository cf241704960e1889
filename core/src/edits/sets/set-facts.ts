import { byId, type GearSet, type Machine, moduleOf, USUAL_RIM } from '../../document/machine/index.ts';
import { planetsApart } from '../../counting/planetary/index.ts';
import { ringDimensions, STANDARD_SPEC, transverseSpec } from '../../teeth/tooth/index.ts';
import { cosDeg } from '../../ground/units/index.ts';
import { shiftsAsTheyAre, stepsBetween } from './change-set.ts';
import { type StageCounts, stageCounts, type StageParts, stageParts } from './stage-parts.ts';

/** A stage of a set in figures. Lengths in mm, shifts in modules, angles in degrees. */
export interface StageFacts extends StageCounts {
  readonly parts: StageParts;
  readonly planets: number;
  /** Where the planets stand, from the first; equal places where nothing else is said. */
  readonly placesDeg: readonly number[];
  readonly equal: boolean;
  readonly shifts: { readonly sun: number; readonly planet: number; readonly ring: number };
  readonly module: number;
  readonly helixDeg: number;
  readonly double: boolean;
  readonly play: number;
  readonly height: number;
  /** Of the planets from the middle; undefined where the shifts ask different ones. */
  readonly distance: number | undefined;
  /** Between the tips of neighbouring planets. */
  readonly apart: number | undefined;
  readonly rim: number;
  /** Across the ring, as it is made. */
  readonly outside: number;
}

/** The stages of a set in figures; those that are not whole, or have an open count, are undefined. */
export const setFacts = (machine: Machine, set: GearSet): (StageFacts | undefined)[] =>
  set.stages.map(stage => {
    const parts = stageParts(machine, stage);
    const counts = parts && stageCounts(parts);
    const sized = parts && moduleOf(parts.toothing, machine);
    return parts && counts && sized?.ok ? factsOf(machine, parts, counts, sized.value) : undefined;
  });

function factsOf(machine: Machine, parts: StageParts, counts: StageCounts, module: number): StageFacts {
  const { toothing, ring, sun, planet } = parts;
  const helixDeg = toothing.helixDeg ?? 0;
  const teeth = { ...counts, form: toothing.form, helixDeg };
  const shifts = shiftsAsTheyAre(parts, teeth);
  const { copies } = parts.axis;
  const planets = copies?.count ?? 1;
  const placesDeg = copies?.anglesDeg ?? Array.from({ length: planets }, (_, i) => (360 * i) / planets);
  const steps = stepsBetween(copies?.anglesDeg, planets);
  const spec = { form: toothing.form, module, count: counts.ring, ...STANDARD_SPEC, shift: ring.shift ?? 0 };
  const rim = ring.body?.rim ?? (USUAL_RIM * module) / cosDeg(helixDeg);
  return {
    ...counts,
    ...{ parts, planets, placesDeg, helixDeg, module, rim },
    equal: copies?.anglesDeg === undefined,
    shifts: { sun: sun.shift ?? 0, planet: planet.shift ?? 0, ring: ring.shift ?? 0 },
    double: toothing.double === true,
    play: toothing.play,
    height: byId(machine.wheels, sun.id)?.thickness ?? machine.stack.thickness,
    distance: shifts && shifts.distance * module,
    apart:
      shifts && planets > 1
        ? module * Math.min(...steps.map(s => planetsApart(teeth, shifts, s)))
        : undefined,
    outside: 2 * (ringDimensions(transverseSpec(spec, helixDeg)).rootRadius + rim),
  };
}
