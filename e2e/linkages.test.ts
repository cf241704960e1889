import { expect } from 'chai';
import { readFile } from 'node:fs/promises';
import { accessible } from './accessible.ts';
import { type App, choose, emptyMachine, go, startApp, type } from './app.ts';

describe('linkages that are found', () => {
  let app: App;
  before(async () => {
    app = await startApp();
  });
  afterEach(() => app.clear());
  after(() => app.close());

  it('leads a point along a path, is made, carries another joint on its point, and exports its path', async () => {
    const { page, errors } = await app.open();
    await emptyMachine(page, app.base, 'Stepper');
    await go(page, 'train');
    await page.locator('[data-test=rates] button').first().click();
    await page.click('[data-test=linkage-open]');
    await page.locator('[data-test=linkage-points] textarea').first().fill('1, 2\nthree');
    await page.getByText('Line 2, “three”, is not two numbers').waitFor();
    await page.locator('[data-test=linkage-points] textarea').first().fill('-30, 0\n0, 0\n30, 0\n0, 18');
    await page.locator('[data-test=linkage-handle-3]').focus();
    await page.keyboard.press('ArrowUp');
    await page.click('[data-test=linkage-search]');
    await page.locator('[data-test=linkage-row-0]').waitFor();
    await accessible(page, 'linkage', { part: '[data-test=linkage-panel]' });
    const stop = page.locator('[data-test=linkage-stop]');
    if (await stop.isVisible()) await stop.click();
    await page.click('[data-test=linkage-make]');
    await page.locator('[data-test=joint-tools]').getByText('Four-bar').waitFor();

    // The rod, by the joint's own list, with the point that draws its path.
    await page.locator('[data-test=joint-tools]').getByText('coupler').click();
    await page.locator('[data-test=rod-point-0-radius]').waitFor();
    const [csv] = await Promise.all([
      page.waitForEvent('download'),
      page.click('[data-test=rod-point-0-csv]'),
    ]);
    const rows = (await readFile(await csv.path(), 'utf8')).trim().split('\r\n');
    expect(rows).to.have.length(362);
    expect(rows[1]!.split(',').slice(1)).to.deep.equal(rows[361]!.split(',').slice(1));
    await page.click('[data-test=rod-point-add]');
    await page.locator('[data-test=rod-point-1-radius]').waitFor();
    await page.click('[data-test=rod-point-1-drop]');
    await page.locator('[data-test=rod-point-1-radius]').waitFor({ state: 'detached' });

    // A six-bar: a second rocker is led by the coupler's point.
    await page.click('[data-test=join-open]');
    await choose(page, 'join-kind', /four-bar/);
    await choose(page, 'join-spot', /point 1/);
    await page.click('[data-test=join-make]');
    await page.locator('[data-test=joint-figures]').waitFor();
    expect(errors).to.deep.equal([]);
  });

  it('says what no linkage does, leads an arm to angles, and swings it in its time', async () => {
    const { page, errors } = await app.open();
    await emptyMachine(page, app.base, 'Wiper');
    await go(page, 'train');
    await page.locator('[data-test=rates] button').first().click();
    await page.click('[data-test=linkage-open]');
    await choose(page, 'linkage-kind', /to and fro/);
    await type(page, 'linkage-swing', '169');
    await type(page, 'linkage-time', '3.9');
    await page.click('[data-test=linkage-search]');
    await page.getByText(/No linkage was found/).waitFor();
    await choose(page, 'linkage-kind', /to angles/);
    await page.locator('[data-test=linkage-angles] textarea').first().fill('0, 0\n60, 20\n50, 30');
    await page.click('[data-test=linkage-search]');
    await page.getByText(/50° does not come after/).waitFor();
    await choose(page, 'linkage-kind', /to and fro/);
    await type(page, 'linkage-swing', '45');
    await type(page, 'linkage-time', '1.25');
    await page.click('[data-test=linkage-search]');
    await page.locator('[data-test=linkage-row-0]').waitFor();
    await page.click('[data-test=linkage-make]');
    await page.locator('[data-test=joint-figures]').getByText('45.00°').waitFor();
    await page.locator('[data-test=joint-figures]').getByText('1.25').first().waitFor();
    expect(errors).to.deep.equal([]);
  });
});
