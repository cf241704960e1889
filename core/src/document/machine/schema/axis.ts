import { z } from 'zod';
import { Degrees, FrameRef, Id, Mm, Name, Size } from './basic.ts';

/** Where an axis stands in its frame: given, or derived from what it hangs on. */
const Place = z.discriminatedUnion('kind', [
  /** At stated coordinates. */
  z.strictObject({ kind: z.literal('given'), x: Mm, y: Mm, z: Mm.optional() }),
  /** At the centre distance of a mesh from the other axis of that mesh, in a direction from it. */
  z.strictObject({ kind: z.literal('mesh'), joint: Id, angleDeg: Degrees }),
  /** At the centre distances of two meshes from their two other axes: an idler, or the wheel that closes a loop. */
  z.strictObject({ kind: z.literal('between'), joints: z.tuple([Id, Id]), side: z.enum(['left', 'right']) }),
  /** On the same line as an axis of another frame: what turns about an arm's own axis. */
  z.strictObject({ kind: z.literal('coaxial'), with: Id }),
  /** So far from another axis, in a direction from it. */
  z.strictObject({ kind: z.literal('polar'), from: Id, radius: Size, angleDeg: Degrees }),
  /**
   * On a line through another axis, at the centre distance of a mesh from the other axis of that mesh: of the two
   * places the one further along the line, or the one less far.
   */
  z.strictObject({
    kind: z.literal('line'),
    through: Id,
    angleDeg: Degrees,
    joint: Id,
    further: z.boolean(),
  }),
  /** Where another axis is seen in a mirror that stands on a line through a third. */
  z.strictObject({ kind: z.literal('mirror'), of: Id, through: Id, angleDeg: Degrees }),
]);

/** A directed line in a frame, in one or several places. */
export const Axis = z.strictObject({
  id: Id,
  name: Name.optional(),
  frame: FrameRef,
  place: Place,
  /** Direction of the axis; left out, it points up the elevation. */
  direction: z.strictObject({ x: z.number(), y: z.number(), z: z.number() }).optional(),
  /** Planets: so many places, equal by default, or at stated angles. */
  /** Stays where it is when the train is folded. */
  locked: z.literal(true).optional(),
  /** Its bearings are slots, so that a mesh can be set: so far to either side, along the line of its centres. */
  slot: z.strictObject({ joint: Id, travel: Size }).optional(),
  copies: z
    .strictObject({ count: z.number().int().min(2).max(60), anglesDeg: z.array(Degrees).optional() })
    .optional(),
});
