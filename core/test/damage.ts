import type { Machine } from '../src/document/machine/index.ts';
import { places, type Way } from './leaves.ts';

/** Ids that mean something to the language, and others that are merely odd. */
const NASTY = ['constructor', 'valueOf', '__proto__', 'toString', 'hasOwnProperty', 'ground', 'a-b', '0'];
const FIGURES = [0, -1, 1, 2, 3, 1e-9, 1e-3, 0.5, 7, 97, 999, 5000, 99999, 1e6, -1e6, 1e5, 359.999, -0.1];

type Chance = () => number;
const oneOf = <T>(chance: Chance, list: readonly T[]): T => list[Math.floor(chance() * list.length)] as T;

/** A document damaged in its structure a few times over; many are refused, some are merely strange. */
export function damaged(machine: Machine, chance: Chance): unknown {
  let doc = structuredClone(machine) as unknown;
  for (let n = 1 + Math.floor(chance() * 4); n > 0; n--) doc = damagedOnce(doc, chance);
  return doc;
}

function damagedOnce(doc: unknown, chance: Chance): unknown {
  const all = [...places(doc)];
  const leaves = all.filter(([, v]) => typeof v !== 'object' || v === null);
  const lists = all.filter(([, v]) => Array.isArray(v) && v.length > 0);
  const [way, value] = oneOf(chance, leaves);
  const kind = Math.floor(chance() * 8);
  if (kind === 0) return renamed(doc, oneOf(chance, idsOf(all)), oneOf(chance, NASTY));
  if (kind === 1) {
    const [list] = oneOf(chance, lists);
    const items = at(doc, list) as unknown[];
    items.splice(Math.floor(chance() * items.length), 1);
    return doc;
  }
  if (kind === 2) {
    const [list] = oneOf(chance, lists);
    const items = at(doc, list) as unknown[];
    items.push(structuredClone(oneOf(chance, items)));
    return doc;
  }
  if (kind === 3 && typeof value === 'string') return put(doc, way, oneOf(chance, idsOf(all)));
  if (kind === 4) return put(doc, way, at(doc, oneOf(chance, leaves)[0]));
  if (typeof value === 'number') return put(doc, way, oneOf(chance, FIGURES));
  if (typeof value === 'string' && kind > 5) return put(doc, way, oneOf(chance, NASTY));
  const like = leaves.filter(([w, v]) => typeof v === typeof value && w.at(-1) === way.at(-1));
  return put(doc, way, at(doc, oneOf(chance, like)[0]));
}

const idsOf = (all: readonly (readonly [Way, unknown])[]): string[] =>
  all.flatMap(([w, v]) => (w.at(-1) === 'id' && typeof v === 'string' ? [v] : []));

const at = (doc: unknown, way: Way): unknown =>
  way.reduce<unknown>((v, k) => (v as Record<string, unknown>)[k], doc);

function put(doc: unknown, way: Way, value: unknown): unknown {
  const holder = at(doc, way.slice(0, -1)) as Record<string, unknown>;
  const key = way.at(-1) ?? '';
  if (value === undefined) Reflect.deleteProperty(holder, key);
  else holder[key] = value;
  return doc;
}

/** The document with an id under another name wherever it stands. */
const renamed = (doc: unknown, from: string, to: string): unknown =>
  JSON.parse(JSON.stringify(doc, (_, v: unknown) => (v === from ? to : v)));
