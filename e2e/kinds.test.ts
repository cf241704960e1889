import { expect } from 'chai';
import { mkdtemp, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { KINDS } from '../core/test/kinds.ts';
import { writeMachine } from '../core/src/document/machine/index.ts';
import { type App, go, startApp } from './app.ts';

describe('every kind of machine', () => {
  let app: App;
  before(async () => (app = await startApp()));
  afterEach(() => app.clear());
  after(() => app.close());

  for (const [kind, machine] of Object.entries(KINDS)) {
    it(`opens and shows at every station: ${kind}`, async () => {
      const { page, errors, context } = await app.open();
      await page.goto(app.base);
      const path = join(await mkdtemp(join(tmpdir(), 'tesseron-')), 'machine.json');
      await writeFile(path, writeMachine(machine));
      const chooser = page.waitForEvent('filechooser');
      await page.click('[data-test=open-file]');
      await (await chooser).setFiles(path);
      await page.waitForSelector('[data-test=station-aims]');
      for (const station of ['counts', 'train', 'teeth', 'plan', 'make', 'run']) await go(page, station);
      await page.click('[data-test=run]');
      await page.waitForTimeout(150);
      await page.click('[data-test=findings]');
      await page.waitForSelector('[data-test=findings-panel]');
      expect(errors).to.deep.equal([]);
      await context.close();
    });
  }
});
