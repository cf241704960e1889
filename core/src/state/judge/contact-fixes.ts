import type { MeshJoint } from '../../document/machine/index.ts';
import { centreDistance, contactRatio, type Pair, tipShortening } from '../../teeth/mesh/index.ts';
import { type Fix, fix } from '../../ground/result/index.ts';
import type { ToothSpec } from '../../teeth/tooth/index.ts';
import type { MeshState } from '../state/index.ts';

/** Contact ratio below which a mesh is not trusted to run smoothly (common practice, no source). */
export const LEAST_CONTACT = 1.2;

/**
 * Single changes that bring the contact up to the limit: centres as theory has them, or less profile shift on one
 * wheel. Each is tried on the teeth themselves.
 */
export function contactFixes(mesh: MeshJoint, { pair, specs }: MeshState): Fix[] {
  if (!pair || !specs) return [];
  const spread = mesh.spread ?? 0;
  const fixes: Fix[] = [];
  if (spread > 0 && contactWith(pair, specs, pair.shifts, 0) >= LEAST_CONTACT)
    fixes.push(fix('set-spread', mesh.id, 0));
  for (const [i, wheel] of [mesh.a, mesh.b].entries()) {
    const now = pair.shifts[i] ?? 0;
    const enough = [0.75, 0.5, 0.25, 0]
      .map(part => Math.round(now * part * 100) / 100)
      .find(
        shift =>
          contactWith(pair, specs, i === 0 ? [shift, pair.shifts[1]] : [pair.shifts[0], shift], spread) >=
          LEAST_CONTACT,
      );
    if (now > 0 && enough !== undefined) fixes.push(fix('set-shift', wheel, enough));
  }
  return fixes;
}

function contactWith(
  pair: Pair,
  specs: readonly [ToothSpec, ToothSpec],
  shifts: readonly [number, number],
  spread: number,
): number {
  const changed = { ...pair, shifts };
  const shortening = tipShortening(changed);
  const distance = centreDistance(changed);
  if (distance === undefined) return 0;
  const [a, b] = specs.map((s, i) => ({ ...s, shift: shifts[i] ?? 0, shortening }));
  return a && b ? contactRatio(a, b, distance + spread) : 0;
}
