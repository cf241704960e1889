import { spawnSync } from 'node:child_process';
import { existsSync } from 'node:fs';
import { install, root, run } from './install.mjs';

const quick = process.argv.includes('--quick');
const UNITS = ['core/src', 'server/src', 'web/src', 'demo', 'scripts'];
const CHROMIUM = '/usr/bin/chromium';
let passed = 0;
let failed = 0;

/** One check: a command that must end well. Test suites count each of their tests. */
function check(title, command) {
  console.log(`\n── ${title}`);
  const { status, stdout } = spawnSync(command, {
    cwd: root,
    shell: true,
    stdio: ['ignore', 'pipe', 'inherit'],
    encoding: 'utf8',
    maxBuffer: 1 << 28,
  });
  process.stdout.write(stdout);
  const count = word =>
    [...stdout.matchAll(new RegExp(`^\\s*(\\d+) ${word}`, 'gm'))].reduce((n, m) => n + Number(m[1]), 0);
  const tests = { passing: count('passing'), failing: count('failing') };
  if (tests.passing + tests.failing === 0) {
    if (status === 0) passed += 1;
    else failed += 1;
    return;
  }
  passed += tests.passing;
  failed += tests.failing + (status !== 0 && tests.failing === 0 ? 1 : 0);
}

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
    `${sudo}apt-get update -q && ${sudo}apt-get install -y -q --no-install-recommends ${missing.join(' ')}`,
    {
      DEBIAN_FRONTEND: 'noninteractive',
    },
  );
}

install();
check('types', 'npm run -s typecheck');
check('lint', 'npm run -s lint');
check('format', 'npx prettier --check .');
check('import rules', 'npx depcruise core/src web/src server/src bench --config .dependency-cruiser.mjs');
check('unused code', 'npx knip');
programs();
check(
  'unit tests, with coverage of core',
  `npx c8 mocha --parallel --jobs 2 ${UNITS.map(where => `"${where}/**/*.test.ts"`).join(' ')}`,
);
if (!quick) {
  check('build', 'npx vite build web --logLevel warn');
  check('end to end', 'npx mocha --parallel --jobs 2 "e2e/**/*.test.ts" --timeout 180000');
}
console.log(`\n${passed} passed, ${failed} failed`);
process.exit(failed === 0 ? 0 : 1);
