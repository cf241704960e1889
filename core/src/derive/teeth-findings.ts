import { byId, type Machine, meshes, type Wheel } from '../machine/index.ts';
import { centreDistance, contactRatio, type Pair, tipShortening } from '../mesh/index.ts';
import { type Finding, finding, type Fix } from '../result/index.ts';
import {
  fullRound,
  isUndercut,
  shiftWithoutUndercut,
  straightDepth,
  undercutLimit,
  involuteDimensions,
  type ToothSpec,
} from '../tooth/index.ts';
import type { MeshState, WheelState } from './derived.ts';

/** Contact ratio below which a mesh is not trusted to run smoothly (common practice, no source). */
const LEAST_CONTACT = 1.2;
/** Least wall between bore and tooth root, in modules (common practice, no source). */
const LEAST_WALL = 1;
/** Subject of findings that concern the machine as a whole. */
export const MACHINE_SUBJECT = 'machine';

type Parts = Pick<Machine, 'wheels' | 'joints' | 'toothings'>;

/** Judgements about teeth: each with what was measured, the limit, and a fix where one is known. */
export function teethFindings(
  machine: Parts,
  wheels: Readonly<Record<string, WheelState>>,
  states: Readonly<Record<string, MeshState>>,
): Finding[] {
  return [
    ...machine.toothings.flatMap(t => filletFindings(machine, t.id, wheels)),
    ...machine.wheels.flatMap(w => wheelFindings(machine, w, wheels[w.id])),
    ...meshes(machine).flatMap(j => meshFindings(machine, j, states[j.id])),
  ];
}

function wheelFindings(machine: Parts, wheel: Wheel, state: WheelState | undefined): Finding[] {
  if (!state) {
    if (wheel.teeth.kind === 'open') return [];
    const kind =
      wheel.role === 'wheel' ? (byId(machine.toothings, wheel.toothing)?.form.kind ?? '') : wheel.role;
    return [finding('teeth-not-drawn', 'note', 'teeth', [wheel.id], { kind })];
  }
  if (!state.outline.ok) {
    const { code, data } = state.outline.problem;
    return [finding('teeth-impossible', 'stop', 'teeth', [wheel.id], { ...data, problem: code })];
  }
  return [...undercutFinding(wheel, state), ...pointedFinding(wheel, state), ...boreFinding(wheel, state)];
}

function undercutFinding(wheel: Wheel, { spec }: WheelState): Finding[] {
  if (!isUndercut(spec)) return [];
  const limit = undercutLimit(spec.form.pressureAngleDeg, spec.shift, straightDepth(spec));
  const slight = spec.count >= Math.floor(limit);
  const shift = Math.ceil(shiftWithoutUndercut(spec) * 100) / 100;
  const fixes = shift <= 1 ? [{ code: 'set-shift', subject: wheel.id, value: shift }] : [];
  return [
    finding('undercut', slight ? 'note' : 'warn', 'teeth', [wheel.id], { count: spec.count, limit }, fixes),
  ];
}

function pointedFinding(wheel: Wheel, { spec, dimensions }: WheelState): Finding[] {
  const least = 0.2 * spec.module;
  if (dimensions.tipThickness >= least) return [];
  const pointed = dimensions.tipThickness === 0;
  const stub = stubAddendum(spec, least);
  const fixes =
    spec.shift > 0
      ? [{ code: 'set-shift', subject: wheel.id, value: Math.round(spec.shift * 50) / 100 }]
      : stub === undefined
        ? []
        : [{ code: 'set-addendum', subject: wheel.toothing, value: stub }];
  const data = { tip: dimensions.tipThickness, least };
  return [
    finding(
      pointed ? 'pointed-tip' : 'thin-tip',
      pointed ? 'stop' : 'warn',
      'teeth',
      [wheel.id],
      data,
      fixes,
    ),
  ];
}

/** The largest addendum, in steps of 0.05 down to a half, at which the tips are thick enough. */
function stubAddendum(spec: ToothSpec, least: number): number | undefined {
  for (let steps = Math.floor(spec.form.addendum * 20) - 1; steps >= 10; steps--) {
    const form = { ...spec.form, addendum: steps / 20 };
    if (involuteDimensions({ ...spec, form }).tipThickness >= least) return steps / 20;
  }
  return undefined;
}

function boreFinding(wheel: Wheel, { spec, dimensions }: WheelState): Finding[] {
  if (wheel.bore?.kind !== 'round') return [];
  const wall = dimensions.rootRadius - wheel.bore.diameter / 2;
  const least = LEAST_WALL * spec.module;
  if (wall >= least) return [];
  const largest = Math.floor(20 * (dimensions.rootRadius - least)) / 10;
  const fixes = largest > 0 ? [{ code: 'set-bore', subject: wheel.id, value: largest }] : [];
  const data = { bore: wheel.bore.diameter, root: 2 * dimensions.rootRadius, wall, least };
  return [
    finding(
      wall <= 0 ? 'bore-through-root' : 'thin-wall',
      wall <= 0 ? 'stop' : 'warn',
      'teeth',
      [wheel.id],
      data,
      fixes,
    ),
  ];
}

function filletFindings(
  machine: Parts,
  toothing: string,
  wheels: Readonly<Record<string, WheelState>>,
): Finding[] {
  const own = machine.wheels.filter(w => w.toothing === toothing).flatMap(w => wheels[w.id] ?? []);
  const first = own[0];
  if (!first) return [];
  const largest = Math.min(...own.map(s => fullRound(s.spec)));
  const fillet = first.spec.form.fillet;
  if (largest < 0 || fillet <= largest + 1e-9) return [];
  const fixes = [{ code: 'set-fillet', subject: toothing, value: Math.floor(largest * 1000) / 1000 }];
  return [finding('fillet-too-large', 'warn', 'teeth', [toothing], { fillet, largest }, fixes)];
}

function meshFindings(
  machine: Parts,
  mesh: { id: string; type: string; a: string; b: string; spread?: number | undefined },
  state: MeshState | undefined,
): Finding[] {
  const [a, b] = [byId(machine.wheels, mesh.a), byId(machine.wheels, mesh.b)];
  if (a && b && a.toothing !== b.toothing) return [finding('toothings-differ', 'stop', 'teeth', [mesh.id])];
  const flat = mesh.type === 'external' || mesh.type === 'internal';
  if (a && b && flat && a.layer !== b.layer)
    return [finding('layers-differ', 'stop', 'plan', [mesh.id], { a: a.layer, b: b.layer })];
  if (a?.id === b?.id) return [finding('wheel-meshes-itself', 'stop', 'teeth', [mesh.id])];
  if (!state) return [];
  const found: Finding[] = [];
  if (state.contactRatio < LEAST_CONTACT) {
    const fixes = contactFixes(mesh, state);
    const severity = state.contactRatio < 1 ? 'stop' : 'warn';
    found.push(
      finding(
        'little-contact',
        severity,
        'teeth',
        [mesh.id],
        { is: state.contactRatio, least: LEAST_CONTACT },
        fixes,
      ),
    );
  }
  if (state.play < 0) {
    const fixes = [{ code: 'set-spread', subject: mesh.id, value: 0 }];
    found.push(finding('no-play', 'stop', 'teeth', [mesh.id], { play: state.play }, fixes));
  }
  return found;
}

/** Single changes that bring the contact up to the limit: centres as theory has them, or less profile shift on one wheel. Each is tried on the teeth themselves. */
function contactFixes(
  mesh: { id: string; a: string; b: string; spread?: number | undefined },
  state: MeshState,
): Fix[] {
  const { pair, specs } = state;
  const spread = mesh.spread ?? 0;
  const fixes: Fix[] = [];
  if (spread > 0 && contactWith(pair, specs, pair.shifts, 0) >= LEAST_CONTACT)
    fixes.push({ code: 'set-spread', subject: mesh.id, value: 0 });
  for (const [i, wheel] of [mesh.a, mesh.b].entries()) {
    const now = pair.shifts[i] ?? 0;
    const enough = [0.75, 0.5, 0.25, 0]
      .map(part => Math.round(now * part * 100) / 100)
      .find(
        shift =>
          contactWith(pair, specs, i === 0 ? [shift, pair.shifts[1]] : [pair.shifts[0], shift], spread) >=
          LEAST_CONTACT,
      );
    if (now > 0 && enough !== undefined) fixes.push({ code: 'set-shift', subject: wheel, value: enough });
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
