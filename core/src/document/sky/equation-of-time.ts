const rad = (deg: number): number => (deg * Math.PI) / 180;

/**
 * The equation of time: minutes by which a sundial is ahead of a clock that shows mean solar time, so many days
 * from noon of 1 January 2000. Source: Meeus, Astronomical Algorithms, formula 28.3 (Smart) with the elements of
 * ch. 25; example 28.b, 13 October 1992:
 * +13 min 42.7 s.
 */
export function equationOfTime(days: number): number {
  const t = days / 36525;
  const longitude = rad(280.46646 + 36000.76983 * t);
  const anomaly = rad(357.52911 + 35999.05029 * t);
  const e = 0.016708634 - 0.000042037 * t;
  const obliquity = rad(23.4392911 - 0.0130042 * t);
  const y = Math.tan(obliquity / 2) ** 2;
  const E =
    y * Math.sin(2 * longitude) -
    2 * e * Math.sin(anomaly) +
    4 * e * y * Math.sin(anomaly) * Math.cos(2 * longitude) -
    0.5 * y * y * Math.sin(4 * longitude) -
    1.25 * e * e * Math.sin(2 * anomaly);
  return (E * 4 * 180) / Math.PI;
}

/** The most that a sundial is ahead of the mean clock in a year, and behind it, minutes (Meeus, ch. 28). */
export const SUNDIAL = { ahead: 16.4, behind: 14.2 };
