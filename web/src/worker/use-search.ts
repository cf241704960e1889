import type { SearchAnswers, SearchNews, SearchRequest } from '@tesseron/core/job';
import type { Ref, ShallowRef } from 'vue';
import { useWorker, type Work } from './use-worker';

type Kind = SearchRequest['kind'];
/** A search of one kind. */
export interface SearchAsk<K extends Kind = Kind> {
  readonly request: Extract<SearchRequest, { kind: K }>;
  readonly news: SearchNews;
  readonly answer: SearchAnswers[K];
}

/** A search in its worker: what it is doing, its news, its answer, and what went wrong with the worker itself. */
export interface Searcher<K extends Kind> extends Work {
  readonly start: (request: Extract<SearchRequest, { kind: K }>) => void;
  readonly clear: () => void;
  readonly searching: Readonly<Ref<boolean>>;
  readonly news: Readonly<ShallowRef<SearchNews | undefined>>;
  readonly answer: Readonly<ShallowRef<SearchAnswers[K] | undefined>>;
  readonly milliseconds: Readonly<Ref<number>>;
}

/** A worker for one kind of search. It starts with the first question, and stops with its owner. */
export function useSearch<K extends Kind>(): Searcher<K> {
  const open = (): Worker => new Worker(new URL('./search.worker.ts', import.meta.url), { type: 'module' });
  const { ask, ...rest } = useWorker<SearchAsk<K>>(open, {
    patient: true,
    cannot: 'The search broke off',
  });
  return { ...rest, searching: rest.working, start: request => void ask(request) };
}
