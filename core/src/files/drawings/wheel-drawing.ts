import type { Derived } from '../../state/state/index.ts';
import { wheelPlane } from '../../state/derive/index.ts';
import type { Drawing, Group, Label, Shape } from '../../ground/drawing/index.ts';
import { byId, circleCount, type Process, type Wheel } from '../../document/machine/index.ts';
import { compensated, growthOf, leavesAsIs } from '../../making/process/index.ts';
import { mm } from '../../ground/units/index.ts';
import { fail, ok, type Result } from '../../ground/result/index.ts';

/** What every file says of itself: its chord error, and how far its lines stand off the finished part. */
export function fileNotes(derived: Pick<Derived, 'chordError'>, process?: Process): string[] {
  const growth = process && growthOf(process);
  const moved = process && growth && !leavesAsIs(growth);
  return [
    'True size, millimetres.',
    moved
      ? `Compensated once, for ${process.name || process.kind}: outlines ` +
        `${side(growth.outline, 'outside', 'inside')}, holes ` +
        `${side(growth.hole, 'smaller all round', 'larger all round')} of what the part ` +
        'should measure.'
      : `Outlines as the part should measure, play taken; not compensated for kerf or nozzle.`,
    `Chord error at most ${derived.chordError} mm.`,
  ];
}

const side = (by: number, out: string, within: string): string =>
  `${mm(Math.abs(by), 3)} ${by < 0 ? within : out}`;

/** What a file's name says of its compensation; nothing for one without. */
export function compensationName(process: Process | undefined): string[] {
  if (!process || leavesAsIs(growthOf(process))) return [];
  const { kind, kerf, cutter, outlineGrowth, holeShrink } = process;
  if (kind === 'printer') return [`print ${outlineGrowth ?? 0} ${holeShrink ?? 0}`];
  return [kind === 'router' ? `cutter ${cutter}` : `kerf ${kerf}`];
}

/**
 * A wheel about its own centre: what is cut as one shape, compensated for a process if one is named, and what is
 * engraved as another.
 */
export function wheelShapes(
  derived: Pick<Derived, 'machine' | 'wheels' | 'chordError' | 'phases'>,
  wheel: Wheel,
  process?: Process,
): Result<readonly Shape[]> {
  const plane = wheelPlane(derived, wheel);
  if (!plane.ok) return plane;
  const { outline, holes, engraved } = plane.value;
  const growth = process && growthOf(process);
  const paths = growth ? compensated(outline, holes, growth, derived.chordError) : ok([outline, ...holes]);
  if (!paths.ok) return paths;
  const cut: Shape = { name: wheel.name, role: 'cut', paths: paths.value };
  return ok(
    engraved.length === 0 ? [cut] : [cut, { name: `${wheel.name}, marks`, role: 'engrave', paths: engraved }],
  );
}

/** One wheel as a drawing of its own, compensated for a process if one is named. */
export function wheelDrawing(derived: Derived, wheelId: string, process?: Process): Result<Drawing> {
  const wheel = byId(derived.machine.wheels, wheelId);
  if (!wheel) return fail('missing-wheel', { owner: 'the file', id: wheelId });
  const shapes = wheelShapes(derived, wheel, process);
  if (!shapes.ok) return shapes;
  const labels = wheel.body?.engraved ? [engravedText(derived, wheel)] : [];
  const group: Group = { name: wheel.name, x: 0, y: 0, angle: 0, shapes: shapes.value, labels };
  return ok({
    title: `${derived.machine.name}: ${wheel.name}`,
    notes: fileNotes(derived, process),
    groups: [group],
  });
}

/** The count and the name of a wheel, engraved between bore and roots. */
export function engravedText(derived: Pick<Derived, 'wheels'>, wheel: Wheel): Label {
  const state = derived.wheels[wheel.id];
  const text = `${circleCount(wheel) ?? ''} ${wheel.name}`.trim();
  if (state?.teeth.family === 'involute rack') {
    // Along its back, in the middle.
    const { back, spec } = state.teeth;
    const height = Math.min(5, back / 2);
    const x = state.dimensions.rootRadius - back / 2 + height / 2;
    const y = ((spec.count - 1) * Math.PI * spec.module) / 2;
    return { text, x, y, height, angle: Math.PI / 2, role: 'engrave' };
  }
  const outer = state ? Math.min(state.dimensions.rootRadius, state.dimensions.tipRadius) : 10;
  const height = Math.min(5, Math.max(1, outer / 8));
  return {
    text,
    x: 0,
    y: -outer * 0.7,
    height,
    role: 'engrave',
  };
}
