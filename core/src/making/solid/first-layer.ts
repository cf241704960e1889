import type { Manifold } from 'manifold-3d';
import type { Process } from '../../document/machine/index.ts';
import type { SolidKit } from './kit.ts';

/** Height of a printed layer where nothing is said, mm: common practice, no source. */
const LAYER = 0.2;

/** How far the first layer reaches into the rest, mm. */
const INTO = 0.02;

/**
 * A body whose first layer is drawn in by what that layer spreads, so that it prints as wide as the rest, with a
 * brim or without. What is too narrow for it disappears from the first layer only. The body given is used up.
 */
export function withFirstLayer(kit: SolidKit, body: Manifold, process: Process | undefined): Manifold {
  const flare = process?.kind === 'printer' ? (process.flare ?? 0) : 0;
  const layer = process?.layer ?? LAYER;
  if (flare <= 0 || (body.boundingBox().max[2] ?? 0) <= 2 * layer) return body;
  const section = body.slice(layer / 2);
  const narrow = section.offset(-flare, 'Miter', 2);
  const upper = body.trimByPlane([0, 0, 1], layer);
  // It reaches a little into the rest, so that both are one shell and do not merely touch.
  const lower = narrow.isEmpty() ? undefined : narrow.extrude(layer + INTO);
  const made = lower ? kit.Manifold.union([lower, upper]) : upper.translate([0, 0, -layer]);
  for (const used of [section, narrow, body, lower]) used?.delete();
  return made;
}
