import {
  arbors,
  axisOfWheel,
  byId,
  GROUND,
  jointEnds,
  type Machine,
  MESHES,
  ringWithin,
} from '../../document/machine/index.ts';
import { armLayers, carriedAxes } from './arms.ts';
import { USUAL_CLEARANCE } from './clearances.ts';
import { gapBetween } from './gap.ts';
import { linesOf } from './lines.ts';
import { outputPlates, pinPlates, swungDiscs, throughDiscs } from './reducer-layers.ts';
import { standsOut } from './proud-hubs.ts';
import { wallLayer } from './walls.ts';
import { type LayoutParts, type Solid, solidsOf } from './solids.ts';

/** What is laid in layers as one: wheels that mesh, which keep their heights to each other, or the bar of an arm. */
export interface LayerItem {
  /** Wheels with their height above the lowest of the item; of a bar none. */
  readonly wheels: readonly { readonly id: string; readonly offset: number }[];
  /** The walls of its rings, by these, in the same way. */
  readonly walls: readonly { readonly id: string; readonly offset: number }[];
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
  const placed = new Map<string, { item: number; offset: number }>();
  items.forEach((it, item) => {
    for (const w of it.wheels) placed.set(`wheel ${w.id}`, { item, offset: w.offset });
    for (const w of it.walls) placed.set(`wall ${w.id}`, { item, offset: w.offset });
    if (it.arm !== undefined) placed.set(`arm ${it.arm}`, { item, offset: 0 });
  });
  const least = machine.layout.clearance ?? USUAL_CLEARANCE;
  const solids = solidsOf(parts);
  const laid = solids.filter(s => s.kind === 'wheel' || s.kind === 'wall' || s.kind === 'arm');
  const apart: Touch[][] = items.map(() => []);
  const place = (s: Solid): { item: number; offset: number } | undefined => placed.get(`${s.kind} ${s.id}`);
  laid.forEach((a, i) => {
    for (const b of laid.slice(i + 1)) {
      const [p, q] = [place(a), place(b)];
      if (!p || !q || p.item === q.item || !wouldTouch(a, b, least)) continue;
      apart[p.item]?.push({ other: q.item, mine: p.offset, theirs: q.offset });
      apart[q.item]?.push({ other: p.item, mine: q.offset, theirs: p.offset });
    }
  });
  for (const [a, b] of unknownPairs(parts)) {
    const [p, q] = [placed.get(`wheel ${a}`), placed.get(`wheel ${b}`)];
    if (!p || !q || p.item === q.item) continue;
    apart[p.item]?.push({ other: q.item, mine: p.offset, theirs: q.offset });
    apart[q.item]?.push({ other: p.item, mine: q.offset, theirs: p.offset });
  }
  const rods = solids.filter(s => s.kind === 'arbor');
  const swung = throughDiscs(machine);
  const strikes = items.map((): { offset: number; arbor: string }[] => []);
  for (const s of laid)
    for (const rod of rods) {
      const p = place(s);
      if (swung.has(`${s.id} ${rod.id}`)) continue;
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
  if (a.member === b.member) return a.kind !== 'arm' && b.kind !== 'arm';
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
  const plates = new Set(pinPlates(machine).flatMap(p => p.rolling.map(r => r.mesh)));
  const tie = (a: string, b: string, up: number): void => {
    ties.set(a, [...(ties.get(a) ?? []), { to: b, up }]);
    ties.set(b, [...(ties.get(b) ?? []), { to: a, up: -up }]);
  };
  for (const j of machine.joints) {
    if (jointEnds(j).some(([what]) => what !== 'wheel')) continue;
    const flat = j.kind !== 'mesh' || (MESHES[j.type].oneLayer && !plates.has(j.id));
    const [first, ...rest] = jointEnds(j).map(([, id]) => id);
    for (const other of rest) {
      if (first === undefined) continue;
      tie(first, other, flat ? 0 : (layer.get(other) ?? 0) - (layer.get(first) ?? 0));
    }
  }
  for (const w of machine.wheels) {
    const ring = ringWithin(machine, w);
    if (ring) tie(ring.id, w.id, 0);
  }
  for (const { discs } of outputPlates(machine))
    for (const d of discs.slice(1)) tie(discs[0].id, d.id, d.layer - discs[0].layer);
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
  const of = group.flatMap(id => machine.wheels.find(x => x.id === id) ?? []);
  const walled = of.flatMap(w => {
    const layer = wallLayer(w);
    return layer === undefined ? [] : [{ wheel: w, height: (at.get(w.id) ?? 0) + layer - w.layer }];
  });
  // A hub that is higher than the air between layers takes the next one too.
  const hubs = of.flatMap(w => {
    const hub = w.body?.proud;
    const height = (at.get(w.id) ?? 0) + (hub?.side === 'back' ? -1 : 1);
    return hub && hub.height > machine.stack.gap && standsOut(w) ? [{ wheel: w, height }] : [];
  });
  const borne = outputPlates(machine)
    .filter(p => group.includes(p.discs[0].id))
    .map(p => ({
      ...{ id: p.joint.id, member: p.member },
      height: (at.get(p.discs[0].id) ?? 0) + p.layer - p.discs[0].layer,
    }));
  const pins = pinPlates(machine).flatMap(({ wheel, rolling }) =>
    rolling.flatMap(({ mesh, disc }) =>
      group.includes(disc.id) ? [{ id: mesh, member: wheel.member, height: at.get(disc.id) ?? 0 }] : [],
    ),
  );
  const swung = of.flatMap(w => {
    const arm = byId(machine.axes, axisOfWheel(machine, w))?.frame;
    const height = at.get(w.id) ?? 0;
    return arm !== undefined && swungDiscs(machine, arm).includes(w) ? [{ member: arm, height }] : [];
  });
  const heights = [...group.map(id => at.get(id) ?? 0), ...[...walled, ...borne, ...hubs].map(w => w.height)];
  const low = Math.min(...heights);
  const wheels = group.map((id, i) => ({ id, offset: (heights[i] ?? 0) - low }));
  const walls = [...[...walled, ...hubs].map(w => ({ ...w, id: w.wheel.id })), ...borne, ...pins].map(
    ({ id, height }) => ({
      ...{ id, offset: height - low },
    }),
  );
  const on = of.flatMap(w =>
    axisOfWheel(machine, w) === undefined || w.role === 'ring'
      ? []
      : [{ arbor: w.member, offset: (at.get(w.id) ?? 0) - low }],
  );
  const onWalls = [
    ...[...walled, ...hubs].map(w => ({ ...w, member: w.wheel.member })),
    ...borne,
    ...swung,
  ].map(({ member, height }) => ({ arbor: member, offset: height - low }));
  return { wheels, walls, arm: undefined, on: [...on, ...onWalls], height: Math.max(...heights) - low + 1 };
}

function armItems(machine: LayoutParts['machine']): LayerItem[] {
  return [...armLayers(machine).keys()].map(arm => {
    const axes = new Set(carriedAxes(machine, arm).map(a => a.id));
    const borne = arbors(machine).filter(m => axes.has(m.axis));
    const on = [arm, ...borne.map(m => m.id)].map(arbor => ({ arbor, offset: 0 }));
    return { wheels: [], walls: [], arm, on, height: 1 };
  });
}
