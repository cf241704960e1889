import { z } from 'zod';
import { LIMITS, MOST } from './limits.ts';
import { DecimalText, Degrees, FrameRef, Id, Mm, Name, Size, SpanText, within } from './basic.ts';

/** How a pointer is read: what a full turn against its dial stands for. */
const Reads = z.discriminatedUnion('kind', [
  /** Hours, minutes and seconds of a full turn, as 08:20:15. */
  z.strictObject({ kind: z.literal('clock'), full: SpanText }),
  /** Days of a full turn, as 11.3 days. */
  z.strictObject({ kind: z.literal('days'), full: SpanText }),
  /** Age of the Moon, whose whole course is a full turn. */
  z.strictObject({ kind: z.literal('age'), full: SpanText }),
  /** So many of a unit in a full turn. */
  z.strictObject({ kind: z.literal('scale'), full: DecimalText, unit: z.string().max(20) }),
  /** Names in equal parts of a full turn, as months. */
  z.strictObject({ kind: z.literal('names'), names: z.array(z.string().max(30)).min(1).max(400) }),
  /** Turns since nought. */
  z.strictObject({ kind: z.literal('turns') }),
  z.strictObject({ kind: z.literal('degrees') }),
]);

/**
 * A ring of a dial between two radii: division lines from the inner to the outer one, and what is written beside
 * them.
 */
const Ring = z.strictObject({
  outer: Size,
  inner: Size,
  divisions: within(LIMITS.divisions).int(),
  /** One line in so many is long, the rest are half as long. */
  long: within(LIMITS.divisions).int().optional(),
  numerals: z
    .strictObject({
      /** Middle of the writing from the axis, and its height. */
      radius: Size,
      height: Size,
      writes: z.discriminatedUnion('kind', [
        z.strictObject({
          kind: z.literal('numbers'),
          /** How many, and what the one at nought says; each says one step more than the one before. */
          count: within(LIMITS.numeralsCount).int(),
          first: within(LIMITS.numeralsFirst).int(),
          step: within(LIMITS.numeralsStep).int(),
          roman: z.boolean().optional(),
        }),
        z.strictObject({
          kind: z.literal('names'),
          names: z.array(z.string().max(30)).min(1).max(400),
          /** Each in the middle of its part instead of at its beginning. */
          between: z.boolean().optional(),
        }),
      ]),
      stand: z.enum(['upright', 'outward']),
    })
    .optional(),
});

/** An opening in a dial through which what turns behind it is seen. */
const Window = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('round'), atDeg: Degrees, distance: Mm.min(0), radius: Size }),
  z.strictObject({
    kind: z.literal('sector'),
    atDeg: Degrees,
    spanDeg: within(LIMITS.spanDeg),
    inner: Size,
    outer: Size,
  }),
  /** Half round with two humps, before a disc with two moons that turns once in two lunations. */
  z.strictObject({ kind: z.literal('phases'), atDeg: Degrees, distance: Size, radius: Size }),
]);

const common = { id: Id, name: Name, settingDeg: Degrees };

/** What shows something: a hand, a dial, a globe on the axis, a body at some distance from it. */
export const Indicator = z.discriminatedUnion('kind', [
  z.strictObject({
    kind: z.literal('hand'),
    ...common,
    member: Id,
    /** From the axis to the tip. */
    radius: Size,
    tail: Mm.min(0).optional(),
    width: Size.optional(),
    shape: z.enum(['straight', 'tapered', 'leaf', 'ringed']),
    /** The dial that it is read against; without one, from where it stands at nought turns. */
    dial: Id.optional(),
    /** Made as one piece with its arbor, or held by a grub screw in a boss; pressed on when left out. */
    hold: z.enum(['one piece', 'grub screw']).optional(),
    reads: Reads.optional(),
  }),
  z.strictObject({
    kind: z.literal('dial'),
    ...common,
    /** The ground, or the arbor that turns it; the axis it is centred on, where it stands. */
    member: FrameRef,
    axis: Id.optional(),
    radius: Size,
    sense: z.enum(['clockwise', 'counter-clockwise']),
    rings: z.array(Ring).max(MOST.rings),
    windows: z.array(Window).max(MOST.windows),
    /** Painted moons, opposite each other, seen through a window for phases. */
    moons: z.strictObject({ distance: Size, radius: Size }).optional(),
    /** What holds it on the front plate, where it stands: screws on a circle, the first so far round, or glue. */
    fixed: z
      .discriminatedUnion('by', [
        z.strictObject({
          by: z.literal('screws'),
          number: within(LIMITS.dialScrews).int(),
          circle: Size,
          atDeg: Degrees,
          screw: z.string().min(1).max(20),
        }),
        z.strictObject({ by: z.literal('glue') }),
      ])
      .optional(),
    reads: Reads.optional(),
  }),
  z.strictObject({
    kind: z.literal('globe'),
    ...common,
    member: Id,
    radius: Size,
    /** Its one half dark, so that it shows phases as it turns. */
    half: z.boolean().optional(),
    reads: Reads.optional(),
  }),
  z.strictObject({
    kind: z.literal('body'),
    ...common,
    member: Id,
    radius: Size,
    distance: Mm.min(0),
    /** How much higher than on its arm the ball stands: on a longer pin, or on an arm that is bent up. */
    lift: within(LIMITS.lift).optional(),
    bent: z.literal(true).optional(),
    /** A counterweight on a tail of its arm: how far out, across, and high. */
    weight: z.strictObject({ distance: Size, diameter: Size, height: Size }).optional(),
    /**
     * Glued on its tube with a bore that slides, its arm made as one piece with it, or held by a grub screw in a boss;
     * pressed on when left out.
     */
    hold: z.enum(['glue', 'one piece', 'grub screw']).optional(),
    reads: Reads.optional(),
  }),
]);
