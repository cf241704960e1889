import type { Manifold } from 'manifold-3d';
import { bounds, flatten, type Path, signedArea } from '../../ground/geometry/index.ts';
import { compensated, type Growth } from '../process/index.ts';
import { ok, type Result } from '../../ground/result/index.ts';
import { extrude, type SolidKit } from './kit.ts';

/** A part that is neither wheel nor plate nor cut to length: what it is, and how its body is made. */
export interface ExtraPart {
  readonly id: string;
  readonly kind:
    | 'knob'
    | 'pin'
    | 'clip'
    | 'pinion'
    | 'cap'
    | 'peg wheel'
    | 'pin plate'
    | 'eccentric'
    | 'output'
    | 'pillar'
    | 'key'
    | 'foot'
    | 'column'
    | 'base'
    | 'bearing'
    | 'ball'
    | 'weight';
  readonly name: string;
  readonly number: number;
  /** What one measures when it is finished: its volume, mm³, across and how high or long, mm. */
  readonly volume: number;
  readonly outside: number;
  readonly height: number;
  readonly make: (kit: SolidKit, growth: Growth) => Result<Manifold>;
}

/** Grown paths drawn up. */
export function flat(
  kit: SolidKit,
  outline: Path,
  holes: readonly Path[],
  height: number,
  growth: Growth,
  chordError: number,
): Result<Manifold> {
  const paths = compensated(outline, holes, growth, chordError);
  return paths.ok ? ok(extrude(kit, paths.value, height, chordError)) : paths;
}

/** Volume of what is drawn up from an outline less its holes, mm³. */
export function flatVolume(outline: Path, holes: readonly Path[], height: number): number {
  const area = (p: Path): number => Math.abs(signedArea(flatten(p, CHORD)));
  return (area(outline) - holes.reduce((sum, h) => sum + area(h), 0)) * height;
}
const CHORD = 0.005;

/**
 * Volume of what is turned from a half section of radii and heights, mm³: every edge sweeps a frustum,
 * π/3·Δz·(r² + rs + s²), those that go up less those that go down.
 */
export function turnedVolume(half: readonly (readonly [radius: number, height: number])[]): number {
  const sum = half.reduce((total, [r, z], i) => {
    const [s, up] = half[(i + 1) % half.length] as readonly [number, number];
    return total + (up - z) * (r * r + r * s + s * s);
  }, 0);
  return Math.abs((Math.PI / 3) * sum);
}

/** Volume of a round rod, mm³. */
export const rodVolume = (diameter: number, length: number): number =>
  (Math.PI / 4) * diameter * diameter * length;

/** The farthest that points of a path lie apart along x and y, mm. */
export function acrossOf(outline: Path): number {
  const box = bounds(flatten(outline, CHORD));
  return Math.max(box.maxX - box.minX, box.maxY - box.minY);
}
