import { type Derived, wheelPlane } from '../derive/index.ts';
import type { Label, Shape } from '../drawing/index.ts';
import { type Path, signedArea, flatten } from '../geometry/index.ts';
import { indicatorFigure } from '../indicator/index.ts';
import { wheelThickness } from '../layout/index.ts';
import type { Machine, Wheel } from '../machine/index.ts';
import { engravedText, eyeOf, plateDrawing } from '../output/index.ts';
import type { Problem } from '../result/index.ts';

/** Thickness of hands and dials, mm, where nothing says it: common practice, no source. */
export const LEAF = 1.6;

/** A part that is cut from a sheet or printed lying flat, as it should measure; about its own origin, mm. */
export interface FlatPart {
  readonly id: string;
  readonly kind: 'wheel' | 'plate' | 'hand' | 'dial';
  readonly name: string;
  /** How many are made. */
  readonly number: number;
  readonly thickness: number;
  readonly outline: Path;
  /** Everything cut through within the outline, and which of it may be drilled instead. */
  readonly holes: readonly Path[];
  readonly drilled: ReadonlySet<Path>;
  readonly engraved: readonly Path[];
  readonly labels: readonly Label[];
}

/** A part that cannot be made, and why. */
export interface LeftPart {
  readonly name: string;
  readonly problem: Problem;
}

/** Round holes up to this size are drilled rather than sawn, mm: common practice, no source. */
const DRILLED = 13;

/** All flat parts of a machine, wheels first, and those that have no figure. Bevels are not flat. */
export function flatParts(derived: Derived): { readonly parts: FlatPart[]; readonly left: LeftPart[] } {
  const parts: FlatPart[] = [];
  const left: LeftPart[] = [];
  for (const wheel of derived.machine.wheels) {
    if (derived.wheels[wheel.id]?.teeth.family === 'bevel') continue;
    const made = wheelPart(derived, wheel);
    if ('problem' in made) left.push(made);
    else parts.push(made);
  }
  for (const plate of derived.layout.plates) {
    const drawing = plateDrawing(derived, plate.side);
    if (!drawing.ok) continue;
    const id = `plate ${plate.side}`;
    const shapes = drawing.value.groups.flatMap(g => g.shapes);
    const of = { id, kind: 'plate' as const, name: `${plate.side} plate`, thickness: plate.band.to - plate.band.from }; // prettier-ignore
    parts.push(partOf(derived.machine, { ...of, needed: 1 }, shapes, []));
  }
  for (const i of derived.machine.indicators) {
    if (i.kind !== 'hand' && i.kind !== 'dial') continue;
    const { shapes, labels } = indicatorFigure(i, eyeOf(derived, i));
    const of = { id: i.id, kind: i.kind, name: i.name, thickness: LEAF, needed: 1 };
    parts.push(partOf(derived.machine, of, shapes, labels));
  }
  return { parts, left };
}

function wheelPart(derived: Derived, wheel: Wheel): FlatPart | LeftPart {
  const plane = wheelPlane(derived, wheel);
  if (!plane.ok) return { name: wheel.name, problem: plane.problem };
  const { outline, holes, engraved } = plane.value;
  const { machine, moving } = derived;
  const needed = 1 + moving.copies.filter(c => c.member === wheel.member).length;
  return {
    ...{ id: wheel.id, kind: 'wheel', name: wheel.name, number: numberOf(machine, wheel.id, needed) },
    thickness: wheelThickness(machine.stack, wheel),
    ...{ outline, holes, engraved, drilled: drillable(holes) },
    labels: wheel.body?.engraved ? [engravedText(derived, wheel)] : [],
  };
}

interface Of {
  readonly id: string;
  readonly kind: FlatPart['kind'];
  readonly name: string;
  readonly thickness: number;
  readonly needed: number;
}

/** The part that shapes draw: the largest closed line that is cut is its outline. */
function partOf(machine: Machine, of: Of, shapes: readonly Shape[], labels: readonly Label[]): FlatPart {
  const through = shapes.filter(s => s.role === 'cut' || s.role === 'drill');
  const paths = through.flatMap(s => s.paths).filter(p => p.closed);
  const area = (p: Path): number => Math.abs(signedArea(flatten(p, 0.05)));
  const outline = paths.reduce((a, b) => (area(b) > area(a) ? b : a));
  const holes = paths.filter(p => p !== outline);
  const { id, kind, name, thickness } = of;
  const engraved = shapes.filter(s => s.role === 'engrave').flatMap(s => s.paths);
  return { id, kind, name, thickness, number: numberOf(machine, id, of.needed), outline, holes, drilled: drillable(holes), engraved, labels }; // prettier-ignore
}

const numberOf = (machine: Machine, id: string, needed: number): number =>
  machine.making.find(m => m.part === id)?.number ?? needed;

/** Holes that are whole circles no larger than a drill. */
const drillable = (holes: readonly Path[]): ReadonlySet<Path> =>
  new Set(
    holes.filter(h => {
      const diameter = diameterOf(h);
      return diameter !== undefined && diameter <= DRILLED;
    }),
  );

/** The diameter of a path that is a whole circle, mm. */
export function diameterOf(path: Path): number | undefined {
  const [first, second, more] = path.segments;
  if (first?.kind !== 'arc' || second?.kind !== 'arc' || more) return undefined;
  const { centre } = first;
  const same = Math.hypot(centre.x - second.centre.x, centre.y - second.centre.y) < 1e-9;
  return same && path.closed ? 2 * Math.hypot(path.start.x - centre.x, path.start.y - centre.y) : undefined;
}
