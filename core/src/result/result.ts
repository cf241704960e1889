/** A fact about the world that stands in the way: a code and its figures. Its words are made where it is shown. */
export interface Problem {
  readonly code: string;
  readonly data: Readonly<Record<string, string | number>>;
}

/** The answer to a question that may have none. Thrown errors are for a caller's bug only. */
export type Result<T> =
  { readonly ok: true; readonly value: T } | { readonly ok: false; readonly problem: Problem };

/** A good answer. */
export const ok = <T>(value: T): Result<T> => ({ ok: true, value });

/** No answer, and why: a code and its figures. */
export const fail = (
  code: string,
  data: Problem['data'] = {},
): { readonly ok: false; readonly problem: Problem } => ({
  ok: false,
  problem: { code, data },
});

/** The value of a result that the caller knows to be good. Throws otherwise: that is the caller's bug. */
export function must<T>(result: Result<T>): T {
  if (result.ok) return result.value;
  throw new Error(`${result.problem.code} ${JSON.stringify(result.problem.data)}`);
}
