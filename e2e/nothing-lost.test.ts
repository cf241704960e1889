import { expect } from 'chai';
import { readFile, writeFile, mkdtemp } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Page } from 'playwright-core';
import { type App, fromStarter, go, startApp } from './app.ts';

const kept = (page: Page): Promise<void> =>
  page.locator('[data-test=kept]', { hasText: 'kept in this browser' }).waitFor();

async function type(page: Page, field: string, text: string): Promise<void> {
  await page.fill(`[data-test=${field}] input`, text);
  await page.press(`[data-test=${field}] input`, 'Enter');
}

async function offer(page: Page, path: string): Promise<void> {
  const chooser = page.waitForEvent('filechooser');
  await page.click('[data-test=open-file]');
  await (await chooser).setFiles(path);
}

describe('nothing is lost', () => {
  let app: App;
  before(async () => (app = await startApp()));
  afterEach(() => app.clear());
  after(() => app.close());

  it('every change can be undone and redone, and is there after a reload', async () => {
    const { page, errors } = await app.open();
    await fromStarter(page, app.base);
    await type(page, 'machine-name', 'Harbour clock');
    await go(page, 'teeth');
    await type(page, 'spread', '0.2');
    await page.getByText('96.200 mm').waitFor();
    await page.click('[data-test=undo]');
    await page.getByText('96.000 mm').first().waitFor();
    await page.click('[data-test=redo]');
    await page.getByText('96.200 mm').waitFor();
    await kept(page);
    await page.reload();
    await page.getByText('96.200 mm').waitFor();
    await page.getByRole('heading', { name: 'Harbour clock' }).waitFor();
    expect(errors).to.deep.equal([]);
  });

  it('a machine taken off the shelf can be put back', async () => {
    const { page } = await app.open();
    await fromStarter(page, app.base);
    await page.goto(app.base);
    await page.getByRole('button', { name: 'Take Saltreach tide clock off the shelf' }).click();
    await page.getByText('Taken off the shelf: 1').click();
    await page.getByRole('button', { name: 'Put Saltreach tide clock back' }).click();
    await page.getByRole('link', { name: 'Saltreach tide clock' }).waitFor();
  });

  it('a second tab follows the first, and neither overwrites the other unseen', async () => {
    const { page, context } = await app.open();
    await fromStarter(page, app.base);
    await kept(page);
    const second = await context.newPage();
    await second.goto(page.url());
    await second.waitForSelector('[data-test=station-aims]');
    await type(page, 'machine-name', 'From the first tab');
    await second.getByRole('heading', { name: 'From the first tab' }).waitFor();
    await second.locator('[data-test=notice]').waitFor();
    await type(second, 'machine-name', 'From the second tab');
    await page.getByRole('heading', { name: 'From the second tab' }).waitFor();
    await page.click('[data-test=undo]');
    await page.getByRole('heading', { name: 'From the first tab' }).waitFor();
    await second.getByRole('heading', { name: 'From the first tab' }).waitFor();
  });

  it('when two tabs write at the same moment, one is told and can keep its own as a copy', async () => {
    const { page, context } = await app.open();
    await fromStarter(page, app.base);
    await kept(page);
    const id = /machine\/([^/]+)/.exec(page.url())?.[1] ?? '';
    const blank = await context.newPage();
    await blank.goto(`${app.base}/health`);
    await blank.evaluate(
      machineId =>
        new Promise<void>((resolve, reject) => {
          const request = indexedDB.open('tesseron');
          request.onerror = () => reject(new Error('cannot open'));
          request.onsuccess = () => {
            const store = request.result.transaction('machines', 'readwrite').objectStore('machines');
            const got = store.get(machineId);
            got.onsuccess = () => {
              const put = store.put({ ...got.result, revision: got.result.revision + 1 });
              put.onsuccess = () => resolve();
            };
          };
        }),
      id,
    );
    await type(page, 'machine-name', 'Mine');
    await page.locator('[data-test=overtaken]').waitFor();
    await page.click('[data-test=keep-ours]');
    await page.getByRole('heading', { name: 'Mine (copy)' }).waitFor();
    await page.goto(app.base);
    await page.getByRole('link', { name: 'Mine (copy)' }).waitFor();
    expect(await page.getByRole('link', { name: 'Saltreach tide clock' }).count()).to.equal(1);
  });

  it('a machine saved as JSON opens again as the same machine', async () => {
    const { page } = await app.open();
    await fromStarter(page, app.base);
    await go(page, 'make');
    await page.click('[data-test=make-files]');
    const download = page.waitForEvent('download');
    await page.click('[data-test=save-machine]');
    const path = join(await mkdtemp(join(tmpdir(), 'tesseron-')), 'machine.json');
    await (await download).saveAs(path);
    const text = await readFile(path, 'utf8');
    expect(text).to.equal(
      await readFile(new URL('../demo/saltreach-tide-clock.json', import.meta.url), 'utf8'),
    );
    await page.goto(app.base);
    await offer(page, path);
    await page.waitForSelector('[data-test=station-aims]');
    await go(page, 'train');
    expect(await page.locator('[data-test=rates]').innerText()).to.include('913/945');
  });

  it('a file that is no machine gets a sentence, and the shelf stays as it was', async () => {
    const { page, errors } = await app.open();
    await fromStarter(page, app.base);
    await page.goto(app.base);
    const folder = await mkdtemp(join(tmpdir(), 'tesseron-'));
    const good = await readFile(new URL('../demo/saltreach-tide-clock.json', import.meta.url), 'utf8');
    const files: [string, string, RegExp][] = [
      ['cut.json', good.slice(0, 3000), /damaged or broken off/],
      ['other.json', '{"name": "shopping"}', /not a machine/],
      ['newer.json', good.replace(/"version": \d+/, '"version": 99'), /version 99/],
      ['lost.json', good.replace(/"member": "arbor1"/, '"member": "nobody"'), /stands on an arbor “nobody”/],
      ['text.json', 'hello', /not JSON/],
      ['huge.json', `{"format":"tesseron-machine","x":"${'y'.repeat(50_000_000)}"}`, /50 million characters/],
    ];
    for (const [name, text, says] of files) {
      const path = join(folder, name);
      await writeFile(path, text);
      await offer(page, path);
      await page.locator('[data-test=file-problem]').filter({ hasText: says }).waitFor();
      expect(page.url(), name).to.equal(`${app.base}/`);
    }
    expect(await page.getByRole('link', { name: 'Saltreach tide clock' }).count()).to.equal(1);
    expect(errors).to.deep.equal([]);
  });
});
