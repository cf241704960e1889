import { table } from '../../ground/result/index.ts';
import { byId, circleCount, type Machine, type MeshJoint, meshes } from '../../document/machine/index.ts';
import {
  centreDistance,
  contactRatio,
  type Engagement,
  internalContactRatio,
  playFromSpread,
  type Stand,
} from '../../teeth/mesh/index.ts';
import { degrees } from '../../ground/units/index.ts';
import { type MeshState, type ModuleTable, type WheelState, pairOf } from '../state/index.ts';

type Parts = Pick<Machine, 'wheels' | 'joints' | 'toothings'>;

/** Centre distance, contact, play and engagement of every mesh whose teeth are drawn and lie in one plane. */
export function meshStates(
  machine: Parts,
  sizes: ModuleTable,
  wheels: Readonly<Record<string, WheelState>>,
): Readonly<Record<string, MeshState>> {
  const states: Record<string, MeshState> = table();
  for (const mesh of meshes(machine)) {
    const state = involuteMesh(machine, sizes, mesh, wheels) ?? otherMesh(machine, mesh, wheels);
    if (state) states[mesh.id] = state;
  }
  return states;
}

/** A pair of involute wheels side by side or one in a ring, with all that is known of it by formula. */
function involuteMesh(
  machine: Parts,
  sizes: ModuleTable,
  mesh: MeshJoint,
  wheels: Readonly<Record<string, WheelState>>,
): MeshState | undefined {
  const found = pairOf(machine, sizes, mesh);
  if (!found) return undefined;
  const { pair, swapped } = found;
  const [a, b] = swapped ? [wheels[mesh.b], wheels[mesh.a]] : [wheels[mesh.a], wheels[mesh.b]];
  const theoreticalDistance = centreDistance(pair);
  if (!a || !b || theoreticalDistance === undefined) return undefined;
  const inside = mesh.type === 'internal';
  const spread = mesh.spread ?? 0;
  const distance = theoreticalDistance + (inside ? -spread : spread);
  const playFromThinning = byId(machine.toothings, byId(machine.wheels, mesh.a)?.toothing)?.play ?? 0;
  const fromSpread = playFromSpread(spread, pair.pressureAngleDeg);
  const bases = Math.abs(pair.counts[0] + pair.counts[1]) * (pair.module / 2);
  const cos = (bases * Math.cos((pair.pressureAngleDeg * Math.PI) / 180)) / distance;
  const specs = a.teeth.family === 'involute' && 'spec' in b.teeth ? specsOf(a, b) : undefined;
  return {
    ...{
      pair: inside ? undefined : pair,
      specs: inside ? undefined : specs,
      distance,
      theoreticalDistance,
      swapped,
    },
    workingAngleDeg: degrees(Math.acos(Math.min(1, cos))),
    contactRatio:
      specs && (inside ? internalContactRatio(specs, distance) : contactRatio(...specs, distance)),
    play: playFromThinning + fromSpread,
    playFromThinning,
    playFromSpread: fromSpread,
    engagement: engagementOf(inside ? 'internal' : 'external', a, b, distance, b.dimensions.pitchRadius),
  };
}

type Specs = NonNullable<MeshState['specs']>;

const specsOf = (a: WheelState, b: WheelState): Specs | undefined =>
  a.teeth.family === 'involute' && (b.teeth.family === 'involute' || b.teeth.family === 'involute ring')
    ? [a.teeth.spec, b.teeth.spec]
    : undefined;

function engagementOf(
  stand: Stand,
  a: WheelState,
  b: WheelState,
  distance: number,
  lever: number,
  pitch = 0,
): Engagement | undefined {
  if (!a.figure.ok || !b.figure.ok || !a.figure.value.half || !b.figure.value.half) return undefined;
  const [one, other] = [a.figure.value, b.figure.value];
  return {
    ...{ stand, distance, lever, pitch },
    a: { half: one.half as NonNullable<typeof one.half>, count: one.count },
    b: { half: other.half as NonNullable<typeof other.half>, count: other.count },
  };
}

/** Every other mesh in a plane: clock wheels, lanterns, racks, reducers, and bevels on their developed back cones. */
function otherMesh(
  machine: Parts,
  mesh: MeshJoint,
  wheels: Readonly<Record<string, WheelState>>,
): MeshState | undefined {
  const [first, second] = [wheels[mesh.a], wheels[mesh.b]];
  if (!first || !second) return undefined;
  const swapped = goesSecond(first, second);
  const [a, b] = swapped ? [second, first] : [first, second];
  const spread = mesh.spread ?? 0;
  const place = standOf(a, b, mesh, machine);
  if (!place) return undefined;
  const { stand, theoreticalDistance, lever, pitch, playByForm } = place;
  const distance = theoreticalDistance + (stand === 'internal' ? -spread : spread);
  const thinning = playByForm ?? byId(machine.toothings, byId(machine.wheels, mesh.a)?.toothing)?.play ?? 0;
  const alpha = place.pressureAngleDeg;
  const fromSpread = alpha === undefined ? 0 : playFromSpread(spread, alpha);
  const engagement = engagementOf(stand, a, b, place.rolled ?? distance, lever, pitch);
  return {
    ...{ pair: undefined, specs: undefined, distance, theoreticalDistance, swapped, engagement },
    ...{ workingAngleDeg: alpha, contactRatio: undefined },
    ...{ play: thinning + fromSpread, playFromThinning: thinning, playFromSpread: fromSpread },
  };
}

/** Whether the second wheel of a mesh is the first of its engagement: pins, rings and racks are rolled on. */
function goesSecond(first: WheelState, second: WheelState): boolean {
  const rolledOn = ['pins', 'reducer pins', 'reducer lobes', 'involute rack'];
  if (rolledOn.includes(second.teeth.family)) return false;
  return rolledOn.includes(first.teeth.family);
}

interface Standing {
  readonly stand: Stand;
  readonly theoreticalDistance: number;
  readonly lever: number;
  readonly pitch?: number;
  readonly pressureAngleDeg?: number;
  /** Play that the form itself leaves, mm, where it is not the toothing's. */
  readonly playByForm?: number;
  /** The distance at which outlines roll, where it is not that of the axes: developed cones. */
  readonly rolled?: number;
}

function standOf(a: WheelState, b: WheelState, mesh: MeshJoint, machine: Parts): Standing | undefined {
  const [s, t] = [a.teeth, b.teeth];
  const sum = a.dimensions.pitchRadius + b.dimensions.pitchRadius;
  if (s.family === 'cycloidal' && t.family === 'cycloidal') {
    const playByForm = Math.PI * s.spec.module - s.spec.thickness - t.spec.thickness;
    return { stand: 'external', theoreticalDistance: sum, lever: b.dimensions.pitchRadius, playByForm };
  }
  if (s.family === 'lantern wheel' && t.family === 'pins')
    return { stand: 'external', theoreticalDistance: sum, lever: b.dimensions.pitchRadius };
  if (s.family === 'reducer disc' && (t.family === 'reducer pins' || t.family === 'reducer lobes'))
    return {
      stand: 'internal',
      theoreticalDistance: s.spec.eccentricity,
      lever: s.spec.pinCircleRadius,
      playByForm: 0,
    };
  if (s.family === 'involute' && t.family === 'involute rack') {
    const theoreticalDistance = a.dimensions.pitchRadius + s.spec.module * (s.spec.shift + t.spec.shift);
    return {
      stand: 'rack',
      theoreticalDistance,
      lever: 1,
      pitch: Math.PI * s.spec.module,
      pressureAngleDeg: s.spec.form.pressureAngleDeg,
    };
  }
  if (s.family === 'bevel' && t.family === 'bevel' && mesh.type === 'bevel') {
    const rolled = (s.spec.module * (s.cone.virtualCount + t.cone.virtualCount)) / 2 + (mesh.spread ?? 0);
    const lever = (s.spec.module * t.cone.virtualCount) / 2;
    return {
      stand: 'external',
      theoreticalDistance: sum,
      lever,
      rolled,
      pressureAngleDeg: s.spec.form.pressureAngleDeg,
    };
  }
  if (s.family === 'magnets' && t.family === 'magnets') return magnetStand(a, b, mesh, machine);
  return undefined;
}

function magnetStand(a: WheelState, b: WheelState, mesh: MeshJoint, machine: Parts): Standing {
  const form = byId(machine.toothings, byId(machine.wheels, mesh.a)?.toothing)?.form;
  const swings = mesh.type === 'reducer' && form?.kind === 'magnetic' && form.eccentricity !== undefined;
  const inside = mesh.type === 'internal';
  const [ra, rb] = [a.dimensions.pitchRadius, b.dimensions.pitchRadius];
  const apart = inside ? Math.abs(ra - rb) : ra + rb;
  return {
    stand: swings || inside ? 'internal' : 'external',
    theoreticalDistance: swings && form.kind === 'magnetic' ? (form.eccentricity ?? 0) : apart,
    lever: b.dimensions.pitchRadius,
    playByForm: 0,
  };
}

/**
 * Centre distances by mesh, mm, spread included: as worked out, or from pitch circles where teeth of that kind are not
 * worked out yet: the difference in a ring, the sum elsewhere. An open count stands at the middle of its range.
 */
export function distancesOf(
  machine: Pick<Machine, 'wheels' | 'joints'> & Partial<Pick<Machine, 'toothings'>>,
  sizes: ModuleTable,
  states: Readonly<Record<string, MeshState>>,
): Record<string, number> {
  const found: Record<string, number> = table();
  for (const mesh of meshes(machine)) {
    const state = states[mesh.id];
    const [a, b] = [byId(machine.wheels, mesh.a), byId(machine.wheels, mesh.b)];
    const module = sizes.modules[a?.toothing ?? ''];
    const form = byId(machine.toothings ?? [], a?.toothing)?.form;
    if (state) found[mesh.id] = state.distance;
    else if (mesh.type === 'reducer' && form?.kind === 'reducer') found[mesh.id] = form.eccentricity;
    else if (a && b && module !== undefined && mesh.type !== 'rack') {
      const [za, zb] = [roughCount(a), roughCount(b)];
      const inside = mesh.type === 'internal' || mesh.type === 'reducer';
      const spread = (mesh.spread ?? 0) * (inside ? -1 : 1);
      found[mesh.id] = ((inside ? Math.abs(za - zb) : za + zb) * module) / 2 + spread;
    }
  }
  return found;
}

const roughCount = (wheel: Machine['wheels'][number]): number =>
  wheel.teeth.kind === 'open'
    ? Math.round((wheel.teeth.least + wheel.teeth.most) / 2)
    : (circleCount(wheel) ?? 0);
