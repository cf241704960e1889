import type { Derived } from '../derive/index.ts';
import type { TriMesh } from '../geometry/index.ts';
import type { Piece } from '../layout/index.ts';
import { byId } from '../machine/index.ts';
import { eyeOf, plateDrawing } from '../output/index.ts';
import { indicatorFigure } from '../indicator/index.ts';
import { AS_IS, type Growth } from '../make/index.ts';
import { LEAF } from '../workshop/index.ts';
import { fail, type Result } from '../result/index.ts';
import type { SolidKit } from './kit.ts';
import { flatSolid, pieceSolid } from './round-solids.ts';
import { wheelSolid } from './wheel-solid.ts';

/** A part that can be printed: what it is, its name, and how many of it the machine needs. */
export interface SolidPart {
  readonly id: string;
  readonly kind: 'wheel' | 'plate' | 'hand' | 'dial' | Piece['kind'];
  readonly name: string;
  readonly number: number;
}

/** Which piece of the layout a part is: its index there. */
const pieceIndex = (id: string): number => Number(id.replace(/^piece /, ''));

/** All parts of a machine that have a body, wheels first; pieces that are the same size come once, with their number. */
export function solidParts(derived: Derived): SolidPart[] {
  const { machine, layout, moving } = derived;
  const wheels = machine.wheels.map((w): SolidPart => ({
    ...{ id: w.id, kind: 'wheel', name: w.name },
    number: 1 + moving.copies.filter(c => c.member === w.member).length,
  }));
  const plates = layout.plates.map((p): SolidPart => ({ id: `plate ${p.side}`, kind: 'plate', name: `${p.side} plate`, number: 1 })); // prettier-ignore
  const pieces = new Map<string, SolidPart>();
  layout.pieces.forEach((p, i) => {
    const size = [
      p.kind,
      (p.length / p.number).toFixed(3),
      (p.bore ?? 0).toFixed(3),
      p.outside.toFixed(3),
    ].join(' ');
    const known = pieces.get(size);
    const name =
      p.kind === 'rod' || p.kind === 'tube'
        ? `${p.kind}, ${byId(machine.members, p.arbor)?.name ?? ''}`
        : p.kind;
    pieces.set(size, known ? { ...known, number: known.number + p.number } : { id: `piece ${i}`, kind: p.kind, name, number: p.number }); // prettier-ignore
  });
  const shown = machine.indicators.flatMap((i): SolidPart[] =>
    i.kind === 'hand' || i.kind === 'dial' ? [{ id: i.id, kind: i.kind, name: i.name, number: 1 }] : [],
  );
  return [...wheels, ...plates, ...pieces.values(), ...shown];
}

/** The body of one part, standing or lying on z = 0 about its own axis, compensated by a growth where one is given. */
export function partSolid(
  kit: SolidKit,
  derived: Derived,
  part: SolidPart,
  growth: Growth = AS_IS,
): Result<TriMesh> {
  const { machine, layout, chordError } = derived;
  const wheel = byId(machine.wheels, part.id);
  if (wheel) return wheelSolid(kit, derived, wheel, growth);
  const indicator = byId(machine.indicators, part.id);
  if (indicator) {
    const figure = indicatorFigure(indicator, eyeOf(derived, indicator));
    return flatSolid(kit, figure.shapes, LEAF, growth, chordError);
  }
  const plate = layout.plates.find(p => `plate ${p.side}` === part.id);
  if (plate) {
    const drawing = plateDrawing(derived, plate.side);
    if (!drawing.ok) return drawing;
    const shapes = drawing.value.groups.flatMap(g => g.shapes);
    return flatSolid(kit, shapes, plate.band.to - plate.band.from, growth, chordError);
  }
  const piece = layout.pieces[pieceIndex(part.id)];
  return piece ? pieceSolid(kit, piece, growth, chordError) : fail('part-unknown', { part: part.name });
}
