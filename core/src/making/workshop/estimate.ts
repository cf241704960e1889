import { flatten, type Path, signedArea } from '../../ground/geometry/index.ts';
import type { Material, Process } from '../../document/machine/index.ts';
import { rateOf, sheetsOf } from '../process/index.ts';
import type { FlatPart } from './flat-part.ts';

/**
 * What one piece of a part takes. Time and cost are estimates: they leave out setting up, cooling, supports and
 * mistakes.
 */
export interface PartEstimate {
  /** Area of the face, mm², and volume, mm³. */
  readonly area: number;
  readonly volume: number;
  /** g; unknown without a density. */
  readonly mass: number | undefined;
  /** Way of the cut, mm; nought for prints. */
  readonly cutLength: number;
  readonly seconds: number;
  /** In the maker’s own money; unknown without a price. */
  readonly cost: number | undefined;
}

/** Piercing and moving on to the next line, s: common practice, no source. */
const PIERCE = 1;
const CHORD = 0.01;

/**
 * Mass = area · thickness · density, a hub that is printed on with it. A cutter goes the length of every line at its
 * rate and needs a moment for each; a printer lays the whole volume at its rate, as if it were printed full. Cost by
 * weight, or by the sheet as the part of its area that the outline covers.
 */
export function estimateOf(part: FlatPart, process: Process, material: Material | undefined): PartEstimate {
  const size = (p: Path): number => Math.abs(signedArea(flatten(p, CHORD)));
  const covered = size(part.outline);
  const area = covered - part.holes.reduce((sum, h) => sum + size(h), 0);
  const hub = part.hub
    ? (size(part.hub.outline) - part.hub.holes.reduce((sum, h) => sum + size(h), 0)) *
      (part.hub.height / part.hub.pieces)
    : 0;
  const volume = area * part.thickness + hub;
  const mass = material?.density === undefined ? undefined : (volume / 1000) * material.density;
  const printed = process.kind === 'printer';
  const lines = [part.outline, ...part.holes];
  const cutLength = printed ? 0 : lines.reduce((sum, p) => sum + lengthOf(p), 0);
  const seconds = printed ? volume / rateOf(process) : cutLength / rateOf(process) + PIERCE * lines.length;
  return { area, volume, mass, cutLength, seconds, cost: costOf(covered, mass, process, material) };
}

function costOf(
  covered: number,
  mass: number | undefined,
  process: Process,
  material: Material | undefined,
): number | undefined {
  const { price } = material ?? {};
  if (!price) return undefined;
  if (price.per === 'kg') return mass === undefined ? undefined : (mass / 1000) * price.amount;
  const [sheet] = sheetsOf(process, material);
  return sheet && process.kind !== 'printer'
    ? (covered / (sheet.width * sheet.height)) * price.amount
    : undefined;
}

/** What one piece of a body that a printer lays takes, of so many mm³, as if it were printed full. */
export function estimateBody(
  volume: number,
  process: Process,
  material: Material | undefined,
): Pick<PartEstimate, 'mass' | 'cutLength' | 'seconds' | 'cost'> {
  const mass = material?.density === undefined ? undefined : (volume / 1000) * material.density;
  return { mass, cutLength: 0, seconds: volume / rateOf(process), cost: costOf(0, mass, process, material) };
}

/** Length of a path, mm. */
export function lengthOf(path: Path): number {
  const points = flatten(path, CHORD);
  let sum = 0;
  let q = path.closed ? points[points.length - 1] : undefined;
  for (const p of points) {
    if (q) sum += Math.hypot(p.x - q.x, p.y - q.y);
    q = p;
  }
  return sum;
}
