import { largestAngle, pegContact, type PegContact, pegForce, type PegPair } from './peg-contact.ts';

/** Tangential play between pegs, as a part of their diameter, and their working length (common practice, no source). */
export const PEG_PLAY = 0.03;
export const PEG_REACH = 0.55;
/** How much thicker the pegs are taken in the reckoning than they are in wood, mm (common practice, no source). */
export const PEG_ALLOWANCE = 0.8;

/** The module of two rings of pegs: a pitch holds a peg of each and the play, p = d(2 + play); m = p/π. */
export const pegModule = (pegDiameter: number, play = PEG_PLAY): number =>
  (pegDiameter * (2 + play)) / Math.PI;

/** The pair of rings with those counts at a module (mm). */
export const pegPair = (
  module: number,
  counts: readonly [number, number],
  pegDiameter: number,
  reach: number,
): PegPair => ({
  ...{ pegDiameter, reach, counts },
  radii: [(module * counts[0]) / 2, (module * counts[1]) / 2],
});

/** The engagement at one angle of the driver, by the pair of pegs that pushes furthest. */
export interface PegPosition {
  /** Angle of the driver's peg that pushes, radians from the line of centres. */
  readonly t: number;
  /** How far the driven stands ahead of a constant ratio, mm along its pitch circle. */
  readonly error: number;
  /** Play along the driven's pitch circle, mm; negative when the pegs jam. */
  readonly play: number;
  readonly bindingAngle: number;
  readonly efficiency: number;
  readonly ratio: number;
  readonly leaning: number;
  readonly contact: PegContact;
}

/** What was found for one way of driving. Angles in radians, lengths in mm. */
export interface PegCheck {
  readonly positions: readonly PegPosition[];
  /** Friction of this angle binds somewhere in the engagement: the least over it. */
  readonly bindingAngle: number;
  /** The angle of friction of the material. */
  readonly frictionAngle: number;
  /** Why it does not run, if it does not. */
  readonly fault: 'none' | 'binds' | 'jams' | 'lets go';
  readonly leastPlay: number;
  readonly leastEfficiency: number;
  readonly transmissionError: number;
}

/**
 * Rolls two rings of pegs through a pitch with one of them driving: clearance through the whole engagement, and the
 * direction of the force against the angle of friction. Cylinders passing between cylinders, computed in space.
 */
export function pegCheck(pair: PegPair, driver: 'first' | 'second', friction: number, steps = 48): PegCheck {
  const first = driver === 'first';
  const counts = first ? pair.counts : ([pair.counts[1], pair.counts[0]] as const);
  const [own, other] = first ? pair.radii : ([pair.radii[1], pair.radii[0]] as const);
  const step = (2 * Math.PI) / counts[0];
  const reach = Math.ceil(largestAngle(pair, own) / step) + 1;
  /** How far ahead of the law each peg in reach would set the driven, the driver's peg 0 standing at t. */
  const leads = (t: number): { lead: number; contact: PegContact }[] =>
    Array.from({ length: 2 * reach + 1 }, (_, k) => t + (k - reach) * step).flatMap(angle => {
      const contact = pegContact(pair, first, angle);
      const law = (angle * counts[0]) / counts[1] + Math.PI / counts[1];
      return contact ? [{ lead: (contact.driven - law) * other, contact }] : [];
    });
  const foremost = (t: number): { lead: number; contact: PegContact } | undefined =>
    leads(t).reduce<{ lead: number; contact: PegContact } | undefined>(
      (m, l) => (!m || l.lead > m.lead ? l : m),
      undefined,
    );
  const positions: PegPosition[] = [];
  for (let k = 0; k < steps; k++) {
    const t = step * ((k + 0.5) / steps - 0.5);
    const [ahead, behind] = [foremost(t), foremost(-t)];
    if (!ahead || !behind) continue;
    const force = pegForce(pair, first, ahead.contact, friction);
    positions.push({
      t: ahead.contact.driver,
      error: ahead.lead,
      play: -ahead.lead - behind.lead,
      ...force,
      contact: ahead.contact,
    });
  }
  return judged(positions, steps, friction);
}

function judged(positions: readonly PegPosition[], steps: number, friction: number): PegCheck {
  const frictionAngle = Math.atan(friction);
  const bindingAngle = Math.min(Math.PI / 2, ...positions.map(p => p.bindingAngle));
  const leastPlay = Math.min(Infinity, ...positions.map(p => p.play));
  const errors = positions.map(p => p.error);
  const fault =
    positions.length < steps
      ? 'lets go'
      : leastPlay < 0
        ? 'jams'
        : bindingAngle <= frictionAngle
          ? 'binds'
          : 'none';
  return {
    ...{ positions, bindingAngle, frictionAngle, fault, leastPlay },
    leastEfficiency: Math.min(1, ...positions.map(p => p.efficiency)),
    transmissionError: positions.length > 0 ? Math.max(...errors) - Math.min(...errors) : 0,
  };
}
