import { integrityProblems, type Machine } from '../../document/machine/index.ts';
import { fail, ok, type Result } from '../../ground/result/index.ts';

/** The machine as a change left it, unless it leads into itself: then what is wrong, and nothing is changed. */
export function sound(machine: Machine): Result<Machine> {
  const [problem] = integrityProblems(machine);
  return problem ? { ok: false, problem } : ok(machine);
}

/** Refuses a change whose subject is not there. */
export const gone = (id: string): ReturnType<typeof fail> => fail('hand-gone', { id });
