import type { SearchAnswers, SearchNews, SearchRequest } from '@tesseron/core/job';
import { onScopeDispose, type Ref, ref, shallowRef, type ShallowRef } from 'vue';

type Kind = SearchRequest['kind'];
type Message<K extends Kind> =
  | { readonly run: number; readonly done: number; readonly news?: SearchNews }
  | { readonly run: number; readonly answer: SearchAnswers[K]; readonly milliseconds: number };

/** A search in its worker: what it is doing, its news, and its answer. */
export interface Searcher<K extends Kind> {
  readonly start: (request: Extract<SearchRequest, { kind: K }>) => void;
  /** Stops; what was found until then stays in `news`. */
  readonly cancel: () => void;
  readonly clear: () => void;
  readonly searching: Readonly<Ref<boolean>>;
  readonly done: Readonly<Ref<number>>;
  readonly news: Readonly<ShallowRef<SearchNews | undefined>>;
  readonly answer: Readonly<ShallowRef<SearchAnswers[K] | undefined>>;
  readonly milliseconds: Readonly<Ref<number>>;
}

/** A worker for one kind of search. It starts with the first question, and stops with its owner. */
export function useSearch<K extends Kind>(): Searcher<K> {
  const searching = ref(false);
  const done = ref(0);
  const news = shallowRef<SearchNews>();
  const answer = shallowRef<SearchAnswers[K]>();
  const milliseconds = ref(0);
  let worker: Worker | undefined;
  let run = 0;

  function open(): Worker {
    const made = new Worker(new URL('./search.worker.ts', import.meta.url), { type: 'module' });
    made.onmessage = ({ data }: MessageEvent<Message<K>>) => {
      if (data.run !== run || !searching.value) return;
      if ('answer' in data) {
        answer.value = data.answer;
        milliseconds.value = data.milliseconds;
        searching.value = false;
        return;
      }
      done.value = data.done;
      if (data.news) news.value = data.news;
    };
    return made;
  }

  onScopeDispose(() => worker?.terminate());

  return {
    start(request) {
      worker ??= open();
      run += 1;
      searching.value = true;
      done.value = 0;
      news.value = undefined;
      answer.value = undefined;
      worker.postMessage({ run, request });
    },
    cancel() {
      worker?.postMessage({ cancel: true });
      searching.value = false;
    },
    clear() {
      if (searching.value) worker?.postMessage({ cancel: true });
      searching.value = false;
      news.value = undefined;
      answer.value = undefined;
    },
    ...{ searching, done, news, answer, milliseconds },
  };
}
