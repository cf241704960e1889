import { spawn } from 'node:child_process';
import { cpSync, mkdtempSync, readFileSync, rmSync, symlinkSync, writeFileSync } from 'node:fs';
import { availableParallelism, tmpdir } from 'node:os';
import { join } from 'node:path';
import { drawnFaults } from './drawn.ts';
import { type Mutation, NAMED } from './named.ts';

/** Share of faults that the tests must notice. */
const WANTED = 0.85;
/** A fault that makes a test run without end is noticed, ms. */
const LONGEST = 150_000;

const root = join(import.meta.dirname, '../..');

function named(): Mutation[] {
  return NAMED.map(m => {
    const at = readFileSync(join(root, m.file), 'utf8').indexOf(m.from);
    if (at < 0) throw new Error(`mutations: “${m.from}” no longer stands in ${m.file}`);
    return { ...m, at, tests: [m.tests] };
  });
}

/** A copy of the code to put faults into, so that nothing here is ever touched. */
function copy(): string {
  const folder = mkdtempSync(join(tmpdir(), 'tesseron-mutations-'));
  for (const name of [
    'core',
    'web',
    'demo',
    'scripts',
    'package.json',
    '.mocharc.json',
    'tsconfig.base.json',
  ])
    cpSync(join(root, name), join(folder, name), {
      recursive: true,
      filter: from => !/node_modules|\/dist(\/|$)/.test(from),
    });
  symlinkSync(join(root, 'node_modules'), join(folder, 'node_modules'));
  return folder;
}

/** Whether tests fail, by a run that ends with the first that does. */
const fails = (folder: string, tests: string): Promise<boolean> =>
  new Promise(resolve => {
    const child = spawn('npx', ['mocha', '--bail', '--exit', tests], {
      cwd: folder,
      stdio: 'ignore',
      detached: true,
    });
    const timer = setTimeout(() => process.kill(-(child.pid ?? 0), 'SIGKILL'), LONGEST);
    child.on('close', status => {
      clearTimeout(timer);
      resolve(status !== 0);
    });
  });

async function noticed(folder: string, m: Mutation): Promise<boolean> {
  const path = join(folder, m.file);
  const text = readFileSync(path, 'utf8');
  writeFileSync(path, text.slice(0, m.at) + m.to + text.slice(m.at + m.from.length));
  try {
    for (const tests of m.tests) if (await fails(folder, tests)) return true;
    return false;
  } finally {
    writeFileSync(path, text);
  }
}

const only = process.argv[2];
const all = [...named(), ...drawnFaults(root)].filter(m => !only || m.what.includes(only));
const queue = [...all];
const alive: string[] = [];
await Promise.all(
  Array.from({ length: Math.min(2, availableParallelism()) }, async () => {
    const folder = copy();
    for (let m = queue.shift(); m; m = queue.shift()) {
      const found = await noticed(folder, m);
      if (!found) alive.push(m.what);
      console.log(`${found ? 'noticed' : 'NOT NOTICED'}  ${m.what}`);
    }
    rmSync(folder, { recursive: true, force: true });
  }),
);
const killed = all.length - alive.length;
console.log(`${killed} of ${all.length} faults noticed (${Math.round((100 * killed) / all.length)} %)`);
process.exit(killed / all.length >= WANTED ? 0 : 1);
