import type { Derived } from '../derive/index.ts';
import type { Drawing, Group, Shape } from '../drawing/index.ts';
import { circle } from '../geometry/index.ts';
import { byId, type Wheel } from '../machine/index.ts';
import { fail, ok, type Result } from '../result/index.ts';

/** What every file says of itself: outlines are as the part should measure; no kerf is taken. */
export const fileNotes = (derived: Derived): string[] => [
  'True size, millimetres.',
  `Outlines as the part should measure, play taken; not compensated for kerf or nozzle.`,
  `Chord error at most ${derived.chordError} mm.`,
];

/** A wheel about its own centre: one shape of its outline and its bore. */
export function wheelShape(derived: Derived, wheel: Wheel): Result<Shape> {
  const state = derived.wheels[wheel.id];
  if (!state) return fail('teeth-not-drawn', { wheel: wheel.name });
  if (!state.outline.ok) return state.outline;
  const bore = wheel.bore?.kind === 'round' ? [circle({ x: 0, y: 0 }, wheel.bore.diameter / 2, false)] : [];
  return ok({ name: wheel.name, role: 'cut', paths: [state.outline.value, ...bore] });
}

/** One wheel as a drawing of its own. */
export function wheelDrawing(derived: Derived, wheelId: string): Result<Drawing> {
  const wheel = byId(derived.machine.wheels, wheelId);
  if (!wheel) return fail('missing-wheel', { owner: 'the file', id: wheelId });
  const shape = wheelShape(derived, wheel);
  if (!shape.ok) return shape;
  const group: Group = { name: wheel.name, x: 0, y: 0, angle: 0, shapes: [shape.value], labels: [] };
  return ok({ title: `${derived.machine.name}: ${wheel.name}`, notes: fileNotes(derived), groups: [group] });
}
