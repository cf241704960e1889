import { rotate, type Point } from './point.ts';
import type { Path } from './path.ts';

/**
 * Letters as single strokes on a grid 4 wide and 6 high, for engraving: points as pairs of figures, strokes apart
 * by a stroke. Drawn here; common shapes, no source. The nought is crossed, six and nine are underlined where they
 * stand alone (see strokeText).
 */
const STROKES: Readonly<Record<string, string>> = {
  '0': '10 30 41 45 36 16 05 01 10/01 45',
  '1': '05 26 20/10 30',
  '2': '05 16 36 45 44 00 40',
  '3': '05 16 36 45 44 33 42 41 30 10 01/13 33',
  '4': '30 36 02 42',
  '5': '46 06 03 33 42 41 30 10 01',
  '6': '45 36 16 05 01 10 30 41 42 33 03',
  '7': '06 46 10',
  '8': '13 04 05 16 36 45 44 33 13 02 01 10 30 41 42 33',
  '9': '01 10 30 41 45 36 16 05 04 13 43',
  A: '00 26 40/13 33',
  B: '00 06 36 45 44 33 42 41 30 00/03 33',
  C: '45 36 16 05 01 10 30 41',
  D: '00 06 26 44 42 20 00',
  E: '40 00 06 46/03 33',
  F: '00 06 46/03 33',
  G: '45 36 16 05 01 10 30 41 43 23',
  H: '00 06/40 46/03 43',
  I: '10 30/20 26/16 36',
  J: '46 41 30 10 01',
  K: '00 06/46 03 40',
  L: '06 00 40',
  M: '00 06 23 46 40',
  N: '00 06 40 46',
  O: '10 30 41 45 36 16 05 01 10',
  P: '00 06 36 45 44 33 03',
  Q: '10 30 41 45 36 16 05 01 10/22 40',
  R: '00 06 36 45 44 33 03/33 40',
  S: '45 36 16 05 04 13 33 42 41 30 10 01',
  T: '06 46/26 20',
  U: '06 01 10 30 41 46',
  V: '06 20 46',
  W: '06 10 23 30 46',
  X: '00 46/06 40',
  Y: '06 23 46/23 20',
  Z: '06 46 00 40',
  '.': '10 20 21 11 10',
  ',': '21 10',
  '-': '03 43',
  '−': '03 43',
  '+': '03 43/21 25',
  '/': '00 46',
  ':': '21 22/24 25',
  '(': '36 25 21 30',
  ')': '16 25 21 10',
  '=': '02 42/04 44',
  "'": '26 24',
};
const UNKNOWN = '00 40 46 06 00';
/** Height and width of a letter on the grid, and the step to the next. */
const HIGH = 6;
const STEP = 5.6;
/** Letters that are another upside down: alone on a part they are underlined. */
const TURNED = /^[0689HINOSXZ. -]*[69][0689HINOSXZ. -]*$/;

/**
 * A line of text as open paths, its middle at a point on the baseline, turned by an angle. Small letters are
 * written large, accents left out; a text that could be read upside down as another (66, 89) is underlined.
 */
export function strokeText(text: string, at: Point, height: number, angle = 0): Path[] {
  const plain = [...text.normalize('NFD').replace(/\p{M}/gu, '').toUpperCase()];
  const scale = height / HIGH;
  const width = plain.length * STEP - (STEP - 4);
  const put = (x: number, y: number): Point => {
    const p = rotate({ x: (x - width / 2) * scale, y: y * scale }, angle);
    return { x: at.x + p.x, y: at.y + p.y };
  };
  const path = (points: readonly Point[]): Path => {
    const [start = at, ...rest] = points;
    return { start, segments: rest.map(to => ({ kind: 'line' as const, to })), closed: false };
  };
  const strokes = plain.flatMap((c, i) => {
    if (c.trim() === '') return [];
    return (STROKES[c] ?? UNKNOWN)
      .split('/')
      .map(s => path(s.split(' ').map(p => put(Number(p[0]) + i * STEP, Number(p[1])))));
  });
  return TURNED.test(plain.join('')) ? [...strokes, path([put(0, -1.2), put(width, -1.2)])] : strokes;
}
