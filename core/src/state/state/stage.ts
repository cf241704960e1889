/** What a stage is made from, by name. */
type Inputs = Readonly<Record<string, unknown>>;

/** A stage of the pipeline: what it was made from, and what it made. */
export interface Stage<T> {
  readonly inputs: Inputs;
  readonly value: T;
}

/**
 * The value made before when every input is the very same, otherwise made anew. `make` is given the inputs and what it
 * made before, and nothing else: a stage that reads what it does not declare does not compile.
 */
export function stage<I extends object, T>(
  previous: Stage<T> | undefined,
  inputs: I,
  make: (inputs: NoInfer<I>, before: T | undefined) => T,
): Stage<T> {
  const names = Object.keys(inputs) as (keyof I & string)[];
  const same = names.every(name => Object.is(previous?.inputs[name], inputs[name]));
  return same && previous
    ? previous
    : { inputs: { ...inputs } as Inputs, value: make(inputs, previous?.value) };
}

/** Those parts of a document, and no others. */
export function pick<M extends object, K extends keyof M>(machine: M, ...keys: K[]): Pick<M, K> {
  return Object.fromEntries(keys.map(k => [k, machine[k]])) as Pick<M, K>;
}
