import { equationOfTime } from './equation-of-time.ts';

const rad = (deg: number): number => (deg * Math.PI) / 180;
/** How far below the horizon the Sun's middle is when its rim is seen to rise or set, degrees (Meeus, ch. 15). */
const BELOW = 0.8333;

/** How far north of the equator the Sun stands, radians, so many days from noon of 1 January 2000 (Meeus, ch. 25). */
export function sunDeclination(days: number): number {
  const t = days / 36525;
  const longitude = 280.46646 + 36000.76983 * t;
  const anomaly = rad(357.52911 + 35999.05029 * t);
  const centre = 1.914602 * Math.sin(anomaly) + 0.019993 * Math.sin(2 * anomaly);
  return Math.asin(Math.sin(rad(23.4392911)) * Math.sin(rad(longitude + centre)));
}

/**
 * When the Sun rises or sets at a latitude, hours of local mean time, on the day so many days from noon of 1 January
 * 2000. Where it does not rise or set that day, the noon or midnight at which it comes nearest to that. Source: Meeus,
 * Astronomical Algorithms, ch. 15: cos H = (sin h − sin φ sin δ)/(cos φ cos δ).
 */
export function sunTime(of: 'sunrise' | 'sunset', days: number, latitudeDeg: number): number {
  const [phi, delta] = [rad(latitudeDeg), sunDeclination(days)];
  const across = Math.cos(phi) * Math.cos(delta);
  const cos = across === 0 ? 1 : (Math.sin(rad(-BELOW)) - Math.sin(phi) * Math.sin(delta)) / across;
  const half = (Math.acos(Math.max(-1, Math.min(1, cos))) * 12) / Math.PI;
  return 12 + (of === 'sunrise' ? -half : half) - equationOfTime(days) / 60;
}
