import {
  byId,
  circleCount,
  type Machine,
  meshes,
  type MeshJoint,
  type Wheel,
  moduleOf,
} from '../machine/index.ts';
import { type Pair, tipShortening } from '../mesh/index.ts';
import { involuteDimensions, involuteOutline, type ToothSpec } from '../tooth/index.ts';
import { finding } from '../result/index.ts';
import type { ModuleTable, WheelState } from './derived.ts';

type Parts = Pick<Machine, 'wheels' | 'joints' | 'toothings'>;

/** The module of every toothing. */
export function moduleTable(machine: Parts): ModuleTable {
  const modules: Record<string, number> = {};
  const findings = [];
  for (const t of machine.toothings) {
    const m = moduleOf(t, machine);
    if (m.ok) modules[t.id] = m.value;
    else findings.push(finding('no-module', 'warn', 'teeth', [t.id], { problem: m.problem.code }));
  }
  return { modules, findings };
}

/** The pair of external involute wheels that a mesh joins; undefined for any other kind of mesh or an open count. */
export function pairOf(machine: Parts, table: ModuleTable, mesh: MeshJoint): Pair | undefined {
  const a = byId(machine.wheels, mesh.a);
  const b = byId(machine.wheels, mesh.b);
  const toothing = byId(machine.toothings, a?.toothing);
  const [za, zb] = [a && circleCount(a), b && circleCount(b)];
  const module = toothing && table.modules[toothing.id];
  if (!a || !b || za === undefined || zb === undefined || module === undefined) return undefined;
  if (mesh.type !== 'external' || toothing?.form.kind !== 'involute' || a.toothing !== b.toothing)
    return undefined;
  if (![a, b].every(w => w.role === 'wheel')) return undefined;
  return {
    module,
    pressureAngleDeg: toothing.form.pressureAngleDeg,
    counts: [za, zb],
    shifts: [a.shift ?? 0, b.shift ?? 0],
  };
}

/** Teeth of every external involute wheel. Outlines with an unchanged key are taken from before. */
export function wheelStates(
  machine: Parts,
  table: ModuleTable,
  chordError: number,
  before: Readonly<Record<string, WheelState>> | undefined,
): Readonly<Record<string, WheelState>> {
  const known = new Map(Object.values(before ?? {}).map(s => [s.key, s] as const));
  const states: Record<string, WheelState> = {};
  for (const wheel of machine.wheels) {
    const spec = toothSpec(machine, table, wheel);
    if (!spec) continue;
    const key = JSON.stringify([spec, chordError]);
    const state = known.get(key) ?? {
      spec,
      dimensions: involuteDimensions(spec),
      outline: involuteOutline(spec, chordError),
      key,
    };
    known.set(key, state);
    states[wheel.id] = state;
  }
  return states;
}

function toothSpec(machine: Parts, table: ModuleTable, wheel: Wheel): ToothSpec | undefined {
  const toothing = byId(machine.toothings, wheel.toothing);
  const count = circleCount(wheel);
  const module = table.modules[wheel.toothing];
  if (toothing?.form.kind !== 'involute' || count === undefined || module === undefined) return undefined;
  if (wheel.role !== 'wheel' || wheel.teeth.kind !== 'count' || toothing.helixDeg) return undefined;
  const pairs = meshes(machine)
    .filter(j => j.a === wheel.id || j.b === wheel.id)
    .flatMap(j => pairOf(machine, table, j) ?? []);
  return {
    form: toothing.form,
    module,
    count,
    shift: wheel.shift ?? 0,
    shortening: Math.min(0, ...pairs.map(tipShortening)),
    thinning: toothing.play / 2,
  };
}
