import { expect } from 'chai';
import { accessible } from './accessible.ts';
import { readFile } from 'node:fs/promises';
import { type App, choose, emptyMachine, go, startApp, type } from './app.ts';

describe('joints that are no meshes', () => {
  let app: App;
  before(async () => {
    app = await startApp();
  });
  afterEach(() => app.clear());
  after(() => app.close());

  it('a crank, its figures, a rod too short and its mend; a four-bar; run, undone and in the file', async () => {
    const { page, errors } = await app.open();
    await emptyMachine(page, app.base, 'Pump and rocker');
    await go(page, 'train');
    const drive = page.locator('[data-test=rates] button').first();
    await drive.click();
    await page.click('[data-test=join-open]');
    await accessible(page, 'join', { part: '[data-test=join]' });
    await type(page, 'join-radius', '24');
    await page.click('[data-test=join-make]');
    const figures = page.locator('[data-test=joint-figures]');
    await figures.waitFor();
    const rod = page.locator('[data-test^=joint-length-] input');
    await rod.fill('70');
    await rod.press('Enter');
    await figures.getByText('46.000 mm – 94.000 mm').waitFor();
    expect(await figures.innerText()).to.match(/stroke\s+48\.000 mm/);
    await type(page, 'joint-offset', '20');
    await figures.getByText('50.423 mm').waitFor();
    expect(await figures.innerText()).to.include('1.16');

    await rod.fill('30');
    await rod.press('Enter');
    await page.getByText('must be longer than 44.00 mm').first().waitFor();
    await page.getByRole('button', { name: 'Rod of 44.50 mm' }).first().click();
    await page.getByText('must be longer than').waitFor({ state: 'detached' });
    expect(await rod.inputValue()).to.equal('44.5');

    await drive.click();
    await page.click('[data-test=join-open]');
    await choose(page, 'join-kind', /four-bar/);
    await page.click('[data-test=join-make]');
    await figures.getByText('swing').waitFor();
    await accessible(page, 'joint', { part: '[data-test=joint-tools]' });
    expect(await page.locator('[data-test=rates]').innerText()).to.match(/rocker\s+to and fro/);
    await page.click('[data-test=joint-delete]');
    await page.click('[data-test=delete-go]');
    await page.locator('[data-test=joint-tools]').waitFor({ state: 'detached' });
    await page.click('[data-test=undo]');

    await go(page, 'run');
    const plan = page.locator('canvas').first();
    const before = await plan.screenshot();
    await page.click('[data-test=step-on]');
    await page.waitForTimeout(300);
    expect(before.equals(await plan.screenshot()), 'the picture moves').to.equal(false);

    await go(page, 'make');
    await page.click('[data-test=make-files]');
    const download = page.waitForEvent('download');
    await page.click('[data-test=save-machine]');
    const machine = JSON.parse(await readFile(await (await download).path(), 'utf8')) as {
      joints: { kind: string; pin: { radius: number } }[];
    };
    expect(machine.joints.map(j => j.kind)).to.deep.equal(['crank', 'four-bar']);
    expect(machine.joints[0]!.pin.radius).to.equal(24);
    expect(errors).to.deep.equal([]);
  });
});
