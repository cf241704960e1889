import type { Machine } from '@tesseron/core/machine';
import { onScopeDispose, readonly, type Ref, ref, toRaw } from 'vue';
import type { SolidNews, SolidRequest } from '../../worker/solid.worker';

/** The file of some bodies, and the parts that have none. */
type SolidFile = Extract<SolidNews, { file: unknown }>;

/** Makes bodies in a worker: how far it is, and how to stop it. */
export interface Solids {
  readonly making: Readonly<Ref<boolean>>;
  readonly done: Readonly<Ref<number>>;
  /** One part as STL, or all as one 3MF; undefined when it was stopped. */
  readonly make: (machine: Machine, part?: string) => Promise<SolidFile | undefined>;
  readonly cancel: () => void;
}

export function useSolids(): Solids {
  const making = ref(false);
  const done = ref(0);
  let worker: Worker | undefined;
  let stop: (() => void) | undefined;

  function cancel(): void {
    worker?.terminate();
    worker = undefined;
    making.value = false;
    stop?.();
    stop = undefined;
  }

  function make(machine: Machine, part?: string): Promise<SolidFile | undefined> {
    cancel();
    const at = new Worker(new URL('../../worker/solid.worker.ts', import.meta.url), { type: 'module' });
    worker = at;
    making.value = true;
    done.value = 0;
    return new Promise((resolve, reject) => {
      stop = () => resolve(undefined);
      at.onerror = event => {
        cancel();
        reject(new Error(event.message));
      };
      at.onmessage = ({ data }: MessageEvent<SolidNews>) => {
        if ('done' in data) done.value = data.done;
        else {
          resolve(data);
          cancel();
        }
      };
      const request: SolidRequest = { machine: toRaw(machine), ...(part === undefined ? {} : { part }) };
      at.postMessage(request);
    });
  }

  onScopeDispose(cancel);
  return { making: readonly(making), done: readonly(done), make, cancel };
}
