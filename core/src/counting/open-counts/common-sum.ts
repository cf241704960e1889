import { type Machine, meshes } from '../../document/machine/index.ts';
import { compare, isZero, neg, type Rational, ZERO } from '../../ground/rational/index.ts';
import type { OpenBlank } from './blank-system.ts';
import type { Finder } from './finder.ts';
import type { Product } from './product-search.ts';
import type { SumRule } from './sum-rules.ts';

/** An output whose rate is a product of meshes of its own, all open on both sides. */
export interface OwnMeshes {
  readonly product: Product;
  readonly target: number;
}

/** A mesh by its two blanks: the one that drives and the one that is driven. */
type Pair = readonly [driving: number, driven: number];

const MOST_PAIRS = 2;
/** The nearest choices of every output at a sum that are combined with the nearest of the others. */
const NEAREST = 3;

/**
 * Outputs over one centre distance, each by one or two meshes of its own: at a tooth sum that all meshes share they
 * have nothing to do with one another, so each takes the counts nearest to its rate, and every sum is tried. What comes
 * first is the best there is, by the worst error and then by all. False where the machine is not so made.
 */
export function* searchCommonSum(
  found: Finder,
  machine: Machine,
  blanks: readonly OpenBlank[],
  outputs: readonly OwnMeshes[],
  rules: readonly SumRule[],
): Generator<{ readonly done: number }, boolean> {
  const own = outputs.map(o => pairsOf(machine, blanks, o.product));
  if (own.some(p => !p || p.length > MOST_PAIRS)) return false;
  const all = own.flatMap(p => p ?? []);
  if (!oneSum(rules, all)) return false;
  const range = (i: number): OpenBlank => blanks[i] as OpenBlank;
  const least = Math.max(...all.map(([a, b]) => range(a).least + range(b).least));
  const most = Math.min(...all.map(([a, b]) => range(a).most + range(b).most));
  const open = blanks.map(b => new Set(b.counts));
  let weighed = 0;
  for (let sum = least; sum <= most; sum++) {
    yield { done: (sum - least) / (most - least + 1) };
    const near = outputs.map((o, k) => nearest(blanks, open, own[k] ?? [], o, sum));
    weighed += near.reduce((n, list) => n + list.tried, 0);
    if (near.some(list => list.best.length === 0)) continue;
    for (const [k, list] of near.entries()) {
      for (const [n, other] of list.best.entries()) {
        if (n === 0 && k > 0) continue;
        const chosen = near.map((l, at) => (at === k ? other : l.best[0])) as Choice[];
        const counts = blanks.map(b => b.least);
        for (const c of chosen) for (const [i, count] of c.counts) counts[i] = count;
        const errors = chosen.map(c => c.error);
        found.offer(
          counts,
          Math.max(...errors),
          errors.reduce((a, b) => a + b, 0),
        );
      }
    }
  }
  found.weighed = weighed;
  return true;
}

interface Choice {
  readonly error: number;
  readonly counts: readonly (readonly [blank: number, count: number])[];
}

/** The choices of one output nearest to its rate at a tooth sum. */
function nearest(
  blanks: readonly OpenBlank[],
  open: readonly ReadonlySet<number>[],
  pairs: readonly Pair[],
  { product, target }: OwnMeshes,
  sum: number,
): { readonly best: readonly Choice[]; readonly tried: number } {
  const best: Choice[] = [];
  let tried = 0;
  const go = (at: number, ratio: number, counts: Choice['counts']): void => {
    const pair = pairs[at];
    if (!pair) {
      tried += 1;
      const error = Math.abs((Math.abs(product.constant) * ratio) / Math.abs(target) - 1);
      const last = best.at(-1);
      if (best.length === NEAREST && last && error >= last.error) return;
      best.push({ error, counts });
      best.sort((x, y) => x.error - y.error);
      if (best.length > NEAREST) best.pop();
      return;
    }
    const a = blanks[pair[0]] as OpenBlank;
    const others = open[pair[1]];
    for (const n of a.counts)
      if (others?.has(sum - n))
        go(at + 1, (ratio * n) / (sum - n), [...counts, [pair[0], n], [pair[1], sum - n]]);
  };
  go(0, 1, []);
  return { best, tried };
}

/** The meshes of a product, each of one driving and one driven blank of it; undefined where one is not so. */
function pairsOf(machine: Machine, blanks: readonly OpenBlank[], product: Product): Pair[] | undefined {
  const index = new Map(blanks.map((b, i) => [b.wheel, i] as const));
  const found: Pair[] = [];
  for (const driving of product.driving) {
    const wheel = blanks[driving]?.wheel;
    const mesh = meshes(machine).find(j => j.type === 'external' && (j.a === wheel || j.b === wheel));
    const driven = mesh && index.get(mesh.a === wheel ? mesh.b : mesh.a);
    if (driven === undefined || !product.driven.includes(driven)) return undefined;
    found.push([driving, driven]);
  }
  return found.length === product.driven.length ? found : undefined;
}

/** Whether the rules say that all these meshes have one tooth sum, and nothing else. */
function oneSum(rules: readonly SumRule[], pairs: readonly Pair[]): boolean {
  const groups = pairs.map((_, k) => k);
  const root = (k: number): number => (groups[k] === k ? k : root(groups[k] as number));
  for (const { terms, total } of rules) {
    if (!isZero(total)) return false;
    const coefficient = (i: number): Rational => terms.get(i) ?? ZERO;
    const inRule = pairs.flatMap(([a, b], k) => (isZero(coefficient(a)) ? [] : [{ k, a, b }]));
    const [one, two] = inRule;
    if (!one || !two || inRule.length !== 2 || terms.size !== 4) return false;
    const alike = (x: { a: number; b: number }): boolean => compare(coefficient(x.a), coefficient(x.b)) === 0;
    if (!alike(one) || !alike(two)) return false;
    if (compare(coefficient(one.a), neg(coefficient(two.a))) !== 0) return false;
    groups[root(two.k)] = root(one.k);
  }
  return pairs.every((_, k) => root(k) === root(0));
}
