import { readonly, ref } from 'vue';
import { useWorker, type Work } from '../worker/use-worker';

/** What a film is made of. */
interface FilmRequest {
  readonly frames: number;
  readonly width: number;
  readonly height: number;
  readonly delayMs: number;
  /** The pixels of the i-th frame. */
  readonly draw: (i: number) => ImageData;
}

/** The parts of making a film, in order. */
export interface FilmAsk {
  readonly request:
    | { readonly begin: { readonly width: number; readonly height: number; readonly delayMs: number } }
    | { readonly frame: ArrayBuffer }
    | { readonly end: true };
  readonly news: { readonly done: number };
  readonly answer: Uint8Array<ArrayBuffer> | undefined;
}

/** A film in the making: how far it is, and how to stop it. */
export interface Filming extends Work {
  /** The finished film; undefined when it was stopped or went wrong. */
  readonly make: (request: FilmRequest) => Promise<Blob | undefined>;
}

/** Draws frames one at a time and hands them to a worker that makes an animated picture of them. */
export function useFilm(): Filming {
  const making = ref(false);
  const done = ref(0);
  const open = (): Worker => new Worker(new URL('./film.worker.ts', import.meta.url), { type: 'module' });
  const worker = useWorker<FilmAsk>(open, { patient: false, cannot: 'The film could not be made' });
  let run = 0;

  async function make({ frames, draw, ...begin }: FilmRequest): Promise<Blob | undefined> {
    cancel();
    const own = run;
    const gone = (): boolean => own !== run || worker.problem.value !== '';
    making.value = true;
    done.value = 0;
    await worker.ask({ begin });
    for (let i = 0; i < frames && !gone(); i++) {
      const pixels = draw(i).data.buffer as ArrayBuffer;
      await worker.ask({ frame: pixels }, [pixels]);
      if (!gone()) done.value = (i + 1) / frames;
    }
    const bytes = gone() ? undefined : await worker.ask({ end: true });
    if (own === run) making.value = false;
    return bytes && !gone() ? new Blob([bytes], { type: 'image/gif' }) : undefined;
  }

  function cancel(): void {
    run += 1;
    worker.cancel();
    making.value = false;
  }
  return { working: readonly(making), done: readonly(done), problem: worker.problem, make, cancel };
}
