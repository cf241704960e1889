import { fail, ok, type Result } from '@tesseron/core/result';

/**
 * Reads a start as people write it (2026-01-01, 2026-01-01 06:30, with or without Z) into ISO 8601 UTC; '' for
 * none.
 */
export function readStart(text: string): Result<string> {
  const typed = text.trim();
  if (typed === '') return ok('');
  const m = /^(\d{4})-(\d{2})-(\d{2})(?:[T ](\d{2}):(\d{2})(?::(\d{2})(?:\.\d+)?)?)?Z?$/.exec(typed);
  const iso = m && `${m[1]}-${m[2]}-${m[3]}T${m[4] ?? '00'}:${m[5] ?? '00'}:${m[6] ?? '00'}Z`;
  if (!iso || Number.isNaN(Date.parse(iso))) return fail('date-unreadable', { text: typed });
  const back = new Date(iso).toISOString().slice(0, 19);
  return back === iso.slice(0, 19) ? ok(iso) : fail('date-unreadable', { text: typed });
}
