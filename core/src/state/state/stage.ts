/** What a stage is made from, by name. */
type Inputs = Readonly<Record<string, unknown>>;

/** What a stage was made from, and what it made. */
interface Made<T> {
  readonly inputs: Inputs;
  readonly value: T;
}

/** A stage of the pipeline: its value is made when it is first asked for, and kept. */
export interface Stage<T> {
  readonly value: T;
  /** What it has made; until it is asked, what the stage before it had. */
  readonly made: Made<T> | undefined;
}

/**
 * A stage whose value is the one made before when every input is the very same, otherwise made anew; nothing is made
 * until it is asked for. `make` is given the inputs and what was made before, and nothing else: a stage that reads
 * what it does not declare does not compile.
 */
export function stage<I extends object, T>(
  previous: Stage<T> | undefined,
  inputs: () => I,
  make: (inputs: NoInfer<I>, before: T | undefined) => T,
): Stage<T> {
  const last = previous?.made;
  let made: Made<T> | undefined;
  const ask = (): Made<T> => {
    const now = inputs();
    const names = Object.keys(now) as (keyof I & string)[];
    const same = last && names.every(name => Object.is(last.inputs[name], now[name]));
    return same ? last : { inputs: { ...now } as Inputs, value: make(now, last?.value) };
  };
  return {
    get value() {
      made ??= ask();
      return made.value;
    },
    get made() {
      return made ?? last;
    },
  };
}

/** Asks every stage for its value, one at a time, so that nothing is left to be made. */
export function* askedInTurn(stages: object): Generator<undefined, void> {
  for (const s of Object.values(stages) as Stage<unknown>[]) {
    void s.value;
    yield undefined;
  }
}

/** Those parts of a document, and no others. */
export function pick<M extends object, K extends keyof M>(machine: M, ...keys: K[]): Pick<M, K> {
  return Object.fromEntries(keys.map(k => [k, machine[k]])) as Pick<M, K>;
}
