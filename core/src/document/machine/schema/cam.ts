import { z } from 'zod';
import { Degrees, Id, Mm, Size, within } from './basic.ts';
import { LIMITS, MOST } from './limits.ts';
import { RISES } from './rises.ts';

/** How far a follower is moved from where it stands on the cam's radius: mm of a slide, degrees of an arm. */
const Lift = Mm;

/** A piece of a cam's turn: to such a lift over so many degrees. To the lift that it has, it dwells. */
const Segment = z.strictObject({ overDeg: z.number().min(0.1).max(360), to: Lift, law: z.enum(RISES) });

/** The segments of a turn, which they fill. */
const Segments = z
  .array(Segment)
  .min(1)
  .max(MOST.camSegments)
  .refine(
    list => Math.abs(list.reduce((sum, s) => sum + s.overDeg, 0) - 360) < 1e-6,
    'segments that fill 360°',
  );

/** What a follower does in a turn of its cam. */
const CamMotion = z.discriminatedUnion('kind', [
  /** One after the other from 0°; the last one ends at the lift with which the first begins. */
  z.strictObject({ kind: z.literal('segments'), segments: Segments }),
  /** Through points, smoothly or straight from one to the next, and round the turn. */
  z.strictObject({
    kind: z.literal('points'),
    points: z
      .array(z.tuple([z.number().min(0).max(360), Lift]))
      .min(2)
      .max(MOST.camPoints),
    straight: z.literal(true).optional(),
  }),
  /** A turn is a year from the beginning of January: minutes of the equation of time, hours of sunrise and sunset. */
  z.strictObject({
    kind: z.literal('sky'),
    of: z.enum(['equation of time', 'sunrise', 'sunset']),
    /** Lift for a minute of the equation of time; for an hour after, or before, six of the others. */
    scale: Mm,
    latitudeDeg: within(LIMITS.latitudeDeg).optional(),
  }),
  /** A sum of waves, each so many times in a turn and highest at such an angle: a tide has two. */
  z.strictObject({
    kind: z.literal('waves'),
    waves: z
      .array(z.strictObject({ times: within(LIMITS.wavesInTurn).int(), height: Lift, atDeg: Degrees }))
      .min(1)
      .max(MOST.camWaves),
  }),
]);

/** The joint of a cam and its follower: a slide, or an arbor whose arm swings. */
export const CamJoint = z.strictObject({
  kind: z.literal('cam'),
  id: Id,
  cam: Id,
  follower: Id,
  motion: CamMotion,
  /** The motion is laid out for a cam that turns clockwise. */
  clockwise: z.literal(true).optional(),
  /** The cam stands on its arbor turned forward by so much. */
  phaseDeg: Degrees.optional(),
  /** Where a knife edge, or a flat face, stands from the cam's axis at no lift; a roller's rim. */
  radius: Size,
  touch: z.discriminatedUnion('kind', [
    z.strictObject({ kind: z.literal('knife') }),
    z.strictObject({ kind: z.literal('roller'), diameter: Size }),
    z.strictObject({ kind: z.literal('flat') }),
  ]),
  /** Of an arm that swings: from its axis to its roller or edge, and where that points before it has turned. */
  arm: z.strictObject({ length: Size, angleDeg: Degrees }).optional(),
  /** The arm lies on the other side of the line to its axis. */
  other: z.literal(true).optional(),
  /** What keeps it on the cam: its own weight, a spring, a groove in the cam's face, a second cam beside the first. */
  kept: z.discriminatedUnion('kind', [
    z.strictObject({ kind: z.literal('weight') }),
    /** Force at no lift, N, and what it grows by for each mm; grams that it moves. */
    z.strictObject({
      kind: z.literal('spring'),
      force: within(LIMITS.springForce),
      rate: within(LIMITS.springRate),
      grams: within(LIMITS.movedGrams),
    }),
    z.strictObject({ kind: z.literal('groove') }),
    z.strictObject({ kind: z.literal('second cam') }),
  ]),
  layer: z.number().int().min(-1000).max(1000),
});
