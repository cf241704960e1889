import { z } from 'zod';
import {
  DecimalText,
  Degrees,
  FrameRef,
  Id,
  Mm,
  Name,
  PeriodText,
  Size,
  SpanText,
  WantedText,
} from './basic.ts';

/** The arbor that is turned, and how fast. Free: only ratios between outputs matter. */
export const Drive = z.strictObject({
  member: Id,
  speed: z.discriminatedUnion('kind', [
    z.strictObject({ kind: z.literal('period'), text: PeriodText }),
    z.strictObject({ kind: z.literal('free') }),
  ]),
});

/** An arbor that must turn at a stated rate. It has no arbor until a train for it is chosen. */
export const Aim = z.strictObject({
  id: Id,
  name: Name,
  wanted: WantedText,
  sense: z.enum(['with the drive', 'against the drive', 'either']),
  tolerance: z.strictObject({ degrees: DecimalText, over: SpanText }),
  frame: FrameRef,
  member: Id.optional(),
});

/** A search as it was asked, so that a choice can be revisited. */
export const Search = z.strictObject({
  id: Id,
  aim: Id,
  least: z.number().int(),
  most: z.number().int(),
  stages: z.array(z.number().int().min(1).max(4)).min(1),
  coaxial: z.boolean(),
  module: Size,
});

/** A hand, dial, globe or body on a member. */
export const Indicator = z.strictObject({
  id: Id,
  name: Name,
  member: Id,
  kind: z.enum(['hand', 'dial', 'globe', 'body']),
  radius: Size,
  settingDeg: Degrees,
});

/** What is made as one piece: fused wheels, or a wheel split to go together; its process when not the machine's. */
export const Part = z.strictObject({
  id: Id,
  name: Name,
  wheels: z.array(Id).min(1),
  pieces: z.number().int().min(1).optional(),
  process: Id.optional(),
});

/** How parts are made. */
export const Process = z.strictObject({
  id: Id,
  name: Name,
  kind: z.enum(['laser', 'printer', 'router', 'saw']),
  kerf: Mm.min(0).optional(),
  nozzle: Size.optional(),
  cutter: Size.optional(),
});

/** A named position of the whole machine, by the turns of its drive. */
export const Pose = z.strictObject({ id: Id, name: Name, turns: DecimalText });

/** Something measured on a part or a process. */
export const Measurement = z.strictObject({
  id: Id,
  subject: Id,
  what: Name,
  value: z.number(),
  unit: z.string().max(20),
  at: z.string().max(40),
});

/** A line of the maker’s log. */
export const LogEntry = z.strictObject({ id: Id, at: z.string().max(40), text: z.string().max(10000) });
