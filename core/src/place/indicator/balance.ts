import { centroid, flatten, type Path, signedArea } from '../../ground/geometry/index.ts';
import { BALL_FLAT, LEAF } from '../layout/index.ts';
import { ballPin, type BodyArm, type BodyIndicator } from './body-arm.ts';

/** Volume of a ball that is cut flat where it sits and bored to its middle, mm³. Cap: πh²(3r − h)/3. */
export function ballVolume(radius: number, bore: number): number {
  const flat = BALL_FLAT * radius;
  const cap = (Math.PI * flat ** 2 * (3 * radius - flat)) / 3;
  return (4 / 3) * Math.PI * radius ** 3 - cap - (Math.PI / 4) * bore ** 2 * (radius - flat);
}

/** First moment of the area within a closed line about the y axis, ∫x dA, mm³; negative when it runs clockwise. */
export function momentOfArea(path: Path): number {
  const points = flatten(path, 0.005);
  return signedArea(points) * centroid(points).x;
}

/** Densities of what a body, its arm and its weight are made of, g/cm³; all alike where one is not known. */
export interface Densities {
  readonly ball: number;
  readonly arm: number;
  readonly weight: number;
}

/** What pulls on the two sides of an axis, g·mm: the ball with its arm, and the counterweight. */
export interface Balance {
  readonly out: number;
  readonly weight: number;
  /** The height at which the weight would balance, mm. */
  readonly height: number;
}

/**
 * Moments of a body, its arm and its counterweight about their axis: mass times the way out of its middle. Undefined
 * without a weight. Pins are left out: they are small, and lie on both sides.
 */
export function balanceOf(body: BodyIndicator, arm: BodyArm, densities: Densities): Balance | undefined {
  const { weight, distance, radius } = body;
  if (!weight) return undefined;
  // Outlines run counter-clockwise and holes clockwise, so that holes take away.
  const plane = [arm.seen.outline, ...arm.seen.holes].reduce((sum, path) => sum + momentOfArea(path), 0);
  const mass = (volume: number, density: number): number => (volume / 1000) * density;
  const ball = mass(ballVolume(radius, ballPin(radius)), densities.ball) * distance;
  const out = ball + mass(plane * LEAF, densities.arm);
  const perHeight = mass((Math.PI / 4) * weight.diameter ** 2, densities.weight) * weight.distance;
  return { out, weight: perHeight * weight.height, height: out / perHeight };
}
