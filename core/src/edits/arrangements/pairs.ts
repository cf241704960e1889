import { byId, GROUND, type Machine } from '../../document/machine/index.ts';
import { builderOn, type Builder } from '../planting/index.ts';
import { fail, ok, type Result } from '../../ground/result/index.ts';

/** Counts of one mesh: the driving wheel's and the driven one's. */
export type CountPair = readonly [driving: number, driven: number];

const LEAST = 4;
const MOST = 1000;

/** Reads pairs of counts such as `20:60, 15:45`. A problem names the part that cannot be read. */
export function parsePairs(text: string): Result<CountPair[]> {
  const parts = text
    .split(/[,;]+/)
    .map(p => p.trim())
    .filter(p => p !== '');
  if (parts.length === 0) return fail('pairs-empty');
  const pairs: CountPair[] = [];
  for (const part of parts) {
    const read = /^(\d{1,4})\s*[:/]\s*(\d{1,4})$/.exec(part);
    if (!read) return fail('pairs-unreadable', { part });
    const [a, b] = [Number(read[1]), Number(read[2])];
    const wrong = [a, b].find(n => n < LEAST || n > MOST);
    if (wrong !== undefined) return fail('pairs-count', { count: wrong, least: LEAST, most: MOST });
    pairs.push([a, b]);
  }
  return ok(pairs);
}

/** Reads one count. */
export function parseCount(text: string): Result<number> {
  const n = Number(text.trim());
  if (!/^\s*\d+\s*$/.test(text)) return fail('pairs-unreadable', { part: text });
  return n < LEAST || n > MOST ? fail('pairs-count', { count: n, least: LEAST, most: MOST }) : ok(n);
}

/** Refuses pairs whose sums differ: meshes between the same two axes at one module need equal sums. */
export function equalSums(pairs: readonly CountPair[]): Result<void> {
  const [first] = pairs;
  const sum = first ? first[0] + first[1] : 0;
  const other = pairs.find(([a, b]) => a + b !== sum);
  if (!first || !other) return ok(undefined);
  const data = {
    a: `${first[0]}:${first[1]}`,
    b: `${other[0]}:${other[1]}`,
    sum,
    other: other[0] + other[1],
  };
  return fail('pairs-sums', data);
}

/** What an arrangement is built from: the arbor it hangs on, its axis and frame, and teeth to use. */
export interface Base {
  readonly b: Builder;
  readonly on: string;
  readonly axis: string;
  /** What carries the axis: the ground or an arm. */
  readonly frame: string;
  readonly toothing: string;
}

/** Starts an arrangement on an arbor of the machine; on its drive where none is named. */
export function baseOf(machine: Machine, on = machine.drive?.member): Result<Base> {
  const arbor = byId(machine.members, on);
  const toothing = machine.wheels.find(w => w.member === arbor?.id)?.toothing ?? machine.toothings[0]?.id;
  if (arbor?.kind !== 'arbor') return fail('ready-no-drive');
  if (toothing === undefined) return fail('hand-no-toothing');
  const frame = byId(machine.axes, arbor.axis)?.frame ?? GROUND;
  return ok({ b: builderOn(machine), on: arbor.id, axis: arbor.axis, frame, toothing });
}

/** Direction of a new axis from the drive's: the first quarter turn that no axis is placed at. */
export function freeDirection(machine: Machine): number {
  const taken = new Set(
    machine.axes.map(a => (a.place.kind === 'mesh' ? ((a.place.angleDeg % 360) + 360) % 360 : undefined)),
  );
  return [0, 90, 180, 270, 45, 135, 225, 315].find(d => !taken.has(d)) ?? 20;
}
