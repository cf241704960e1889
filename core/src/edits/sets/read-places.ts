import { MOST_PLANETS } from '../../counting/planetary/index.ts';
import { fail, ok, type Result } from '../../ground/result/index.ts';

/** Places of planets as people type them: degrees, with commas or spaces between; none for an empty text. */
export function readPlaces(text: string): Result<readonly number[]> {
  const parts = text.split(/[\s,;°]+/).filter(t => t !== '');
  const places = parts.map(Number);
  const bad = parts.find((_, i) => !Number.isFinite(places[i]) || Math.abs(places[i] ?? 0) > 360);
  if (bad !== undefined) return fail('places-unreadable', { part: bad });
  if (parts.length > MOST_PLANETS)
    return fail('planets-out-of-range', { planets: parts.length, most: MOST_PLANETS });
  return ok(places);
}
