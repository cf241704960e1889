import { magnetSold, nearestMagnet } from '../../document/bought/index.ts';
import {
  byId,
  circleCount,
  type MeshJoint,
  meshes,
  type Toothing,
  type Wheel,
  type FormKind,
} from '../../document/machine/index.ts';
import { pegCheck, pegPair } from '../../teeth/mesh/index.ts';
import { type Finding, finding, fix } from '../../ground/result/index.ts';
import { bevelPair, ironPieces, thrustSense, usualFaceWidth } from '../../teeth/tooth/index.ts';
import type { MeshState } from '../state/index.ts';
import type { TeethFacts } from './teeth-facts.ts';

interface Met {
  readonly mesh: MeshJoint;
  readonly state: MeshState | undefined;
  readonly facts: TeethFacts;
  readonly toothing: Toothing;
  readonly a: Wheel;
  readonly b: Wheel;
  readonly driver: Wheel | undefined;
}

/** Judgements that belong to one form of teeth: whether the pair is right for it, and which of the two drives. */
export function formMeshFindings(
  mesh: MeshJoint,
  state: MeshState | undefined,
  facts: TeethFacts,
): Finding[] {
  const { machine } = facts;
  const [a, b] = [byId(machine.wheels, mesh.a), byId(machine.wheels, mesh.b)];
  const toothing = byId(machine.toothings, a?.toothing);
  if (!a || !b || !toothing) return [];
  const driver = byId(machine.wheels, facts.flow.drives[mesh.id]);
  const met: Met = { mesh, state, facts, toothing, a, b, driver };
  return CHECKS[toothing.form.kind](met);
}

const fewer = (a: Wheel, b: Wheel): Wheel => ((circleCount(a) ?? 0) <= (circleCount(b) ?? 0) ? a : b);

/** Which of the two drives, against what the form is made for; and a wheel formed for two different mates. */
function clockFindings({ mesh, facts, toothing, a, b, driver }: Met): Finding[] {
  if (toothing.form.kind !== 'cycloidal') return [];
  const found: Finding[] = [];
  const pinion = fewer(a, b);
  const says = toothing.form.drives;
  if (driver && says !== 'both' && (driver.id === pinion.id) !== (says === 'pinion')) {
    const code = driver.id === pinion.id ? 'pinion-drives' : 'wheel-drives';
    const fixes = [fix(driver.id === pinion.id ? 'form-pinion-drives' : 'form-wheel-drives', mesh.id)];
    found.push(finding(code, 'warn', 'teeth', [mesh.id, driver.id], {}, fixes));
  }
  for (const wheel of [a, b]) {
    const others = meshes(facts.machine).filter(j => j.a === wheel.id || j.b === wheel.id);
    const counts = others.map(
      j => circleCount(byId(facts.machine.wheels, j.a === wheel.id ? j.b : j.a) ?? wheel) ?? 0,
    );
    if (others[0]?.id !== mesh.id && new Set(counts).size > 1)
      found.push(
        finding('two-mates', 'warn', 'teeth', [wheel.id], { first: counts[0] ?? 0, other: counts[1] ?? 0 }),
      );
  }
  return found;
}

function lanternFindings({ mesh, facts, a, b, driver }: Met): Finding[] {
  const found: Finding[] = [];
  const pins = [a, b].find(w => w.role === 'pins');
  if (!pins) return [finding('lantern-needs-pins', 'stop', 'teeth', [mesh.id])];
  const count = circleCount(pins) ?? 0;
  const wheel = facts.wheels[pins.id === a.id ? b.id : a.id]?.teeth;
  if (driver?.id === pins.id) found.push(finding('pins-drive', 'warn', 'teeth', [mesh.id, pins.id]));
  if (count < LEAST_PINS && wheel)
    found.push(finding('few-pins', 'warn', 'teeth', [mesh.id, pins.id], { count, least: LEAST_PINS }));
  return found;
}

/** Pins below which a lantern pinion runs badly (common practice, no source). */
const LEAST_PINS = 6;

/** Both ways of driving are computed; the one in use decides how much it matters. */
function pegFindings({ mesh, facts, toothing, a, b, driver }: Met): Finding[] {
  const { form } = toothing;
  const [za, zb] = [circleCount(a), circleCount(b)];
  const radius = facts.wheels[a.id]?.dimensions.pitchRadius;
  if (form.kind !== 'pegs' || za === undefined || zb === undefined || radius === undefined) return [];
  const pair = pegPair((2 * radius) / za, [za, zb], form.pegDiameter, form.pegLength);
  return (['first', 'second'] as const).flatMap(way => {
    const wheel = way === 'first' ? a : b;
    const check = pegCheck(pair, way, form.friction, PEG_STEPS);
    if (check.fault === 'none') return [];
    const used = driver === undefined || driver.id === wheel.id;
    const leaning = Math.max(0, ...check.positions.map(p => p.leaning));
    return [
      finding('pegs-fail', used ? 'stop' : 'note', 'teeth', [mesh.id, wheel.id], {
        fault: check.fault,
        ...(Number.isFinite(check.leastPlay) && { play: check.leastPlay }),
        binding: check.bindingAngle,
        friction: check.frictionAngle,
        leaning,
      }),
    ];
  });
}

const PEG_STEPS = 48;

function helicalFindings({ mesh, facts, toothing, a, b, driver }: Met): Finding[] {
  const helix = toothing.helixDeg ?? 0;
  if (mesh.type === 'crossed' && helix === 0)
    return [finding('crossed-needs-helix', 'stop', 'teeth', [mesh.id])];
  if (helix === 0 || (mesh.type !== 'external' && mesh.type !== 'internal')) return [];
  const [left, right] = [a.hand ?? 'right', b.hand ?? 'right'];
  const alike = left === right;
  if (alike !== (mesh.type === 'internal')) {
    const other = left === 'left' ? 'right' : 'left';
    const wanted = mesh.type === 'internal' ? left : other;
    const fixes = [fix(wanted === 'left' ? 'hand-left' : 'hand-right', b.id)];
    return [
      finding(
        'hands-wrong',
        'stop',
        'teeth',
        [mesh.id],
        { wanted: mesh.type === 'internal' ? 'alike' : 'opposite' },
        fixes,
      ),
    ];
  }
  if (toothing.double || !driver) return [];
  const turns = facts.senses[driver.member];
  if (turns !== 1 && turns !== -1) return [];
  const sense = thrustSense(driver.hand ?? 'right', turns, true);
  const share = Math.tan((helix * Math.PI) / 180);
  return [
    finding('thrust', 'note', 'teeth', [driver.id, driver.id === a.id ? b.id : a.id], { share, sense }),
  ];
}

function bevelFindings({ mesh, facts, toothing, a, b }: Met): Finding[] {
  const teeth = facts.wheels[a.id]?.teeth;
  const [za, zb] = [circleCount(a), circleCount(b)];
  if (mesh.type !== 'bevel' || teeth?.family !== 'bevel' || za === undefined || zb === undefined) return [];
  if (toothing.faceWidth === undefined) return [];
  const { coneDistance } = bevelPair(teeth.spec.module, [za, zb], mesh.shaftAngleDeg ?? 90, teeth.spec.form);
  const most = usualFaceWidth(coneDistance, teeth.spec.module);
  if (toothing.faceWidth <= most + 1e-9) return [];
  const fixes = [fix('set-face-width', mesh.id, Math.floor(most * 10) / 10)];
  return [
    finding(
      'face-wide',
      'warn',
      'teeth',
      [mesh.id],
      { width: toothing.faceWidth, most, cone: coneDistance },
      fixes,
    ),
  ];
}

function magnetFindings({ mesh, a, b, toothing }: Met): Finding[] {
  const found: Finding[] = [finding('magnets-slip', 'note', 'teeth', [mesh.id])];
  const { form } = toothing;
  if (form.kind === 'magnetic' && !magnetSold(form.magnet))
    found.push(
      finding('magnet-not-sold', 'note', 'teeth', [mesh.id], {}, [
        fix('set-magnet', toothing.id, nearestMagnet(form.magnet)),
      ]),
    );
  const [za, zb] = [circleCount(a) ?? 0, circleCount(b) ?? 0];
  const coaxial = mesh.type === 'internal' && za !== zb;
  if (coaxial) found.push(finding('iron-pieces', 'note', 'teeth', [mesh.id], { pieces: ironPieces(za, zb) }));
  return found;
}

/** What a mesh of each form is judged by, beside its roll; of some nothing is judged yet, which `FORMS` says. */
const CHECKS: { readonly [K in FormKind]: (met: Met) => Finding[] } = {
  involute: met => [...helicalFindings(met), ...bevelFindings(met)],
  cycloidal: clockFindings,
  lantern: lanternFindings,
  pegs: pegFindings,
  reducer: () => [],
  magnetic: magnetFindings,
  sprocket: () => [],
  spiral: () => [],
};
