import type { Machine } from '../../document/machine/index.ts';
import type { DriveFacts } from '../../ground/units/index.ts';
import type { LayoutState } from '../../place/layout/index.ts';
import type { Moving } from '../../place/motion/index.ts';
import type { WheelState } from '../state/index.ts';

/** What linkages, cams, cords and racks are judged from. */
export interface LinkageParts extends Pick<Machine, 'members' | 'joints' | 'wheels' | 'layout'> {
  readonly moving: Moving;
  readonly facts: DriveFacts;
  readonly states: Readonly<Record<string, WheelState>>;
  /** Across each arbor, mm. */
  readonly sizes: LayoutState['sizes'];
}
