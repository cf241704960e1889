import { execSync } from 'node:child_process';
import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { createHash } from 'node:crypto';
import { join } from 'node:path';

export const root = join(import.meta.dirname, '..');
const mark = join(root, 'node_modules/.installed');

/** Runs a command in the project's folder, its output shown as it comes. Throws when it fails. */
export const run = (command, env = {}) =>
  execSync(command, { cwd: root, stdio: 'inherit', env: { ...process.env, ...env } });

/** Installs the packages of the lock file, unless they are there already. */
export function install() {
  const [major, minor] = process.versions.node.split('.').map(Number);
  if (major < 20 || (major === 20 && minor < 19)) {
    console.error(`Tesseron needs Node.js 20.19 or newer; this is ${process.versions.node}.`);
    process.exit(1);
  }
  const lock = createHash('sha256')
    .update(readFileSync(join(root, 'package-lock.json')))
    .digest('hex');
  if (existsSync(mark) && readFileSync(mark, 'utf8') === lock) return;
  run('npm ci --no-audit --no-fund --loglevel=error');
  writeFileSync(mark, lock);
}
