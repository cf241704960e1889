import type { Machine } from '../machine/index.ts';
import { fail, ok, type Result } from '../result/index.ts';
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

/** Places tried before a number of layers is given up. */
const MOST_TRIES = 30_000;
/** Beyond as many layers as there are items more are of no use; a few more let arbors pass. */
const SPARE = 2;

/**
 * Layers in which nothing strikes anything, as few as are found: wheels that mesh stay together, wheels that would strike lie
 * apart, no wheel lies where an arbor of another line passes it, and arbors of one line can turn in each other. Searched
 * by trying every layer for one item after the other, most constrained first, for ever more layers; `least` is proven: what
 * lies on one line or strikes each other pairwise needs a layer each, and a number that was searched to the end has no
 * solution. Which tube lies in which may change their sizes; look at the clearances of what is found. Fails, naming what
 * found no place, where no number of layers does.
 */
export function findLayers(parts: LayoutParts): Result<FoundLayers> {
  const question = layerQuestion(parts);
  const { items } = question;
  if (items.length === 0) return ok({ wheels: {}, arms: {}, layers: 0, least: 0 });
  const order = orderOf(question);
  let least = cliqueOf(question);
  const most = items.reduce((sum, i) => sum + i.height, 0) + SPARE;
  let stuck = order[0] ?? 0;
  for (let layers = least; layers <= most; layers++) {
    const found = place(question, order, layers);
    if (found.at) return ok(asLayers(items, found.at, layers, least));
    stuck = found.stuck;
    if (found.complete && layers === least) least = layers + 1;
  }
  const name = nameOf(parts.machine, items[stuck]);
  return fail('layers-not-found', { name, layers: most });
}

/** The least number of layers in which everything is placed, taken from nought up. */
function asLayers(
  items: readonly LayerItem[],
  at: readonly number[],
  layers: number,
  least: number,
): FoundLayers {
  const wheels: Record<string, number> = {};
  const arms: Record<string, number> = {};
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

/** Items that no two of which can share a layer: grown greedily from every item. Their number is a least number of layers. */
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
  /** Whether everything was tried. */
  readonly complete: boolean;
  /** The item at which it went least far. */
  readonly stuck: number;
}

/** Tries to place all items in so many layers, going back where one finds no place. */
function place(question: LayerQuestion, order: readonly number[], layers: number): Placing {
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
    for (const layer of layersFor(reach, item, layers)) {
      if (++tries > MOST_TRIES) return false;
      at[i] = layer;
      reach.put(i, layer);
      if (fits(question, at, reach, i, layer) && step(depth + 1)) return true;
      reach.take(i, layer);
      at[i] = undefined;
      if (tries > MOST_TRIES) return false;
    }
    return false;
  };
  const found = step(0);
  return {
    at: found ? at.map(l => l ?? 0) : undefined,
    complete: tries <= MOST_TRIES,
    stuck: order[deepest] ?? 0,
  };
}

/** Layers in the order in which they lengthen the arbors of an item least. */
function layersFor(reach: Reaches, item: LayerItem, layers: number): number[] {
  const all = Array.from({ length: layers - item.height + 1 }, (_, l) => l);
  const cost = (l: number): number =>
    item.on.reduce((sum, o) => sum + reach.lengthening(o.arbor, l + o.offset), 0);
  const costs = all.map(cost);
  return all.sort((a, b) => (costs[a] ?? 0) - (costs[b] ?? 0));
}

/** Where the arbors reach with what is placed so far. */
class Reaches {
  private readonly layers: number;
  private readonly heights = new Map<string, number[]>();
  private readonly items: readonly LayerItem[];
  readonly byLine = new Map<string, LayerArbor[]>();
  readonly arbor: ReadonlyMap<string, LayerArbor>;

  constructor(question: LayerQuestion, layers: number) {
    this.layers = layers;
    this.items = question.items;
    this.arbor = new Map(question.arbors.map(a => [a.id, a]));
    for (const a of question.arbors) {
      this.heights.set(a.id, []);
      this.byLine.set(a.line, [...(this.byLine.get(a.line) ?? []), a]);
    }
  }

  put(item: number, layer: number): void {
    for (const o of this.items[item]?.on ?? []) this.heights.get(o.arbor)?.push(layer + o.offset);
  }

  take(item: number, layer: number): void {
    for (const o of this.items[item]?.on ?? []) {
      const list = this.heights.get(o.arbor);
      const found = list?.lastIndexOf(layer + o.offset) ?? -1;
      if (found >= 0) list?.splice(found, 1);
    }
  }

  /** The heights at which something of it lies. */
  on(arbor: string): readonly number[] {
    return this.heights.get(arbor) ?? [];
  }

  /** From which layer to which it passes; nothing while nothing of it is placed. */
  of(arbor: string): readonly [number, number] | undefined {
    const a = this.arbor.get(arbor);
    const on = this.on(arbor);
    if (a?.through) return [-1, this.layers];
    if (on.length === 0) return undefined;
    let [low, high] = [Infinity, -Infinity];
    for (const h of on) {
      if (h < low) low = h;
      if (h > high) high = h;
    }
    return [a?.back ? -1 : low, a?.front ? this.layers : high];
  }

  lengthening(arbor: string, height: number): number {
    const span = this.of(arbor);
    const a = this.arbor.get(arbor);
    if (!span) return a?.front ? (this.layers - height) / 4 : a?.back ? height / 4 : 0;
    return Math.max(0, span[0] - height, height - span[1]);
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
  for (const s of question.strikes[i] ?? []) {
    const span = reach.of(s.arbor);
    if (span && layer + s.offset >= span[0] && layer + s.offset <= span[1]) return false;
  }
  const grown = question.items[i]?.on.map(o => o.arbor) ?? [];
  return grown.every(arbor => passes(question, at, reach, arbor) && nests(reach, arbor));
}

/** Whether an arbor passes no placed item that it would strike. */
function passes(
  question: LayerQuestion,
  at: readonly (number | undefined)[],
  reach: Reaches,
  arbor: string,
): boolean {
  const span = reach.of(arbor);
  if (!span) return true;
  return question.strikes.every((list, k) => {
    const layer = at[k];
    return (
      layer === undefined ||
      list.every(s => s.arbor !== arbor || layer + s.offset < span[0] || layer + s.offset > span[1])
    );
  });
}

/** Whether an arbor can turn beside, within or about every other of its line. */
function nests(reach: Reaches, id: string): boolean {
  const own = reach.arbor.get(id);
  const span = own && !own.through ? reach.of(id) : undefined;
  if (!own || !span) return true;
  const holds = (s: readonly [number, number], on: readonly number[]): boolean =>
    on.some(h => h >= s[0] && h <= s[1]);
  return (reach.byLine.get(own.line) ?? []).every(other => {
    if (other.id === id) return true;
    const theirs = reach.of(other.id);
    if (!theirs || theirs[0] > span[1] || span[0] > theirs[1]) return true;
    return !holds(span, reach.on(other.id)) || !holds(theirs, reach.on(id));
  });
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
