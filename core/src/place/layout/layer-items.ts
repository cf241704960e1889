import {
  arbors,
  axisOfWheel,
  GROUND,
  jointEnds,
  type Machine,
  MESHES,
} from '../../document/machine/index.ts';
import { armLayers, carriedAxes } from './arms.ts';
import { USUAL_CLEARANCE } from './clearances.ts';
import { gapBetween } from './gap.ts';
import { linesOf } from './lines.ts';
import { type LayoutParts, type Solid, solidsOf } from './solids.ts';

/** What is laid in layers as one: wheels that mesh, which keep their heights to each other, or the bar of an arm. */
export interface LayerItem {
  /** Wheels with their height above the lowest of the item; of a bar none. */
  readonly wheels: readonly { readonly id: string; readonly offset: number }[];
  readonly arm: string | undefined;
  /** Arbors that stand in this item, each with the heights at which it does. */
  readonly on: readonly { readonly arbor: string; readonly offset: number }[];
  readonly height: number;
}

/** Everything about the layers of a machine that does not change with them. */
export interface LayerQuestion {
  readonly items: readonly LayerItem[];
  /** Items (by index, with the heights of the two things that would touch) that cannot share a layer. */
  readonly apart: readonly (readonly Touch[])[];
  /** For every item the arbors that what lies at some height of it would strike, were they to pass there. */
  readonly strikes: readonly (readonly { readonly offset: number; readonly arbor: string }[])[];
  readonly arbors: readonly LayerArbor[];
}

/** That a thing of an item, at its height, would touch one of another item. */
interface Touch {
  readonly other: number;
  readonly mine: number;
  readonly theirs: number;
}

export interface LayerArbor {
  readonly id: string;
  readonly line: string;
  readonly front: boolean;
  readonly back: boolean;
  /** In both plates whatever lies on it: the only one of its line. */
  readonly through: boolean;
}

/** Looks at what may share a layer with what. Gaps are those of the whole motion, and do not depend on heights. */
export function layerQuestion(parts: LayoutParts): LayerQuestion {
  const { machine, spans } = parts;
  const items = [...wheelItems(machine), ...armItems(machine)];
  const byId = new Map<string, { item: number; offset: number }>();
  items.forEach((it, item) => {
    for (const w of it.wheels) byId.set(`wheel ${w.id}`, { item, offset: w.offset });
    if (it.arm !== undefined) byId.set(`arm ${it.arm}`, { item, offset: 0 });
  });
  const least = machine.layout.clearance ?? USUAL_CLEARANCE;
  const solids = solidsOf(parts);
  const laid = solids.filter(s => s.kind === 'wheel' || s.kind === 'arm');
  const apart: Touch[][] = items.map(() => []);
  const place = (s: Solid): { item: number; offset: number } | undefined => byId.get(`${s.kind} ${s.id}`);
  laid.forEach((a, i) => {
    for (const b of laid.slice(i + 1)) {
      const [p, q] = [place(a), place(b)];
      if (!p || !q || p.item === q.item || !wouldTouch(a, b, least)) continue;
      apart[p.item]?.push({ other: q.item, mine: p.offset, theirs: q.offset });
      apart[q.item]?.push({ other: p.item, mine: q.offset, theirs: p.offset });
    }
  });
  for (const [a, b] of unknownPairs(parts)) {
    const [p, q] = [byId.get(`wheel ${a}`), byId.get(`wheel ${b}`)];
    if (!p || !q || p.item === q.item) continue;
    apart[p.item]?.push({ other: q.item, mine: p.offset, theirs: q.offset });
    apart[q.item]?.push({ other: p.item, mine: q.offset, theirs: p.offset });
  }
  const rods = solids.filter(s => s.kind === 'arbor');
  const strikes = items.map((): { offset: number; arbor: string }[] => []);
  for (const s of laid)
    for (const rod of rods) {
      const p = place(s);
      if (p && mayStrike(machine, s, rod) && gapBetween(s, rod).gap < least)
        strikes[p.item]?.push({ offset: p.offset, arbor: rodName(rod) });
    }
  const alone = new Set(
    linesOf(machine).flatMap(l => (l.arbors.length === 1 && l.frame === GROUND ? [l.id] : [])),
  );
  const planted = parts.stack.back !== undefined;
  return {
    items,
    apart,
    strikes,
    arbors: [
      ...standing(solids, planted),
      ...[...spans.of.values()].map(s => ({
        ...{ id: s.arbor, line: s.line, through: planted && alone.has(s.line) && inBoth(machine, s.arbor) },
        front: s.whole.to > s.own.to && s.whole.to >= parts.stack.height - 1e-9,
        back: s.whole.from < s.own.from && s.whole.from <= 1e-9,
      })),
    ],
  };
}

/** Wheels on one arbor of which one has no known room in the plan: bevels and pegs need a layer of their own there. */
function unknownPairs({ machine, extents }: LayoutParts): [string, string][] {
  return machine.wheels.flatMap((a, i) =>
    machine.wheels
      .slice(i + 1)
      .filter(b => a.member === b.member && !(extents[a.id] && extents[b.id]))
      .map((b): [string, string] => [a.id, b.id]),
  );
}

function wouldTouch(a: Solid, b: Solid, least: number): boolean {
  if (a.member === b.member) return a.kind === 'wheel' && b.kind === 'wheel';
  return gapBetween(a, b).gap < least;
}

/** A wheel or bar and an arbor of another line; a bar may touch the spindles that it carries. */
function mayStrike(machine: Pick<Machine, 'axes' | 'members'>, s: Solid, rod: Solid): boolean {
  if (s.member === rod.member || (s.line === rod.line && s.copy === rod.copy)) return false;
  if (s.kind !== 'arm') return true;
  const carried = new Set(carriedAxes(machine, s.id).map(a => a.id));
  return s.line !== rod.line && !arbors(machine).some(m => m.id === rod.id && carried.has(m.axis));
}

/** A standing rod by its line, an arbor by its id. */
const rodName = (s: Solid): string => (s.standing ? `rod of ${s.line ?? ''}` : s.id);

/**
 * Rods that stand from plate to plate: nothing that they would strike lies in any layer. Without plates they reach
 * no further than what turns on them.
 */
const standing = (solids: readonly Solid[], planted: boolean): LayerArbor[] =>
  solids.flatMap(s =>
    s.standing && planted
      ? [{ id: rodName(s), line: rodName(s), front: false, back: false, through: true }]
      : [],
  );

const inBoth = (machine: Pick<Machine, 'members'>, arbor: string): boolean =>
  (arbors(machine).find(m => m.id === arbor)?.support ?? 'both') === 'both';

/** Wheels joined by meshes and chains, at the heights they must have to each other. */
function wheelItems(machine: LayoutParts['machine']): LayerItem[] {
  const ties = new Map<string, { to: string; up: number }[]>();
  const layer = new Map(machine.wheels.map(w => [w.id, w.layer] as const));
  for (const j of machine.joints) {
    if (jointEnds(j).some(([what]) => what !== 'wheel')) continue;
    const flat = j.kind !== 'mesh' || MESHES[j.type].oneLayer;
    const [first, ...rest] = jointEnds(j).map(([, id]) => id);
    for (const other of rest) {
      if (first === undefined) continue;
      const up = flat ? 0 : (layer.get(other) ?? 0) - (layer.get(first) ?? 0);
      ties.set(first, [...(ties.get(first) ?? []), { to: other, up }]);
      ties.set(other, [...(ties.get(other) ?? []), { to: first, up: -up }]);
    }
  }
  const at = new Map<string, number>();
  const items: LayerItem[] = [];
  for (const start of machine.wheels) {
    if (at.has(start.id)) continue;
    at.set(start.id, 0);
    const group = [start.id];
    for (const id of group)
      for (const { to, up } of ties.get(id) ?? [])
        if (!at.has(to)) {
          at.set(to, (at.get(id) ?? 0) + up);
          group.push(to);
        }
    items.push(itemOf(machine, group, at));
  }
  return items;
}

function itemOf(
  machine: LayoutParts['machine'],
  group: readonly string[],
  at: ReadonlyMap<string, number>,
): LayerItem {
  const heights = group.map(id => at.get(id) ?? 0);
  const low = Math.min(...heights);
  const wheels = group.map((id, i) => ({ id, offset: (heights[i] ?? 0) - low }));
  const on = wheels.flatMap(({ id, offset }) => {
    const w = machine.wheels.find(x => x.id === id);
    return !w || axisOfWheel(machine, w) === undefined || w.role === 'ring'
      ? []
      : [{ arbor: w.member, offset }];
  });
  return { wheels, arm: undefined, on, height: Math.max(...heights) - low + 1 };
}

function armItems(machine: LayoutParts['machine']): LayerItem[] {
  return [...armLayers(machine).keys()].map(arm => {
    const axes = new Set(carriedAxes(machine, arm).map(a => a.id));
    const borne = arbors(machine).filter(m => axes.has(m.axis));
    const on = [arm, ...borne.map(m => m.id)].map(arbor => ({ arbor, offset: 0 }));
    return { wheels: [], arm, on, height: 1 };
  });
}
