import { type Derived, wheelPlane } from '../derive/index.ts';
import type { Drawing, Group, Label, Shape } from '../drawing/index.ts';
import { byId, circleCount, type Wheel } from '../machine/index.ts';
import { fail, ok, type Result } from '../result/index.ts';

/** What every file says of itself: outlines are as the part should measure; no kerf is taken. */
export const fileNotes = (derived: Derived): string[] => [
  'True size, millimetres.',
  `Outlines as the part should measure, play taken; not compensated for kerf or nozzle.`,
  `Chord error at most ${derived.chordError} mm.`,
];

/** A wheel about its own centre: what is cut as one shape, and what is engraved as another. */
export function wheelShapes(derived: Derived, wheel: Wheel): Result<readonly Shape[]> {
  const plane = wheelPlane(derived, wheel);
  if (!plane.ok) return plane;
  const { outline, holes, engraved } = plane.value;
  const cut: Shape = { name: wheel.name, role: 'cut', paths: [outline, ...holes] };
  return ok(
    engraved.length === 0 ? [cut] : [cut, { name: `${wheel.name}, marks`, role: 'engrave', paths: engraved }],
  );
}

/** One wheel as a drawing of its own. */
export function wheelDrawing(derived: Derived, wheelId: string): Result<Drawing> {
  const wheel = byId(derived.machine.wheels, wheelId);
  if (!wheel) return fail('missing-wheel', { owner: 'the file', id: wheelId });
  const shapes = wheelShapes(derived, wheel);
  if (!shapes.ok) return shapes;
  const labels = wheel.body?.engraved ? [engravedText(derived, wheel)] : [];
  const group: Group = { name: wheel.name, x: 0, y: 0, angle: 0, shapes: shapes.value, labels };
  return ok({ title: `${derived.machine.name}: ${wheel.name}`, notes: fileNotes(derived), groups: [group] });
}

/** The count and the name of a wheel, engraved between bore and roots. */
export function engravedText(derived: Derived, wheel: Wheel): Label {
  const state = derived.wheels[wheel.id];
  const outer = state ? Math.min(state.dimensions.rootRadius, state.dimensions.tipRadius) : 10;
  const height = Math.min(5, Math.max(1, outer / 8));
  return {
    text: `${circleCount(wheel) ?? ''} ${wheel.name}`.trim(),
    x: 0,
    y: -outer * 0.7,
    height,
    role: 'engrave',
  };
}
