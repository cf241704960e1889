import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { type Machine, readMachine } from '../src/document/machine/index.ts';
import { must } from '../src/ground/result/index.ts';
import { KINDS } from './kinds.ts';

const folder = join(import.meta.dirname, '../../demo');

/** The demo machines by name. */
export const DEMOS: Readonly<Record<string, Machine>> = Object.fromEntries(
  readdirSync(folder)
    .filter(f => f.endsWith('.json'))
    .map(f => [f.replace('.json', ''), must(readMachine(readFileSync(join(folder, f), 'utf8')))]),
);

/** A machine of every kind that the document can say, and every demo. */
export const MACHINES: Readonly<Record<string, Machine>> = { ...KINDS, ...DEMOS };
