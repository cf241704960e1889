const copies = new WeakMap<readonly unknown[], unknown[]>();

/** The choices of a fixed list as a select takes them: always the very same, so that nothing is drawn for nothing. */
export function kept<T>(items: readonly T[]): T[] {
  const known = copies.get(items) as T[] | undefined;
  if (known) return known;
  const copy = [...items];
  copies.set(items, copy);
  return copy;
}
