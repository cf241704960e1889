import type { Problem, Result } from '../core/src/ground/result/index.ts';
import { sayProblem } from '../core/src/files/words/index.ts';

/** What a command answers: what it prints, and whether anything was found. */
export interface Answered {
  readonly text: string;
  readonly found: boolean;
}

/** A question from the command line: read from its arguments, or a wish for help; answered, or refused. */
export interface Command<T> {
  readonly help: string;
  readonly read: (args: string[]) => Result<T> | 'help';
  readonly answer: (asked: T) => Result<Answered>;
}

/** Exit status: 0 when something is found, 1 when nothing is, 2 when it cannot be asked, with a sentence. */
export function runCommand<T>({ help, read, answer }: Command<T>): number {
  const refuse = (problem: Problem): number => {
    console.error(sayProblem(problem));
    return 2;
  };
  try {
    const asked = read(process.argv.slice(2));
    if (asked === 'help') {
      console.log(help);
      return 0;
    }
    if (!asked.ok) return refuse(asked.problem);
    const answered = answer(asked.value);
    if (!answered.ok) return refuse(answered.problem);
    console.log(answered.value.text);
    return answered.value.found ? 0 : 1;
  } catch (error) {
    console.error(error instanceof Error ? error.message : String(error));
    return 2;
  }
}
