import type { Drawing, Group, Shape } from '../../ground/drawing/index.ts';
import { circle, type Path, type Point, polygon, strokeText } from '../../ground/geometry/index.ts';
import type { Process } from '../../document/machine/index.ts';
import { AS_IS, compensated, type Growth, growthOf } from '../process/index.ts';
import { ok, type Result } from '../../ground/result/index.ts';
import { STRIPS } from './fitting.ts';

/** A test piece that measures a process. */
export type CouponKind =
  'square and hole' | 'kerf comb' | 'bore ladder' | 'clearance pairs' | 'ring in place' | 'wheel pair';

/** Which coupons make sense for a process. */
export function couponsFor(kind: Process['kind']): readonly CouponKind[] {
  return kind === 'printer'
    ? ['square and hole', 'bore ladder', 'clearance pairs', 'ring in place', 'wheel pair']
    : ['kerf comb', 'bore ladder', 'clearance pairs', 'wheel pair'];
}

/** Sizes of coupons, mm: of our own choosing, small enough to be cheap and large enough for calipers. */
export const STRIP = { width: 6, height: 25 };
export const SQUARE = { side: 30, hole: 12 };
const LADDER = { steps: 9, step: 0.05 };
const PAIR = { radius: 6, least: 0.05, steps: 8, step: 0.05, wall: 4 };
const TEXT = 2.4;

/** The holes of a bore ladder for a rod: from a tight press to a loose turn, mm. */
export const ladderHoles = (rod: number): number[] =>
  Array.from({ length: LADDER.steps }, (_, i) => Number((rod + (i - 3) * LADDER.step).toFixed(3)));

/** The gaps of clearance pairs, each between a disc and its ring, mm on each side. */
export const pairGaps = (): number[] =>
  Array.from({ length: PAIR.steps }, (_, i) => Number((PAIR.least + i * PAIR.step).toFixed(3)));

/**
 * A coupon as a drawing. What measures the raw process (square and hole, comb) is not compensated; what measures a
 * fit or a clearance is compensated as every part is. `rod` is the diameter that the ladder is for.
 */
export function couponDrawing(
  kind: Exclude<CouponKind, 'wheel pair'>,
  process: Process,
  rod: number,
  chordError: number,
): Result<Drawing> {
  const raw = kind === 'square and hole' || kind === 'kerf comb';
  const growth = raw ? AS_IS : growthOf(process);
  const groups: Group[] = [];
  for (const piece of piecesOf(kind, rod)) {
    const paths = compensated(piece.outline, piece.holes, growth, chordError);
    if (!paths.ok) return paths;
    const [outline = piece.outline, ...holes] = paths.value;
    const shapes: Shape[] = [];
    if (piece.text.length > 0)
      shapes.push({ name: `${piece.name}, marks`, role: 'engrave', paths: piece.text });
    if (holes.length > 0) shapes.push({ name: `${piece.name}, holes`, role: 'cut', paths: holes });
    shapes.push({ name: piece.name, role: 'cut', paths: [outline] });
    groups.push({ name: piece.name, x: piece.at.x, y: piece.at.y, angle: 0, shapes, labels: [] });
  }
  return ok({
    title: `Coupon: ${kind}, ${process.name || process.kind}`,
    notes: [SAYS[kind], raw ? 'Not compensated: it measures the process itself.' : sayGrowth(growth)],
    groups,
  });
}

const sayGrowth = ({ outline, hole }: Growth): string =>
  outline === 0 && hole === 0 ? 'Not compensated.' : 'Compensated as the profile says now.';

const SAYS: Readonly<Record<Exclude<CouponKind, 'wheel pair'>, string>> = {
  'square and hole':
    `Measure the outside (${SQUARE.side} mm drawn) above the first layer, ` +
    `the first layer itself, and the hole (${SQUARE.hole} mm drawn).`,
  'kerf comb': `Push the ${STRIPS} strips together and measure over all of them (${STRIPS * STRIP.width} mm drawn).`,
  'bore ladder':
    'Try the rod in every hole: note the one it presses into, the one it slides in, and the one it turns in.',
  'clearance pairs': 'Put each disc into its ring: note the smallest gap with which it turns.',
  'ring in place': 'Twist each disc free: note the smallest gap with which it turns.',
};

interface Piece {
  readonly name: string;
  readonly at: Point;
  readonly outline: Path;
  readonly holes: readonly Path[];
  readonly text: readonly Path[];
}

const ORIGIN: Point = { x: 0, y: 0 };
const box = (width: number, height: number): Path =>
  polygon([ORIGIN, { x: width, y: 0 }, { x: width, y: height }, { x: 0, y: height }]);

function piecesOf(kind: Exclude<CouponKind, 'wheel pair'>, rod: number): Piece[] {
  switch (kind) {
    case 'square and hole': {
      const { side, hole } = SQUARE;
      const text = strokeText(`${side} ${hole}`, { x: side / 2, y: 3 }, TEXT);
      return [
        {
          name: 'square',
          at: ORIGIN,
          outline: box(side, side),
          holes: [circle({ x: side / 2, y: side / 2 }, hole / 2, false)],
          text,
        },
      ];
    }
    case 'kerf comb':
      return Array.from({ length: STRIPS }, (_, i) => ({
        ...{ name: `strip ${i + 1}`, at: { x: i * (STRIP.width + 3), y: 0 } },
        ...{ outline: box(STRIP.width, STRIP.height), holes: [], text: [] },
      }));
    case 'bore ladder': {
      const holes = ladderHoles(rod);
      const pitch = Math.max(2 * rod, 11);
      const height = rod + 4 + 3 * TEXT + 4;
      const at = (i: number): Point => ({ x: (i + 0.5) * pitch, y: height - 4 - rod / 2 });
      return [
        {
          ...{ name: 'bore ladder', at: ORIGIN, outline: box(pitch * holes.length, height) },
          holes: holes.map((d, i) => circle(at(i), d / 2, false)),
          text: holes.flatMap((d, i) => strokeText(d.toFixed(2), { x: at(i).x, y: 3 }, TEXT)),
        },
      ];
    }
    case 'clearance pairs':
    case 'ring in place': {
      const outer = PAIR.radius + PAIR.wall;
      const together = kind === 'ring in place';
      return pairGaps().flatMap((gap, i): Piece[] => {
        const at = { x: i * (2 * outer + 2), y: 0 };
        const disc = together ? at : { x: at.x, y: -2 * outer - 2 };
        const text = strokeText(gap.toFixed(2), { x: 0, y: outer - 3.2 }, TEXT * 0.8);
        return [
          {
            name: `disc ${gap.toFixed(2)}`,
            at: disc,
            outline: circle(ORIGIN, PAIR.radius),
            holes: [hexHole()],
            text: [],
          },
          {
            name: `ring ${gap.toFixed(2)}`,
            at,
            outline: circle(ORIGIN, outer),
            holes: [circle(ORIGIN, PAIR.radius + gap, false)],
            text,
          },
        ];
      });
    }
  }
}

/** A hexagon to twist a disc by, 5 mm across flats. */
const hexHole = (): Path =>
  polygon(
    Array.from({ length: 6 }, (_, i) => {
      const a = (-i * Math.PI) / 3;
      return {
        x: (2.5 / Math.cos(Math.PI / 6)) * Math.cos(a),
        y: (2.5 / Math.cos(Math.PI / 6)) * Math.sin(a),
      };
    }),
  );
