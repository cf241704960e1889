import type { Point } from '../../ground/geometry/index.ts';
import type { Ready } from './engagement.ts';
import { gapsAt, type PairGap } from './roll-check.ts';

/** Where a pair of bodies stands while the first pushes the second, for a drawing. Lengths in mm. */
export interface CloseUp {
  /** Angle of tooth 0 of the first, within a pitch of the line of centres. */
  readonly angleA: number;
  /** Of the second's tooth 0, pushed into contact: its angle, or its place along a rack. */
  readonly placeB: number;
  readonly contacts: readonly Point[];
  /** How far it could be pushed back: play along the pitch circle, and the place where it would be met. */
  readonly play: number;
  readonly backAt: Point | undefined;
  /** Least gap on the far side, along the normal. */
  readonly gap: number;
}

/** Pairs whose flanks stand no further apart than this many chord errors are in contact. */
const TOUCHING = 2;

/** The second pushed by the first, with the first at t: which flanks touch, and what is left behind them. */
export function closeUp(ready: Ready, t: number, chordError: number): CloseUp | undefined {
  const { stand, a, lever } = ready.engagement;
  const pitch = (2 * Math.PI) / a.count;
  const within = t - pitch * Math.round(t / pitch);
  const least = (gaps: readonly PairGap[]): PairGap | undefined =>
    gaps.reduce<PairGap | undefined>((m, g) => (!m || g.gap < m.gap ? g : m), undefined);
  const drives = gapsAt(ready, ready.drive, within);
  const [ahead, behind] = [least(drives), least(gapsAt(ready, ready.coast, within))];
  if (!ahead || !behind) return undefined;
  const push = ready.drive.towards * ahead.gap;
  const touching = drives.filter(g => !g.corner && g.normalGap - ahead.normalGap <= TOUCHING * chordError);
  const contacts = (touching.length > 0 ? touching : [ahead]).map(g => g.at);
  return {
    angleA: within,
    placeB: ready.placeOf(within) + (stand === 'rack' ? -push : push),
    contacts,
    play: (ahead.gap + behind.gap) * lever,
    backAt: behind.at,
    gap: behind.normalGap * (1 + ahead.gap / (behind.gap || 1)),
  };
}
