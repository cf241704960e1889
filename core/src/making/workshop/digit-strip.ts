import type { Drawing, Label } from '../../ground/drawing/index.ts';
import { type Path, polygon } from '../../ground/geometry/index.ts';

/** A paper strip to wrap round a digit wheel. */
export interface DigitStrip {
  /** Of the wheel, mm across. */
  readonly diameter: number;
  readonly width: number;
  /** What it shows, in the order in which it counts. */
  readonly digits: readonly string[];
  /** Which way the wheel's face goes past the window as the counter counts up. */
  readonly moves: 'up' | 'down';
}

/**
 * The strip laid flat: π·diameter long, every digit in the middle of its own equal part, lines between. A face that
 * moves up past the window brings the next digit from below, so digits then follow each other downwards. Throws
 * RangeError without digits.
 */
export function digitStrip(strip: DigitStrip): Drawing {
  const { digits, diameter, width, moves } = strip;
  if (digits.length === 0) throw new RangeError('digitStrip: no digits');
  const length = Math.PI * diameter;
  const part = length / digits.length;
  const height = Math.min(0.62 * part, 0.7 * width);
  const border = polygon([
    { x: 0, y: 0 },
    { x: width, y: 0 },
    { x: width, y: length },
    { x: 0, y: length },
  ]);
  const line = (y: number): Path => ({
    start: { x: 0, y },
    segments: [{ kind: 'line', to: { x: width, y } }],
    closed: false,
  });
  const labels = digits.map((text, i): Label => {
    const middle = (moves === 'up' ? digits.length - 1 - i : i) * part + part / 2;
    return { text, x: width / 2, y: middle - 0.36 * height, height, role: 'engrave' };
  });
  return {
    title: `Digit strip, ${digits.length} parts, ${Number(diameter.toFixed(3))} mm across`,
    notes: [
      'True size, millimetres.',
      `Wrap round a wheel ${Number(diameter.toFixed(3))} mm across; its face moves ${moves} ` +
        'past the window as it counts up.',
      `A part is ${Number(part.toFixed(3))} mm long.`,
    ],
    groups: [
      {
        ...{ name: 'digit strip', x: 0, y: 0, angle: 0, labels },
        shapes: [
          { name: 'strip', role: 'cut', paths: [border] },
          { name: 'parts', role: 'engrave', paths: digits.slice(1).map((_, i) => line((i + 1) * part)) },
        ],
      },
    ],
  };
}
