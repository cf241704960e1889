import { onScopeDispose, readonly, type Ref, ref } from 'vue';

/** What a film is made of. */
interface FilmRequest {
  readonly frames: number;
  readonly width: number;
  readonly height: number;
  readonly delayMs: number;
  /** The pixels of the i-th frame. */
  readonly draw: (i: number) => ImageData;
}

/** A film in the making: how far it is, and how to stop it. */
export interface Filming {
  readonly making: Readonly<Ref<boolean>>;
  /** Part of the frames that are done. */
  readonly done: Readonly<Ref<number>>;
  /** The finished film; undefined when it was stopped. */
  readonly make: (request: FilmRequest) => Promise<Blob | undefined>;
  readonly cancel: () => void;
}

/** Draws frames one at a time and hands them to a worker that makes an animated picture of them. */
export function useFilm(): Filming {
  const making = ref(false);
  const done = ref(0);
  let worker: Worker | undefined;
  let run = 0;

  function answer<T>(from: Worker): Promise<T> {
    return new Promise((resolve, reject) => {
      from.onmessage = ({ data }: MessageEvent<T>) => resolve(data);
      from.onerror = event => reject(new Error(event.message));
    });
  }

  async function make(request: FilmRequest): Promise<Blob | undefined> {
    cancel();
    const own = (run += 1);
    const at = new Worker(new URL('./film.worker.ts', import.meta.url), { type: 'module' });
    worker = at;
    making.value = true;
    done.value = 0;
    const { width, height, delayMs } = request;
    at.postMessage({ begin: { width, height, delayMs } });
    for (let i = 0; i < request.frames; i++) {
      const pixels = request.draw(i).data.buffer as ArrayBuffer;
      const taken = answer(at);
      at.postMessage({ frame: pixels }, [pixels]);
      await taken;
      if (own !== run) return undefined;
      done.value = (i + 1) / request.frames;
    }
    const finished = answer<{ bytes: Uint8Array<ArrayBuffer> }>(at);
    at.postMessage({ end: true });
    const { bytes } = await finished;
    if (own !== run) return undefined;
    cancel();
    return new Blob([bytes], { type: 'image/gif' });
  }

  function cancel(): void {
    run += 1;
    worker?.terminate();
    worker = undefined;
    making.value = false;
  }

  onScopeDispose(cancel);
  return { making: readonly(making), done: readonly(done), make, cancel };
}
