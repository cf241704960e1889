import { z } from 'zod';
import { Degrees, FrameRef, Id, Mm, Name, Size } from './basic.ts';
import { MOST } from './limits.ts';

/** The cross section of an arbor, and so what bores fit on it. */
const Section = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('rod'), diameter: Size }),
  z.strictObject({ kind: z.literal('tube'), bore: Size, diameter: Size }),
  z.strictObject({ kind: z.literal('hex'), across: Size }),
  z.strictObject({ kind: z.literal('square'), across: Size }),
  z.strictObject({ kind: z.literal('flat'), diameter: Size, across: Size }),
  z.strictObject({ kind: z.literal('keyed'), diameter: Size, keyWidth: Size, keyDepth: Size }),
]);

/** One rigid moving body. Held: it stands still in the named frame. */
export const Member = z.discriminatedUnion('kind', [
  z.strictObject({
    kind: z.literal('arbor'),
    id: Id,
    name: Name,
    axis: Id,
    held: FrameRef.optional(),
    section: Section.optional(),
    /** Where it is held, when not on both sides. */
    support: z.enum(['both', 'front', 'back']).optional(),
    /** The ball bearing in which it turns in each plate, by its name; a plain hole when left out. */
    bearing: z.string().min(1).max(20).optional(),
    /** Beyond which side it reaches, for a hand or a crank; outputs reach the front unless this says otherwise. */
    reach: z.enum(['front', 'back', 'neither']).optional(),
    /** Nothing of it is made: an arm that is only the way planets go, or planets that roll without a rod. */
    bodiless: z.literal(true).optional(),
    /** Its arm is made as one piece with it, pegs for what turns loosely on them included. */
    onePiece: z.literal(true).optional(),
    /** The bar of an arm: its layer and its width; left out, it lies below what it carries. */
    arm: z.strictObject({ layer: z.number().int().min(-1000).max(1000), width: Size.optional() }).optional(),
  }),
  z.strictObject({
    kind: z.literal('slide'),
    id: Id,
    name: Name,
    frame: FrameRef,
    x: Mm,
    y: Mm,
    directionDeg: Degrees,
    /** Its line goes past an axis, so far to the left of it as it points; x and y then say nothing. */
    beside: z.strictObject({ axis: Id, offset: Mm }).optional(),
    held: FrameRef.optional(),
  }),
  /** A rod between two pins; further points of it are so far from its first pin, at such an angle to the rod. */
  z.strictObject({
    kind: z.literal('link'),
    id: Id,
    name: Name,
    length: Size,
    points: z
      .array(z.strictObject({ radius: Mm.min(0), angleDeg: Degrees, traced: z.literal(true).optional() }))
      .max(MOST.linkPoints)
      .optional(),
    layer: z.number().int().min(-1000).max(1000).optional(),
    width: Size.optional(),
  }),
]);
