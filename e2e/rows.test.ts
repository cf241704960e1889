import { expect } from 'chai';
import { accessible } from './accessible.ts';
import { type App, choose, emptyMachine, go, startApp, type } from './app.ts';

describe('rows of joints, and modes', () => {
  let app: App;
  before(async () => {
    app = await startApp();
  });
  afterEach(() => app.clear());
  after(() => app.close());

  it('makes a row of cords from an empty machine, changes them together, and takes it back', async () => {
    const { page, errors } = await app.open();
    await emptyMachine(page, app.base, 'Wave');
    await go(page, 'train');
    await page.locator('[data-test=rates] button').first().click();
    await page.click('[data-test=join-open]');
    await choose(page, 'join-kind', /through an eye/);
    await page.click('[data-test=join-make]');
    await page.locator('[data-test=joint-tools]').getByText('Cord through an eye').waitFor();
    await page.click('[data-test=joint-line]');
    await accessible(page, 'row', { part: '[data-test=row]' });
    await type(page, 'row-count', '6');
    await page.click('[data-test=row-make]');
    await page.locator('[data-test=joint-row]').waitFor();
    const signs = page.locator('[data-test^=sign-]');
    expect(await signs.count()).to.equal(6);
    await page.locator('[data-test=joint-row] input').click();
    await type(page, 'joint-pin-radius', '12');
    const figures = page.locator('[data-test=joint-figures]');
    await figures.getByText('24.000 mm').waitFor();
    await signs.first().click();
    await figures.getByText('24.000 mm').waitFor();
    await page.getByText('Undo', { exact: true }).click();
    await figures.getByText('40.000 mm').waitFor();
    expect(errors).to.deep.equal([]);
  });

  it('lets a joint go in a mode, and joins all again', async () => {
    const { page, errors } = await app.open();
    await emptyMachine(page, app.base, 'Winch');
    await go(page, 'train');
    await page.locator('[data-test=rates] button').first().click();
    await page.click('[data-test=join-open]');
    await choose(page, 'join-kind', /on a drum/);
    await type(page, 'join-radius', '10');
    await page.click('[data-test=join-make]');
    const rates = page.locator('[data-test=rates]');
    await rates.getByText('62.832 mm a turn').waitFor();
    await page.click('[data-test=modes-open]');
    await page.click('[data-test=modes-add]');
    await page.locator('[data-test=modes-name]').waitFor();
    await accessible(page, 'modes', { part: '[data-test=modes]' });
    await page.locator('[data-test=modes-name] input').fill('Bucket down');
    await page.locator('[data-test=modes-name] input').blur();
    await page.locator('[data-test^=modes-join-] input').click();
    await page.getByText('Close', { exact: true }).click();
    await rates.getByText('62.832 mm a turn').waitFor({ state: 'detached' });
    await choose(page, 'mode', 'all joined');
    await rates.getByText('62.832 mm a turn').waitFor();
    await choose(page, 'mode', 'Bucket down');
    await rates.getByText('62.832 mm a turn').waitFor({ state: 'detached' });
    expect(errors).to.deep.equal([]);
  });
});
