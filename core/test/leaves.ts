import { seeded } from '../src/ground/rational/index.ts';
import { type Machine, machineFrom } from '../src/document/machine/index.ts';

/** A way into a document. */
export type Way = readonly (string | number)[];

/** A way with its places in lists left out: all wheels' shifts are one. */
export const alike = (way: Way): string => way.map(k => (typeof k === 'number' ? '*' : k)).join('.');

/** Every place in a document below its root, with what stands there. */
export function* places(value: unknown, way: Way = []): Generator<readonly [Way, unknown]> {
  if (way.length > 0) yield [way, value];
  if (Array.isArray(value)) for (const [i, v] of value.entries()) yield* places(v, [...way, i]);
  else if (typeof value === 'object' && value !== null)
    for (const [k, v] of Object.entries(value)) yield* places(v, [...way, k]);
}

/** The document with another value at a place, or without it; all beside the way is shared. */
export function changed(value: unknown, way: Way, to: unknown): unknown {
  const [key, ...rest] = way;
  if (key === undefined) return to;
  if (Array.isArray(value)) {
    const list = [...(value as unknown[])];
    if (rest.length === 0 && to === undefined) list.splice(Number(key), 1);
    else list[Number(key)] = changed(list[Number(key)], rest, to);
    return list;
  }
  const { [key]: was, ...others } = value as Record<string, unknown>;
  const next = rest.length === 0 ? to : changed(was, rest, to);
  return next === undefined ? others : { ...others, [key]: next };
}

/** What stands at like places of other documents, and figures near a figure: what a place could hold instead. */
export function donorsOf(machines: readonly Machine[]): (way: Way, now: unknown) => unknown[] {
  const known = new Map<string, Map<string, unknown>>();
  for (const m of machines)
    for (const [way, value] of places(m)) {
      const at = alike(way);
      if (!known.has(at)) known.set(at, new Map());
      known.get(at)?.set(JSON.stringify(value), value);
    }
  return (way, now) => {
    const others = [...(known.get(alike(way)) ?? [])].flatMap(([text, v]) =>
      text === JSON.stringify(now) ? [] : [v],
    );
    const near =
      typeof now === 'number' ? [now + 1, now * 1.25, now - 1] : typeof now === 'boolean' ? [!now] : [];
    return [...near, ...others, undefined];
  };
}

/** Changes of one place each that leave a sound document; of places that are alike, one is taken. */
export function* soundChanges(
  machine: Machine,
  donors: ReturnType<typeof donorsOf>,
  each: number,
  seed: number,
): Generator<readonly [where: string, Machine]> {
  const chance = seeded(seed);
  const groups = new Map<string, Way[]>();
  for (const [way] of places(machine)) {
    const group = groups.get(alike(way)) ?? [];
    groups.set(alike(way), group);
    group.push(way);
  }
  for (const [where, ways] of groups) {
    const way = ways[Math.floor(chance() * ways.length)] as Way;
    const now = way.reduce<unknown>((v, k) => (v as Record<string, unknown>)[k], machine);
    const offered = donors(way, now);
    let taken = 0;
    for (let tries = 0; tries < 4 * each && taken < each && offered.length > 0; tries++) {
      const [to] = offered.splice(Math.floor(chance() * offered.length), 1);
      const next = changed(machine, way, to) as Machine;
      if (!machineFrom(next).ok) continue;
      taken++;
      yield [`${where} = ${JSON.stringify(to)?.slice(0, 60)}`, next];
    }
  }
}
