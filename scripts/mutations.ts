import { spawnSync } from 'node:child_process';
import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';

/** A fault put into a file on purpose: what stands there, what is put in its place, and the tests that must notice. */
interface Mutation {
  readonly what: string;
  readonly file: string;
  readonly from: string;
  readonly to: string;
  readonly tests: string;
}

const root = join(import.meta.dirname, '..');
const LAYOUT = 'core/src/place/layout/nesting.test.ts';

/** One fault each; rooms where parts are made first. */
const MUTATIONS: readonly Mutation[] = [
  [
    'lightening holes that touch',
    'teeth/body/web.ts',
    'beside - s.spoke',
    'beside',
    'core/src/teeth/body/*.test.ts',
  ],
  [
    'a keyed bore without its key',
    'teeth/body/bore.ts',
    'hole.diameter / 2 + hole.depth + more',
    'hole.diameter / 2 + more',
    'core/src/teeth/body/*.test.ts',
  ],
  [
    'a hex bore to its flats',
    'teeth/body/bore.ts',
    '/ Math.cos(Math.PI / 6);',
    '/ 1;',
    'core/src/teeth/body/*.test.ts',
  ],
  [
    'spokes half as wide',
    'teeth/body/web.ts',
    'const half = s.spoke / 2;',
    'const half = s.spoke / 4;',
    'core/src/teeth/body/*.test.ts',
  ],
  [
    'a fit left out',
    'teeth/body/bore.ts',
    'const more = allowanceOf(hole, says) / 2;',
    'const more = 0;',
    'core/src/teeth/body/*.test.ts',
  ],
  [
    'ISO 286, row d',
    'teeth/body/running-fit.ts',
    'd: [20, 30, 40, 50, 65, 80, 80]',
    'd: [20, 30, 40, 50, 65, 80, 85]',
    LAYOUT,
  ],
  [
    'ISO 286, grade 9',
    'teeth/body/running-fit.ts',
    '9: [25, 30, 36, 43, 52, 62, 62]',
    '9: [25, 30, 36, 43, 55, 62, 62]',
    LAYOUT,
  ],
  ['washers without end play', 'place/layout/pieces.ts', '(gap - shake) / washer', 'gap / washer', LAYOUT],
  [
    'spacers for the innermost arbor',
    'place/layout/pieces.ts',
    'q.diameter - p.diameter)[0]',
    'p.diameter - q.diameter)[0]',
    LAYOUT,
  ],
  [
    'plates without their margin',
    'place/layout/plates.ts',
    '+ said.margin + LEAST_BRIDGE',
    '+ LEAST_BRIDGE',
    LAYOUT,
  ],
  [
    'a bridge of whole holes',
    'place/layout/plates.ts',
    '(a.diameter + b.diameter) / 2',
    'a.diameter + b.diameter',
    LAYOUT,
  ],
  [
    'a half gear that moves for a quarter',
    'place/motion/uneven.ts',
    'Math.max(0, (part - (1 - during)) / during)',
    'Math.max(0, (part - (1 - during / 2)) / (during / 2))',
    'core/src/place/motion/uneven.test.ts',
  ],
  [
    'a universal joint that does not bend',
    'place/motion/uneven.ts',
    'Math.sin(rest) * Math.cos(bend)',
    'Math.sin(rest)',
    'core/src/place/motion/uneven.test.ts',
  ],
  [
    'a negative kerf',
    'making/coupon/fitting.ts',
    'Math.max(0, rounded(value))',
    'rounded(value)',
    'core/src/making/coupon/*.test.ts',
  ],
  [
    'a growth of both sides',
    'making/coupon/fitting.ts',
    '(value - nominal) / 2 },\n  hole',
    'value - nominal },\n  hole',
    'core/src/making/coupon/*.test.ts',
  ],
  [
    'a printer charged by the sheet',
    'making/workshop/estimate.ts',
    "sheet && process.kind !== 'printer'",
    'sheet',
    'core/src/making/workshop/*.test.ts',
  ],
  [
    'holes that weigh',
    'making/workshop/estimate.ts',
    'covered - part.holes.reduce',
    'covered + 0 * part.holes.reduce',
    'core/src/making/workshop/*.test.ts',
  ],
  [
    'clutches forgotten by the flow',
    'state/derive/derive.ts',
    'joints: standing.joints, driven',
    'joints: m.joints, driven',
    'core/src/state/derive/pipeline.test.ts',
  ],
  [
    'a module that forgets the root',
    'document/machine/kinds/sizes.ts',
    "'root diameter': { ...atWheel,",
    "'root diameter': { ...pitch, figure: s => s.diameter,",
    'core/src/edits/change/*.test.ts',
  ],
  [
    'play of spread centres halved',
    'teeth/mesh/centre-distance.ts',
    '2 * spread * Math.tan',
    'spread * Math.tan',
    'core/src/teeth/mesh/*.test.ts',
  ],
  ['undercut at another count', 'teeth/tooth/undercut.ts', '2 *', '1.8 *', 'core/src/teeth/tooth/*.test.ts'],
  [
    'drift of half turns',
    'document/period/drift.ts',
    'turns, rational(360n)',
    'turns, rational(180n)',
    'core/src/document/period/*.test.ts',
  ],
  ['a planet too many', 'counting/planetary/assembly.ts', '%', '*', 'core/src/counting/planetary/*.test.ts'],
  [
    'a mailbox that lets errors go',
    '../../web/src/worker/mailbox.ts',
    'say({ run, problem:',
    'void ({ run, problem:',
    'web/src/worker/*.test.ts',
  ],
].map(([what = '', file = '', from = '', to = '', tests = '']) => ({
  what,
  file: join('core/src', file),
  from,
  to,
  tests,
}));

let killed = 0;
const alive: string[] = [];
for (const m of MUTATIONS) {
  const path = join(root, m.file);
  const text = readFileSync(path, 'utf8');
  if (!text.includes(m.from)) throw new Error(`mutations: “${m.from}” no longer stands in ${m.file}`);
  try {
    writeFileSync(path, text.replace(m.from, m.to));
    const { status } = spawnSync('npx', ['mocha', '--bail', m.tests], {
      cwd: root,
      stdio: 'ignore',
      timeout: 120_000,
    });
    if (status !== 0) killed += 1;
    else alive.push(m.what);
  } finally {
    writeFileSync(path, text);
  }
}
console.log(`${killed} of ${MUTATIONS.length} faults noticed`);
for (const what of alive) console.log(`  not noticed: ${what}`);
process.exit(killed / MUTATIONS.length >= 0.85 ? 0 : 1);
