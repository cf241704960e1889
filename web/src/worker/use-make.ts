import { onScopeDispose, readonly, type Ref, ref, toRaw } from 'vue';
import type { MakeAnswers, MakeMessage, MakeRequest } from './make-requests';

/** Long work in a worker of its own: how far it is, with what, and how to stop it. */
export interface Maker {
  readonly making: Readonly<Ref<boolean>>;
  readonly done: Readonly<Ref<number>>;
  readonly doing: Readonly<Ref<string>>;
  /** What went wrong in the worker itself, as a sentence; empty when nothing did. */
  readonly problem: Readonly<Ref<string>>;
  /** Does one piece of work, stopping any other before it; undefined when it was stopped or went wrong. */
  readonly make: <R extends MakeRequest>(request: R) => Promise<MakeAnswers[R['task']] | undefined>;
  readonly cancel: () => void;
}

export function useMake(): Maker {
  const [making, done, doing, problem] = [ref(false), ref(0), ref(''), ref('')];
  let worker: Worker | undefined;
  let stop: (() => void) | undefined;

  function cancel(): void {
    worker?.terminate();
    worker = undefined;
    making.value = false;
    stop?.();
    stop = undefined;
  }

  function make<R extends MakeRequest>(request: R): Promise<MakeAnswers[R['task']] | undefined> {
    cancel();
    const at = new Worker(new URL('./make.worker.ts', import.meta.url), { type: 'module' });
    worker = at;
    making.value = true;
    [done.value, doing.value, problem.value] = [0, '', ''];
    return new Promise(resolve => {
      const end = (answer: MakeAnswers[R['task']] | undefined): void => {
        stop = undefined;
        cancel();
        resolve(answer);
      };
      stop = () => resolve(undefined);
      at.onerror = error => {
        problem.value =
          `That could not be made (${error.message || 'the worker stopped'}). ` +
          'Nothing was written; try one part by itself.';
        end(undefined);
      };
      at.onmessage = ({ data }: MessageEvent<MakeMessage>) => {
        if ('answer' in data) end(data.answer as MakeAnswers[R['task']]);
        else [done.value, doing.value] = [data.done, data.doing];
      };
      at.postMessage(raw(request));
    });
  }

  onScopeDispose(cancel);
  return {
    making: readonly(making),
    done: readonly(done),
    doing: readonly(doing),
    problem: readonly(problem),
    make,
    cancel,
  };
}

/** A request without the wrappers that make values reactive: they cannot be sent. */
const raw = <R extends MakeRequest>(request: R): R =>
  Object.fromEntries(
    Object.entries(request).map(([key, value]) => [key, toRaw(value as object)]),
  ) as unknown as R;
