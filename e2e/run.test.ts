import { AxeBuilder } from '@axe-core/playwright';
import { expect } from 'chai';
import { readFile } from 'node:fs/promises';
import type { Page } from 'playwright-core';
import { type App, fromStarter, go, startApp } from './app.ts';

async function type(page: Page, test: string, text: string): Promise<void> {
  const input = page.locator(`[data-test=${test}] input`).first();
  await input.fill(text);
  await input.press('Enter');
}
const pane = (page: Page, name: string): Promise<void> => page.click(`[data-test=run-${name}]`);
async function accessible(page: Page): Promise<void> {
  const found = await new AxeBuilder({ page }).include('[data-test=station-run]').analyze();
  expect(found.violations.map(v => `${v.id}: ${v.nodes[0]?.html}`)).to.deep.equal([]);
}

describe('running it', () => {
  let app: App;
  before(async () => (app = await startApp()));
  afterEach(() => app.clear());
  after(() => app.close());

  it('sets the machine to a date, and says what is no date', async () => {
    const { page, errors } = await app.open();
    await fromStarter(page, app.base);
    await go(page, 'run');
    await pane(page, 'set');
    await type(page, 'set-date', '2026-03-01');
    await page.getByText('now 2026-03-01 00:00').waitFor();
    expect(await page.locator('[data-test=set-turns] input').inputValue()).to.match(/^118\.0+$/);
    await type(page, 'set-date', '2026-02-30');
    await page.locator('[data-test=set-problem]', { hasText: 'that month has 28' }).waitFor();
    await type(page, 'set-date', '0999-12-31 12:00');
    await page.getByText('now 0999-12-31 12:00').waitFor();
    await accessible(page);
    await pane(page, 'readings');
    await page
      .locator('[data-test^=reading-]', { hasText: 'Moon-age dial' })
      .getByText(/d of 29\.5306 d/)
      .waitFor();
    expect(errors).to.deep.equal([]);
  });

  it('is turned by hand, by pulling a wheel round, and pictured as it stands', async () => {
    const { page, errors } = await app.open();
    await fromStarter(page, app.base);
    await go(page, 'run');
    const box = (await page.locator('[data-test=station-run] canvas').boundingBox())!;
    // The twelve-hour arbor stands at (−51.6, −53.8) in a case of 280 mm that fills the room; its large wheel is 63 mm round it.
    const scale = (Math.min(box.width, box.height) - 56) / 280;
    const on = (x: number, y: number): [number, number] => [box.x + box.width / 2 + x * scale, box.y + box.height / 2 - y * scale]; // prettier-ignore
    await page.mouse.move(...on(-51.6, -100));
    await page.mouse.down();
    await page.mouse.move(...on(-20, -85), { steps: 6 });
    await page.mouse.up();
    const turned = Number.parseFloat(
      (await page.locator('[data-test=drive-turns]').innerText()).replace('−', '-'),
    );
    expect(Math.abs(turned)).to.be.within(0.02, 0.4);
    const [png] = await Promise.all([page.waitForEvent('download'), page.click('[data-test=save-png]')]);
    const bytes = await readFile(await png.path());
    expect([...bytes.subarray(1, 4)].map(b => String.fromCharCode(b)).join('')).to.equal('PNG');
    expect(bytes.readUInt32BE(16), 'as wide as it is drawn').to.equal(Math.round(box.width));
    const [svg] = await Promise.all([page.waitForEvent('download'), page.click('[data-test=save-pose-svg]')]);
    expect(await readFile(await svg.path(), 'utf8')).to.match(/<svg[\s\S]*Pitch circle/);
    expect(errors).to.deep.equal([]);
  });

  it('names poses, returns to them, steps through them, and says when trains have changed since', async () => {
    const { page } = await app.open();
    await fromStarter(page, app.base);
    await go(page, 'run');
    await pane(page, 'set');
    for (const [name, turns] of [
      ['New moon', '3'],
      ['High water', '12.5'],
    ] as const) {
      await type(page, 'set-turns', turns);
      await type(page, 'pose-name', name);
    }
    await page.getByRole('button', { name: 'New moon', exact: true }).click();
    expect(await page.locator('[data-test=set-turns] input').inputValue()).to.match(/^3\.0+$/);
    await page.click('[data-test=pose-next]');
    expect(await page.locator('[data-test=set-turns] input').inputValue()).to.match(/^12\.50+$/);
    await go(page, 'train');
    await page.click('[data-test=bar-wheel1]');
    await type(page, 'count-wheel1', '84');
    await go(page, 'run');
    await pane(page, 'set');
    await page.locator('[data-test=pose-moved]', { hasText: 'Tide hand' }).first().waitFor();
    await page.getByRole('button', { name: 'Forget New moon' }).click();
    expect(await page.locator('[data-test=poses] tr').count()).to.equal(1);
    await page.click('[data-test=undo]');
    expect(await page.locator('[data-test=poses] tr').count()).to.equal(2);
  });

  it('charts the drift over years, with the date on which each output leaves its tolerance', async () => {
    const { page } = await app.open();
    await fromStarter(page, app.base);
    await go(page, 'run');
    await pane(page, 'drift');
    expect(await page.locator('[data-test=drift-chart] path').count()).to.equal(3);
    await page.locator('[data-test^=drift-]', { hasText: 'is used up after' }).first().waitFor();
    await type(page, 'drift-years', '2000');
    await page.locator('[data-test=drift-chart] circle').first().waitFor();
    await accessible(page);
  });

  it('holds the moons against the sky, and says when the date is beyond what is known', async () => {
    const { page } = await app.open();
    await fromStarter(page, app.base, 'quartet-of-moons');
    await go(page, 'run');
    await pane(page, 'sky');
    expect(await page.locator('[data-test=sky] tbody tr').count()).to.equal(4);
    await page.locator('[data-test=sky] tbody tr', { hasText: 'Io' }).getByText('0.00°').waitFor();
    await pane(page, 'set');
    await type(page, 'set-date', '2300-01-01');
    await pane(page, 'sky');
    await page.locator('[data-test=sky-range]').first().waitFor();
    await accessible(page);
  });

  it('says when everything stands as it did, how fast all turns, and slows to what the eye can follow', async () => {
    const { page, errors } = await app.open();
    await fromStarter(page, app.base, 'two-noons');
    await go(page, 'run');
    await pane(page, 'again');
    await page
      .locator('[data-test=again] tbody tr', { hasText: 'Hours' })
      .getByText('12', { exact: true })
      .waitFor();
    await page.locator('[data-test=whole]', { hasText: 'Exact.' }).waitFor();
    await pane(page, 'speeds');
    await page.click('[data-test=by-hand]');
    await page.locator('[data-test=speeds] tbody tr').first().waitFor();
    await page.locator('[data-test=torques] tbody tr').first().getByText('0.0120').waitFor();
    await accessible(page);
    await pane(page, 'readings');
    await page.click('[data-test=slower]');
    await page.locator('[data-test=blurred]').waitFor({ state: 'detached' });
    expect(errors).to.deep.equal([]);
  });
});
