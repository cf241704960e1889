import type { Derived } from '../derive/index.ts';
import type { Drawing, Group } from '../drawing/index.ts';
import { circle } from '../geometry/index.ts';
import { axisOfWheel } from '../machine/index.ts';
import { AT_REST, arborStance, type DriveTurns } from '../motion/index.ts';
import { fail, ok, type Result } from '../result/index.ts';
import { fileNotes, wheelShape } from './wheel-drawing.ts';

/** The whole plan in mesh at some turns of the drive: every wheel that has an outline, its pitch circle and its name. */
export function planDrawing(derived: Derived, turns: DriveTurns = AT_REST): Result<Drawing> {
  const groups: Group[] = [];
  for (const wheel of derived.machine.wheels) {
    const shape = wheelShape(derived, wheel);
    const axis = axisOfWheel(derived.machine, wheel);
    const state = derived.wheels[wheel.id];
    const stance = arborStance(
      derived.machine,
      derived.train.rates,
      derived.positions.at,
      wheel.member,
      turns,
    );
    if (!shape.ok || !state || !stance || axis === undefined) continue;
    groups.push({
      name: wheel.name,
      x: stance.centre.x,
      y: stance.centre.y,
      angle: stance.angle + (derived.phases.at[wheel.id] ?? 0),
      shapes: [
        shape.value,
        {
          name: `Pitch circle of ${wheel.name}`,
          role: 'reference',
          paths: [circle({ x: 0, y: 0 }, state.dimensions.pitchRadius)],
        },
      ],
      labels: [],
    });
  }
  if (groups.length === 0) return fail('nothing-to-draw');
  return ok({ title: `${derived.machine.name}: plan`, notes: fileNotes(derived), groups });
}
