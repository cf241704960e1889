import type { Attempt } from '../change/index.ts';
import {
  byId,
  circleCount,
  type FormKind,
  FORMS,
  type MeshJoint,
  meshes,
  moduleOf,
  sizeMeasures,
  type Toothing,
  type Wheel,
} from '../../document/machine/index.ts';
import { PEG_REACH, pegModule } from '../../teeth/mesh/index.ts';
import { fail, ok } from '../../ground/result/index.ts';
import { gone } from './sound.ts';

type Form = Toothing['form'];

const round = (x: number): number => Math.max(0.01, Math.round(x * 100) / 100);

/** Sizes of a form at a module (mm) for a maker who says nothing (common practice, no source). */
function formAt(kind: FormKind, module: number, difference: number): Form | undefined {
  switch (kind) {
    case 'involute':
      return { kind, pressureAngleDeg: 20, addendum: 1, dedendum: 1.25, fillet: 0.38 };
    case 'cycloidal':
      return { kind, drives: 'wheel', tip: 'eased', practical: 0.95, clearance: 0.4 };
    case 'lantern':
      return { kind, pinDiameter: round(1.25 * module), practical: 0.9, clearance: 0.1 };
    case 'pegs': {
      const pegDiameter = round(module / pegModule(1));
      return { kind, pegDiameter, pegLength: round(PEG_REACH * pegDiameter), friction: 0.35 };
    }
    case 'reducer':
      return {
        kind,
        pinDiameter: round(1.2 * module),
        eccentricity: round(0.3 * module * difference),
        offset: 0.05,
        ring: 'pins',
      };
    case 'magnetic':
      return {
        kind,
        magnet: { shape: 'round', diameter: round(0.9 * module) },
        gap: 0.5,
        wall: round(0.2 * module),
      };
    case 'sprocket':
    case 'spiral':
      return undefined;
  }
}

/**
 * Gives a toothing another form, with its usual sizes at the module it has; wheels take the roles and meshes the
 * kinds that the form asks. Refused with a sentence where a mesh cannot be of that form.
 */
export function setToothForm(toothingId: string, kind: FormKind): Attempt {
  return machine => {
    const toothing = byId(machine.toothings, toothingId);
    if (!toothing) return gone(toothingId);
    const module = moduleOf(toothing, machine);
    const size = module.ok ? module.value : 1;
    const own = meshes(machine).filter(j => byId(machine.wheels, j.a)?.toothing === toothingId);
    const count = (id: string): number => circleCount(byId(machine.wheels, id) ?? ({} as Wheel)) ?? 0;
    const inside = (j: MeshJoint): boolean => j.type === 'internal' || j.type === 'reducer';
    if (kind === 'reducer' && own.some(j => !inside(j))) return fail('form-needs-ring');
    if (!FORMS[kind].inside && own.some(j => inside(j) || j.type === 'rack'))
      return fail('form-not-inside', { form: kind });
    const differences = own.map(j => Math.abs(count(j.a) - count(j.b)));
    const swings = kind === 'magnetic' && own.some(j => j.type === 'reducer');
    const difference = Math.max(1, ...(differences.length > 0 ? [Math.min(...differences)] : []));
    const plain = formAt(kind, size, difference);
    if (!plain) return fail('form-not-yet', { form: FORMS[kind].called });
    const form =
      swings && plain.kind === 'magnetic'
        ? { ...plain, eccentricity: round(0.3 * size * difference) }
        : plain;
    const smaller = new Set(own.map(j => (count(j.a) <= count(j.b) ? j.a : j.b)));
    const larger = new Set(own.map(j => (count(j.a) <= count(j.b) ? j.b : j.a)));
    return ok({
      ...machine,
      toothings: machine.toothings.map(t => (t.id === toothingId ? withForm(t, form, size, kind) : t)),
      wheels: machine.wheels.map(w =>
        w.toothing === toothingId ? { ...w, role: roleOf(w, kind, smaller, larger) } : w,
      ),
      joints: machine.joints.map(j =>
        own.some(o => o.id === j.id) && j.kind === 'mesh' ? retyped(j, kind, inside(j)) : j,
      ),
    });
  };
}

/** Forms that are not involute keep their module and drop what only involutes have. */
function withForm(toothing: Toothing, form: Form, module: number, kind: FormKind): Toothing {
  const { helixDeg: _, double: __, faceWidth: ___, ...plain } = toothing;
  if (FORMS[kind].leans) return { ...toothing, form };
  const byWheel = sizeMeasures(toothing.size).wheel !== undefined && !FORMS[kind].byDiameter;
  const size = byWheel ? ({ by: 'module', module: round(module) } as const) : toothing.size;
  return { ...plain, form, size };
}

function roleOf(
  wheel: Wheel,
  kind: FormKind,
  smaller: ReadonlySet<string>,
  larger: ReadonlySet<string>,
): Wheel['role'] {
  switch (kind) {
    case 'lantern':
      return smaller.has(wheel.id) ? 'pins' : 'wheel';
    case 'pegs':
      return 'wheel';
    case 'reducer':
      return larger.has(wheel.id) ? 'pins' : 'disc';
    case 'involute':
    case 'cycloidal':
    case 'magnetic':
    case 'sprocket':
    case 'spiral':
      if (wheel.role === 'pins' && larger.has(wheel.id) && !smaller.has(wheel.id)) return 'ring';
      return wheel.role === 'pins' || wheel.role === 'disc' ? 'wheel' : wheel.role;
  }
}

function retyped(mesh: MeshJoint, kind: FormKind, inside: boolean): MeshJoint {
  if (kind === 'pegs') return { ...mesh, type: 'pegs' };
  if (kind === 'reducer') return { ...mesh, type: 'reducer' };
  if (mesh.type === 'pegs') return { ...mesh, type: kind === 'involute' ? 'bevel' : 'external' };
  if (inside && mesh.type === 'reducer' && kind === 'involute') return { ...mesh, type: 'internal' };
  if (kind !== 'involute' && mesh.type !== 'internal' && mesh.type !== 'reducer')
    return { ...mesh, type: 'external' };
  return mesh;
}
