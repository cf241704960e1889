import { circle, type Path, type Point, type Segment } from '../../ground/geometry/index.ts';
import { type Hand, SCREW_BOSS, screwedOn } from '../../document/machine/index.ts';

const ORIGIN: Point = { x: 0, y: 0 };
/** Proportions of a hand for which none are said: common practice, no source. */
const WIDTH = 0.07;
const TAIL = 0.15;
const LEAF_POINTS = 24;
/** A smaller eye is none, mm. */
const LEAST_EYE = 0.1;

/** A hand’s widest width, mm. */
export const handWidth = (hand: Hand): number => hand.width ?? Math.max(0.8, hand.radius * WIDTH);
/** How far a hand reaches beyond its axis on the other side, mm. */
export const handTail = (hand: Hand): number => hand.tail ?? hand.radius * TAIL;

/**
 * The outline of a hand about its axis, pointing along x, with its eye of diameter `bore` and a boss about it: one
 * closed path, its holes after it. The boss is as wide as the eye needs and never narrower than the hand.
 */
export function handPaths(hand: Hand, bore: number): Path[] {
  const half = handWidth(hand) / 2;
  const wall = screwedOn(hand) ? SCREW_BOSS.wall : 0;
  const boss = Math.min(hand.radius * 0.6, Math.max(bore / 2 + Math.max(1, half, wall), half * 1.2));
  const blade = upperEdge(hand, half, boss);
  const tail = tailEdge(handTail(hand), half, boss);
  const mirror = (points: readonly Point[]): Point[] => [...points].reverse().map(p => ({ x: p.x, y: -p.y }));
  const [start, foot] = [blade[0], blade.at(-1)];
  if (!start || !foot) throw new Error('handPaths: a hand without a blade');
  const under = mirror(tail);
  const segments: Segment[] = [
    ...lines(blade.slice(1)),
    ...(tail[0] ? [overBoss(tail[0]), ...lines(tail.slice(1)), ...lines(under)] : []),
    overBoss({ x: foot.x, y: -foot.y }),
    ...lines(mirror(blade).slice(1)),
    ...tipClose(hand, start),
  ];
  const holes = bore >= LEAST_EYE && bore / 2 < boss ? [circle(ORIGIN, bore / 2, false)] : [];
  const ring =
    hand.shape === 'ringed'
      ? [circle({ x: hand.radius - ringRadius(hand), y: 0 }, ringRadius(hand) * 0.55, false)]
      : [];
  return [{ start, segments, closed: true }, ...holes, ...ring];
}

const overBoss = (to: Point): Segment => ({ kind: 'arc', to, centre: ORIGIN, ccw: true });
const lines = (points: readonly Point[]): Segment[] => points.map(to => ({ kind: 'line', to }));
const ringRadius = (hand: Hand): number => Math.min(hand.radius / 4, handWidth(hand) * 1.4);
const onBoss = (boss: number, y: number): number => Math.sqrt(Math.max(0, boss * boss - y * y));

/** The upper edge of the blade, from its tip to where it meets the boss. */
function upperEdge(hand: Hand, half: number, boss: number): Point[] {
  const length = hand.radius;
  switch (hand.shape) {
    case 'straight':
      return [
        { x: length, y: half },
        { x: onBoss(boss, half), y: half },
      ];
    case 'tapered':
      return [
        { x: length, y: 0 },
        { x: onBoss(boss, half), y: half },
      ];
    case 'leaf': {
      const narrow = half * 0.35;
      const foot = onBoss(boss, narrow);
      return Array.from({ length: LEAF_POINTS + 1 }, (_, i) => {
        const t = i / LEAF_POINTS;
        const y = half * Math.sin(Math.PI * t) ** 1.2 + narrow * t;
        return { x: length + (foot - length) * t, y: i === LEAF_POINTS ? narrow : y };
      });
    }
    case 'ringed': {
      const r = ringRadius(hand);
      const stem = Math.min(half * 0.5, r * 0.6);
      return [
        { x: length - r - Math.sqrt(r * r - stem * stem), y: stem },
        { x: onBoss(boss, stem), y: stem },
      ];
    }
  }
}

/** The upper edge of the tail from the boss to its end; none for a tail that the boss covers. */
function tailEdge(tail: number, half: number, boss: number): Point[] {
  const y = Math.min(half * 0.8, boss * 0.9);
  const foot = onBoss(boss, y);
  if (tail <= foot + 0.1) return [];
  return [
    { x: -foot, y },
    { x: -tail, y },
  ];
}

/** From the lower corner of the tip to the upper: nothing for a point, straight across, or round the ring. */
function tipClose(hand: Hand, to: Point): Segment[] {
  if (hand.shape === 'straight') return [{ kind: 'line', to }];
  if (hand.shape !== 'ringed') return [];
  return [{ kind: 'arc', to, centre: { x: hand.radius - ringRadius(hand), y: 0 }, ccw: true }];
}
