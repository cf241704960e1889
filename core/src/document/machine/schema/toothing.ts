import { z } from 'zod';
import { LIMITS } from './limits.ts';
import { Degrees, Id, Name, Size, within } from './basic.ts';

/** The law of the tooth flank. Factors are in modules. */
const Form = z.discriminatedUnion('kind', [
  z.strictObject({
    kind: z.literal('involute'),
    pressureAngleDeg: within(LIMITS.pressureAngleDeg),
    addendum: within(LIMITS.addendum),
    dedendum: within(LIMITS.dedendum),
    fillet: within(LIMITS.fillet),
    /** The corner between flank and tip, taken off by so many modules. */
    tip: z
      .strictObject({
        kind: z.enum(['chamfer', 'round']),
        size: z.number().positive().max(LIMITS.tipSize[1]),
      })
      .optional(),
  }),
  /**
   * The clockmaker's form: the addendum of what drives is an epicycloid for its mate, flanks are radial. `practical` is
   * the part of the theoretical addendum that stands; `leaf` the thickness of a pinion's leaf in modules.
   */
  z.strictObject({
    kind: z.literal('cycloidal'),
    drives: z.enum(['wheel', 'pinion', 'both']),
    tip: z.enum(['eased', 'round', 'medium ogive', 'high ogive']),
    practical: within(LIMITS.practical),
    leaf: within(LIMITS.leaf).optional(),
    clearance: within(LIMITS.rootClearance),
  }),
  /** A pinion of pins and the wheel formed for it; clearance below the pins in modules. */
  z.strictObject({
    kind: z.literal('lantern'),
    pinDiameter: Size,
    practical: within(LIMITS.practical),
    clearance: within(LIMITS.pinClearance),
  }),
  /** Two rings of pegs at right angles: how far the pegs reach past each other, and the friction of their material. */
  z.strictObject({
    kind: z.literal('pegs'),
    pegDiameter: Size,
    pegLength: Size,
    friction: within(LIMITS.friction),
  }),
  /** A lobed disc within a ring of pins or half-round lobes; the module is the pins' circle over their number. */
  z.strictObject({
    kind: z.literal('reducer'),
    pinDiameter: Size,
    eccentricity: Size,
    offset: within(LIMITS.offset),
    ring: z.enum(['pins', 'lobes']),
  }),
  /**
   * Magnets round a rim, a pair of poles for a tooth; the gap of air lies between the rims, `wall` outside a
   * magnet.
   */
  z.strictObject({
    kind: z.literal('magnetic'),
    magnet: z.discriminatedUnion('shape', [
      z.strictObject({ shape: z.literal('round'), diameter: Size }),
      z.strictObject({ shape: z.literal('block'), width: Size, depth: Size }),
    ]),
    gap: within(LIMITS.airGap),
    /** For a disc that swings within a ring: how far off centre. */
    eccentricity: Size.optional(),
    wall: within(LIMITS.magnetWall),
  }),
  z.strictObject({ kind: z.literal('sprocket'), rollerDiameter: Size }),
  z.strictObject({ kind: z.literal('spiral'), least: Size, most: Size }),
]);

/** How the teeth got their size: a module said once, or a measure of one wheel or of a mesh. */
const ToothSize = z.discriminatedUnion('by', [
  z.strictObject({ by: z.literal('module'), module: Size }),
  z.strictObject({ by: z.literal('diametral pitch'), pitch: Size }),
  z.strictObject({ by: z.literal('circular pitch'), pitch: Size }),
  z.strictObject({ by: z.literal('outside diameter'), wheel: Id, diameter: Size }),
  z.strictObject({ by: z.literal('root diameter'), wheel: Id, diameter: Size }),
  z.strictObject({ by: z.literal('centre distance'), joint: Id, distance: Size }),
]);

/** The tooth system shared by wheels that mesh with one another. */
export const Toothing = z.strictObject({
  id: Id,
  name: Name,
  form: Form,
  size: ToothSize,
  /** Helix angle at the pitch cylinder; the module is then the normal one. Which way each wheel leans is its hand. */
  helixDeg: within(LIMITS.helixDeg).optional(),
  /** Two opposite helices side by side, whose thrusts cancel. */
  double: z.literal(true).optional(),
  /** Width of the teeth along a bevel's cone, mm. */
  faceWidth: Size.optional(),
  /** Backlash of a pair along the pitch circle, in mm, taken by thinning both wheels alike. */
  play: within(LIMITS.play),
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

/** How the hole sits on its arbor. */
const Fit = z.enum(['press', 'sliding', 'free']);

/** The hole in the middle of a wheel, by the size of the arbor that goes into it. */
const Bore = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('none') }),
  z.strictObject({ kind: z.literal('round'), diameter: Size, fit: Fit.optional() }),
  /** Across flats. */
  z.strictObject({ kind: z.literal('hex'), across: Size, fit: Fit.optional() }),
  z.strictObject({ kind: z.literal('square'), across: Size, fit: Fit.optional() }),
  /** A round with one flat; `flat` is what remains across it. */
  z.strictObject({ kind: z.literal('D'), diameter: Size, flat: Size, fit: Fit.optional() }),
  /** A round with a keyway; `depth` from the round outwards. */
  z.strictObject({ kind: z.literal('keyed'), diameter: Size, width: Size, depth: Size, fit: Fit.optional() }),
]);

/** What lies between hub and teeth. Lengths in mm; what is left out follows from the size of the teeth. */
const Body = z.strictObject({
  hubDiameter: Size.optional(),
  /** How far the hub stands out of a face of the wheel, and of which. */
  proud: z.strictObject({ side: z.enum(['front', 'back']), height: within(LIMITS.hubHeight) }).optional(),
  /** Holes on a circle so far across, by which something is bolted on it: for screws of a table. */
  bolts: z
    .strictObject({ number: within(LIMITS.bolts).int(), circle: Size, screw: z.string().min(1).max(20) })
    .optional(),
  /** Under the roots; of a ring or a disc of pins, beyond them. */
  rim: Size.optional(),
  web: z.discriminatedUnion('kind', [
    z.strictObject({ kind: z.literal('solid') }),
    z.strictObject({
      kind: z.literal('spokes'),
      number: z.number().int().min(2).max(24),
      width: Size.optional(),
    }),
    z.strictObject({
      kind: z.literal('curved spokes'),
      number: z.number().int().min(2).max(24),
      width: Size.optional(),
      /** How far round the rim end of a spoke stands from its hub end. */
      sweepDeg: within(LIMITS.sweepDeg),
    }),
    z.strictObject({
      kind: z.literal('holes'),
      number: z.number().int().min(2).max(36),
      diameter: Size.optional(),
    }),
  ]),
  /** A mark at tooth 0, by which the wheel is set. */
  mark: z.boolean(),
  /** The count and the name, engraved. */
  engraved: z.boolean(),
});

/** How a ring is joined to what bears it. */
const Mount = z.discriminatedUnion('kind', [
  /** Lugs outside its rim, with holes for rods that stand in the plates; of a ring that is held. */
  z.strictObject({
    kind: z.literal('lugs'),
    number: within(LIMITS.lugs).int(),
    /** Across the holes, mm. */
    hole: within(LIMITS.lugHole),
    /** Across the circle on which they lie; just outside the rim when left out. */
    circle: Size.optional(),
    /** Where the first of them stands in the plan. */
    angleDeg: Degrees.optional(),
  }),
  /** A wall in the next layer that closes it on one side and sits on its arbor. */
  z.strictObject({ kind: z.literal('wall'), side: z.enum(['front', 'back']) }),
  /** Of a wheel: its teeth stand outside the rim of a ring of its arbor, and it is one part with it. */
  z.strictObject({ kind: z.literal('around'), ring: Id }),
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
  /** Tips cut down by so many modules. */
  shorten: within(LIMITS.shorten).optional(),
  hand: z.enum(['left', 'right']).optional(),
  layer: z.number().int().min(-1000).max(1000),
  thickness: Size.optional(),
  bore: Bore.optional(),
  /** What holds it on its arbor, where the shape and fit of its bore do not. */
  hold: z.enum(['press', 'glue', 'grub screw', 'cross pin', 'one piece', 'loose']).optional(),
  body: Body.optional(),
  mount: Mount.optional(),
  /** Made in so many equal pieces, joined by dovetails of their own or by pegs across the splits. */
  divided: z
    .strictObject({ pieces: within(LIMITS.wheelPieces).int(), by: z.enum(['dovetails', 'pegs']) })
    .optional(),
});
