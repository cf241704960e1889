import { byId, type MeshJoint } from '../../document/machine/index.ts';
import { ringInterference } from '../../teeth/mesh/index.ts';
import { type Finding, finding, fix } from '../../ground/result/index.ts';
import { involuteDimensions, involuteFillet, ringDimensions } from '../../teeth/tooth/index.ts';
import type { MeshState } from '../state/index.ts';
import type { TeethFacts } from './teeth-facts.ts';

/** Less than this is not worth a word, mm. */
const SLIGHT = 0.001;

/** Whether a wheel fouls the ring it runs in: involute, trochoid, and in being put in. */
export function ringFindings(mesh: MeshJoint, state: MeshState | undefined, facts: TeethFacts): Finding[] {
  if (mesh.type !== 'internal' || !state) return [];
  const ids = state.swapped ? ([mesh.b, mesh.a] as const) : ([mesh.a, mesh.b] as const);
  const [wheel, ring] = ids.map(id => facts.wheels[id]?.teeth);
  const ringWheel = byId(facts.machine.wheels, ids[1]);
  if (wheel?.family !== 'involute' || ring?.family !== 'involute ring' || !ringWheel) return [];
  const [one, other] = [involuteDimensions(wheel.spec), ringDimensions(ring.spec)];
  const counts = [wheel.spec.count, ring.spec.count] as const;
  const margins = ringInterference({
    counts,
    tips: [one.tipRadius, other.tipRadius],
    bases: [one.baseRadius, other.baseRadius],
    distance: state.distance,
    form: involuteFillet(wheel.spec)?.formRadius,
  });
  const found: Finding[] = [];
  const by = -margins.involute;
  if (by > SLIGHT) {
    const shorten = Math.ceil((100 * by) / wheel.spec.module) / 100 + (ringWheel.shorten ?? 0);
    const fixes = shorten <= 1 ? [fix('set-shorten', ids[1], Math.round(shorten * 100) / 100)] : [];
    found.push(finding('ring-involute', 'warn', 'teeth', [mesh.id, ids[0], ids[1]], { by }, fixes));
  }
  if (margins.trochoid < 0) {
    const data = { count: counts[0], ring: counts[1] };
    found.push(finding('ring-trochoid', 'stop', 'teeth', [mesh.id, ids[0], ids[1]], data));
  } else if (margins.radial < 0)
    found.push(finding('ring-radial', 'note', 'teeth', [mesh.id, ids[0], ids[1]]));
  return found;
}
