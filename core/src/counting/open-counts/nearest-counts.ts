import type { OpenBlank } from './blank-system.ts';

/**
 * The counts of one blank next to where the rate is the wanted one. The rate is (p + q·x)/(r + s·x) in the count of
 * a wheel of one mesh, so a cross ratio of three rates gives x: (T − ρ₁)(ρ₂ − ρ₃)/((T − ρ₃)(ρ₂ − ρ₁)) is the same
 * of the counts.
 */
export function nearestCounts(
  rate: (counts: readonly number[]) => number,
  counts: number[],
  blank: number,
  blanks: readonly OpenBlank[],
  target: number,
  either: boolean,
): Set<number> {
  const { least, most, counts: open } = blanks[blank] ?? { least: 1, most: 1, counts: [1] };
  const near = new Set<number>([open[0] ?? least, open.at(-1) ?? most]);
  const at = (x: number): number => {
    counts[blank] = x;
    return rate(counts);
  };
  const [x1, x2, x3] = [least, (least + most) / 2 + 0.25, most + 1];
  const [r1, r2, r3] = [at(x1), at(x2), at(x3)];
  for (const t of either ? [target, -target] : [target]) {
    const k = ((t - r1) * (r2 - r3)) / ((t - r3) * (r2 - r1));
    const c = (x2 - x3) / (x2 - x1);
    const x = (c * x1 - k * x3) / (c - k);
    if (!Number.isFinite(x)) continue;
    const above = open.findIndex(n => n >= x);
    for (const n of [open[above - 1] ?? open.at(-1), open[above]]) if (n !== undefined) near.add(n);
  }
  return near;
}
