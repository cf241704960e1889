import { z } from 'zod';
import { LIMITS } from './limits.ts';
import { Degrees, Id, Mm, Pin, Size, within } from './basic.ts';
import { CamJoint } from './cam.ts';

const tied = { id: Id };
/** The second of the two ways in which rods of the same lengths go together. */
const other = { other: z.literal(true).optional() };
/** The driven arbor goes round with the driver; left out, it swings to and fro. */
const round = { round: z.literal(true).optional() };

/** What ties two members, with a law of motion. */
export const Joint = z.discriminatedUnion('kind', [
  /** Two wheels in engagement; `spread` moves their centres apart by so much. */
  z.strictObject({
    kind: z.literal('mesh'),
    ...tied,
    type: z.enum([
      'external',
      'internal',
      'rack',
      'bevel',
      'worm',
      'crossed',
      'pegs',
      'reducer',
      'non-circular',
    ]),
    a: Id,
    b: Id,
    spread: Mm.optional(),
    /**
     * The other of the two ways in which two wheels can stand, which turns the sense: bevels and pegs on opposite
     * sides of the point where their axes meet, a worm's or crossed wheel to the left of the worm, a rack to the
     * left of its pinion.
     */
    opposite: z.literal(true).optional(),
    /** Angle between the axes of a pair of bevels; a right angle when not said. */
    shaftAngleDeg: within(LIMITS.shaftAngleDeg).optional(),
  }),
  /** A chain or belt over any number of wheels, inside or outside its loop. */
  z.strictObject({
    kind: z.literal('chain'),
    ...tied,
    type: z.enum(['chain', 'belt']),
    runs: z.array(z.strictObject({ wheel: Id, side: z.enum(['inside', 'outside']) })).min(2),
    links: z.number().int().min(3).optional(),
  }),
  z.strictObject({
    kind: z.literal('friction'),
    ...tied,
    a: z.strictObject({ member: Id, diameter: Size }),
    b: z.strictObject({ member: Id, diameter: Size }),
    /** One rim runs inside the other, so the sense is kept. */
    crossed: z.boolean().optional(),
  }),
  /** A pin moves a slide by a rod; `other`: the slide stands behind the pin, not before it. */
  z.strictObject({ kind: z.literal('crank'), ...tied, pin: Pin, rod: Id, slide: Id, ...other }),
  /** A pin in a slot that lies square across a slide: the Scotch yoke. */
  z.strictObject({ kind: z.literal('yoke'), ...tied, pin: Pin, slide: Id }),
  /** A pin in a slot along an arm of an arbor, which points at such an angle before it has turned. */
  z.strictObject({ kind: z.literal('slot'), ...tied, pin: Pin, driven: Id, slotDeg: Degrees, ...round }),
  /** A rod from a pin to a pin of another arbor; `other`: the second pin stands on the right of the way there. */
  z.strictObject({ kind: z.literal('four-bar'), ...tied, pin: Pin, rod: Id, to: Pin, ...other, ...round }),
  /** Two rods, each from a pin of its own, that meet; `other`: to the right of the way from the first to the second. */
  z.strictObject({ kind: z.literal('two rods'), ...tied, a: Pin, rodA: Id, b: Pin, rodB: Id, ...other }),
  /**
   * A cord of a length from a pin through an eye to a slide, which it draws towards the eye. The eye stands so far
   * along the slide's line, and so far to its left. `other`: the slide stands beyond the eye.
   */
  z.strictObject({
    kind: z.literal('cord'),
    ...tied,
    pin: Pin,
    eye: z.strictObject({ along: Mm, aside: Mm }),
    length: Size,
    slide: Id,
    ...other,
  }),
  /**
   * A cord wound on a drum, so wide with the cord on it as the cord's middle runs, that draws a slide along its line.
   * `opposite`: it leaves the drum on its left, as the slide goes.
   */
  z.strictObject({
    kind: z.literal('drum'),
    ...tied,
    arbor: Id,
    diameter: Size,
    slide: Id,
    opposite: z.literal(true).optional(),
  }),
  /** A cam moves its follower as it turns. */
  CamJoint,
  /** Two shafts bent by an angle against each other; `a` is the one with the driving fork. */
  z.strictObject({
    kind: z.literal('universal'),
    ...tied,
    a: Id,
    b: Id,
    bendDeg: z.number().min(0).max(80).optional(),
    /** How far the driving fork is turned, before it has moved, from square to the plane of the bend. */
    forkDeg: Degrees.optional(),
  }),
  z.strictObject({
    kind: z.literal('pins in holes'),
    ...tied,
    disc: Id,
    carrier: Id,
    pins: within(LIMITS.outputPins).int(),
    pinDiameter: Size,
    circle: Size,
  }),
  z.strictObject({
    kind: z.literal('ratchet'),
    ...tied,
    driver: Id,
    driven: Id,
    teeth: z.number().int().min(2),
    turns: z.enum(['forward', 'backward']),
  }),
  /** Turned along by friction, as long as nothing else says how it turns. */
  z.strictObject({ kind: z.literal('slip'), ...tied, a: Id, b: Id }),
  z.strictObject({ kind: z.literal('clutch'), ...tied, a: Id, b: Id }),
  z.strictObject({
    kind: z.literal('intermittent'),
    ...tied,
    type: z.enum(['counter carry', 'half gear', 'geneva']),
    driver: Id,
    driven: Id,
    /** Part of a turn that the driven member makes for each turn of the driver, as a fraction. */
    step: z.tuple([z.number().int().min(1), z.number().int().min(1)]),
  }),
]);

/** A named state of the clutches and of which member drives. */
export const Mode = z.strictObject({
  id: Id,
  name: z.string().max(120),
  drive: Id.optional(),
  engaged: z.array(Id),
  held: z.array(Id),
  /** Joints that it lets go: what they tie moves as if they were not there. */
  released: z.array(Id).optional(),
});
