import type { Point } from '../../ground/geometry/index.ts';

/** How a frame stands: moved to `centre` and turned by `angle` against the ground. */
export interface Stance {
  readonly centre: Point;
  readonly angle: number;
}
