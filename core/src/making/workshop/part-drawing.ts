import type { Derived } from '../../state/state/index.ts';
import type { Drawing, Shape } from '../../ground/drawing/index.ts';
import type { Process } from '../../document/machine/index.ts';
import { compensated, growthOf } from '../process/index.ts';
import { fileNotes } from '../../files/drawings/index.ts';
import { ok, type Result } from '../../ground/result/index.ts';
import type { FlatPart } from './flat-part.ts';

/** One flat part as a drawing of its own, compensated once for a process if one is named. */
export function partDrawing(
  derived: Pick<Derived, 'machine' | 'chordError'>,
  part: FlatPart,
  process?: Process,
): Result<Drawing> {
  const { outline, holes, engraved, labels, name } = part;
  const paths = process
    ? compensated(outline, holes, growthOf(process), derived.chordError)
    : ok([outline, ...holes]);
  if (!paths.ok) return paths;
  const cut: Shape = { name, role: 'cut', paths: paths.value };
  const marks: Shape[] =
    engraved.length > 0 ? [{ name: `${name}, marks`, role: 'engrave', paths: engraved }] : [];
  const group = { name, x: 0, y: 0, angle: 0, shapes: [cut, ...marks], labels };
  return ok({
    title: `${derived.machine.name}: ${name}`,
    notes: fileNotes(derived, process),
    groups: [group],
  });
}
