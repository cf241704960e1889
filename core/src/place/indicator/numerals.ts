import type { Ring } from '../../document/machine/index.ts';

const ROMAN: readonly (readonly [number, string])[] = [
  [1000, 'M'],
  [900, 'CM'],
  [500, 'D'],
  [400, 'CD'],
  [100, 'C'],
  [90, 'XC'],
  [50, 'L'],
  [40, 'XL'],
  [10, 'X'],
  [9, 'IX'],
  [5, 'V'],
  [4, 'IV'],
  [1, 'I'],
];

/**
 * A number from 1 to 3999 in Roman figures, in the subtractive way: 4 is IV (clock dials often write IIII: write it
 * by name).
 */
export function roman(n: number): string {
  if (!Number.isInteger(n) || n < 1 || n > 3999) return String(n);
  let left = n;
  let text = '';
  for (const [value, letters] of ROMAN)
    while (left >= value) {
      text += letters;
      left -= value;
    }
  return text;
}

/**
 * What is written round a ring: each text with its place as a part of the full turn, from the dial's nought the way
 * it counts.
 */
export function writings(ring: Ring): { readonly text: string; readonly part: number }[] {
  const writes = ring.numerals?.writes;
  if (!writes) return [];
  if (writes.kind === 'names') {
    const n = writes.names.length;
    return writes.names.map((text, i) => ({ text, part: (i + (writes.between ? 0.5 : 0)) / n }));
  }
  return Array.from({ length: writes.count }, (_, i) => {
    const value = writes.first + i * writes.step;
    return { text: writes.roman ? roman(value) : String(value).replace('-', '−'), part: i / writes.count };
  });
}
