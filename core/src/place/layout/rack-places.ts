import { byId, type Machine, meshes } from '../../document/machine/index.ts';
import { type Point, polar } from '../../ground/geometry/index.ts';
import { radians } from '../../ground/units/index.ts';

/** Where a rack stands at rest: the middle of its tooth 0 on its pitch line, and the way that its teeth point. */
export interface RackPlace {
  /** The slide that it is on, and the frame in which that slides. */
  readonly slide: string;
  readonly frame: string;
  readonly wheel: string;
  /** The axis of the pinion that it stands beside. */
  readonly axis: string;
  readonly at: Point;
  /** Radians from x. */
  readonly angle: number;
  /** From tooth to tooth, mm. */
  readonly pitch: number;
  /** How far it can go along its line, backwards and forwards, until its last tooth leaves the pinion, mm. */
  readonly runs: readonly [from: number, to: number];
}

/** What the places of racks are made from. */
export interface RackParts {
  readonly machine: Pick<Machine, 'members' | 'wheels' | 'joints'>;
  /** Axes at rest, mm, and where tooth 0 of every wheel points, radians. */
  readonly at: Readonly<Record<string, Point>>;
  readonly phases: Readonly<Record<string, number>>;
  /** From each pinion's axis to its rack's pitch line, mm, by mesh. */
  readonly distances: Readonly<Record<string, number | undefined>>;
  /** Modules across the axis, mm, by toothing. */
  readonly modules: Readonly<Record<string, number>>;
}

/**
 * Every rack in mesh: on its pinion's right, seen along the slide's direction (on its left where that is said;
 * conventions 7), at the mesh's distance, its middle beside the pinion and a gap where the pinion's tooth points. A
 * tooth of the pinion at an angle θ from the line across to the rack stands r·θ along it.
 */
export function rackPlaces({ machine, at, phases, distances, modules }: RackParts): RackPlace[] {
  const placed = new Set<string>();
  return meshes(machine).flatMap((j): RackPlace[] => {
    if (j.type !== 'rack') return [];
    const ends = [byId(machine.wheels, j.a), byId(machine.wheels, j.b)];
    const rack = ends.find(w => byId(machine.members, w?.member)?.kind === 'slide');
    const pinion = ends.find(w => w !== rack);
    const [slide, arbor] = [byId(machine.members, rack?.member), byId(machine.members, pinion?.member)];
    if (!rack || !pinion || slide?.kind !== 'slide' || arbor?.kind !== 'arbor') return [];
    const [centre, distance, module] = [at[arbor.axis], distances[j.id], modules[rack.toothing]];
    const [z, teeth] = [pinion, rack].map(w => (w.teeth.kind === 'count' ? w.teeth.count : undefined));
    if (!centre || distance === undefined || module === undefined || placed.has(slide.id)) return [];
    if (z === undefined || teeth === undefined) return [];
    placed.add(slide.id);
    const across = radians(slide.directionDeg) + (j.opposite ? 1 : -1) * (Math.PI / 2);
    const pitch = Math.PI * module;
    const tooth = ((module * z) / 2) * ((phases[pinion.id] ?? 0) - across);
    // Tooth 0 is half of its length before the middle; the next gap to that is taken.
    const start = ((teeth - 1) * pitch) / 2;
    const along = tooth + pitch / 2 + pitch * Math.round((start - tooth) / pitch - 0.5);
    const point = polar(polar(centre, distance, across), along, across + Math.PI / 2);
    const angle = across + Math.PI;
    // Its teeth lie backwards along the line from tooth 0.
    const runs = [-along - pitch / 2, -along + (teeth - 0.5) * pitch] as const;
    return [
      {
        slide: slide.id,
        frame: slide.frame,
        wheel: rack.id,
        axis: arbor.axis,
        at: point,
        angle,
        pitch,
        runs,
      },
    ];
  });
}
