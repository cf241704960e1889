import Module from 'manifold-3d';
import { mkdir, readFile, writeFile } from 'node:fs/promises';
import { dirname, join } from 'node:path';
import { parseArgs } from 'node:util';
import { allFiles, lacksStepOnly } from '../core/src/files/archive/index.ts';
import { derive } from '../core/src/state/derive/index.ts';
import { writeZip } from '../core/src/files/format/index.ts';
import { readMachine } from '../core/src/document/machine/index.ts';
import { sayProblem } from '../core/src/files/words/index.ts';

const HELP = `Writes everything that is needed to make a machine.

  npm run -s export -- machine.json out/

  machine.json       a machine file
  out/               a folder, made if it is not there; or a name that ends in .zip
  --paper A4|Letter  paper of the patterns (default A4)
  --sets N           how many times the machine is made, for the sheets (default 1)
  --quiet            say nothing of the progress

Exit status: 0 when all was made, 1 when some parts could not be made (they are named), 2 when nothing could.`;

/** Reads a machine, writes its files, and says what could not be made. Returns the exit status. */
export async function exportMachine(
  args: readonly string[],
  say: (line: string) => void,
): Promise<0 | 1 | 2> {
  const options = {
    paper: { type: 'string', default: 'A4' },
    sets: { type: 'string', default: '1' },
    quiet: { type: 'boolean', default: false },
    help: { type: 'boolean', default: false },
  } as const;
  let read;
  try {
    read = parseArgs({ args: [...args], options, strict: true, allowPositionals: true });
  } catch (error) {
    say(`${error instanceof Error ? error.message : String(error)}\n\n${HELP}`);
    return 2;
  }
  const { values, positionals } = read;
  const [from, to] = positionals;
  const sets = Number(values.sets);
  const { paper } = values;
  if (values.help || from === undefined || to === undefined) {
    say(HELP);
    return values.help ? 0 : 2;
  }
  if ((paper !== 'A4' && paper !== 'Letter') || !Number.isInteger(sets) || sets < 1 || sets > 100) {
    say(
      paper !== 'A4' && paper !== 'Letter'
        ? `“${paper}” is no paper here. Use A4 or Letter.`
        : `“${values.sets}” is no number of sets. Use a whole number from 1 to 100.`,
    );
    return 2;
  }
  const text = await readFile(from, 'utf8').catch(() => undefined);
  if (text === undefined) {
    say(`${from} cannot be read. Name a machine file that is there.`);
    return 2;
  }
  const machine = readMachine(text);
  if (!machine.ok) {
    say(sayProblem(machine.problem));
    return 2;
  }
  const kit = await Module();
  kit.setup();
  const job = allFiles(derive(machine.value), kit, { paper, sets });
  let step = await job.next();
  let last = '';
  while (!step.done) {
    if (!values.quiet && step.value.doing !== last)
      say(`${Math.round(100 * step.value.done)} %  ${(last = step.value.doing)}`);
    step = await job.next();
  }
  const { files, left } = step.value;
  if (to.endsWith('.zip')) {
    await mkdir(dirname(to), { recursive: true });
    await writeFile(to, writeZip(files));
  } else
    for (const [path, data] of files) {
      await mkdir(dirname(join(to, path)), { recursive: true });
      await writeFile(join(to, path), data);
    }
  for (const l of left) say(`${l.name}: ${sayProblem(l.problem)}`);
  say(`${files.size} files in ${to}`);
  return left.some(l => !lacksStepOnly(l)) ? 1 : 0;
}

if (process.argv[1] === import.meta.filename)
  process.exit(await exportMachine(process.argv.slice(2), line => console.log(line)));
