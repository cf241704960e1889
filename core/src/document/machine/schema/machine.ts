import { FORMAT, VERSION } from '../format.ts';
import { z } from 'zod';
import { Axis } from './axis.ts';
import { Id, Mm, Name, Size } from './basic.ts';
import { Indicator } from './indicator.ts';
import { Joint, Mode } from './joint.ts';
import { Layout } from './layout.ts';
import { Member } from './member.ts';
import { GearSet } from './set.ts';
import { Toothing, Wheel } from './toothing.ts';
import {
  Aim,
  Drive,
  LogEntry,
  Making,
  Material,
  Measurement,
  Part,
  Plan,
  Pose,
  Process,
  Search,
} from './work.ts';

/** The most of one kind of thing in a machine. */
export const MOST_ITEMS = 5000;
const list = <T extends z.ZodType>(item: T): z.ZodArray<T> => z.array(item).max(MOST_ITEMS);

/**
 * The document. It stores decisions, never what follows from them. Lengths in mm; angles in degrees where the field
 * says so; periods as they were typed.
 */
export const MachineSchema = z.strictObject({
  format: z.literal(FORMAT),
  version: z.literal(VERSION),
  name: Name,
  notes: z.string().max(100000).optional(),
  /** Height of one layer: stock thickness and the air above it. */
  stack: z.strictObject({ thickness: Size, gap: Mm.min(0) }),
  layout: Layout,
  drive: Drive.optional(),
  /** The instant at which the drive has made no turns, for drives that are clocks (ISO 8601, UTC). */
  start: z.iso.datetime().optional(),
  axes: list(Axis),
  members: list(Member),
  toothings: list(Toothing),
  wheels: list(Wheel),
  joints: list(Joint),
  sets: list(GearSet),
  modes: list(Mode),
  /** The mode it stands in; left out: the drive as it is stated, all clutches engaged. */
  mode: Id.optional(),
  indicators: list(Indicator),
  parts: list(Part),
  aims: list(Aim),
  searches: list(Search),
  plans: list(Plan),
  poses: list(Pose),
  processes: list(Process),
  process: Id.optional(),
  materials: list(Material),
  making: list(Making),
  measurements: list(Measurement),
  log: list(LogEntry),
});
