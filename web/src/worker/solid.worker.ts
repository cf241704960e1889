import Module from 'manifold-3d';
import wasmUrl from 'manifold-3d/manifold.wasm?url';
import { derive } from '@tesseron/core/derive';
import { writeStl } from '@tesseron/core/format';
import { byId, type Machine } from '@tesseron/core/machine';
import { AS_IS, growthOf } from '@tesseron/core/make';
import type { Problem } from '@tesseron/core/result';
import { bedFile, type MadePart, partSolid, solidParts } from '@tesseron/core/solid';

/** A mailbox round the making of bodies: a machine and the parts wanted in, news of each part, and one file out. */
export interface SolidRequest {
  readonly machine: Machine;
  /** The one part to write as STL; all of them as one 3MF when it is left out. */
  readonly part?: string;
}

export type SolidNews =
  | { readonly done: number }
  | {
      readonly file: Uint8Array<ArrayBuffer>;
      readonly left: readonly { readonly name: string; readonly problem: Problem }[];
    };

self.onmessage = async ({ data }: MessageEvent<SolidRequest>) => {
  const kit = await Module({ locateFile: () => wasmUrl });
  kit.setup();
  const derived = derive(data.machine);
  const wanted = solidParts(derived).filter(p => data.part === undefined || p.id === data.part);
  const process = byId(data.machine.processes, data.machine.process);
  const growth = process?.kind === 'printer' ? growthOf(process) : AS_IS;
  const made: MadePart[] = [];
  const left: { name: string; problem: Problem }[] = [];
  for (const [i, part] of wanted.entries()) {
    const mesh = partSolid(kit, derived, part, growth);
    if (mesh.ok) made.push({ name: part.name, number: part.number, mesh: mesh.value });
    else left.push({ name: part.name, problem: mesh.problem });
    self.postMessage({ done: (i + 1) / wanted.length } satisfies SolidNews);
  }
  const [one] = made;
  const file =
    data.part !== undefined && one ? writeStl(one.mesh, one.name) : bedFile(made, data.machine.name);
  self.postMessage({ file, left } satisfies SolidNews, [file.buffer]);
};
