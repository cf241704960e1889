import type { Derived } from '../../state/state/index.ts';
import { strokeText, type TriMesh } from '../../ground/geometry/index.ts';
import type { Piece } from '../../place/layout/index.ts';
import { byId, type Process, processOf } from '../../document/machine/index.ts';
import { AS_IS, compensated, type Growth, growthOf } from '../process/index.ts';
import { type FlatPart, flatParts } from '../workshop/index.ts';
import { fail, ok, type Result } from '../../ground/result/index.ts';
import type { Manifold } from 'manifold-3d';
import { engrave } from './engrave.ts';
import type { ExtraPart } from './extra-part.ts';
import { extraParts } from './extra-parts.ts';
import { withFirstLayer } from './first-layer.ts';
import { extrude, type SolidKit, toTriMesh } from './kit.ts';
import { pieceBody } from './round-solids.ts';
import { wheelSolid } from './wheel-solid.ts';

/** A part that can be printed: what it is, its name, and how many of it the machine needs. */
export interface SolidPart {
  readonly id: string;
  readonly kind: FlatPart['kind'] | Piece['kind'] | ExtraPart['kind'];
  readonly name: string;
  readonly number: number;
}

/** Bought rather than printed, whatever the rest is made by: rods, pins and keys. */
export const isBought = ({ kind }: Pick<SolidPart, 'kind'>): boolean =>
  kind === 'rod' || kind === 'pin' || kind === 'key';

/** Which piece of the layout a part is: its index there. */
const pieceIndex = (id: string): number => Number(id.replace(/^piece /, ''));

/**
 * All parts of a machine that have a body, wheels first; pieces that are the same size come once, with their
 * number.
 */
export function solidParts(derived: Derived): SolidPart[] {
  const { machine, layout, moving } = derived;
  const wheels = machine.wheels.map((w): SolidPart => ({
    ...{ id: w.id, kind: 'wheel', name: w.name },
    number:
      machine.making.find(m => m.part === w.id)?.number ??
      1 + moving.copies.filter(c => c.member === w.member).length,
  }));
  const flat = flatParts(derived).parts;
  const leaves = flat
    .filter(p => p.kind !== 'wheel')
    .map(({ id, kind, name, number }): SolidPart => ({ id, kind, name, number }));
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
    pieces.set(
      size,
      known
        ? { ...known, number: known.number + p.number }
        : { id: `piece ${i}`, kind: p.kind, name, number: p.number },
    );
  });
  const extras = extraParts(derived).map(({ id, kind, name, number }): SolidPart => ({
    id,
    kind,
    name,
    number,
  }));
  return [...wheels, ...leaves, ...pieces.values(), ...extras];
}

/**
 * How a printed part differs from the finished one: for its own process when that is a printer, not at all
 * otherwise.
 */
export function printGrowth(
  derived: Derived,
  part: Pick<SolidPart, 'id'>,
): { growth: Growth; process: Process | undefined } {
  const process = processOf(derived.machine, part.id);
  return process?.kind === 'printer'
    ? { growth: growthOf(process), process }
    : { growth: AS_IS, process: undefined };
}

/**
 * Makes bodies of a machine's parts, standing or lying on z = 0 about their own axes, compensated by a growth where
 * one is given, their first layer drawn in for a printer. What all parts share is worked out once.
 */
export function partMaker(
  kit: SolidKit,
  derived: Derived,
): (part: Pick<SolidPart, 'id' | 'name'>, growth?: Growth, process?: Process) => Result<TriMesh> {
  const { machine, layout, chordError } = derived;
  const flat = new Map(flatParts(derived).parts.map(p => [p.id, p]));
  const extras = new Map(extraParts(derived).map(p => [p.id, p]));
  return (part, growth = AS_IS, process) => {
    const wheel = byId(machine.wheels, part.id);
    if (wheel) return wheelSolid(kit, derived, wheel, growth, { process });
    const [leaf, extra, piece] = [flat.get(part.id), extras.get(part.id), layout.pieces[pieceIndex(part.id)]];
    const made = leaf
      ? leafBody(kit, leaf, growth, chordError)
      : extra
        ? extra.make(kit, growth)
        : piece
          ? pieceBody(kit, piece, growth, chordError)
          : fail('part-unknown', { part: part.name });
    if (!made.ok) return made;
    const body = withFirstLayer(kit, made.value, process);
    const mesh = toTriMesh(body);
    body.delete();
    return ok(mesh);
  };
}

/** A plate, arm, hand or dial: its outline drawn up, marks and numerals engraved. */
function leafBody(kit: SolidKit, part: FlatPart, growth: Growth, chordError: number): Result<Manifold> {
  const paths = compensated(part.outline, part.holes, growth, chordError);
  if (!paths.ok) return paths;
  const body = extrude(kit, paths.value, part.thickness, chordError);
  const text = part.labels.flatMap(l => strokeText(l.text, l, l.height, l.angle ?? 0));
  return ok(engrave(kit, body, [...part.engraved, ...text], part.thickness));
}
