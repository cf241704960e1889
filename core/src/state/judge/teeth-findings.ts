import {
  byId,
  circleCount,
  FORMS,
  type MeshJoint,
  meshes,
  processOf,
  teethOutside,
  type Wheel,
} from '../../document/machine/index.ts';
import { type Finding, finding, fix } from '../../ground/result/index.ts';
import { splitFindings } from './split-findings.ts';
import { bodyFindings } from './body-findings.ts';
import { contactFixes, LEAST_CONTACT } from './contact-fixes.ts';
import { meshOverlap, type MeshState, type WheelState } from '../state/index.ts';
import { featureFindings } from './feature-findings.ts';
import { formMeshFindings } from './form-findings.ts';
import { filletFindings, involuteFindings } from './involute-findings.ts';
import { pinPlateFinding, reducerFindings } from './reducer-findings.ts';
import { pinPlates } from '../../place/layout/index.ts';
import { rimFindings } from './rim-findings.ts';
import { ringFindings } from './ring-findings.ts';
import type { TeethFacts } from './teeth-facts.ts';

/** Subject of findings that concern the machine as a whole. */
export const MACHINE_SUBJECT = 'machine';

/** Judgements about teeth: each with what was measured, the limit, and a fix where one is known. */
export function teethFindings(facts: TeethFacts): Finding[] {
  const { machine, wheels } = facts;
  return [
    ...machine.toothings.flatMap(t => filletFindings(machine, t.id, wheels)),
    ...machine.wheels.flatMap(w => wheelFindings(facts, w, wheels[w.id])),
    ...meshes(machine).flatMap(j => meshFindings(facts, j)),
  ];
}

function wheelFindings(facts: TeethFacts, wheel: Wheel, state: WheelState | undefined): Finding[] {
  const { machine } = facts;
  if (!state) {
    if (wheel.teeth.kind === 'open') return [];
    const form = byId(machine.toothings, wheel.toothing)?.form.kind;
    if (form === undefined) return [];
    const { called, needsMate } = FORMS[form];
    if (needsMate && wheel.teeth.kind === 'count')
      return [finding('needs-mate', 'warn', 'teeth', [wheel.id], { kind: called })];
    const kind = wheel.role === 'wheel' ? called : wheel.role;
    return [finding('teeth-not-drawn', 'warn', 'teeth', [wheel.id], { kind })];
  }
  if (isWorm(machine, wheel)) return [];
  if (!state.outline.ok) {
    const { problem } = state.outline;
    const largest = problem.code === 'cusp-in-lobes' ? Math.floor(problem.data.largest * 95) / 100 : 0;
    const fixes = largest > 0 ? [fix('set-pin', wheel.id, largest)] : [];
    return [finding('teeth-impossible', 'stop', 'teeth', [wheel.id], { problem }, fixes)];
  }
  return [
    ...(state.spec && state.involute ? involuteFindings(wheel, state.spec, state.involute) : []),
    ...bodyFindings(wheel, state, processOf(machine, wheel.id)?.fits),
    ...splitFindings(wheel, state, processOf(machine, wheel.id)?.fits, outsideOf(facts, wheel)),
    ...rimFindings(facts, wheel),
    ...featureFindings(machine, wheel, state),
    ...reducerFindings(machine, wheel, state),
  ];
}

/** The teeth outside the rim of a ring. */
function outsideOf({ machine, wheels }: TeethFacts, ring: Wheel): Parameters<typeof splitFindings>[3] {
  const outside = teethOutside(machine, ring);
  const [count, outline] = [outside && circleCount(outside), outside && wheels[outside.id]?.outline];
  return count !== undefined && outline?.ok ? { count, outline: outline.value } : undefined;
}

/** A worm's count is its starts: it is no pinion of so few teeth; what of it is not worked out is told elsewhere. */
const isWorm = ({ joints }: TeethFacts['machine'], wheel: Wheel): boolean =>
  joints.some(j => j.kind === 'mesh' && j.type === 'worm' && j.a === wheel.id);

function meshFindings(facts: TeethFacts, mesh: MeshJoint): Finding[] {
  const { machine } = facts;
  const [a, b] = [byId(machine.wheels, mesh.a), byId(machine.wheels, mesh.b)];
  if (a && b && a.toothing !== b.toothing) return [finding('toothings-differ', 'stop', 'teeth', [mesh.id])];
  const plated = pinPlates(machine).find(p => p.rolling.some(r => r.mesh === mesh.id));
  if (plated) {
    const behind = pinPlateFinding(plated, mesh.id);
    if (behind) return [behind];
  }
  const flat = mesh.type === 'external' || mesh.type === 'internal' || (mesh.type === 'reducer' && !plated);
  if (a && b && flat && a.layer !== b.layer)
    return [finding('layers-differ', 'stop', 'plan', [mesh.id], { a: a.layer, b: b.layer })];
  if (a?.id === b?.id) return [finding('wheel-meshes-itself', 'stop', 'teeth', [mesh.id])];
  const state = facts.meshes[mesh.id];
  return [
    ...(state ? [...contactFinding(facts, mesh, state), ...playFinding(mesh, state)] : []),
    ...ringFindings(mesh, state, facts),
    ...formMeshFindings(mesh, state, facts),
  ];
}

function contactFinding(facts: TeethFacts, mesh: MeshJoint, state: MeshState): Finding[] {
  const across = state.contactRatio;
  if (across === undefined) return [];
  const is = across + meshOverlap(facts.machine, mesh, facts.modules);
  if (is >= LEAST_CONTACT) return [];
  const data = { is, least: LEAST_CONTACT };
  return [
    finding('little-contact', is < 1 ? 'stop' : 'warn', 'teeth', [mesh.id], data, contactFixes(mesh, state)),
  ];
}

function playFinding(mesh: MeshJoint, state: MeshState): Finding[] {
  if (state.play >= 0) return [];
  const fixes = [fix('set-spread', mesh.id, 0)];
  return [finding('no-play', 'stop', 'teeth', [mesh.id], { play: state.play }, fixes)];
}
