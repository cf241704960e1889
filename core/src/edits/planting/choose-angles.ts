import { table } from '../../ground/result/index.ts';
import { axisPositions, clearancesOf, layoutParts } from '../../place/layout/index.ts';
import { byId, circleCount, type Machine, meshes, moduleOf } from '../../document/machine/index.ts';
import { setAxisPlace } from '../change/index.ts';

const STEPS = 24;

/**
 * Swings the named axes, one after another, to the angle at which fewest wheels and arbors strike each other and, among
 * those, the machine is most compact. A first layout to start from; the maker swings them on.
 */
export function chooseAngles(machine: Machine, axes: readonly string[]): Machine {
  const swinging = axes.filter(id => byId(machine.axes, id)?.place.kind === 'mesh');
  let current = machine;
  for (let round = 0; round < 2; round++) for (const id of swinging) current = bestAngle(current, id);
  return current;
}

function bestAngle(machine: Machine, id: string): Machine {
  let best = machine;
  let least = Infinity;
  for (let i = 0; i < STEPS; i++) {
    const tried = swing(machine, id, (360 * i) / STEPS);
    const cost = layoutCost(tried);
    if (cost < least - 1e-9) {
      least = cost;
      best = tried;
    }
  }
  return best;
}

function swing(machine: Machine, id: string, angleDeg: number): Machine {
  const axis = byId(machine.axes, id);
  if (axis?.place.kind !== 'mesh') return machine;
  return setAxisPlace(id, { ...axis.place, angleDeg: angleDeg > 180 ? angleDeg - 360 : angleDeg })(machine);
}

/** Millimetres of overlap count a hundredfold against the reach of the machine from its first axis. */
function layoutCost(machine: Machine): number {
  const radii = tipRadii(machine);
  const { at } = axisPositions(machine, pitchDistances(machine));
  const extents = table(Object.entries(radii).map(([id, outer]) => [id, { inner: undefined, outer }]));
  const parts = layoutParts(machine, { rates: {}, uneven: new Set(), at }, extents);
  const strikes = clearancesOf(parts).filter(c => c.gap < 0);
  const overlap = strikes.reduce((sum, c) => sum + 10 - c.gap, 0);
  const reach = machine.wheels.map(w => {
    const member = byId(machine.members, w.member);
    const p = member?.kind === 'arbor' ? at[member.axis] : undefined;
    return p ? Math.hypot(p.x, p.y) + (radii[w.id] ?? 0) : 0;
  });
  return 100 * overlap + Math.max(0, ...reach);
}

/** Tip radii with two modules to spare, so that neighbours are not placed tooth on tooth. */
function tipRadii(machine: Machine): Record<string, number> {
  return table(
    machine.wheels.map(w => [w.id, (moduleFor(machine, w.toothing) * ((circleCount(w) ?? 0) + 4)) / 2]),
  );
}

function pitchDistances(machine: Machine): Record<string, number> {
  const count = (id: string): number => {
    const wheel = byId(machine.wheels, id);
    return (wheel && circleCount(wheel)) ?? 0;
  };
  return table(
    meshes(machine).map(j => {
      const m = moduleFor(machine, byId(machine.wheels, j.a)?.toothing ?? '');
      return [j.id, (m * (count(j.a) + count(j.b))) / 2];
    }),
  );
}

function moduleFor(machine: Machine, id: string): number {
  const toothing = byId(machine.toothings, id);
  const m = toothing && moduleOf(toothing, machine);
  return m?.ok ? m.value : 0;
}
