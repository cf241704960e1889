import Module from 'manifold-3d';
import wasmUrl from 'manifold-3d/manifold.wasm?url';
import { makeJob } from '@tesseron/core/archive';
import type { SolidKit } from '@tesseron/core/solid';
import { mailbox } from './mailbox';
import type { MakeAsk } from './use-make';

/** Fetched here rather than by the library, which never answers when it cannot be. */
async function solidKit(): Promise<SolidKit> {
  const response = await fetch(wasmUrl).catch(() => undefined);
  if (!response?.ok) throw new Error('the library of bodies could not be loaded');
  const wasmBinary = await response.arrayBuffer();
  const options: object = { wasmBinary };
  const kit = await Module(options as Parameters<typeof Module>[0]);
  kit.setup();
  return kit;
}

mailbox<MakeAsk>(request => makeJob(request, solidKit));
