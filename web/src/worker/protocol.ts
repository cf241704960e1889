/** What a worker can be asked, by name: the question, what it tells on the way, and the answer. */
export interface Ask {
  readonly request: unknown;
  readonly news: { readonly done: number };
  readonly answer: unknown;
}

/** To a worker: a question under a number, or that nobody waits for that number any more. */
export type ToWorker<A extends Ask> =
  { readonly run: number; readonly request: A['request'] } | { readonly cancel: number };

/** From a worker: how far it is, its answer, or what went wrong, each under the number of its question. */
export type FromWorker<A extends Ask> =
  | { readonly run: number; readonly news: A['news'] }
  | { readonly run: number; readonly answer: A['answer']; readonly milliseconds: number }
  | { readonly run: number; readonly problem: string };
