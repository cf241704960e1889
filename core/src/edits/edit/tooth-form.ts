import { ROUND_MAGNETS } from '../../document/bought/index.ts';
import { type Attempt, withToothing } from '../change/index.ts';
import {
  byId,
  circleCount,
  type FormKind,
  FORMS,
  inMeshWith,
  type Machine,
  type MeshJoint,
  meshes,
  moduleOf,
  sizeMeasures,
  type Toothing,
  type Wheel,
} from '../../document/machine/index.ts';
import { PEG_REACH, pegModule } from '../../teeth/mesh/index.ts';
import { fail, ok, type Result } from '../../ground/result/index.ts';
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
        magnet: { shape: 'round', diameter: magnetFor(module) ?? round(0.9 * module) },
        gap: 0.5,
        wall: round(0.2 * module),
      };
    case 'sprocket':
    case 'spiral':
      return undefined;
  }
}

/** The largest round magnet that is sold and stands beside the next: two to a pole pair, on half a tooth each. */
const magnetFor = (module: number): number | undefined =>
  ROUND_MAGNETS.map(m => m.diameter)
    .filter(d => d <= 1.2 * module)
    .at(-1);

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
    const wheels = new Set(machine.wheels.filter(w => w.toothing === toothingId).map(w => w.id));
    const own = meshesOf(machine, wheels);
    const count = (id: string): number => countOf(machine, id);
    const differences = own.map(j => Math.abs(count(j.a) - count(j.b)));
    const swings = kind === 'magnetic' && own.some(j => j.type === 'reducer');
    const difference = Math.max(1, ...(differences.length > 0 ? [Math.min(...differences)] : []));
    const plain = formAt(kind, size, difference);
    if (!plain) return fail('form-not-yet', { form: FORMS[kind].called });
    const form =
      swings && plain.kind === 'magnetic'
        ? { ...plain, eccentricity: round(0.3 * size * difference) }
        : plain;
    return shaped(
      {
        ...machine,
        toothings: machine.toothings.map(t => (t.id === toothingId ? withForm(t, form, size, kind) : t)),
      },
      wheels,
      kind,
    );
  };
}

/**
 * Gives a mesh, or wheels, with all that meshes with them, another toothing of the machine; they take the roles and
 * kinds that its form asks. Refused where they cannot be of that form.
 */
export function takeToothing(subjects: readonly string[], toothingId: string): Attempt {
  return machine => {
    const toothing = byId(machine.toothings, toothingId);
    const group = inMeshWith(machine, ...subjects);
    if (!toothing || group.size === 0) return gone(toothing ? (subjects[0] ?? '') : toothingId);
    return shaped(withToothing(machine, group, toothingId), group, toothing.form.kind);
  };
}

const meshesOf = (machine: Machine, wheels: ReadonlySet<string>): MeshJoint[] =>
  meshes(machine).filter(j => wheels.has(j.a));

const countOf = (machine: Machine, id: string): number =>
  circleCount(byId(machine.wheels, id) ?? ({} as Wheel)) ?? 0;

/** Wheels in the roles, and their meshes of the kinds, that a form asks; refused where a mesh cannot be so. */
function shaped(machine: Machine, wheels: ReadonlySet<string>, kind: FormKind): Result<Machine> {
  const own = meshesOf(machine, wheels);
  const inside = (j: MeshJoint): boolean => j.type === 'internal' || j.type === 'reducer';
  if (kind === 'reducer' && own.some(j => !inside(j))) return fail('form-needs-ring');
  if (!FORMS[kind].inside && own.some(j => inside(j) || j.type === 'rack'))
    return fail('form-not-inside', { form: kind });
  const aIsLess = (j: MeshJoint): boolean => countOf(machine, j.a) <= countOf(machine, j.b);
  const smaller = new Set(own.map(j => (aIsLess(j) ? j.a : j.b)));
  const larger = new Set(own.map(j => (aIsLess(j) ? j.b : j.a)));
  return ok({
    ...machine,
    wheels: machine.wheels.map(w =>
      wheels.has(w.id) ? { ...w, role: roleOf(w, kind, smaller, larger) } : w,
    ),
    joints: machine.joints.map(j =>
      own.some(o => o.id === j.id) && j.kind === 'mesh' ? retyped(j, kind, inside(j)) : j,
    ),
  });
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
