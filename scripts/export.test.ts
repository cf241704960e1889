import { expect } from 'chai';
import { existsSync, mkdtempSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { unzipSync } from 'fflate';
import { exportMachine } from './export.ts';

const DEMO = join(import.meta.dirname, '../demo/two-noons.json');
const PUMP = join(import.meta.dirname, '../demo/ossel-brine-pump.json');

describe('npm run export', function () {
  this.timeout(60_000);
  const folder = mkdtempSync(join(tmpdir(), 'export-'));
  const run = async (...args: string[]): Promise<{ status: number; said: string }> => {
    const said: string[] = [];
    const status = await exportMachine(args, line => said.push(line));
    return { status, said: said.join('\n') };
  };

  it('writes a folder, or one archive, with the same files', async () => {
    const out = join(folder, 'out');
    const zip = join(folder, 'deep/er/out.zip');
    expect((await run(DEMO, out, '--quiet')).status).to.equal(0);
    expect((await run(DEMO, zip, '--quiet', '--paper', 'A4')).status).to.equal(0);
    expect(existsSync(join(out, 'lists/parts.csv'))).to.equal(true);
    const inZip = Object.keys(unzipSync(readFileSync(zip)));
    const onDisk = readdirSync(out, { recursive: true, withFileTypes: true }).filter(f => f.isFile()).length;
    expect(inZip.length).to.equal(onDisk);
  });

  it('names what no file makes, and ends with 1', async () => {
    const { status, said } = await run(PUMP, join(folder, 'pump.zip'), '--quiet');
    expect(status).to.equal(1);
    expect(said).to.match(/Wind bevel: A bevel is a body/);
  });

  it('says its progress unless it is quiet', async () => {
    const { said } = await run(DEMO, join(folder, 'said.zip'));
    expect(said).to.match(/\d+ %/);
  });

  it('refuses with a sentence what it cannot do, and writes nothing', async () => {
    const none = join(folder, 'none');
    const broken = join(folder, 'broken.json');
    writeFileSync(broken, '{"format":"tesseron-machine"');
    for (const args of [
      [],
      [DEMO],
      ['nowhere.json', none],
      [broken, none],
      [DEMO, none, '--paper', 'A7'],
      [DEMO, none, '--sets', '0'],
      [DEMO, none, '--what'],
    ]) {
      const { status, said } = await run(...args);
      expect(status, args.join(' ')).to.equal(2);
      expect(said.length).to.be.above(20);
    }
    expect(existsSync(none)).to.equal(false);
    expect((await run('--help')).status).to.equal(0);
  });
});
