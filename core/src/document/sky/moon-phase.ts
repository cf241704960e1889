const CENTURY = 36525;
const sin = (deg: number): number => Math.sin((deg * Math.PI) / 180);

/**
 * How far the Moon is ahead of the Sun in longitude, degrees from 0 (new) by 180 (full) to 360, so many days from
 * noon of 1 January 2000:
 * its mean elongation with the largest terms of its uneven course. Good to about half a degree, an hour. Source:
 * Meeus, Astronomical Algorithms, ch. 47 for the arguments and formula 48.4 for the terms (from memory).
 */
export function moonElongation(days: number): number {
  const t = days / CENTURY;
  const d = 297.8501921 + 445267.1114034 * t;
  const sun = 357.5291092 + 35999.0502909 * t;
  const moon = 134.9633964 + 477198.8675055 * t;
  const uneven =
    6.289 * sin(moon) -
    2.1 * sin(sun) +
    1.274 * sin(2 * d - moon) +
    0.658 * sin(2 * d) +
    0.214 * sin(2 * moon) +
    0.11 * sin(d);
  return (((d + uneven) % 360) + 360) % 360;
}

/** The part of the Moon’s disc that is lit at an elongation in degrees. */
export const moonLit = (elongation: number): number => (1 - Math.cos((elongation * Math.PI) / 180)) / 2;
