import { z } from 'zod';
import type { Limit } from './limits.ts';
import { parseDecimal } from '../../../ground/rational/index.ts';
import {
  parseAmount,
  parsePeriod,
  parseSpan,
  parseTravel,
  parseWanted,
} from '../../../ground/units/index.ts';

/** A stable name inside one machine. */
export const Id = z.string().regex(/^[A-Za-z0-9_-]{1,64}$/, 'an id of letters, digits, - and _');
/** The maker's own name for a thing. */
export const Name = z.string().max(120);
/** `ground`, or the id of the arbor that is an arm. */
export const FrameRef = Id.describe('the ground, or an arbor that is an arm');

/** A figure within its limits. */
export const within = ([least, most]: Limit): z.ZodNumber => z.number().min(least).max(most);

const finite = z.number().min(-1e6).max(1e6);
/** A length or coordinate in millimetres. */
export const Mm = finite;
/** A length in millimetres that is more than nothing. */
export const Size = finite.positive();
/** An angle in degrees, as the maker set it. */
export const Degrees = finite;

const readable = (reads: (text: string) => { ok: boolean }, what: string): z.ZodString =>
  z
    .string()
    .max(1000)
    .refine(text => reads(text).ok, what) as unknown as z.ZodString;

/** Texts that carry an exact figure as it was typed; they are read again wherever the figure is needed. */
export const WantedText = readable(parseWanted, 'a period such as 12.4206 h or a ratio such as 235/19');
/** The way a drive rolls in a turn, as typed. */
export const TravelText = readable(parseTravel, 'a way such as 0.4 m round or 130 mm across');
/** A period or a speed, as typed. */
export const PeriodText = readable(parsePeriod, 'a period such as 12 h or a speed such as 5 rpm');
/** A time, turns of the drive, or a way, as typed. */
export const SpanText = readable(
  parseSpan,
  'a time such as 365.25 d, turns of the drive such as 100 turns, or a way such as 1 km',
);
/** A decimal number, as typed. */
export const DecimalText = readable(parseDecimal, 'a decimal number');
/** How far an output may be out, as typed: degrees, or so much of what it counts. */
export const AmountText = readable(parseAmount, 'degrees, or an amount such as 2 min or 5 m');

/** A place on a turning member: so far from its axis, at such an angle; on the face of one of its wheels, or an arm. */
export const Pin = z.strictObject({ member: Id, radius: Mm.min(0), angleDeg: Degrees, wheel: Id.optional() });
