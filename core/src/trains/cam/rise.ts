import type { RISES } from '../../document/machine/index.ts';

/** How a follower goes from one lift to the next, whatever these are: the part of the way done, and how that grows. */
export interface Rise {
  /** Part of the way, 0 to 1, at a part x of the segment's angle. */
  readonly done: number;
  /** Its first and second derivatives by x. */
  readonly rate: number;
  readonly second: number;
}

export type RiseLaw = (typeof RISES)[number];

/** The greatest acceleration of a modified trapezoid: 8π/(2 + π). */
const TRAPEZOID = (8 * Math.PI) / (2 + Math.PI);

/**
 * A rise of one over an angle of one, at x from 0 to 1. Source: Norton, Design of Machinery, cam design: simple
 * harmonic, cycloidal, 3-4-5 polynomial and modified trapezoidal displacement; from memory.
 */
export function rise(law: RiseLaw, x: number): Rise {
  const { PI } = Math;
  switch (law) {
    case 'uniform':
      return { done: x, rate: 1, second: 0 };
    case 'harmonic':
      return {
        done: (1 - Math.cos(PI * x)) / 2,
        rate: (PI / 2) * Math.sin(PI * x),
        second: ((PI * PI) / 2) * Math.cos(PI * x),
      };
    case 'cycloidal':
      return {
        done: x - Math.sin(2 * PI * x) / (2 * PI),
        rate: 1 - Math.cos(2 * PI * x),
        second: 2 * PI * Math.sin(2 * PI * x),
      };
    case '3-4-5':
      return {
        done: x ** 3 * (10 - 15 * x + 6 * x * x),
        rate: 30 * x * x * (1 - x) ** 2,
        second: 60 * x * (1 - x) * (1 - 2 * x),
      };
    case 'modified trapezoid':
      return x <= 0.5 ? firstHalf(x) : mirrored(firstHalf(1 - x));
  }
}

/** Up to the middle: acceleration grows as a sine for an eighth, stays for a quarter, falls as a sine for an eighth. */
function firstHalf(x: number): Rise {
  const a = TRAPEZOID;
  const w = 4 * Math.PI;
  if (x <= 1 / 8)
    return {
      done: (a / w) * (x - Math.sin(w * x) / w),
      rate: (a / w) * (1 - Math.cos(w * x)),
      second: a * Math.sin(w * x),
    };
  const one = firstHalf(1 / 8);
  if (x <= 3 / 8) {
    const t = x - 1 / 8;
    return { done: one.done + one.rate * t + (a * t * t) / 2, rate: one.rate + a * t, second: a };
  }
  const two = firstHalf(3 / 8);
  const t = x - 3 / 8;
  return {
    done: two.done + two.rate * t + (a / (w * w)) * (1 - Math.cos(w * t)),
    rate: two.rate + (a / w) * Math.sin(w * t),
    second: a * Math.cos(w * t),
  };
}

const mirrored = ({ done, rate, second }: Rise): Rise => ({ done: 1 - done, rate, second: -second });
