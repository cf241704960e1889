/** A stage of the pipeline: what it was made from, and what it made. */
export interface Stage<T> {
  readonly inputs: readonly unknown[];
  readonly value: T;
}

/** The value made before when every input is the very same, otherwise made anew. */
export function stage<T>(
  previous: Stage<T> | undefined,
  inputs: readonly unknown[],
  make: () => T,
): Stage<T> {
  const same =
    previous?.inputs.length === inputs.length && previous.inputs.every((x, i) => Object.is(x, inputs[i]));
  return same && previous ? previous : { inputs, value: make() };
}
