import { z } from 'zod';
import { Degrees, Id, Mm, Name, Size } from './basic.ts';

/** The law of the tooth flank. Factors are in modules. */
const Form = z.discriminatedUnion('kind', [
  z.strictObject({
    kind: z.literal('involute'),
    pressureAngleDeg: z.number().min(10).max(35),
    addendum: z.number().min(0.2).max(2),
    dedendum: z.number().min(0.2).max(2.5),
    fillet: z.number().min(0).max(1),
  }),
  z.strictObject({
    kind: z.literal('cycloidal'),
    generating: z.number().positive().max(1),
    addendum: z.number().positive(),
  }),
  z.strictObject({ kind: z.literal('lantern'), pinDiameter: Size }),
  z.strictObject({ kind: z.literal('pegs'), pegDiameter: Size, pegLength: Size }),
  z.strictObject({ kind: z.literal('reducer'), pinDiameter: Size, eccentricity: Size }),
  z.strictObject({ kind: z.literal('sprocket'), rollerDiameter: Size }),
  z.strictObject({ kind: z.literal('spiral'), least: Size, most: Size }),
]);

/** How the teeth got their size: a module said once, or a measure of one wheel or of a mesh. */
const ToothSize = z.discriminatedUnion('by', [
  z.strictObject({ by: z.literal('module'), module: Size }),
  z.strictObject({ by: z.literal('diametral pitch'), pitch: Size }),
  z.strictObject({ by: z.literal('circular pitch'), pitch: Size }),
  z.strictObject({ by: z.literal('outside diameter'), wheel: Id, diameter: Size }),
  z.strictObject({ by: z.literal('centre distance'), joint: Id, distance: Size }),
]);

/** The tooth system shared by wheels that mesh with one another. */
export const Toothing = z.strictObject({
  id: Id,
  name: Name,
  form: Form,
  size: ToothSize,
  helixDeg: Degrees.optional(),
  /** Backlash of a pair along the pitch circle, in mm, taken by thinning both wheels alike. */
  play: Mm.min(0).max(10),
});

/** Teeth of a wheel: a count, a sector with fewer teeth than its circle would hold, or open for the search. */
const Teeth = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('count'), count: z.number().int().min(1).max(100000) }),
  z.strictObject({
    kind: z.literal('sector'),
    circle: z.number().int().min(1).max(100000),
    present: z.number().int().min(1).max(100000),
  }),
  z.strictObject({
    kind: z.literal('open'),
    least: z.number().int().min(1),
    most: z.number().int().max(100000),
  }),
]);

/** The hole in the middle of a wheel. */
const Bore = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('none') }),
  z.strictObject({ kind: z.literal('round'), diameter: Size }),
]);

/** A toothed part of a member. */
export const Wheel = z.strictObject({
  id: Id,
  name: Name,
  member: Id,
  toothing: Id,
  role: z.enum(['wheel', 'ring', 'rack', 'pins', 'disc', 'sprocket']),
  teeth: Teeth,
  /** Profile shift in modules. */
  shift: z.number().min(-3).max(3).optional(),
  hand: z.enum(['left', 'right']).optional(),
  layer: z.number().int().min(-1000).max(1000),
  thickness: Size.optional(),
  bore: Bore.optional(),
});
