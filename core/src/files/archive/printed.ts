import { type InPlaceSet } from '../../place/layout/index.ts';
import type { Derived } from '../../state/state/index.ts';
import { writeThreeMf } from '../format/index.ts';
import type { TriMesh } from '../../ground/geometry/index.ts';
import type { Process } from '../../document/machine/index.ts';
import { ok, type Result } from '../../ground/result/index.ts';
import {
  bedPlates,
  isBought,
  type MadePart,
  partMaker,
  printedInPlace,
  printGrowth,
  type SolidKit,
  type solidParts,
} from '../../making/solid/index.ts';
import type { MakeNews, Named, NotMade } from './make-request.ts';

type Part = ReturnType<typeof solidParts>[number];

/** A part's body as its printer makes it. */
export interface PrintedPart {
  readonly part: Part;
  readonly process: Process | undefined;
  readonly mesh: TriMesh;
}

/** The bodies of parts, one after the other, compensated for their printers; what cannot be made is left. */
export function* printedParts(
  derived: Derived,
  kit: SolidKit,
  parts: readonly Part[],
): Generator<MakeNews, { readonly made: readonly PrintedPart[]; readonly left: readonly NotMade[] }> {
  const make = partMaker(kit, derived);
  const made: PrintedPart[] = [];
  const left: NotMade[] = [];
  for (const [i, part] of parts.entries()) {
    yield { done: i / parts.length, doing: part.name };
    const { growth, process } = printGrowth(derived, part);
    const mesh = make(part, growth, process);
    if (mesh.ok) made.push({ part, process, mesh: mesh.value });
    else left.push({ name: part.name, problem: mesh.problem });
  }
  return { made, left };
}

/** The plates of a printer with the bodies that it makes on them, as files. */
export function* printedPlates(
  derived: Derived,
  printer: Process,
  made: readonly PrintedPart[],
): Generator<MakeNews, { readonly files: readonly Named[]; readonly left: readonly NotMade[] }> {
  const own = made.flatMap(({ part, process, mesh }): MadePart[] =>
    process?.id === printer.id && !isBought(part) ? [{ name: part.name, number: part.number, mesh }] : [],
  );
  const job = bedPlates(own, printer);
  let step = job.next();
  while (!step.done) {
    yield { done: step.value, doing: 'plates' };
    step = job.next();
  }
  const { plates, left } = step.value;
  const files = plates.map((bodies, n) => ({
    name: `plate ${n + 1}`,
    bytes: writeThreeMf(bodies, `${derived.machine.name}, plate ${n + 1}`),
  }));
  return { files, left };
}

/** A planetary set printed in place, as one file. */
export function inPlaceFile(
  derived: Derived,
  kit: SolidKit,
  set: InPlaceSet,
): Result<Uint8Array<ArrayBuffer>> {
  const placed = printedInPlace(kit, derived, set, printGrowth(derived, set.planet).growth);
  if (!placed.ok) return placed;
  const bodies = placed.value.map(b => ({ name: b.name, mesh: b.mesh, at: [[0, 0, 0]] as const }));
  return ok(writeThreeMf(bodies, set.name));
}
