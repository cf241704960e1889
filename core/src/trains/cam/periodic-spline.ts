/** A value and its first two derivatives. */
export type Jet = readonly [value: number, rate: number, second: number];

/**
 * A cubic spline with continuous curvature through points of one period, which goes on round it. The points are in
 * order of x, no two at one place, and two or more. Source: the conditions at the inner points, joined in a ring
 * (Press and others, Numerical Recipes, cubic splines and cyclic tridiagonal systems; from memory).
 */
export function periodicSpline(
  points: readonly (readonly [x: number, y: number])[],
  period: number,
): (x: number) => Jet {
  const n = points.length;
  const at = (i: number): readonly [number, number] => points[((i % n) + n) % n] ?? [0, 0];
  const step = (i: number): number => {
    const width = at(i + 1)[0] - at(i)[0];
    return width > 0 ? width : width + period;
  };
  const slope = (i: number): number => (at(i + 1)[1] - at(i)[1]) / step(i);
  const seconds = cyclic(
    Array.from({ length: n }, (_, i) => ({
      before: step(i - 1),
      own: 2 * (step(i - 1) + step(i)),
      after: step(i),
      right: 6 * (slope(i) - slope(i - 1)),
    })),
  );
  const [first] = at(0);
  return x => {
    const inside = x - first - period * Math.floor((x - first) / period);
    let i = n - 1;
    while (i > 0 && at(i)[0] - first > inside) i--;
    const h = step(i);
    const t = inside - (at(i)[0] - first);
    const [m, next] = [seconds[i] ?? 0, seconds[(i + 1) % n] ?? 0];
    const rate = slope(i) - (h * (2 * m + next)) / 6;
    const third = (next - m) / h;
    return [
      at(i)[1] + t * (rate + t * (m / 2 + (t * third) / 6)),
      rate + t * (m + (t * third) / 2),
      m + t * third,
    ];
  };
}

interface Row {
  readonly before: number;
  readonly own: number;
  readonly after: number;
  readonly right: number;
}

/** Solves rows each of which ties its neighbours in a ring, by elimination of the last unknown. */
function cyclic(rows: readonly Row[]): number[] {
  const n = rows.length;
  if (n === 2) return pairOf(rows);
  // Two right sides: the own one, and what the last unknown takes from the first and the last but one.
  const inner = rows.slice(0, n - 1);
  const last = rows.at(-1);
  if (!last) return [];
  const plain = chain(
    inner,
    inner.map(r => r.right),
  );
  const share = chain(
    inner,
    inner.map((r, i) => (i === 0 ? -r.before : 0) + (i === n - 2 ? -r.after : 0)),
  );
  const end = (list: readonly number[], i: number): number => list[i] ?? 0;
  const x =
    (last.right - last.after * end(plain, 0) - last.before * end(plain, n - 2)) /
    (last.own + last.after * end(share, 0) + last.before * end(share, n - 2));
  return [...plain.map((p, i) => p + x * end(share, i)), x];
}

/** Two points: each is both neighbours of the other. */
function pairOf([a, b]: readonly Row[]): number[] {
  if (!a || !b) return [];
  const [across, back] = [a.before + a.after, b.before + b.after];
  const det = a.own * b.own - across * back;
  return [(a.right * b.own - across * b.right) / det, (a.own * b.right - back * a.right) / det];
}

/** A chain of rows, not joined at its ends (the Thomas algorithm). */
function chain(rows: readonly Row[], right: readonly number[]): number[] {
  const c: number[] = [];
  const d: number[] = [];
  rows.forEach((r, i) => {
    const m = r.own - (i > 0 ? r.before * (c[i - 1] ?? 0) : 0);
    c.push(r.after / m);
    d.push(((right[i] ?? 0) - (i > 0 ? r.before * (d[i - 1] ?? 0) : 0)) / m);
  });
  const x: number[] = [];
  for (let i = rows.length - 1; i >= 0; i--)
    x[i] = (d[i] ?? 0) - (i < rows.length - 1 ? (c[i] ?? 0) * (x[i + 1] ?? 0) : 0);
  return x;
}
