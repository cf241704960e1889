import { distance } from '../../ground/geometry/index.ts';
import { fail, ok, type Result } from '../../ground/result/index.ts';
import { findByAngles } from './find-by-angles.ts';
import { findByPath } from './find-by-path.ts';
import { findBySwing } from './find-by-swing.ts';
import { shortlist } from './shortlist.ts';
import type { LinkageFound, LinkageNews, LinkageQuery } from './wanted-motion.ts';

/** So many points of a path, and so many places of a rocker, can be wanted. */
export const WANTED_POINTS = [3, 60] as const;
export const WANTED_ANGLES = [3, 5] as const;

/**
 * Searches for four-bars that move as wanted, do not lock, keep the transmission angle and fit the room: the best so
 * far with the news, all in the end, the nearest first.
 */
export function* findLinkage(query: LinkageQuery): Generator<LinkageNews, Result<readonly LinkageFound[]>> {
  const { wanted } = query;
  const list = shortlist(query.top);
  if (wanted.kind === 'path') {
    const [least, most] = WANTED_POINTS;
    const given = wanted.points.length;
    if (given < least || given > most) return fail('linkage-points', { given, least, most });
    const first = wanted.points[0];
    if (!first || wanted.points.every(p => distance(p, first) < 1e-6)) return fail('linkage-one-place');
    yield* findByPath(query, wanted, list);
  } else if (wanted.kind === 'angles') {
    const [least, most] = WANTED_ANGLES;
    const given = wanted.pairs.length;
    if (given < least || given > most) return fail('linkage-angles', { given, least, most });
    const late = wanted.pairs.find(([crank], i) => i > 0 && crank <= (wanted.pairs[i - 1]?.[0] ?? 0));
    if (late) return fail('linkage-angles-order', { crankDeg: late[0] });
    yield* findByAngles(query, wanted, list);
  } else {
    yield { done: 0 };
    findBySwing(query, wanted, list);
  }
  return list.best().length > 0 ? ok(list.best()) : fail('linkage-none-found');
}
