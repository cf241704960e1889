import { mkdtemp, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { ninetyWheels } from '../bench/ninety-wheels.ts';
import { writeMachine } from '../core/src/machine/index.ts';
import { fromStarter, go, startApp, type Window } from '../e2e/app.ts';

/** Takes the pictures in docs/screenshots from the demo machine, in the built application. */
const folder = join(import.meta.dirname, '../docs/screenshots');
const app = await startApp();

async function search(page: Window['page']): Promise<void> {
  await page.click('[data-test=search]');
  await page.waitForSelector('[data-test=proof]');
}

async function take(name: string, window: Window): Promise<void> {
  await window.page.waitForTimeout(500);
  await window.page.screenshot({ path: join(folder, `${name}.png`) });
}

const desk = await app.open();
await fromStarter(desk.page, app.base);
await desk.page.goto(app.base);
await desk.page.waitForSelector('[data-test=starter-saltreach-tide-clock]');
await take('shelf', desk);
await desk.page.getByRole('link', { name: 'Saltreach tide clock' }).click();
await desk.page.waitForSelector('[data-test=station-aims]');
await take('aims', desk);
await desk.page.locator('[data-test=aim-known]').first().click();
await desk.page.fill('[data-test=library-search] input', 'moon');
await take('library', desk);
await desk.page.keyboard.press('Escape');
await desk.page.click('[data-test=add-many]');
await desk.page.fill(
  '[data-test=many-text] textarea',
  'Mercury\nVenus\nEarth\nMars, 686.98 d\nJupiter\nSaturn',
);
await desk.page.click('[data-test=many-driver]');
await desk.page.getByRole('option', { name: 'an arbor that turns with Earth' }).click();
await take('aims-many', desk);
await desk.page.keyboard.press('Escape');
for (const station of ['counts', 'train', 'teeth', 'plan', 'run', 'make']) {
  await go(desk.page, station);
  if (station === 'counts') {
    await search(desk.page);
    await desk.page.locator('[data-test=counts-table] tbody tr').nth(3).click();
  }
  if (station === 'train') await desk.page.click('[data-test=bar-wheel1]');
  if (station === 'run') for (let i = 0; i < 7; i++) await desk.page.keyboard.press(']');
  await take(station, desk);
  if (station === 'counts') {
    await desk.page.click('[data-test=show-working]');
    await take('working', desk);
    await desk.page.keyboard.press('Escape');
    for (const i of [0, 3]) await desk.page.locator('[data-test=compare-row]').nth(i).check();
    await desk.page.click('[data-test=pane-compare]');
    await desk.page.fill('[data-test=own-train] input', '28/29');
    await desk.page.press('[data-test=own-train] input', 'Enter');
    await take('compare', desk);
    await desk.page.click('[data-test=pane-why]');
    await desk.page.waitForSelector('[data-test=ladder]');
    await take('ladder', desk);
  }
}
const moons = await app.open();
await fromStarter(moons.page, app.base, 'quartet-of-moons');
await go(moons.page, 'counts');
await moons.page.click('[data-test=pane-machine]');
await moons.page.locator('[data-test=school-mixed] input').check();
await moons.page.click('[data-test=plan-search]');
await moons.page.locator('[data-test=plans] tbody tr').nth(3).waitFor();
await take('branches', moons);
const large = await app.open();
await large.page.goto(app.base);
const path = join(await mkdtemp(join(tmpdir(), 'tesseron-')), 'ninety.json');
await writeFile(path, writeMachine(ninetyWheels()));
const chooser = large.page.waitForEvent('filechooser');
await large.page.click('[data-test=open-file]');
await (await chooser).setFiles(path);
await large.page.waitForSelector('[data-test=station-aims]');
await go(large.page, 'train');
await large.page.getByRole('button', { name: /^First arm 9,/ }).click();
await take('train-large', large);
const heron = await app.open();
await fromStarter(heron.page, app.base, 'wading-heron');
await go(heron.page, 'train');
await heron.page.click('[data-test=add-ready]');
await heron.page.click('[data-test=ready-orrery-arm]');
await take('train-ready', heron);
const night = await app.open({ dark: true });
await fromStarter(night.page, app.base);
await go(night.page, 'plan');
await take('plan-night', night);
const phone = await app.open({ width: 390, height: 844 });
await fromStarter(phone.page, app.base);
await phone.page.goto(app.base);
await phone.page.waitForSelector('[data-test=starter-saltreach-tide-clock]');
await take('shelf-phone', phone);
await phone.page.getByRole('link', { name: 'Saltreach tide clock' }).click();
await go(phone.page, 'run');
await take('run-phone', phone);
await app.close();
