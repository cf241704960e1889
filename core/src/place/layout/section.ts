import {
  circle,
  direction,
  distance,
  flatten,
  movedPath,
  type Path,
  type Point,
  polar,
  type Stretch,
  stretchesInside,
  stretchesWithout,
} from '../../ground/geometry/index.ts';
import { ringWithLugs } from '../../teeth/body/index.ts';
import { arbors, axesOfMesh, axisOfWheel, byId, type Machine } from '../../document/machine/index.ts';
import { armLayers, carriedAxes } from './arms.ts';
import { pillarsOf } from './pillars.ts';
import { proudHub } from './proud-hubs.ts';
import { holePath } from './plate-holes.ts';
import { baseOf } from './base.ts';
import { type Fitting, fittingsOf } from './fittings.ts';
import { lugsIn } from './ring-mounts.ts';
import { eccentricCuts, outputCuts, pinCuts } from './section-reducers.ts';
import { type Cut, type CutOf, halves, type Section, type SectionParts } from './cut.ts';
import { wallLayer } from './walls.ts';
import { armWidth } from './solids.ts';
import { linesOf } from './lines.ts';

/**
 * The section that runs from axis to axis in straight lines, laid out flat: every line keeps its true distance from
 * the one before, so that wheels in mesh meet at their pitch circles. Each thing is cut in halves by its bore;
 * plates reach as far as their borders do along it, and are open at their holes. Axes without a place are left out.
 */
export function sectionThrough(parts: SectionParts, axes: readonly string[]): Section {
  const placed = axes.flatMap(axis => {
    const p = parts.motion.at[axis];
    return p ? [{ axis, p }] : [];
  });
  let s = 0;
  const along = placed.map(({ axis, p }, i) => {
    const before = placed[i - 1];
    if (before) s += distance(before.p, p);
    return { axis, at: s };
  });
  const lines = linesOf(parts.machine);
  const bodies = along.flatMap(({ axis, at }) => {
    const line = lines.find(l => l.arbors.some(a => a.axis === axis) || l.axis === axis);
    const ids = new Set((line?.arbors ?? []).map(a => a.id));
    return [
      ...[...wheelCuts(parts, ids, at), ...outputCuts(parts, ids, at)],
      ...[...pinCuts(parts, ids, at), ...rodCuts(parts, ids, at)],
    ];
  });
  const cuts = [...bodies, ...eccentricCuts(parts, along), ...armCuts(parts, along)];
  const ways = waysThrough(
    placed.map(({ p }) => p),
    along.map(a => a.at),
  );
  const all = [
    ...plateCuts(parts, ways),
    ...luggedCuts(parts, ways),
    ...pillarCuts(parts, ways),
    ...fittingCuts(parts, ways),
    ...cuts,
  ];
  return {
    axes: along,
    cuts: all,
    left: Math.min(0, ...all.map(c => c.left)),
    right: Math.max(0, ...all.map(c => c.right)),
    low: Math.min(0, ...all.map(c => c.low)),
    high: Math.max(parts.stack.height, ...all.map(c => c.high)),
  };
}

function wheelCuts(parts: SectionParts, members: ReadonlySet<string>, at: number): Cut[] {
  return parts.machine.wheels.flatMap(w => {
    const band = parts.stack.layers.get(w.layer);
    const extent = parts.extents[w.id];
    if (!members.has(w.member) || !band || !extent) return [];
    const thick = { from: band.from, to: band.from + (w.thickness ?? parts.machine.stack.thickness) };
    const ring = extent.inner !== undefined;
    const rod = (parts.sizes.get(w.member)?.diameter ?? 0) / 2;
    const common: CutOf = { kind: ring ? 'ring' : 'wheel', id: w.id, member: w.member };
    const wall = parts.stack.layers.get(wallLayer(w) ?? NaN);
    const hub = proudHub(parts.machine, parts.stack.layers, w);
    const lugged = parts.lugs.some(l => l.wheel.id === w.id);
    return [
      ...(lugged ? [] : halves(common, at, ring ? (extent.inner ?? 0) : rod, extent.outer, thick)),
      ...(wall ? halves(common, at, rod, extent.outer, wall) : []),
      ...(hub ? halves(common, at, rod, hub.radius, hub.band) : []),
    ];
  });
}

function rodCuts({ pieces }: SectionParts, members: ReadonlySet<string>, at: number): Cut[] {
  return pieces.flatMap(p => {
    if (!members.has(p.arbor)) return [];
    const common: CutOf = { kind: p.kind, id: p.arbor, member: p.arbor };
    return halves(common, at, (p.bore ?? 0) / 2, p.outside / 2, p.band);
  });
}

/** Bars between an arm’s line and those that it carries, where both are cut. */
function armCuts({ machine, stack, sizes }: SectionParts, along: Section['axes']): Cut[] {
  return [...armLayers(machine)].flatMap(([id, layer]) => {
    const arm = byId(arbors(machine), id);
    const [from, band] = [along.find(a => a.axis === arm?.axis)?.at, stack.layers.get(layer)];
    if (!arm || from === undefined || !band) return [];
    const width = armWidth(machine, sizes, id);
    return carriedAxes(machine, id).flatMap((axis): Cut[] => {
      const to = along.find(a => a.axis === axis.id)?.at;
      if (to === undefined) return [];
      const ends = { left: Math.min(from, to) - width / 2, right: Math.max(from, to) + width / 2 };
      return [{ kind: 'arm', id, member: id, ...ends, low: band.from, high: band.to }];
    });
  });
}

/** A straight piece of the way that the section takes, and where it begins along it. */
interface Way {
  readonly from: Point;
  readonly to: Point;
  readonly at: number;
}

/** How far the section goes on beyond its first and last axis, mm: farther than any plate. */
const BEYOND_ENDS = 1e5;

/** The ways from axis to axis, and on beyond the first and the last in the same direction. */
function waysThrough(points: readonly Point[], at: readonly number[]): Way[] {
  const [first, last] = [points[0], points.at(-1)];
  if (!first || !last) return [];
  const start = points.length > 1 ? direction(points[1] as Point, first) : Math.PI;
  const end = points.length > 1 ? direction(points.at(-2) as Point, last) : 0;
  return [
    { from: polar(first, BEYOND_ENDS, start), to: first, at: -BEYOND_ENDS },
    ...points.slice(1).map((to, i) => ({ from: points[i] as Point, to, at: at[i] ?? 0 })),
    { from: last, to: polar(last, BEYOND_ENDS, end), at: at.at(-1) ?? 0 },
  ];
}

/** Where the ways run within a closed line, along the section. */
const inside = (path: Path, ways: readonly Way[]): Stretch[] => {
  const border = flatten(path, 0.01);
  return ways.flatMap(w =>
    stretchesInside(border, w.from, w.to).map(([a, b]): Stretch => [a + w.at, b + w.at]),
  );
};

/** Plates as far as their border reaches, open at every hole that the section passes. */
const plateCuts = ({ plates }: SectionParts, ways: readonly Way[]): Cut[] =>
  plates.flatMap(plate => {
    const open = plate.holes.flatMap(h => inside(holePath(h), ways));
    const common = { kind: 'plate' as const, id: plate.side, member: undefined };
    const heights = { low: plate.band.from, high: plate.band.to };
    return stretchesWithout(inside(plate.outline, ways), open).map(([left, right]): Cut => ({
      ...common,
      left,
      right,
      ...heights,
    }));
  });

/** Standing rings with lugs, as far as their rims and lugs reach along the section, open at the holes of these. */
function luggedCuts(parts: SectionParts, ways: readonly Way[]): Cut[] {
  const rings = new Set(parts.lugs.map(l => l.wheel));
  return [...rings].flatMap((w): Cut[] => {
    const [extent, band] = [parts.extents[w.id], parts.stack.layers.get(w.layer)];
    const centre = parts.motion.at[axisOfWheel(parts.machine, w) ?? ''];
    if (w.mount?.kind !== 'lugs' || !extent || !band || !centre) return [];
    const { outline, holes } = ringWithLugs(extent.outer, lugsIn(w.mount, extent.outer, 0));
    const open = [...holes, circle({ x: 0, y: 0 }, extent.inner ?? 0)].flatMap(h =>
      inside(movedPath(h, centre), ways),
    );
    const common = { kind: 'ring' as const, id: w.id, member: w.member };
    const heights = { low: band.from, high: band.from + (w.thickness ?? parts.machine.stack.thickness) };
    return stretchesWithout(inside(movedPath(outline, centre), ways), open).map(([left, right]): Cut => ({
      ...{ ...common, left, right, ...heights },
    }));
  });
}

/** Pillars that the section passes: their ends in the plates, and thicker between. */
const pillarCuts = ({ machine, stack, lugRods }: SectionParts, ways: readonly Way[]): Cut[] =>
  [...pillarsOf(machine, stack), ...lugRods].flatMap(p => {
    const common = { kind: 'pillar' as const, id: p.id, member: undefined };
    const part = (diameter: number, low: number, high: number): Cut[] =>
      stretchesWithout(inside(circle(p.at, diameter / 2), ways), []).map(([left, right]): Cut => ({
        ...common,
        left,
        right,
        low,
        high,
      }));
    return [
      ...part(p.diameter, p.whole.from, p.between.from),
      ...part(p.shoulder, p.between.from, p.between.to),
      ...part(p.diameter, p.between.to, p.whole.to),
    ];
  });

/** Ball bearings and feet that the section passes. */
const fittingCuts = (parts: SectionParts, ways: readonly Way[]): Cut[] =>
  [...fittingsOf(parts.machine, parts.stack, parts.plates), ...columnEnds(parts)].flatMap(f => {
    const [outer, inner] = [f.outer, f.inner].map(d => (d > 0 ? inside(circle(f.at, d / 2), ways) : []));
    return stretchesWithout(outer ?? [], inner ?? []).map(([left, right]): Cut => ({
      ...{ kind: f.kind, id: f.id, member: undefined, left, right, low: f.band.from, high: f.band.to },
    }));
  });

/** The turned ends of a column, in the board and in the back plate. */
function columnEnds({ machine, stack }: SectionParts): Fitting[] {
  const base = baseOf(machine, stack);
  if (!base || !stack.back) return [];
  const end = { kind: 'column' as const, id: 'column', at: base.at, outer: base.spigot, inner: 0, deep: 0 };
  return [base.board, stack.back].map(band => ({ ...end, band, bearing: undefined }));
}

/**
 * Axes for a section when none are chosen: from the drive’s through what meshes with it, each next to one it meshes
 * with, as far as one walk leads.
 */
export function usualSection(
  machine: Pick<Machine, 'axes' | 'members' | 'wheels' | 'joints' | 'drive'>,
): string[] {
  const first = byId(arbors(machine), machine.drive?.member)?.axis ?? machine.axes[0]?.id;
  if (first === undefined) return [];
  const near = new Map<string, string[]>();
  for (const j of machine.joints) {
    if (j.kind !== 'mesh') continue;
    const [a, b] = axesOfMesh(machine, j.id);
    if (a === undefined || b === undefined || a === b) continue;
    near.set(a, [...(near.get(a) ?? []), b]);
    near.set(b, [...(near.get(b) ?? []), a]);
  }
  let longest: string[] = [first];
  const walk = (at: string, way: string[], left: { steps: number }): void => {
    if (way.length > longest.length) longest = [...way];
    if (left.steps-- <= 0) return;
    for (const next of near.get(at) ?? []) if (!way.includes(next)) walk(next, [...way, next], left);
  };
  walk(first, [first], { steps: 2000 });
  return longest;
}
