import { direction, type Point } from '../../ground/geometry/index.ts';
import { isZero, type Rational, toNumber } from '../../ground/rational/index.ts';

/**
 * The turns of the drive that turn a wheel of that rate (against the ground) so far as a hand pulls it about its
 * centre, from one point to another, the short way round. Nought for a wheel that stands still, whatever is pulled.
 */
export function turnsByHand(rate: Rational, centre: Point, from: Point, to: Point): number {
  if (isZero(rate)) return 0;
  const full = 2 * Math.PI;
  const turned = (((direction(centre, to) - direction(centre, from)) % full) + full) % full;
  const short = turned > Math.PI ? turned - full : turned;
  return short / full / toNumber(rate);
}
