import {
  byId,
  circleCount,
  type InvoluteForm,
  type Machine,
  type MeshJoint,
  meshes,
  type Toothing,
  USUAL_RIM,
  type Wheel,
} from '../../document/machine/index.ts';
import { tipShortening } from '../../teeth/mesh/index.ts';
import {
  bevelPair,
  cycloidalDimensions,
  type CycloidalSpec,
  type TeethSpec,
  type ToothSpec,
  transverseSpec,
} from '../../teeth/tooth/index.ts';
import { type ModuleTable, pairOf } from '../state/index.ts';

type Parts = Pick<Machine, 'wheels' | 'joints' | 'toothings'>;

/** Thickness of a leaf in modules: pinions to ten leaves, and above (BS 978-2, from memory). */
const LEAF = { few: 1.05, many: 1.25, upTo: 10 } as const;
/** Radius of the root corners of a clock wheel, in modules (common practice, no source). */
const CYCLOIDAL_FILLET = 0.2;

/**
 * What decides the teeth of a wheel, by the form of its toothing, its role and its mates; undefined while it is
 * open or of a kind not drawn yet.
 */
export function teethSpec(machine: Parts, table: ModuleTable, wheel: Wheel): TeethSpec | undefined {
  const toothing = byId(machine.toothings, wheel.toothing);
  const count = circleCount(wheel);
  const module = table.modules[wheel.toothing];
  if (!toothing || count === undefined || module === undefined || wheel.teeth.kind !== 'count')
    return undefined;
  const found: Found = {
    machine,
    table,
    wheel,
    toothing,
    count,
    module,
    rim: wheel.body?.rim ?? USUAL_RIM * module,
  };
  switch (toothing.form.kind) {
    case 'involute':
      return involuteTeeth(found, toothing.form);
    case 'cycloidal':
      return cycloidalTeeth(found);
    case 'lantern':
      return lanternTeeth(found, toothing.form);
    case 'pegs': {
      const { pegDiameter } = toothing.form;
      return {
        family: 'pegs',
        spec: { count, pitchRadius: (module * count) / 2, pinDiameter: pegDiameter, rim: pegDiameter },
      };
    }
    case 'reducer':
      return reducerTeeth(found, toothing.form);
    case 'magnetic':
      return magnetTeeth(found, toothing.form);
    case 'sprocket':
    case 'spiral':
      return undefined;
  }
}

interface Found {
  readonly machine: Parts;
  readonly table: ModuleTable;
  readonly wheel: Wheel;
  readonly toothing: Toothing;
  readonly count: number;
  /** Transverse, mm. */
  readonly module: number;
  readonly rim: number;
}

const meshesOf = ({ machine, wheel }: Found): MeshJoint[] =>
  meshes(machine).filter(j => j.a === wheel.id || j.b === wheel.id);

/** The wheels that this one meets, in the order of the meshes. */
const matesOf = (found: Found): Wheel[] =>
  meshesOf(found).flatMap(j => byId(found.machine.wheels, j.a === found.wheel.id ? j.b : j.a) ?? []);

function involuteTeeth(found: Found, form: InvoluteForm): TeethSpec | undefined {
  const { machine, table, wheel, toothing, count, module } = found;
  const pairs = meshesOf(found).flatMap(j => pairOf(machine, table, j)?.pair ?? []);
  const external = pairs.filter(p => p.counts.every(z => z > 0));
  const byMates = wheel.role === 'wheel' ? Math.min(0, ...external.map(tipShortening)) : 0;
  const normal: ToothSpec = {
    ...{ form, count, module: table.normal[toothing.id] ?? module, shift: wheel.shift ?? 0 },
    shortening: byMates - (wheel.shorten ?? 0),
    thinning: toothing.play / 2,
  };
  const spec = transverseSpec(normal, toothing.helixDeg ?? 0);
  if (wheel.role === 'ring') return { family: 'involute ring', spec, rim: found.rim };
  if (wheel.role === 'rack') return { family: 'involute rack', spec, back: found.rim };
  if (wheel.role !== 'wheel') return undefined;
  const bevel = meshesOf(found).find(j => j.type === 'bevel');
  const mate = bevel && byId(machine.wheels, bevel.a === wheel.id ? bevel.b : bevel.a);
  const other = mate && circleCount(mate);
  if (!bevel || other === undefined) return { family: 'involute', spec };
  return {
    family: 'bevel',
    spec,
    cone: bevelPair(module, [count, other], bevel.shaftAngleDeg ?? 90, form).cones[0],
  };
}

/** The pinion of two is the one with fewer teeth. Two wheels of one count: the first that was made is the wheel. */
const isPinion = (wheel: Wheel, mate: Wheel, order: readonly Wheel[]): boolean => {
  const [own, other] = [circleCount(wheel) ?? 0, circleCount(mate) ?? 0];
  return own === other ? order.indexOf(wheel) > order.indexOf(mate) : own < other;
};

/** A clock wheel or pinion for its (first) mate. */
function cycloidalTeeth(found: Found): TeethSpec | undefined {
  const { machine, wheel, count } = found;
  const mate = matesOf(found)[0];
  const other = mate && circleCount(mate);
  if (!mate || other === undefined) return undefined;
  const pinion = isPinion(wheel, mate, machine.wheels);
  const own = halfSpec(found, count, other, pinion);
  const mates = halfSpec(found, other, count, !pinion);
  if (!own || !mates) return undefined;
  const clearance = found.toothing.form.kind === 'cycloidal' ? found.toothing.form.clearance : 0;
  const dedendum = cycloidalDimensions(mates).addendum + clearance * found.module;
  return { family: 'cycloidal', spec: { ...own, dedendum } };
}

function halfSpec(
  { toothing, module }: Found,
  count: number,
  mate: number,
  pinion: boolean,
): CycloidalSpec | undefined {
  const { form } = toothing;
  if (form.kind !== 'cycloidal') return undefined;
  const drives = form.drives === 'both' || (form.drives === 'pinion') === pinion;
  const leaf = form.leaf ?? (count <= LEAF.upTo ? LEAF.few : LEAF.many);
  const thickness = (drives ? Math.PI / 2 : leaf) * module - toothing.play / 2;
  return {
    ...{ module, count, mate, drives, thickness, tip: form.tip, practical: form.practical },
    dedendum: 0,
    fillet: CYCLOIDAL_FILLET * module,
  };
}

function lanternTeeth(
  found: Found,
  form: Extract<Toothing['form'], { kind: 'lantern' }>,
): TeethSpec | undefined {
  const { wheel, count, module, toothing } = found;
  if (wheel.role === 'pins')
    return {
      family: 'pins',
      spec: {
        count,
        pitchRadius: (module * count) / 2,
        pinDiameter: form.pinDiameter,
        rim: wheel.body?.rim ?? form.pinDiameter / 2,
      },
    };
  const pins = matesOf(found).find(w => w.role === 'pins');
  const number = pins && circleCount(pins);
  if (number === undefined) return undefined;
  return {
    family: 'lantern wheel',
    spec: {
      ...{ module, count, pins: number, pinDiameter: form.pinDiameter, play: toothing.play },
      practical: form.practical,
      clearance: form.clearance * module,
    },
  };
}

function reducerTeeth(
  found: Found,
  form: Extract<Toothing['form'], { kind: 'reducer' }>,
): TeethSpec | undefined {
  const { wheel, count, module } = found;
  const mate = matesOf(found)[0];
  const other = mate && circleCount(mate);
  if (other === undefined) return undefined;
  const disc = wheel.role === 'disc' || (wheel.role === 'wheel' && count < other);
  const [lobes, pins] = disc ? [count, other] : [other, count];
  const spec = {
    ...{ lobes, pins, pinDiameter: form.pinDiameter, eccentricity: form.eccentricity, offset: form.offset },
    pinCircleRadius: (module * pins) / 2,
  };
  if (disc) return { family: 'reducer disc', spec };
  return { family: form.ring === 'pins' ? 'reducer pins' : 'reducer lobes', spec, rim: found.rim };
}

function magnetTeeth(found: Found, form: Extract<Toothing['form'], { kind: 'magnetic' }>): TeethSpec {
  const { wheel, count, module } = found;
  const pitchRadius = (module * count) / 2;
  const inside = wheel.role === 'ring';
  const rimRadius = magnetRimRadius(found, form);
  const spec = { pairs: count, rimRadius, inside, magnet: form.magnet, wall: form.wall };
  return { family: 'magnets', spec, pitchRadius, rim: wheel.body?.rim ?? form.wall + 2 };
}

/**
 * Side by side, rims stand half the gap within their pitch circles; a disc that swings stands back from its ring by
 * eccentricity and gap.
 */
function magnetRimRadius(found: Found, form: Extract<Toothing['form'], { kind: 'magnetic' }>): number {
  const { wheel, count, module } = found;
  const own = (module * count) / 2;
  const mate = matesOf(found)[0];
  const swings = form.eccentricity !== undefined && meshesOf(found).some(j => j.type === 'reducer');
  if (!swings || !mate) return wheel.role === 'ring' ? own + form.gap / 2 : own - form.gap / 2;
  if (wheel.role === 'ring') return own;
  return (module * (circleCount(mate) ?? count)) / 2 - (form.eccentricity ?? 0) - form.gap;
}
