/**
 * A table by id, which knows nothing but what was put into it: an id such as `constructor`, `valueOf` or `__proto__` is
 * like any other.
 */
export function table<T>(entries: Iterable<readonly [string, T]> = []): Record<string, T> {
  const made = Object.create(null) as Record<string, T>;
  for (const [id, value] of entries) made[id] = value;
  return made;
}
