import { distance, type Point } from '../geometry/index.ts';
import { axisOfWheel, byId, type Machine, meshes, type Wheel } from '../machine/index.ts';
import { type Finding, finding } from '../result/index.ts';

/** A wheel as a disc at its layer, and the thickness of the rod it stands on. */
interface Disc {
  readonly wheel: Wheel;
  readonly axis: string;
  readonly centre: Point;
  readonly radius: number;
}

/**
 * Wheels of one layer that strike each other without meshing, and wheels that strike an arbor passing through their
 * layer, as the machine stands at rest. `tipRadii` in mm by wheel; an arbor reaches through the layers of its wheels.
 */
export function clearanceFindings(
  machine: Pick<Machine, 'axes' | 'members' | 'wheels' | 'joints'>,
  positions: Readonly<Record<string, Point>>,
  tipRadii: Readonly<Record<string, number>>,
): Finding[] {
  const discs: Disc[] = machine.wheels.flatMap(wheel => {
    const axis = axisOfWheel(machine, wheel);
    const centre = axis === undefined ? undefined : positions[axis];
    const radius = tipRadii[wheel.id];
    return axis !== undefined && centre && radius !== undefined ? [{ wheel, axis, centre, radius }] : [];
  });
  const meshing = new Set(meshes(machine).flatMap(j => [`${j.a} ${j.b}`, `${j.b} ${j.a}`]));
  const findings: Finding[] = [];
  discs.forEach((a, i) => {
    for (const b of discs.slice(i + 1)) {
      if (a.wheel.layer !== b.wheel.layer || meshing.has(`${a.wheel.id} ${b.wheel.id}`)) continue;
      const gap = distance(a.centre, b.centre) - a.radius - b.radius;
      if (a.axis !== b.axis && gap < 0)
        findings.push(finding('wheels-strike', 'stop', 'plan', [a.wheel.id, b.wheel.id], { overlap: -gap }));
      if (a.axis === b.axis)
        findings.push(finding('wheels-in-one-place', 'stop', 'plan', [a.wheel.id, b.wheel.id]));
    }
  });
  return [
    ...findings,
    ...planetStrikes(machine, discs, positions),
    ...arborStrikes(machine, discs, positions),
  ];
}

/** Wheels that an arm carries in several places and whose tips overlap from one place to the next: at 2a·sin(φ/2). */
function planetStrikes(
  machine: Pick<Machine, 'axes' | 'members'>,
  discs: readonly Disc[],
  positions: Readonly<Record<string, Point>>,
): Finding[] {
  return discs.flatMap(({ wheel, axis: id, centre, radius }) => {
    const axis = byId(machine.axes, id);
    const arm = byId(machine.members, axis?.frame);
    const pivot = arm?.kind === 'arbor' ? positions[arm.axis] : undefined;
    if (!axis?.copies || !pivot) return [];
    const { count, anglesDeg } = axis.copies;
    const places = Array.from({ length: count }, (_, i) => anglesDeg?.[i] ?? (360 * i) / count).sort(
      (a, b) => a - b,
    );
    const steps = places.map((a, i) => (places[i + 1] ?? (places[0] ?? 0) + 360) - a);
    const apart = 2 * distance(pivot, centre) * Math.sin((Math.min(180, ...steps) * Math.PI) / 360);
    const overlap = 2 * radius - apart;
    return overlap > 0
      ? [finding('planets-touch', 'stop', 'plan', [wheel.id], { overlap, planets: count })]
      : [];
  });
}

function arborStrikes(
  machine: Pick<Machine, 'members' | 'wheels'>,
  discs: readonly Disc[],
  positions: Readonly<Record<string, Point>>,
): Finding[] {
  const findings: Finding[] = [];
  for (const axis of new Set(discs.map(d => d.axis))) {
    const own = discs.filter(d => d.axis === axis).map(d => d.wheel.layer);
    const [low, high] = [Math.min(...own), Math.max(...own)];
    const centre = positions[axis];
    if (!centre) continue;
    const rod = rodRadius(machine, axis);
    for (const d of discs) {
      if (d.axis === axis || d.wheel.layer < low || d.wheel.layer > high) continue;
      const gap = distance(d.centre, centre) - d.radius - rod;
      if (gap < 0)
        findings.push(finding('wheel-strikes-arbor', 'stop', 'plan', [d.wheel.id, axis], { overlap: -gap }));
    }
  }
  return findings;
}

/** The thickest bore on an axis stands for its rod; nought where nothing says. */
function rodRadius(machine: Pick<Machine, 'members' | 'wheels'>, axis: string): number {
  const here = new Set(machine.members.filter(m => m.kind === 'arbor' && m.axis === axis).map(m => m.id));
  const bores = machine.wheels
    .filter(w => here.has(w.member))
    .map(w => (w.bore?.kind === 'round' ? w.bore.diameter : 0));
  return Math.max(0, ...bores) / 2;
}
