import type { z } from 'zod';
import { fail, ok, type Problem, problem, type Result } from '../../ground/result/index.ts';
import { integrityProblems } from './integrity.ts';
import { migrate } from './migrate.ts';
import { FORMAT, VERSION } from './format.ts';
import { MachineSchema } from './schema/machine.ts';
import type { Machine } from './types.ts';

/** Longest machine file that is read, in characters: a machine of thousands of wheels is far below it. */
export const MOST_CHARACTERS = 20_000_000;

/** The machine as JSON text, indented, in the order of the schema. The same machine always gives the same text. */
export const writeMachine = (machine: Machine): string =>
  `${JSON.stringify(MachineSchema.parse(machine), null, 2)}\n`;

/**
 * Reads a machine file. Never throws and never hangs: whatever is wrong comes back as one problem that says what
 * and where. Older versions are brought up to date first; newer ones are refused.
 */
export function readMachine(text: string): Result<Machine> {
  if (text.length > MOST_CHARACTERS)
    return fail('file-too-large', { megabytes: Math.round(text.length / 1e6), most: 20 });
  let data: unknown;
  try {
    data = JSON.parse(text);
  } catch {
    return text.trimStart().startsWith('{') ? fail('file-broken-off') : fail('file-not-json');
  }
  return machineFrom(data);
}

/** The same from parsed data, as it comes out of the browser's store. */
export function machineFrom(data: unknown): Result<Machine> {
  if (typeof data !== 'object' || data === null || (data as { format?: unknown }).format !== FORMAT)
    return fail('file-not-ours', { format: FORMAT });
  const version = (data as { version?: unknown }).version;
  if (typeof version !== 'number' || !Number.isInteger(version) || version < 1)
    return fail('file-version-unreadable', { version: (JSON.stringify(version) ?? 'none').slice(0, 40) });
  if (version > VERSION) return fail('file-newer', { version, known: VERSION });
  const parsed = MachineSchema.safeParse(migrate(data, version));
  if (!parsed.success) return { ok: false, problem: schemaProblem(parsed.error) };
  const [first] = integrityProblems(parsed.data);
  return first ? { ok: false, problem: first } : ok(parsed.data);
}

const schemaProblem = (error: z.ZodError): Problem =>
  problem('file-invalid', { ...issueOf(error), more: error.issues.length - 1 });

/** The first thing that a schema finds wrong: where, and what. */
export function issueOf(error: z.ZodError, within = ''): { readonly where: string; readonly what: string } {
  const issue = error.issues[0];
  const way = issue?.path.map(p => (typeof p === 'number' ? `[${p}]` : `.${String(p)}`)).join('') ?? '';
  return {
    where: `${within}${way}`.replace(/^\./, '') || 'the document',
    what: (issue?.message ?? 'unreadable').slice(0, 200),
  };
}
