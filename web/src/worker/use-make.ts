import type { MakeAnswers, MakeNews, MakeRequest } from '@tesseron/core/archive';
import { computed, type Ref } from 'vue';
import { useWorker, type Work } from './use-worker';

/** The making of files and bodies. */
export interface MakeAsk {
  readonly request: MakeRequest;
  readonly news: MakeNews;
  readonly answer: MakeAnswers[MakeRequest['task']];
}

/** Long work of making: how far it is, with what, what went wrong, and how to stop it. */
export interface Maker extends Work {
  readonly making: Readonly<Ref<boolean>>;
  /** Does one piece of work, stopping any other before it; undefined when it was stopped or went wrong. */
  readonly make: <R extends MakeRequest>(request: R) => Promise<MakeAnswers[R['task']] | undefined>;
}

export function useMake(): Maker {
  const open = (): Worker => new Worker(new URL('./make.worker.ts', import.meta.url), { type: 'module' });
  const { working, done, news, problem, ask, cancel } = useWorker<MakeAsk>(open, {
    patient: false,
    cannot: 'That could not be made',
  });
  return {
    ...{ making: working, working, done, problem, cancel },
    doing: computed(() => news.value?.doing ?? ''),
    make: request => ask(request) as Promise<MakeAnswers[(typeof request)['task']] | undefined>,
  };
}
