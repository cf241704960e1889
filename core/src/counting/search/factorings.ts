/**
 * Every way to make a product with one count from each set, in the order of the sets, by trying divisors. Where
 * neighbouring sets are one and the same, their counts are listed ascending only, so that each choice comes once.
 */
export function factorings(product: number, sets: readonly (readonly number[])[]): number[][] {
  const found: number[][] = [];
  const chosen: number[] = [];
  const most = sets.map((_, i) => sets.slice(i + 1).reduce((n, s) => n * (s.at(-1) ?? 0), 1));
  const go = (rest: number, at: number): void => {
    const set = sets[at];
    if (!set) {
      if (rest === 1) found.push([...chosen]);
      return;
    }
    const from = at > 0 && set === sets[at - 1] ? (chosen[at - 1] as number) : 0;
    for (const n of set) {
      if (n > rest) break;
      if (n < from || rest % n !== 0 || rest / n > (most[at] as number)) continue;
      chosen.push(n);
      go(rest / n, at + 1);
      chosen.pop();
    }
  };
  go(product, 0);
  return found;
}
