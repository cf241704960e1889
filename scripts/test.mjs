import { spawn } from 'node:child_process';
import { existsSync } from 'node:fs';
import { install, root, run } from './install.mjs';

const quick = process.argv.includes('--quick');
const UNITS = ['core/src', 'server/src', 'web/src', 'demo', 'scripts'];
const CHROMIUM = '/usr/bin/chromium';
let passed = 0;
let failed = 0;

/** What a command printed, and how it ended. */
const ended = command =>
  new Promise(resolve => {
    const child = spawn(command, { cwd: root, shell: true, stdio: ['ignore', 'pipe', 'pipe'] });
    let text = '';
    for (const stream of [child.stdout, child.stderr]) stream.on('data', data => (text += data));
    child.on('close', status => resolve({ status, text }));
  });

/** One check: a command that must end well. Test suites count each of their tests. */
async function check(title, command) {
  const { status, text } = await ended(command);
  console.log(`\n── ${title}\n${text}`);
  const count = word =>
    [...text.matchAll(new RegExp(`^\\s*(\\d+) ${word}`, 'gm'))].reduce((n, m) => n + Number(m[1]), 0);
  const tests = { passing: count('passing'), failing: count('failing') };
  if (tests.passing + tests.failing === 0) {
    if (status === 0) passed += 1;
    else failed += 1;
    return;
  }
  passed += tests.passing;
  failed += tests.failing + (status !== 0 && tests.failing === 0 ? 1 : 0);
}

/** Two rows of checks side by side, for two cores. */
const rows = (...of) =>
  Promise.all(
    of.map(async row => {
      for (const [title, command] of row) await check(title, command);
    }),
  );

/** From Debian's registry: Chromium drives the interface, the others judge solids. */
const PROGRAMS = {
  chromium: CHROMIUM,
  admesh: '/usr/bin/admesh',
  'assimp-utils': '/usr/bin/assimp',
  'poppler-utils': '/usr/bin/pdftoppm',
};

function programs() {
  const missing = Object.keys(PROGRAMS).filter(name => !existsSync(PROGRAMS[name]));
  if (missing.length === 0) return;
  const sudo = process.getuid?.() === 0 ? '' : 'sudo ';
  run(
    `${sudo}apt-get update -q -o DPkg::Lock::Timeout=600 && ${sudo}apt-get install -o DPkg::Lock::Timeout=600 -y -q --no-install-recommends ${missing.join(' ')}`,
    {
      DEBIAN_FRONTEND: 'noninteractive',
    },
  );
}

install();
await rows(
  [['types', 'npm run -s typecheck']],
  [
    ['lint', 'npm run -s lint'],
    ['format', 'npx prettier --check .'],
    ['import rules', 'npx depcruise core/src web/src server/src bench --config .dependency-cruiser.mjs'],
    ['unused code', 'npx knip'],
  ],
);
programs();
await check(
  'unit tests, with coverage of core',
  `npx c8 mocha --require ./scripts/patient-workers.mjs --parallel --jobs 2 ${UNITS.map(where => `"${where}/**/*.test.ts"`).join(' ')}`,
);
if (!quick) {
  await check('build', 'npx vite build web --logLevel warn');
  await check('end to end', 'npx mocha --parallel --jobs 2 "e2e/**/*.test.ts" --timeout 180000');
}
console.log(`\n${passed} passed, ${failed} failed`);
process.exit(failed === 0 ? 0 : 1);
