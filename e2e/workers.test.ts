import { expect } from 'chai';
import type { Page } from 'playwright-core';
import { type App, fromStarter, go, startApp } from './app.ts';

/** A script that throws at the first thing it is asked. */
const BREAKS = 'self.onmessage = () => { throw new Error("it broke") };';

describe('workers that cannot answer', () => {
  let app: App;
  before(async () => {
    app = await startApp();
  });
  afterEach(() => app.clear());
  after(() => app.close());

  /** The sentence that stands where the bar was. */
  const said = async (page: Page): Promise<string> => {
    const text = await page.locator('[data-test=work-problem]').first().innerText();
    expect(await page.locator('progress').count(), 'the bar is gone').to.equal(0);
    return text;
  };

  it('making: without its library it is said long before it could be made, and it can be tried again', async () => {
    const { page, context } = await app.open();
    await context.route('**/*.wasm', route => route.abort());
    await fromStarter(page, app.base);
    await go(page, 'make');
    await page.click('[data-test=make-files]');
    await page.click('[data-test=save-archive]');
    const began = Date.now();
    expect(await said(page)).to.equal(
      'That could not be made (the library of bodies could not be loaded). Nothing was lost; try again.',
    );
    const failed = Date.now() - began;
    // The same press with the library is the measure: whatever the machine, what fails does not wait.
    await context.unroute('**/*.wasm');
    const since = Date.now();
    const saved = page.waitForEvent('download');
    await page.click('[data-test=save-archive]');
    await saved;
    expect(failed / (Date.now() - since), 'of the time in which it is made').to.be.below(0.5);
  });

  it('searching: what is thrown is said, and it can be tried again', async () => {
    const { page, context } = await app.open();
    await context.route('**/search.worker*', r =>
      r.fulfill({ contentType: 'text/javascript', body: BREAKS }),
    );
    await fromStarter(page, app.base);
    await go(page, 'counts');
    await page.click('[data-test=search]');
    expect(await said(page)).to.match(/^The search broke off \(.*it broke.*\)/);
    await context.unroute('**/search.worker*');
    await page.click('[data-test=search]');
    await page.waitForSelector('[data-test=counts-table] tbody tr');
  });

  it('filming: what is thrown is said', async () => {
    const { page, context } = await app.open();
    await context.route('**/film.worker*', r => r.fulfill({ contentType: 'text/javascript', body: BREAKS }));
    await fromStarter(page, app.base);
    await go(page, 'run');
    await page.click('[data-test=run-pictures]');
    await page.click('[data-test=film-make]');
    expect(await said(page)).to.match(/^The film could not be made \(.*it broke.*\)/);
  });
});
