import { expect } from 'chai';
import { readFile } from 'node:fs/promises';
import { type App, go, startApp } from './app.ts';

describe('from a period to a part that can be cut', () => {
  let app: App;
  before(async () => (app = await startApp()));
  afterEach(() => app.clear());
  after(() => app.close());

  it('makes a machine: aim, search, choose, see it turn, save the SVG, and find it again', async () => {
    const { page, errors } = await app.open();
    await page.goto(app.base);
    await page.fill('[data-test=new-name] input', 'Test of a tide');
    await page.click('[data-test=new-machine]');
    await page.waitForSelector('[data-test=station-aims]');
    await page.click('[data-test=add-aim]');
    await page.fill('[data-test=aim-wanted] input', '12.4206012 h');
    await page.press('[data-test=aim-wanted] input', 'Enter');
    await page.getByText('0.966136808 turns per turn of the drive').waitFor();

    await go(page, 'counts');
    await page.click('[data-test=search]');
    await page.waitForSelector('[data-test=proof]');
    await page.locator('[data-test=choose]').first().click();
    await page.locator('[data-test=chosen]').waitFor();

    await go(page, 'train');
    await page.locator('[data-test=rates] tbody tr').nth(2).waitFor();
    expect(await page.locator('[data-test=rates] tbody tr').count()).to.equal(3);
    expect(await page.locator('[data-test=rates]').innerText()).to.include('6020/6231');

    await go(page, 'run');
    await page.click('[data-test=run]');
    await page.waitForFunction(
      () => !document.querySelector('[data-test=drive-turns]')?.textContent?.startsWith('0.000'),
    );
    await page.click('[data-test=run]');

    await go(page, 'make');
    await page.click('[data-test=make-files]');
    const download = page.waitForEvent('download');
    await page.click('[data-test=save-plan]');
    const file = await download;
    expect(file.suggestedFilename()).to.equal('test-of-a-tide_plan.svg');
    const svg = await readFile(await file.path(), 'utf8');
    expect(svg).to.match(/<svg [^>]*width="[\d.]+mm"/);

    await page.locator('[data-test=kept]', { hasText: 'kept in this browser' }).waitFor();
    await page.reload();
    await page.waitForSelector('[data-test=station-make]');
    await go(page, 'train');
    expect(await page.locator('[data-test=rates]').innerText()).to.include('6020/6231');
    expect(errors).to.deep.equal([]);
  });
});
