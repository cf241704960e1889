import type { Machine } from '../../document/machine/index.ts';
import type { DriveFlow } from '../../trains/train/index.ts';
import type { MeshState, WheelState } from '../state/index.ts';

/** Everything that teeth are judged by. */
export interface TeethFacts {
  readonly machine: Pick<
    Machine,
    'wheels' | 'joints' | 'toothings' | 'stack' | 'processes' | 'process' | 'making'
  >;
  /** Modules across the axis, mm, by toothing. */
  readonly modules: Readonly<Record<string, number>>;
  readonly wheels: Readonly<Record<string, WheelState>>;
  readonly meshes: Readonly<Record<string, MeshState>>;
  readonly flow: DriveFlow;
  /** Whether a member turns with the drive (+1), against it (−1) or not at all (0); undefined where that is open. */
  readonly senses: Readonly<Record<string, number>>;
}
