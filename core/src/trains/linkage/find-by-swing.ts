import { degrees, radians } from '../../ground/units/index.ts';
import { beyond, crankGoesRound, type FourBar, leastTransmission, roomOf } from './four-bar.ts';
import type { Shortlist } from './shortlist.ts';
import type { LinkageQuery, WantedMotion } from './wanted-motion.ts';

type WantedSwing = Extract<WantedMotion, { kind: 'swing' }>;

/** How much farther than half a turn the crank goes on the longer way, degrees: 180·(q − 1)/(q + 1). */
export const unevenDeg = (timeRatio: number): number => (180 * (timeRatio - 1)) / (timeRatio + 1);

/**
 * Four-bars whose rocker swings so far with such a ratio of times. The ends of the swing are two places of the
 * rocker's pin; the crank's axis lies where both are seen under the angle by which the ways differ from half a turn:
 * on a circle through them, or on their line when the ways are even. There the coupler is half the sum and the crank
 * half the difference of how far they are. Source: Norton, Design of Machinery, quick-return four-bars; from memory.
 */
export function findBySwing(query: LinkageQuery, wanted: WantedSwing, list: Shortlist): void {
  const swing = radians(wanted.swingDeg);
  const uneven = radians(unevenDeg(wanted.timeRatio));
  const half = Math.sin(swing / 2);
  const height = Math.cos(swing / 2);
  // The rocker is 1 long, its axis at 0, 0; its pin's ends stand at (±half, height).
  for (let i = 1; i < PLACES; i++) {
    const axes: (readonly [number, number])[] =
      uneven < 1e-9
        ? [[half * (1 + (9 * i) / PLACES), height]]
        : onCircle(half, height, uneven, (Math.PI * 2 * i) / PLACES);
    for (const [x, y] of axes) {
      const [to, from] = [Math.hypot(x - half, y - height), Math.hypot(x + half, y - height)];
      const [far, near] = [Math.max(to, from), Math.min(to, from)];
      const unit = {
        crank: (far - near) / 2,
        coupler: (far + near) / 2,
        rocker: 1,
        ground: Math.hypot(x, y),
      };
      if (unit.crank < 1e-3 || !crankGoesRound(unit)) continue;
      const transmissionDeg = degrees(leastTransmission(unit));
      if (transmissionDeg < query.leastTransmissionDeg) continue;
      const linkage = scaled(unit, wanted.apart);
      const made = swingOf(linkage);
      // From the other arc of the circle the ends are seen under what that angle lacks to a half turn.
      if (Math.abs(made.swing - swing) > 1e-6 || Math.abs(made.uneven - uneven) > 1e-6) continue;
      const room = roomOf(linkage);
      if (beyond(query.room, room) > 0) continue;
      list.add({ linkage, off: 0, transmissionDeg, room });
    }
  }
}

const PLACES = 720;

/** A place on the circles from which both ends are seen under an angle, by its angle about the circle's middle. */
function onCircle(half: number, height: number, uneven: number, at: number): (readonly [number, number])[] {
  const radius = half / Math.sin(uneven);
  const up = half / Math.tan(uneven);
  return [height + up, height - up].map(
    middle => [radius * Math.cos(at), middle + radius * Math.sin(at)] as const,
  );
}

const scaled = (
  unit: { readonly crank: number; readonly coupler: number; readonly ground: number },
  apart: number,
): FourBar => {
  const by = apart / unit.ground;
  return {
    ...{ crank: unit.crank * by, coupler: unit.coupler * by, rocker: by },
    ground: { x: apart, y: 0 },
    ...{ other: false, point: { x: 0, y: 0 } },
  };
};

/** What a four-bar's rocker does: its swing, and by how much the longer way goes beyond half a turn, radians. */
function swingOf({ crank, coupler, rocker, ground }: FourBar): {
  readonly swing: number;
  readonly uneven: number;
} {
  const apart = Math.hypot(ground.x, ground.y);
  // At the ends crank and coupler lie on one line: as long as their sum, and as their difference.
  const corner = (side: number): readonly [number, number] => [
    Math.acos((rocker ** 2 + apart ** 2 - side ** 2) / (2 * rocker * apart)),
    Math.acos((side ** 2 + apart ** 2 - rocker ** 2) / (2 * side * apart)),
  ];
  const [out, back] = [corner(coupler + crank), corner(coupler - crank)];
  return { swing: Math.abs(out[0] - back[0]), uneven: Math.abs(out[1] - back[1]) };
}
