import { onScopeDispose, readonly, type Ref, ref, shallowRef, type ShallowRef, toRaw } from 'vue';
import type { Ask, FromWorker, ToWorker } from './protocol';

/** Long work as it is shown: how far it is, with what, what went wrong, and how to stop it. */
export interface Work {
  readonly working: Readonly<Ref<boolean>>;
  readonly done: Readonly<Ref<number>>;
  readonly doing?: Readonly<Ref<string>>;
  /** Why there is no answer, as a sentence; empty while all is well. */
  readonly problem: Readonly<Ref<string>>;
  readonly cancel: () => void;
}

/** Long work in a worker: how far it is, its news, its answer, what went wrong, and how to stop it. */
export interface Asking<A extends Ask> extends Work {
  readonly news: Readonly<ShallowRef<A['news'] | undefined>>;
  readonly answer: Readonly<ShallowRef<A['answer'] | undefined>>;
  readonly milliseconds: Readonly<Ref<number>>;
  /** Asks, stopping what was asked before; undefined when it was stopped or went wrong. */
  readonly ask: <R extends A['request']>(
    request: R,
    transfer?: readonly Transferable[],
  ) => Promise<A['answer'] | undefined>;
  /** The same, and forgets what was found. */
  readonly clear: () => void;
}

/**
 * A worker that is opened with the first question and ends with its owner. `patient`: it hears a cancel between slices
 * and stays warm; others are ended, because they are deep in a library that does not listen.
 */
export function useWorker<A extends Ask>(
  open: () => Worker,
  { patient, cannot }: { readonly patient: boolean; readonly cannot: string },
): Asking<A> {
  const [working, done, problem, milliseconds] = [ref(false), ref(0), ref(''), ref(0)];
  const news = shallowRef<A['news']>();
  const answer = shallowRef<A['answer']>();
  let worker: Worker | undefined;
  let run = 0;
  let settle: ((answer: A['answer'] | undefined) => void) | undefined;

  function end(found: A['answer'] | undefined): void {
    working.value = false;
    const told = settle;
    settle = undefined;
    told?.(found);
  }

  function failed(why: string): void {
    problem.value = `${cannot} (${why || 'the worker stopped'}). Nothing was lost; try again.`;
    worker?.terminate();
    worker = undefined;
    end(undefined);
  }

  function cancel(): void {
    if (!working.value) return;
    if (patient) worker?.postMessage({ cancel: run } satisfies ToWorker<A>);
    else {
      worker?.terminate();
      worker = undefined;
    }
    end(undefined);
  }

  function started(): Worker {
    const made = open();
    made.onerror = event => failed(event.message);
    made.onmessageerror = () => failed('its answer could not be read');
    made.onmessage = ({ data }: MessageEvent<FromWorker<A>>) => {
      if (data.run !== run || !working.value) return;
      if ('problem' in data) failed(data.problem);
      else if ('news' in data) [done.value, news.value] = [data.news.done, data.news];
      else {
        [answer.value, milliseconds.value, done.value] = [data.answer, data.milliseconds, 1];
        end(data.answer);
      }
    };
    return made;
  }

  function ask<R extends A['request']>(
    request: R,
    transfer: readonly Transferable[] = [],
  ): Promise<A['answer'] | undefined> {
    cancel();
    worker ??= started();
    run += 1;
    [working.value, done.value, problem.value] = [true, 0, ''];
    [news.value, answer.value] = [undefined, undefined];
    return new Promise(resolve => {
      settle = resolve;
      try {
        worker?.postMessage({ run, request: raw(request) } satisfies ToWorker<A>, [...transfer]);
      } catch (error) {
        failed(error instanceof Error ? error.message : String(error));
      }
    });
  }

  onScopeDispose(() => {
    cancel();
    worker?.terminate();
  });
  return {
    working: readonly(working),
    done: readonly(done),
    problem: readonly(problem),
    milliseconds: readonly(milliseconds),
    ...{ news, answer, ask, cancel },
    clear: () => {
      cancel();
      [news.value, answer.value, problem.value] = [undefined, undefined, ''];
    },
  };
}

/** A request without the wrappers that make values reactive: they cannot be sent. */
const raw = <R>(request: R): R =>
  typeof request === 'object' && request !== null && Object.getPrototypeOf(request) === Object.prototype
    ? (Object.fromEntries(Object.entries(request).map(([k, v]) => [k, toRaw(v as object)])) as R)
    : request;
