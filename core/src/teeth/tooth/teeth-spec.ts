import type { BevelCone } from './bevel-cones.ts';
import type { CycloidalSpec } from './cycloidal.ts';
import type { LanternWheelSpec } from './lantern.ts';
import type { MagnetSpec } from './magnet-rim.ts';
import type { ReducerSpec } from './reducer-disc.ts';
import type { ToothSpec } from './tooth-spec.ts';

/** A disc that carries pins or pegs, and the room of its mate; lengths in mm. */
export interface PinsSpec {
  readonly count: number;
  readonly pitchRadius: number;
  readonly pinDiameter: number;
  /** Width of the disc outside the pins. */
  readonly rim: number;
}

/** All that decides the teeth of one part, by family. A new family is a file, a line here and one in FAMILIES. */
export type TeethSpec =
  | { readonly family: 'involute'; readonly spec: ToothSpec }
  | { readonly family: 'involute ring'; readonly spec: ToothSpec; readonly rim: number }
  | { readonly family: 'involute rack'; readonly spec: ToothSpec; readonly back: number }
  | { readonly family: 'bevel'; readonly spec: ToothSpec; readonly cone: BevelCone }
  | { readonly family: 'cycloidal'; readonly spec: CycloidalSpec }
  | { readonly family: 'lantern wheel'; readonly spec: LanternWheelSpec }
  | { readonly family: 'pins'; readonly spec: PinsSpec }
  | { readonly family: 'pegs'; readonly spec: PinsSpec }
  | { readonly family: 'reducer disc'; readonly spec: ReducerSpec }
  | { readonly family: 'reducer pins'; readonly spec: ReducerSpec; readonly rim: number }
  | { readonly family: 'reducer lobes'; readonly spec: ReducerSpec; readonly rim: number }
  | {
      readonly family: 'magnets';
      readonly spec: MagnetSpec;
      readonly pitchRadius: number;
      readonly rim: number;
    };
