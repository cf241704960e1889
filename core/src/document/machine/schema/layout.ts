import { z } from 'zod';
import { LIMITS, MOST } from './limits.ts';
import { Id, Mm, Name, Size, within } from './basic.ts';

const Layer = z.number().int().min(-1000).max(1000);

/** A closed figure of the plan: a circle or rectangle about its middle, or a border read from a drawing. */
export const Region = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('circle'), x: Mm, y: Mm, diameter: Size }),
  z.strictObject({ kind: z.literal('rectangle'), x: Mm, y: Mm, width: Size, height: Size }),
  z.strictObject({
    kind: z.literal('outline'),
    /** The file it came from. */
    name: Name,
    points: z
      .array(z.tuple([Mm, Mm]))
      .min(3)
      .max(20000),
  }),
]);

/** The room that everything must stay in, seen from above, and how high it may be. */
const Envelope = z.strictObject({ region: Region, height: Size.optional() });

/** Room that nothing may enter: in all layers, or between two of them. */
const KeepOut = z.strictObject({
  id: Id,
  name: Name,
  region: Region,
  layers: z.strictObject({ least: Layer, most: Layer }).optional(),
});

/** A rod between the plates that holds them apart. */
const Pillar = z.strictObject({ id: Id, x: Mm, y: Mm, diameter: Size });

/** Fits of an arbor in its bearing: common ones by process, or running fits of ISO 286 on the basis of the hole. */
const BearingFit = z.enum(['sliding', 'free', 'H7/g6', 'H8/f7', 'H9/d9', 'H11/c11']);

/** The plates between which arbors stand, or the one on which they do. */
const Plates = z.strictObject({
  /** One plate only, at the back: a plank in which rods stand, and everything turns on these. */
  plank: z.literal(true).optional(),
  /** The front plate slides on the ends of the pillars, held by clips, so that it comes off. */
  liftsOff: z.literal(true).optional(),
  thickness: Size,
  /** Stock outside the holes, mm. */
  margin: Mm.min(0),
  /** Drawn round the holes or the wheels, bars from hole to hole, or cut to a border of its own or the envelope. */
  shape: z.enum(['round the holes', 'round the wheels', 'rectangle', 'bars', 'a border', 'as the envelope']),
  /** The border that is drawn or read from a file, where the plates are cut to one. */
  border: Region.optional(),
  /** Across the bars from hole to hole; from the largest hole and the margin when left out. */
  barWidth: Size.optional(),
  /** Feet under the back plate, on the ends of the pillars, which reach into them. */
  feet: z.strictObject({ height: Size, diameter: Size }).optional(),
  /** A round board under the back plate, which stands on it by way of a column at a place of the plan. */
  base: z
    .strictObject({
      ...{ x: Mm, y: Mm, across: Size, thickness: Size },
      column: z.strictObject({ height: Size, diameter: within(LIMITS.footSize) }),
    })
    .optional(),
  /** A keyhole in the back plate for the head of a screw in a wall, upwards in the plan. */
  hanger: z.strictObject({ x: Mm, y: Mm, screw: Size }).optional(),
  /** The back plate lies below this layer; the lowest when left out. */
  back: Layer.optional(),
  /** The front plate lies above this layer; the highest when left out. */
  front: Layer.optional(),
  fit: BearingFit,
  pillars: z.array(Pillar).max(MOST.pillars),
  /** The axis from which holes are measured; the drive's when left out. */
  datum: Id.optional(),
});

/** How tubes that share a line are sized where their arbors do not say. */
const Tubes = z.strictObject({
  /** The innermost rod, across. */
  rod: Size,
  wall: Size,
  /** Between a tube and what turns in it, across. */
  running: within(LIMITS.runningPlay),
});

/** The decisions of the layout; all that is left out follows from usual values. */
export const Layout = z.strictObject({
  /** Least gap between things that must not touch, mm. */
  clearance: within(LIMITS.clearanceAround).optional(),
  tubes: Tubes.optional(),
  /** Thickness of the washers at hand, and the play left along an arbor. */
  washer: Size.optional(),
  endShake: within(LIMITS.endShake).optional(),
  envelope: Envelope.optional(),
  keepOuts: z.array(KeepOut).max(MOST.keepOuts),
  plates: Plates.optional(),
});
