/**
 * A zero of f between a and b, where f changes sign, by bisection to the last bit that matters.
 * Throws RangeError when f has the same sign at both ends.
 */
export function bisect(f: (x: number) => number, a: number, b: number): number {
  let low = a;
  let high = b;
  const fa = f(low);
  if (fa === 0) return low;
  const fb = f(high);
  if (fb === 0) return high;
  if (fa > 0 === fb > 0) throw new RangeError('bisect: no change of sign');
  for (let i = 0; i < 200; i++) {
    const middle = (low + high) / 2;
    if (middle === low || middle === high) return middle;
    if (f(middle) > 0 === fa > 0) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}
