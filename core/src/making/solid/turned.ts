import type { Manifold } from 'manifold-3d';
import type { SolidKit } from './kit.ts';

/** Steps round a turned body: chords within 0.005 mm of circles up to 20 mm. */
const ROUND = 96;

/** A body turned from a half section: pairs of radius and height, its axis upright; corners on the axis close it. */
export function turned(
  kit: SolidKit,
  half: readonly (readonly [radius: number, height: number])[],
): Manifold {
  const section = new kit.CrossSection([half.map(([r, z]) => [r, z] as [number, number])], 'NonZero');
  const body = section.revolve(ROUND);
  section.delete();
  return body;
}

/** An upright cylinder. */
export const rod = (kit: SolidKit, diameter: number, from: number, to: number): Manifold =>
  turned(kit, [
    [0, from],
    [diameter / 2, from],
    [diameter / 2, to],
    [0, to],
  ]);
