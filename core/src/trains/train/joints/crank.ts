import { direction, type Point, polar } from '../../../ground/geometry/index.ts';
import type { JointLaw, JointOf } from './joint-law.ts';
import { swings } from './mean-laws.ts';
import type { Standing } from './standing.ts';

/**
 * Way of a slide on a crank, along its line from the foot of the crank's axis: x + √(l² − y²), the pin x along the line
 * and y across it; with the other way of putting them together x − √(l² − y²). A rod too short to reach gives x.
 * Lengths in mm. Source: Norton, Design of Machinery, the slider-crank; from memory.
 */
export function crankWay(along: number, across: number, rod: number, other = false): number {
  const reach = Math.sqrt(Math.max(0, rod * rod - across * across));
  return along + (other ? -reach : reach);
}

/** A crank, a rod and a slide. */
export const crank: JointLaw<'crank'> = {
  mean: (frames, joint) =>
    frames.member(joint.slide)?.kind === 'slide' ? [swings(joint.id, joint.slide)] : undefined,
  leads: joint => [joint.pin.member],
  moves: joint => joint.slide,
  pins: joint => [joint.pin],
  rods: joint => [joint.rod],
  off: (joint, at) => {
    const found = parts(joint, at);
    if (!found) return 0;
    const way = crankWay(found.along, found.across, found.rod, joint.other);
    return (2 * Math.PI * way) / at.pitch(joint.slide);
  },
  bars: (joint, at) => {
    const found = parts(joint, at);
    if (!found) return [];
    const { pin, line, along, across, rod } = found;
    const end = polar(line.at, crankWay(along, across, rod, joint.other), line.angle);
    return [{ link: joint.rod, centre: pin, angle: direction(pin, end) }];
  },
  closes: (joint, at) => {
    const found = parts(joint, at);
    return !found || Math.abs(found.across) <= found.rod + 1e-9;
  },
  transmission: (joint, at) => {
    const found = parts(joint, at);
    return found && Math.acos(Math.min(1, Math.abs(found.across) / found.rod));
  },
  repeats: () => 1,
  memory: false,
};

interface Parts {
  readonly pin: Point;
  readonly line: { readonly at: Point; readonly angle: number };
  readonly along: number;
  readonly across: number;
  readonly rod: number;
}

function parts(joint: JointOf<'crank'>, at: Standing): Parts | undefined {
  const [pin, line, rod] = [at.pin(joint.pin), at.line(joint.slide), at.length(joint.rod)];
  if (!pin || !line || rod === undefined) return undefined;
  const [dx, dy] = [pin.x - line.at.x, pin.y - line.at.y];
  const [c, s] = [Math.cos(line.angle), Math.sin(line.angle)];
  return { pin, line, rod, along: dx * c + dy * s, across: dy * c - dx * s };
}
