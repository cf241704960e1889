import type { ProblemCode, Problems } from './problems.ts';

/** A fact about the world that stands in the way: a code and its figures. Its words are made where it is shown. */
export type Problem<C extends ProblemCode = ProblemCode> = {
  readonly [K in C]: { readonly code: K; readonly data: Readonly<Problems[K]> };
}[C];

/** The answer to a question that may have none. Thrown errors are for a caller's bug only. */
export type Result<T> =
  { readonly ok: true; readonly value: T } | { readonly ok: false; readonly problem: Problem };

/** A good answer. */
export const ok = <T>(value: T): Result<T> => ({ ok: true, value });

/** The figures of a problem, which may be left out where it has none. */
type Data<D> = Readonly<Record<string, never>> extends D ? [data?: D] : [data: D];

/** A problem: a code and its figures. */
export const problem = <C extends ProblemCode>(code: C, ...[data]: Data<Problems[C]>): Problem<C> =>
  ({ code, data: data ?? {} }) as unknown as Problem<C>;

/** No answer, and why: a code and its figures. */
export const fail = <C extends ProblemCode>(
  code: C,
  ...data: Data<Problems[C]>
): { readonly ok: false; readonly problem: Problem<C> } => ({ ok: false, problem: problem(code, ...data) });

/** The value of a result that the caller knows to be good. Throws otherwise: that is the caller's bug. */
export function must<T>(result: Result<T>): T {
  if (result.ok) return result.value;
  throw new Error(`${result.problem.code} ${JSON.stringify(result.problem.data)}`);
}
