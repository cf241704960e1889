import { jointEnds, type Machine, type Region } from '../../document/machine/index.ts';
import { gapBetween } from './gap.ts';
import { depthIn, spanFrom } from './region.ts';
import { type LayoutParts, type Solid, solidsOf } from './solids.ts';
import { type Band, overlap } from './stack.ts';
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
    | 'envelope'
    | 'keep-out';
  /** Ids in the document: wheels, arbors, arms, pillars, keep-outs. */
  readonly a: string;
  readonly b: string;
  readonly gap: number;
  readonly swept: boolean;
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
  const touching = touchingPairs(parts.machine);
  const spindles = spindlesOf(parts.machine);
  const found = new Map<string, Clearance>();
  const keep = (c: Clearance): void => {
    const key = `${c.kind} ${c.a} ${c.b}`;
    const known = found.get(key);
    if (c.gap < FAR && (!known || c.gap < known.gap)) found.set(key, c);
  };
  const widths = solids.map(s => s.outer + barLength(s));
  solids.forEach((a, i) => {
    const wide = (widths[i] as number) + FAR;
    for (let k = i + 1; k < solids.length; k++) {
      const b = solids[k] as Solid;
      if (!overlap(a.band, b.band)) continue;
      if (neverNearer(a.path, b.path) > wide + (widths[k] as number)) continue;
      const kind = kindOf(a, b, touching, spindles);
      if (kind) keep({ kind, a: a.id, b: b.id, ...gapBetween(a, b) });
    }
  });
  for (const s of solids) for (const c of roomClearances(parts, s)) keep(c);
  return [...found.values()].sort((p, q) => p.gap - q.gap);
}

/** How far the bar of an arm reaches from its pivot, mm; 0 for all else. */
const barLength = ({ bar }: Solid): number => (bar ? Math.hypot(bar.to.x, bar.to.y) : 0);

/** Pairs of wheels that a joint makes touch. */
function touchingPairs(machine: Pick<Machine, 'joints'>): ReadonlySet<string> {
  return new Set(
    machine.joints.flatMap(j => {
      if (j.kind !== 'mesh') return [];
      const [a, b] = jointEnds(j).map(([, id]) => id);
      return [`${a} ${b}`, `${b} ${a}`];
    }),
  );
}

/** What two solids are to each other; undefined where they may touch. */
function kindOf(
  a: Solid,
  b: Solid,
  touching: ReadonlySet<string>,
  spindles: ReadonlySet<string>,
): Clearance['kind'] | undefined {
  if (a.kind === 'pillar' || b.kind === 'pillar') return a.kind === b.kind ? undefined : 'pillar';
  if (a.standing && b.standing) return a.line === b.line ? undefined : 'arbors';
  if (a.member === b.member) return neighbours(a, b);
  if (a.kind === 'arm' || b.kind === 'arm') return armKind(spindles, a, b);
  const oneLine = a.line === b.line && a.copy === b.copy;
  if (a.kind === 'wheel' && b.kind === 'wheel') {
    if (touching.has(`${a.id} ${b.id}`)) return undefined;
    return oneLine ? 'one place' : 'wheels';
  }
  if (oneLine) return undefined;
  return a.kind === 'arbor' && b.kind === 'arbor' ? 'arbors' : 'wheel and arbor';
}

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
