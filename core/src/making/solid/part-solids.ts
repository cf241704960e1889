import type { Derived } from '../../state/state/index.ts';
import { type TriMesh } from '../../ground/geometry/index.ts';
import { fusedParts, onePieces, type Piece } from '../../place/layout/index.ts';
import { byId, ownParts, type Process, processOf } from '../../document/machine/index.ts';
import { AS_IS, type Growth, growthOf } from '../process/index.ts';
import { type FlatPart, flatParts, piecesNeeded } from '../workshop/index.ts';
import { fail, ok, type Result } from '../../ground/result/index.ts';
import { wheelPiece } from '../../state/derive/index.ts';
import type { ExtraPart } from './extra-part.ts';
import { extraParts } from './extra-parts.ts';
import { withFirstLayer } from './first-layer.ts';
import { type SolidKit, toTriMesh } from './kit.ts';
import { onePieceBody } from './one-piece-body.ts';
import { leafBody } from './leaf-body.ts';
import { pieceBody } from './round-solids.ts';
import { wheelSolid } from './wheel-solid.ts';

/** A part that can be printed: what it is, its name, and how many of it the machine needs. */
export interface SolidPart {
  readonly id: string;
  readonly kind: FlatPart['kind'] | Piece['kind'] | ExtraPart['kind'] | 'one piece';
  readonly name: string;
  readonly number: number;
}

/** Bought rather than printed, whatever the rest is made by: rods, pins, keys and ball bearings. */
export const isBought = ({ kind }: Pick<SolidPart, 'kind'>): boolean =>
  kind === 'rod' || kind === 'pin' || kind === 'key' || kind === 'bearing';

/** Which piece of the layout a part is: its index there. */
const pieceIndex = (id: string): number => Number(id.replace(/^piece /, ''));

/**
 * All parts of a machine that have a body, wheels first; pieces that are the same size come once, with their
 * number.
 */
export function solidParts(derived: Derived): SolidPart[] {
  const { machine, layout } = derived;
  const ones = onePieces(machine, layout.pieces);
  const fused = fusedParts(ones);
  const made = ones.map((one): SolidPart => ({
    ...{ id: one.id, kind: 'one piece', name: `${one.name}, one piece` },
    number: machine.making.find(m => m.part === one.id)?.number ?? piecesNeeded(derived, one.arbor),
  }));
  const flat = flatParts(derived).parts;
  const loose = ownParts(machine).filter(w => !fused.has(w.id));
  const wheels = loose.map((w): SolidPart => ({
    ...{ id: w.id, kind: 'wheel', name: flat.find(p => p.id === w.id)?.name ?? w.name },
    number:
      machine.making.find(m => m.part === w.id)?.number ??
      (wheelPiece(derived, w) ? (w.divided?.pieces ?? 1) : 1) * piecesNeeded(derived, w.member),
  }));
  const leaves = flat
    .filter(p => p.kind !== 'wheel' && !fused.has(p.id))
    .map(({ id, kind, name, number }): SolidPart => ({ id, kind, name, number }));
  const pieces = new Map<string, SolidPart>();
  layout.pieces.forEach((p, i) => {
    if (fused.has(`piece ${i}`)) return;
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
  return [...made, ...wheels, ...leaves, ...pieces.values(), ...extras];
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
  const ones = new Map(onePieces(machine, layout.pieces).map(p => [p.id, p]));
  return (part, growth = AS_IS, process) => {
    const one = ones.get(part.id);
    const wheel = one ? undefined : byId(machine.wheels, part.id);
    if (wheel) return wheelSolid(kit, derived, wheel, growth, { process });
    const [leaf, extra, piece] = [flat.get(part.id), extras.get(part.id), layout.pieces[pieceIndex(part.id)]];
    const made = one
      ? onePieceBody(kit, derived, one, growth)
      : leaf
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
