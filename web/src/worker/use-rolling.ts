import type { Rolled, RollRequest } from '@tesseron/core/job';
import { type Asking, useWorker } from './use-worker';

/** Meshes that are rolled. */
export interface RollAsk {
  readonly request: RollRequest;
  readonly news: { readonly done: number };
  readonly answer: readonly Rolled[];
}

/** A worker that rolls meshes. It starts with the first question, and stops with its owner. */
export const useRolling = (): Asking<RollAsk> =>
  useWorker<RollAsk>(() => new Worker(new URL('./roll.worker.ts', import.meta.url), { type: 'module' }), {
    ...{ patient: true, cannot: 'The rolling broke off' },
  });
