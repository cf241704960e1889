import type { Machine } from '../../document/machine/index.ts';
import { fail, ok, type Result, table } from '../../ground/result/index.ts';
import { type LayerArbor, type LayerItem, type LayerQuestion, layerQuestion } from './layer-items.ts';
import type { LayoutParts } from './solids.ts';

/** Layers for everything, and how good they are. */
export interface FoundLayers {
  readonly wheels: Readonly<Record<string, number>>;
  readonly arms: Readonly<Record<string, number>>;
  /** How many layers it takes, and how many it must take at the least. */
  readonly layers: number;
  readonly least: number;
}

/** Places tried in all, and for one number of layers, before it is given up. */
const MOST_TRIES = 10_000;
const TRIES_EACH = 2_500;
/** Beyond as many layers as there are items more are of no use; a few more let arbors pass. */
const SPARE = 2;

/**
 * Layers in which nothing strikes anything, as few as are found: wheels that mesh stay together, wheels that would
 * strike lie apart, no wheel lies where an arbor of another line passes it, and arbors of one line can turn in each
 * other. Searched by trying every layer for one item after the other, most constrained first, for ever more layers;
 * `least` is proven: what lies on one line or strikes each other pairwise needs a layer each, and a number that was
 * searched to the end has no solution. Which tube lies in which may change their sizes; look at the clearances of
 * what is found. Fails, naming what found no place, where no number of layers does.
 */
export function findLayers(parts: LayoutParts): Result<FoundLayers> {
  const question = layerQuestion(parts);
  const { items } = question;
  if (items.length === 0) return ok({ wheels: {}, arms: {}, layers: 0, least: 0 });
  const order = orderOf(question);
  let least = cliqueOf(question);
  const most = items.reduce((sum, i) => sum + i.height, 0) + SPARE;
  let stuck = order[0] ?? 0;
  let left = MOST_TRIES;
  for (let layers = least; layers <= most && left > 0; layers++) {
    const found = place(question, order, layers, Math.min(left, TRIES_EACH));
    left -= found.tries;
    if (found.at) return ok(asLayers(items, found.at, layers, least));
    stuck = found.stuck;
    // With a layer for each of those that do not go together, empty ones more change no order, and so nothing.
    if (found.complete && found.involved <= layers) break;
    if (found.complete && layers === least) least = layers + 1;
  }
  const name = nameOf(parts.machine, items[stuck]);
  return fail('layers-not-found', { name });
}

/** The least number of layers in which everything is placed, taken from nought up. */
function asLayers(
  items: readonly LayerItem[],
  at: readonly number[],
  layers: number,
  least: number,
): FoundLayers {
  const wheels: Record<string, number> = table();
  const arms: Record<string, number> = table();
  items.forEach((item, i) => {
    for (const w of item.wheels) wheels[w.id] = (at[i] ?? 0) + w.offset;
    if (item.arm !== undefined) arms[item.arm] = at[i] ?? 0;
  });
  return { wheels, arms, layers, least };
}

const nameOf = (machine: Pick<Machine, 'wheels' | 'members'>, item: LayerItem | undefined): string => {
  const first = item?.wheels[0]?.id;
  return (
    machine.wheels.find(w => w.id === first)?.name ??
    machine.members.find(m => m.id === item?.arm)?.name ??
    ''
  );
};

/**
 * Items that no two of which can share a layer: grown greedily from every item. Their number is a least number of
 * layers.
 */
function cliqueOf({ items, apart }: LayerQuestion): number {
  const near = apart.map(t => new Set(t.flatMap(x => (x.mine === 0 && x.theirs === 0 ? [x.other] : []))));
  const flat = (i: number): boolean => items[i]?.height === 1;
  let best = Math.max(1, ...items.map(i => i.height));
  const byDegree = items.map((_, i) => i).sort((a, b) => (near[b]?.size ?? 0) - (near[a]?.size ?? 0));
  for (const start of byDegree) {
    if (!flat(start)) continue;
    const clique = [start];
    for (const next of byDegree)
      if (next !== start && flat(next) && clique.every(c => near[c]?.has(next))) clique.push(next);
    best = Math.max(best, clique.length);
  }
  return best;
}

/** Items that share most with others first, each followed by what shares an arbor with those before. */
function orderOf({ items, apart, strikes }: LayerQuestion): number[] {
  const weight = items.map((_, i) => (apart[i]?.length ?? 0) + (strikes[i]?.length ?? 0));
  const left = new Set(items.keys());
  const taken = new Set<string>();
  const order: number[] = [];
  while (left.size > 0) {
    let best = -1;
    let most = -1;
    for (const i of left) {
      const tied = items[i]?.on.filter(o => taken.has(o.arbor)).length ?? 0;
      const value = (weight[i] ?? 0) + 3 * tied;
      if (value > most) [best, most] = [i, value];
    }
    left.delete(best);
    order.push(best);
    for (const o of items[best]?.on ?? []) taken.add(o.arbor);
  }
  return order;
}

interface Placing {
  /** The lowest layer of every item, when all found one. */
  readonly at: readonly number[] | undefined;
  /** Whether everything was tried, in how many tries. */
  readonly complete: boolean;
  readonly tries: number;
  /** Layers that those up to where it got stuck fill at the most. */
  readonly involved: number;
  /** The item at which it went least far. */
  readonly stuck: number;
}

/** Tries to place all items in so many layers, going back where one finds no place. */
function place(question: LayerQuestion, order: readonly number[], layers: number, most: number): Placing {
  const { items } = question;
  const at: (number | undefined)[] = items.map(() => undefined);
  const reach = new Reaches(question, layers);
  let tries = 0;
  let deepest = 0;
  const step = (depth: number): boolean => {
    if (depth === order.length) return true;
    deepest = Math.max(deepest, depth);
    const i = order[depth] as number;
    const item = items[i] as LayerItem;
    for (const layer of layersFor(reach, i, item.height, layers)) {
      if (++tries > most) return false;
      at[i] = layer;
      reach.put(i, layer);
      if (fits(question, at, reach, i, layer) && step(depth + 1)) return true;
      reach.take(i, layer);
      at[i] = undefined;
      if (tries > most) return false;
    }
    return false;
  };
  const found = step(0);
  return {
    at: found ? at.map(l => l ?? 0) : undefined,
    complete: tries <= most,
    tries,
    involved: order.slice(0, deepest + 1).reduce((sum, i) => sum + (items[i]?.height ?? 0), 0),
    stuck: order[deepest] ?? 0,
  };
}

/** Layers in the order in which they lengthen the arbors of an item least. */
function layersFor(reach: Reaches, item: number, height: number, layers: number): number[] {
  const costs = Array.from({ length: layers - height + 1 }, (_, layer) => {
    let cost = 0;
    for (const [arbor, offset] of reach.on[item] ?? []) cost += reach.lengthening(arbor, layer + offset);
    return { layer, cost };
  });
  return costs.sort((a, b) => a.cost - b.cost).map(c => c.layer);
}

/** Where the arbors reach with what is placed so far; arbors and items by number, for speed. */
class Reaches {
  readonly arbors: readonly LayerArbor[];
  /** What stands on each arbor by item: pairs of arbor and height above the item's lowest. */
  readonly on: readonly (readonly (readonly [arbor: number, offset: number])[])[];
  /** What each item would strike: pairs of arbor and height. */
  readonly strikes: readonly (readonly (readonly [arbor: number, offset: number])[])[];
  /** What each arbor would strike: pairs of item and height. */
  readonly struckBy: readonly (readonly (readonly [item: number, offset: number])[])[];
  /** Other arbors of the same line. */
  readonly beside: readonly (readonly number[])[];
  private readonly heights: number[][];
  private readonly low: number[];
  private readonly high: number[];
  private readonly layers: number;

  constructor({ arbors, items, strikes }: LayerQuestion, layers: number) {
    const index = new Map(arbors.map((a, i) => [a.id, i] as const));
    const pair = (o: { readonly arbor: string; readonly offset: number }): (readonly [number, number])[] => {
      const i = index.get(o.arbor);
      return i === undefined ? [] : [[i, o.offset]];
    };
    this.layers = layers;
    this.arbors = arbors;
    this.on = items.map(item => item.on.flatMap(pair));
    this.strikes = strikes.map(list => list.flatMap(pair));
    const struckBy: (readonly [number, number])[][] = arbors.map(() => []);
    this.strikes.forEach((list, item) => {
      for (const [arbor, offset] of list) struckBy[arbor]?.push([item, offset]);
    });
    this.struckBy = struckBy;
    this.beside = arbors.map((a, i) => arbors.flatMap((b, k) => (k !== i && b.line === a.line ? [k] : [])));
    this.heights = arbors.map(() => []);
    this.low = arbors.map(() => NaN);
    this.high = arbors.map(() => NaN);
    arbors.forEach((_, i) => this.measure(i));
  }

  put(item: number, layer: number): void {
    for (const [arbor, offset] of this.on[item] ?? []) {
      this.heights[arbor]?.push(layer + offset);
      this.measure(arbor);
    }
  }

  take(item: number, layer: number): void {
    for (const [arbor, offset] of this.on[item] ?? []) {
      const list = this.heights[arbor] ?? [];
      list.splice(list.lastIndexOf(layer + offset), 1);
      this.measure(arbor);
    }
  }

  /** From which layer to which it passes; NaN while nothing of it is placed. */
  private measure(arbor: number): void {
    const a = this.arbors[arbor];
    const list = this.heights[arbor] ?? [];
    const empty = list.length === 0 && !a?.through;
    const all = a?.through === true;
    this.low[arbor] = empty ? NaN : all || a?.back ? -1 : Math.min(...list);
    this.high[arbor] = empty ? NaN : all || a?.front ? this.layers : Math.max(...list);
  }

  /** Whether it passes that layer. */
  passes(arbor: number, layer: number): boolean {
    return layer >= (this.low[arbor] ?? NaN) && layer <= (this.high[arbor] ?? NaN);
  }

  lengthening(arbor: number, height: number): number {
    const a = this.arbors[arbor];
    const [low, high] = [this.low[arbor] ?? NaN, this.high[arbor] ?? NaN];
    if (Number.isNaN(low)) return a?.front ? (this.layers - height) / 4 : a?.back ? height / 4 : 0;
    return Math.max(0, low - height, height - high);
  }

  /** Whether an arbor can turn beside, within or about every other of its line. */
  nests(arbor: number): boolean {
    if (this.arbors[arbor]?.through) return true;
    const holds = (outer: number, inner: number): boolean =>
      (this.heights[inner] ?? []).some(h => this.passes(outer, h));
    return (this.beside[arbor] ?? []).every(other => {
      const apart = !(
        (this.low[other] ?? NaN) <= (this.high[arbor] ?? NaN) &&
        (this.low[arbor] ?? NaN) <= (this.high[other] ?? NaN)
      );
      return apart || !holds(arbor, other) || !holds(other, arbor);
    });
  }
}

/** Whether what was placed last goes with all that was placed before. */
function fits(
  question: LayerQuestion,
  at: readonly (number | undefined)[],
  reach: Reaches,
  i: number,
  layer: number,
): boolean {
  for (const t of question.apart[i] ?? []) {
    const other = at[t.other];
    if (other !== undefined && other + t.theirs === layer + t.mine) return false;
  }
  for (const [arbor, offset] of reach.strikes[i] ?? []) if (reach.passes(arbor, layer + offset)) return false;
  for (const [arbor] of reach.on[i] ?? []) {
    for (const [item, offset] of reach.struckBy[arbor] ?? []) {
      const other = at[item];
      if (other !== undefined && reach.passes(arbor, other + offset)) return false;
    }
    if (!reach.nests(arbor)) return false;
  }
  return true;
}

/** The machine with the layers that were found, from the lowest of all up. */
export function withLayers<T extends Pick<Machine, 'wheels' | 'members'>>(machine: T, found: FoundLayers): T {
  return {
    ...machine,
    wheels: machine.wheels.map(w => {
      const layer = found.wheels[w.id];
      return layer === undefined || layer === w.layer ? w : { ...w, layer };
    }),
    members: machine.members.map(m => {
      const layer = m.kind === 'arbor' ? found.arms[m.id] : undefined;
      return m.kind === 'arbor' && layer !== undefined ? { ...m, arm: { ...m.arm, layer } } : m;
    }),
  };
}
