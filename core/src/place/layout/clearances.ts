import { jointEnds, type Machine, type Region, ringWithin } from '../../document/machine/index.ts';
import { gapBetween } from './gap.ts';
import { depthIn, spanFrom } from './region.ts';
import { throughDiscs } from './reducer-layers.ts';
import { type LayoutParts, type Solid, solidsOf } from './solids.ts';
import { type Band, overlap } from './stack.ts';
import { shownSolids } from './shown-solids.ts';
import { neverNearer, reachOf, relative } from './turning.ts';

/** Two things and the nearest they come, mm; negative: they strike. */
export interface Clearance {
  readonly kind:
    | 'wheels'
    | 'one place'
    | 'neighbours'
    | 'wheel and arbor'
    | 'arbors'
    | 'arm'
    | 'pillar'
    | 'shown'
    | 'linkage'
    | 'envelope'
    | 'keep-out';
  /** Ids in the document: wheels, arbors, arms, pillars, keep-outs. */
  readonly a: string;
  readonly b: string;
  readonly gap: number;
  readonly swept: boolean;
  /** Of linkages: turns of the drive at which they come nearest. */
  readonly at?: number;
  /** Against the envelope: half the room that the thing itself fills or sweeps. */
  readonly outer?: number;
}

/** Least gap wanted where the maker says nothing, mm (our choice). */
export const USUAL_CLEARANCE = 0.3;
/** Gaps beyond this are not worth a line, mm. */
const FAR = 25;

/** Everything that comes near anything else that it should not touch, the tightest first; see `gapBetween`. */
export function clearancesOf(parts: LayoutParts): Clearance[] {
  const solids = solidsOf(parts);
  const found = nearPairs(parts, solids, solids);
  for (const s of solids) for (const c of roomClearances(parts, s)) found.keep(c);
  return found.all();
}

/** What shows something and comes near anything that stands out beside it, the tightest first. */
export function shownClearances(parts: LayoutParts): Clearance[] {
  const shown = shownSolids(parts);
  return nearPairs(parts, shown, [...shown, ...solidsOf(parts)]).all();
}

/** The nearest that each pair comes of some solids with themselves, which lie first among all, and with all others. */
function nearPairs(
  parts: LayoutParts,
  some: readonly Solid[],
  solids: readonly Solid[],
): { readonly keep: (c: Clearance) => void; readonly all: () => Clearance[] } {
  const touching = touchingPairs(parts.machine);
  const spindles = spindlesOf(parts.machine);
  const swung = throughDiscs(parts.machine);
  const found = new Map<string, Clearance>();
  const keep = (c: Clearance): void => {
    const key = `${c.kind} ${c.a} ${c.b}`;
    const known = found.get(key);
    if (c.gap < FAR && (!known || c.gap < known.gap)) found.set(key, c);
  };
  const widths = solids.map(s => s.outer + barLength(s));
  some.forEach((a, i) => {
    const wide = (widths[i] as number) + FAR;
    for (let k = i + 1; k < solids.length; k++) {
      const b = solids[k] as Solid;
      if (!overlap(a.band, b.band)) continue;
      if (neverNearer(a.path, b.path) > wide + (widths[k] as number)) continue;
      const kind = kindOf(a, b, touching, spindles);
      if (kind && !swung.has(`${a.id} ${b.id}`) && !swung.has(`${b.id} ${a.id}`))
        keep({ kind, a: a.id, b: b.id, ...gapBetween(a, b) });
    }
  });
  return { keep, all: () => [...found.values()].sort((p, q) => p.gap - q.gap) };
}

/** How far the bar of an arm reaches from its pivot, mm; 0 for all else. */
const barLength = ({ bar }: Solid): number => (bar ? Math.hypot(bar.to.x, bar.to.y) : 0);

/** Pairs of wheels that a joint makes touch, and the two sides of a ring. */
function touchingPairs(machine: Pick<Machine, 'joints' | 'wheels'>): ReadonlySet<string> {
  const sides = machine.wheels.flatMap(w => {
    const ring = ringWithin(machine, w);
    return ring ? [`${w.id} ${ring.id}`, `${ring.id} ${w.id}`] : [];
  });
  return new Set([
    ...sides,
    ...machine.joints.flatMap(j => {
      if (j.kind !== 'mesh') return [];
      const [a, b] = jointEnds(j).map(([, id]) => id);
      // The pins of a reducer's ring go by their mesh.
      const pins = j.type === 'reducer' ? [a, b].flatMap(w => [`${j.id} ${w}`, `${w} ${j.id}`]) : [];
      return [`${a} ${b}`, `${b} ${a}`, ...pins];
    }),
  ]);
}

/** What two solids are to each other; undefined where they may touch. */
function kindOf(
  a: Solid,
  b: Solid,
  touching: ReadonlySet<string>,
  spindles: ReadonlySet<string>,
): Clearance['kind'] | undefined {
  if (a.kind === 'shown' || b.kind === 'shown') return shownKind(a, b);
  if (a.kind === 'pillar' || b.kind === 'pillar') return pillarKind(a, b);
  if (a.standing && b.standing) return a.line === b.line ? undefined : 'arbors';
  if (a.member === b.member) return touching.has(`${a.id} ${b.id}`) ? undefined : neighbours(a, b);
  if (a.kind === 'arm' || b.kind === 'arm') return armKind(spindles, a, b);
  const oneLine = a.line === b.line && a.copy === b.copy;
  if (touching.has(`${a.id} ${b.id}`)) return undefined;
  if (a.kind === 'wall' || b.kind === 'wall') return wallKind(a, b, oneLine);
  if (a.kind === 'wheel' && b.kind === 'wheel') {
    return oneLine ? 'one place' : 'wheels';
  }
  if (oneLine) return undefined;
  return a.kind === 'arbor' && b.kind === 'arbor' ? 'arbors' : 'wheel and arbor';
}

/** A wall is bored for what passes it on its own line, and must keep off all else. */
function wallKind(a: Solid, b: Solid, oneLine: boolean): Clearance['kind'] | undefined {
  if (a.kind !== 'arbor' && b.kind !== 'arbor') return 'wheels';
  return oneLine ? undefined : 'wheel and arbor';
}

/**
 * What shows something moves as one with its member, sits on its own line, where each has its own height, and must keep
 * off all else.
 */
const shownKind = (a: Solid, b: Solid): 'shown' | undefined =>
  a.member === b.member || a.line === b.line ? undefined : 'shown';

/** A pillar or rod may touch another, and the lugs that it goes through. */
const pillarKind = (a: Solid, b: Solid): 'pillar' | undefined =>
  a.kind === b.kind || (a.member !== undefined && a.member === b.member) ? undefined : 'pillar';

/** Things of one member move as one; only its further places can touch the first. */
function neighbours(a: Solid, b: Solid): Clearance['kind'] | undefined {
  if (a.kind === 'wheel' && b.kind === 'wheel' && a.copy === b.copy) return 'one place';
  const places = a.kind === 'wheel' && b.kind === 'wheel' && a.copy !== b.copy;
  return places ? 'neighbours' : undefined;
}

/** Arbors with the frame that carries them, as `frame arbor`. */
function spindlesOf(machine: Pick<Machine, 'axes' | 'members'>): ReadonlySet<string> {
  const frames = new Map(machine.axes.map(a => [a.id, a.frame] as const));
  return new Set(machine.members.flatMap(m => (m.kind === 'arbor' ? [`${frames.get(m.axis)} ${m.id}`] : [])));
}

/** A bar touches its own hub and the spindles that it carries. */
function armKind(spindles: ReadonlySet<string>, a: Solid, b: Solid): 'arm' | undefined {
  const [bar, other] = a.bar ? [a, b] : [b, a];
  if (other.kind !== 'arbor') return 'arm';
  return other.line === bar.line || spindles.has(`${bar.id} ${other.id}`) ? undefined : 'arm';
}

/** A solid against the envelope and the room kept free: by the circle that it sweeps round where it is carried. */
function roomClearances({ machine, stack }: LayoutParts, s: Solid): Clearance[] {
  const { envelope, keepOuts } = machine.layout;
  const found: Clearance[] = [];
  const length = barLength(s);
  const outer = s.path.vectors.reduce((sum, v) => sum + Math.hypot(v.x, v.y), s.outer + length);
  const swept = outer > s.outer;
  if (envelope) {
    const gap = depthIn(envelope.region, s.path) - outer;
    found.push({ kind: 'envelope', a: s.id, b: 'envelope', gap, swept, outer });
  }
  for (const keep of keepOuts) {
    const from = keep.layers ? stack.layers.get(keep.layers.least)?.from : undefined;
    const to = keep.layers ? stack.layers.get(keep.layers.most)?.to : undefined;
    const band: Band = { from: from ?? -Infinity, to: to ?? Infinity };
    if (overlap(s.band, band))
      found.push({
        kind: 'keep-out',
        a: s.id,
        b: keep.id,
        gap: gapToRegion(s, keep.region, length),
        swept,
      });
  }
  return found;
}

/** Between what a solid sweeps about its standing centre, a ring, and a region. */
function gapToRegion(s: Solid, region: Region, length: number): number {
  const here = { x: s.path.x, y: s.path.y };
  const { least, most } = reachOf(relative(s.path, { ...here, vectors: [] }));
  const depth = depthIn(region, here);
  if (most === 0 && length === 0) {
    const within = s.inner === undefined ? -Infinity : s.inner - spanFrom(region, here).far;
    return Math.max(-depth - s.outer, within);
  }
  const { near, far } = spanFrom(region, here);
  const hole = s.bar ? 0 : Math.max(0, least - s.outer);
  return Math.max(near - most - length - s.outer, hole - far);
}
