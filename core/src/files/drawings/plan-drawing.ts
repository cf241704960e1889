import { type Derived, liesInPlan, rackOf } from '../../state/state/index.ts';
import type { Drawing, Group } from '../../ground/drawing/index.ts';
import { circle, type Path } from '../../ground/geometry/index.ts';
import { AT_REST, copyPlace, type DriveTurns, stancesAt } from '../../place/motion/index.ts';
import { fail, ok, type Result } from '../../ground/result/index.ts';
import { indicatorGroups } from './indicator-drawing.ts';
import { fileNotes, wheelShapes } from './wheel-drawing.ts';

/**
 * The whole plan in mesh at some turns of the drive: every wheel that has an outline, its pitch circle and its
 * name; as a picture, hands and dials too.
 */
export function planDrawing(derived: Derived, turns: DriveTurns = AT_REST, picture = false): Result<Drawing> {
  const groups: Group[] = [];
  const places = stancesAt(derived.moving, turns);
  for (const wheel of derived.machine.wheels) {
    const shape = wheelShapes(derived, wheel);
    const state = derived.wheels[wheel.id];
    if (!shape.ok || !state || !liesInPlan(state)) continue;
    const rack = rackOf(state);
    const pitch = {
      name: `Pitch ${rack ? 'line' : 'circle'} of ${wheel.name}`,
      role: 'reference' as const,
      paths: [rack ? pitchLine(rack) : circle({ x: 0, y: 0 }, state.dimensions.pitchRadius)],
    };
    const phase = derived.phases.at[wheel.id] ?? 0;
    const put = (place: string, spin: number): void => {
      const stance = places.get(place);
      if (!stance) return;
      const { centre, angle } = stance;
      const shapes = [...shape.value, pitch];
      groups.push({ name: wheel.name, ...centre, angle: angle + phase + spin, shapes, labels: [] });
    };
    put(wheel.member, 0);
    for (const [i, copy] of derived.moving.copies.entries())
      if (copy.member === wheel.member) put(copyPlace(copy.member, i), copy.spin);
  }
  if (picture) groups.push(...indicatorGroups(derived, places));
  if (groups.length === 0) return fail('nothing-to-draw');
  return ok({ title: `${derived.machine.name}: plan`, notes: fileNotes(derived), groups });
}

/** Along the whole of a rack. */
const pitchLine = ({ pitch, count }: NonNullable<ReturnType<typeof rackOf>>): Path => ({
  start: { x: 0, y: -pitch / 2 },
  segments: [{ kind: 'line', to: { x: 0, y: (count - 0.5) * pitch } }],
  closed: false,
});
