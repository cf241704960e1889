import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { z } from 'zod';
import { MachineSchema, VERSION } from '../core/src/document/machine/index.ts';
import { format } from 'prettier';

/** What JSON Schema says of a value; only what is told here. */
interface Said {
  readonly type?: string;
  readonly const?: unknown;
  readonly enum?: readonly unknown[];
  readonly properties?: Readonly<Record<string, Said>>;
  readonly required?: readonly string[];
  readonly items?: Said;
  readonly prefixItems?: readonly Said[];
  readonly oneOf?: readonly Said[];
  readonly anyOf?: readonly Said[];
  readonly minimum?: number;
  readonly maximum?: number;
  readonly exclusiveMinimum?: number;
  readonly minItems?: number;
  readonly maxItems?: number;
}

const WHOLE = Number.MAX_SAFE_INTEGER;

/** The limits of a number in few words; those that only say that it is one are left out. */
function range(s: Said): string {
  const least = s.exclusiveMinimum ?? s.minimum;
  const from =
    least === undefined || least === -WHOLE
      ? ''
      : `${s.exclusiveMinimum === undefined ? '' : 'above '}${least}`;
  const to = s.maximum === undefined || s.maximum === WHOLE ? '' : String(s.maximum);
  return from === '' && to === '' ? '' : ` ${from || '…'} to ${to || '…'}`;
}

function kindOf(s: Said): string {
  if (s.const !== undefined) return `\`${JSON.stringify(s.const)}\``;
  if (s.enum) return s.enum.map(e => `\`${JSON.stringify(e)}\``).join(', ');
  if (s.prefixItems) return `[${s.prefixItems.map(kindOf).join('; ')}]`;
  if (s.items) {
    const many =
      s.maxItems === undefined && s.minItems === undefined
        ? ''
        : `, ${s.minItems ?? 0} to ${s.maxItems ?? '…'}`;
    return `list${many}`;
  }
  if (s.oneOf ?? s.anyOf) return 'one of';
  if (s.type === 'integer') return `whole number${range(s)}`;
  if (s.type === 'number') return `number${range(s)}`;
  return s.type ?? 'any';
}

/** A value and what is in it, a line each, indented by how deep it lies. */
function* lines(name: string, s: Said, optional: boolean, depth: number): Generator<string> {
  const pad = '  '.repeat(depth);
  yield `${pad}- \`${name}\`${optional ? '?' : ''}: ${kindOf(s)}`;
  yield* inside(s, depth + 1);
}

function* inside(s: Said, depth: number): Generator<string> {
  for (const [name, value] of Object.entries(s.properties ?? {}))
    yield* lines(name, value, !s.required?.includes(name), depth);
  if (s.items) yield* inside(s.items, depth);
  for (const one of s.oneOf ?? s.anyOf ?? []) {
    const [key, mark] = Object.entries(one.properties ?? {}).find(([, v]) => v.const !== undefined) ?? [];
    if (!key || !mark) continue;
    yield `${'  '.repeat(depth)}- \`${key}\` ${kindOf(mark)}`;
    const { [key]: _, ...others } = one.properties ?? {};
    yield* inside({ ...one, properties: others }, depth + 1);
  }
}

const PAGE = join(import.meta.dirname, '../docs/formats/machine.md');
const [BEGIN, END] = ['<!-- schema: made by scripts/machine-format.ts -->', '<!-- end of schema -->'];

/** The page of the machine file with its list of fields as the schema has them now. */
export async function machinePage(): Promise<string> {
  const text = readFileSync(PAGE, 'utf8');
  const schema = z.toJSONSchema(MachineSchema, { unrepresentable: 'any' }) as Said;
  const said = [
    BEGIN,
    '',
    `Version ${VERSION}. A question mark marks what may be left out.`,
    '',
    ...inside(schema, 0),
    '',
    END,
  ];
  const [before, rest] = [text.slice(0, text.indexOf(BEGIN)), text.slice(text.indexOf(END) + END.length)];
  return format(before + said.join('\n') + rest, { parser: 'markdown', printWidth: 110 });
}

export const machinePageNow = (): string => readFileSync(PAGE, 'utf8');

if (process.argv[1] === import.meta.filename) writeFileSync(PAGE, await machinePage());
