import { z } from 'zod';
import { LIMITS, MOST } from './limits.ts';
import {
  AmountText,
  DecimalText,
  FrameRef,
  Id,
  Mm,
  Name,
  PeriodText,
  Size,
  SpanText,
  TravelText,
  WantedText,
  within,
} from './basic.ts';

/** The arbor that is turned, and how fast. Free: only ratios between outputs matter. */
export const Drive = z.strictObject({
  member: Id,
  /**
   * Seen from the front it turns clockwise, and all else with it the other way round; counter-clockwise when not
   * said.
   */
  turns: z.literal('clockwise').optional(),
  /** What turns it, where that is said: a hand manages about 100 turns a minute. */
  by: z.enum(['hand', 'motor', 'clockwork']).optional(),
  speed: z.discriminatedUnion('kind', [
    z.strictObject({ kind: z.literal('period'), text: PeriodText }),
    z.strictObject({ kind: z.literal('free') }),
  ]),
  /** The way it rolls in a turn, for readings per distance. */
  travel: TravelText.optional(),
});

/**
 * The arm from which an output is seen: how fast the arm turns, whether the wanted rate is meant as seen from it or
 * against the ground, and what drives the train that it carries.
 */
const SeenFrom = z.strictObject({
  arm: WantedText,
  armSense: z.enum(['with the drive', 'against the drive']),
  stated: z.enum(['seen from the arm', 'against the ground']),
  drivenBy: z.enum(['a standing wheel', 'the drive']),
});

/** An arbor that must turn at a stated rate. It has no arbor until a train for it is chosen. */
export const Aim = z.strictObject({
  id: Id,
  name: Name,
  wanted: WantedText,
  sense: z.enum(['with the drive', 'against the drive', 'either']),
  tolerance: z.strictObject({ amount: AmountText, over: SpanText }),
  frame: FrameRef,
  seenFrom: SeenFrom.optional(),
  member: Id.optional(),
});

const Count = z.number().int().min(1).max(10000);
const CountRange = z.strictObject({ least: Count, most: Count });
const Counts = z.array(Count).max(12);

/** A search as it was asked, and what it found, so that a choice can be revisited. */
export const Search = z.strictObject({
  id: Id,
  aim: Id,
  least: z.number().int(),
  most: z.number().int(),
  stages: z.array(z.number().int().min(1).max(4)).min(1),
  coaxial: z.boolean(),
  module: Size,
  /** Module of the second of two stages that return, where it differs. */
  secondModule: Size.optional(),
  /** Counts in stock, and counts not to be used, as typed. */
  stock: z.string().max(20000).optional(),
  forbidden: z.string().max(20000).optional(),
  noPrimes: z.boolean().optional(),
  hunting: z.boolean().optional(),
  alike: z.enum(['driving', 'driven']).optional(),
  positions: z
    .array(z.strictObject({ driving: CountRange.optional(), driven: CountRange.optional() }))
    .max(4)
    .optional(),
  /** Most that a stage may gear up or down, as n : 1. */
  stageRatio: within(LIMITS.stageRatio).optional(),
  largestOutside: Size.optional(),
  centre: z.strictObject({ distance: Size, within: Mm.min(0) }).optional(),
  reach: Size.optional(),
  exactTotal: Count.optional(),
  found: z
    .strictObject({
      proven: z.boolean(),
      front: z.array(z.strictObject({ driving: Counts, driven: Counts })).max(500),
      top: z.array(z.strictObject({ driving: Counts, driven: Counts })).max(500),
    })
    .optional(),
});

const PlanStage = z.strictObject({ driving: Count, driven: Count });

/** A plan for several outputs at once as it was asked, and what it found. */
export const Plan = z.strictObject({
  id: Id,
  aims: z.array(Id).min(2).max(12),
  school: z.enum(['loose pairs', 'lay arbor', 'cascade', 'mixed']),
  objective: z.enum(['worst error', 'worst drift', 'sum of errors', 'different counts']),
  drive: z.enum(['given', 'free']),
  errorPpm: z.number().positive().max(500000).optional(),
  least: Count,
  most: Count,
  /** Counts in stock, as typed. */
  stock: z.string().max(20000).optional(),
  leastSum: Count,
  mostSum: Count,
  found: z
    .strictObject({
      proven: z.boolean(),
      first: PlanStage.optional(),
      branches: z.array(
        z.strictObject({ aim: Id, from: Id.optional(), stages: z.array(PlanStage).min(1).max(2) }),
      ),
    })
    .optional(),
});

/** What is made as one piece: fused wheels, or a wheel split to go together; its process when not the machine's. */
export const Part = z.strictObject({
  id: Id,
  name: Name,
  wheels: z.array(Id).min(1),
  pieces: z.number().int().min(1).optional(),
  process: Id.optional(),
});

/** How a part is made. What is left out follows from usual values of its kind. */
export const Process = z.strictObject({
  id: Id,
  name: Name,
  kind: z.enum(['laser', 'printer', 'router', 'saw']),
  kerf: Mm.min(0).optional(),
  nozzle: Size.optional(),
  cutter: Size.optional(),
  /** How much wider a printer lays an outline than it should be, on each side; how much smaller across holes print. */
  outlineGrowth: Mm.min(-2).max(2).optional(),
  holeShrink: Mm.min(-2).max(2).optional(),
  /** Height of a printed layer, and how far the first one spreads outwards on each side. */
  layer: Size.max(5).optional(),
  flare: Mm.min(0).max(2).optional(),
  /** The least width of a feature that it makes. */
  leastFeature: Size.optional(),
  /** How much larger across a hole is made than what goes into it: to press, to slide, to turn freely. */
  fits: z
    .strictObject({
      press: within(LIMITS.processFit).optional(),
      sliding: within(LIMITS.processFit).optional(),
      free: within(LIMITS.processFit).optional(),
    })
    .optional(),
  /** The room on a printer’s bed. */
  bed: z.strictObject({ width: Size, depth: Size, height: Size }).optional(),
  /** Stock left between parts on a sheet, or room between bodies on a bed. */
  gap: within(LIMITS.stackGap).optional(),
  /** How fast it works: mm of cut a second; of a printer mm³ of material a second. */
  rate: z.number().positive().max(10000).optional(),
  /** So many sheets nailed or taped together and cut as one. */
  pad: within(LIMITS.padSheets).int().optional(),
  /** What it is usually made from. */
  material: Id.optional(),
});

/** What parts are made from. */
export const Material = z.strictObject({
  id: Id,
  name: Name,
  /** Of a sheet, as it was measured. */
  thickness: Size.max(200).optional(),
  /** g/cm³. */
  density: z.number().positive().max(25).optional(),
  /** The grain of a sheet runs along its width: parts are not turned by a quarter. */
  grain: z.literal(true).optional(),
  /** In the maker’s own money. */
  price: z
    .strictObject({
      amount: within(LIMITS.price),
      per: z.enum(['sheet', 'kg']),
    })
    .optional(),
  /** The sheets at hand; of one without a number there are as many as are needed. */
  sheets: z
    .array(
      z.strictObject({ width: Size, height: Size, number: within(LIMITS.sheetsAtHand).int().optional() }),
    )
    .max(MOST.sheets),
});

/** A part that is made otherwise than the rest: the id of a wheel, hand or dial, or `plate back`, `plate front`. */
export const Making = z.strictObject({
  part: z.string().min(1).max(80),
  process: Id.optional(),
  material: Id.optional(),
  /** How many are made instead of as many as the machine needs. */
  number: within(LIMITS.partsMade).int().optional(),
});

/** A named position of the whole machine, by the turns of its drive. */
export const Pose = z.strictObject({
  id: Id,
  name: Name,
  turns: DecimalText,
  /** Where outputs pointed when it was named, degrees: trains may have changed since. */
  shows: z
    .array(z.strictObject({ aim: Id, degrees: z.number() }))
    .max(5000)
    .optional(),
});

/** Something measured on a part or a process. */
export const Measurement = z.strictObject({
  id: Id,
  subject: Id,
  what: Name,
  /** What it was drawn as. */
  nominal: z.number().optional(),
  value: z.number(),
  unit: z.string().max(20),
  at: z.string().max(40),
});

/** A line of the maker’s log. */
export const LogEntry = z.strictObject({ id: Id, at: z.string().max(40), text: z.string().max(10000) });
