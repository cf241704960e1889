import { distance } from '../../ground/geometry/index.ts';
import { arbors, axesOfMesh, byId, type Machine } from '../../document/machine/index.ts';
import { armLayers, carriedAxes } from './arms.ts';
import type { Piece } from './pieces.ts';
import type { Plate } from './plates.ts';
import { armWidth, type LayoutParts } from './solids.ts';
import { linesOf } from './lines.ts';
import type { Band } from './stack.ts';

/** A rectangle cut by the section: from `left` to `right` along it, from `low` to `high` up the axes, mm. */
export interface Cut {
  readonly kind: 'wheel' | 'ring' | 'arm' | 'rod' | 'tube' | 'plate' | 'spacer' | 'washers';
  /** The wheel, arbor or arm; of a plate its side. */
  readonly id: string;
  readonly member: string | undefined;
  readonly left: number;
  readonly right: number;
  readonly low: number;
  readonly high: number;
}

/** A section through some axes, one beside the other at their true distances. */
export interface Section {
  readonly axes: readonly { readonly axis: string; readonly at: number }[];
  readonly cuts: readonly Cut[];
  readonly left: number;
  readonly right: number;
  readonly low: number;
  readonly high: number;
}

/** What is drawn of a layout in section. */
export interface SectionParts extends LayoutParts {
  readonly plates: readonly Plate[];
  readonly pieces: readonly Piece[];
}

/**
 * The section that runs from axis to axis in straight lines, laid out flat: every line keeps its true distance from
 * the one before, so that wheels in mesh meet at their pitch circles. Each thing is cut in halves by its bore;
 * plates are open at their holes. Axes without a place are left out.
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
    return [...wheelCuts(parts, ids, at), ...rodCuts(parts, ids, at)];
  });
  const cuts = [...bodies, ...armCuts(parts, along)];
  const edge = parts.machine.layout.plates?.margin ?? 0;
  const left = Math.min(0, ...cuts.map(c => c.left), ...along.map(a => a.at - edge));
  const right = Math.max(0, ...cuts.map(c => c.right), ...along.map(a => a.at + edge));
  const all = [...plateCuts(parts, along, left - edge / 2, right + edge / 2), ...cuts];
  return {
    axes: along,
    cuts: all,
    left: Math.min(...all.map(c => c.left), left),
    right: Math.max(...all.map(c => c.right), right),
    low: Math.min(0, ...all.map(c => c.low)),
    high: Math.max(parts.stack.height, ...all.map(c => c.high)),
  };
}

type Common = Pick<Cut, 'kind' | 'id' | 'member'>;

/** Two halves from an inner to an outer radius about a line. */
function halves(common: Common, at: number, inner: number, outer: number, band: Band): Cut[] {
  const heights = { low: band.from, high: band.to };
  if (inner <= 0) return [{ ...common, left: at - outer, right: at + outer, ...heights }];
  return [
    { ...common, left: at - outer, right: at - inner, ...heights },
    { ...common, left: at + inner, right: at + outer, ...heights },
  ];
}

function wheelCuts(parts: SectionParts, members: ReadonlySet<string>, at: number): Cut[] {
  return parts.machine.wheels.flatMap(w => {
    const band = parts.stack.layers.get(w.layer);
    const extent = parts.extents[w.id];
    if (!members.has(w.member) || !band || !extent) return [];
    const thick = { from: band.from, to: band.from + (w.thickness ?? parts.machine.stack.thickness) };
    const ring = extent.inner !== undefined;
    const rod = (parts.sizes.get(w.member)?.diameter ?? 0) / 2;
    const common: Common = { kind: ring ? 'ring' : 'wheel', id: w.id, member: w.member };
    return halves(common, at, ring ? (extent.inner ?? 0) : rod, extent.outer, thick);
  });
}

function rodCuts({ pieces }: SectionParts, members: ReadonlySet<string>, at: number): Cut[] {
  return pieces.flatMap(p => {
    if (!members.has(p.arbor)) return [];
    const common: Common = { kind: p.kind, id: p.arbor, member: p.arbor };
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

/** Plates from end to end, open at the holes of the lines that are cut. */
function plateCuts(
  { plates, motion }: SectionParts,
  along: Section['axes'],
  left: number,
  right: number,
): Cut[] {
  return plates.flatMap(plate => {
    const open = along
      .flatMap(({ axis, at }) => {
        const p = motion.at[axis];
        const hole = p && plate.holes.find(h => distance(h.at, p) < 1e-6);
        return hole ? [{ from: at - hole.diameter / 2, to: at + hole.diameter / 2 }] : [];
      })
      .sort((a, b) => a.from - b.from);
    const cuts: Cut[] = [];
    let from = left;
    for (const hole of [...open, { from: right, to: right }]) {
      if (hole.from > from)
        cuts.push({
          kind: 'plate',
          id: plate.side,
          member: undefined,
          left: from,
          right: hole.from,
          low: plate.band.from,
          high: plate.band.to,
        });
      from = Math.max(from, hole.to);
    }
    return cuts;
  });
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
