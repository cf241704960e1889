import type { CountQuery, SearchResult } from '@tesseron/core/counts';
import type { Result } from '@tesseron/core/result';
import { onScopeDispose, ref, shallowRef } from 'vue';

type Message =
  | { readonly run: number; readonly done: number }
  | { readonly run: number; readonly answer: Result<SearchResult>; readonly milliseconds: number };

/** The search in its worker: start, cancel, progress from 0 to 1, and the answer. Stops with its owner. */
export function useSearch(): {
  start: (query: CountQuery) => void;
  cancel: () => void;
  searching: Readonly<ReturnType<typeof ref<boolean>>>;
  done: Readonly<ReturnType<typeof ref<number>>>;
  answer: Readonly<ReturnType<typeof shallowRef<Result<SearchResult> | undefined>>>;
  milliseconds: Readonly<ReturnType<typeof ref<number>>>;
} {
  const searching = ref(false);
  const done = ref(0);
  const answer = shallowRef<Result<SearchResult>>();
  const milliseconds = ref(0);
  const worker = new Worker(new URL('./search.worker.ts', import.meta.url), { type: 'module' });
  let run = 0;

  worker.onmessage = ({ data }: MessageEvent<Message>) => {
    if (data.run !== run || !searching.value) return;
    if ('answer' in data) {
      answer.value = data.answer;
      milliseconds.value = data.milliseconds;
      searching.value = false;
    } else done.value = data.done;
  };

  onScopeDispose(() => worker.terminate());

  return {
    start(query) {
      run += 1;
      searching.value = true;
      done.value = 0;
      worker.postMessage({ run, query });
    },
    cancel() {
      worker.postMessage({ cancel: true });
      searching.value = false;
    },
    searching,
    done,
    answer,
    milliseconds,
  };
}
