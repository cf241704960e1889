import { join } from 'node:path';
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
for (const station of ['counts', 'teeth', 'plan', 'run', 'make']) {
  await go(desk.page, station);
  if (station === 'counts') {
    await search(desk.page);
    await desk.page.locator('[data-test=counts-table] tbody tr').nth(3).click();
  }
  if (station === 'run') {
    await desk.page.click('[data-test=run-set]');
    await desk.page.locator('[data-test=set-date] input').fill('2026-03-01 06:30');
    await desk.page.keyboard.press('Enter');
    await desk.page.click('[data-test=run-readings]');
  }
  if (station === 'teeth') await desk.page.waitForSelector('[data-test=close-up]');
  if (station === 'make') {
    await desk.page.click('[data-test=make-sheets]');
    await desk.page.locator('[data-test=show-sheet]').first().waitFor();
  }
  await take(station, desk);
}
const moons = await app.open();
await fromStarter(moons.page, app.base, 'quartet-of-moons');
await go(moons.page, 'counts');
await moons.page.click('[data-test=pane-machine]');
await moons.page.locator('[data-test=school-mixed] input').check();
await moons.page.click('[data-test=plan-search]');
await moons.page.locator('[data-test=plans] tbody tr').nth(3).waitFor();
await moons.page.locator('[data-test=plan-search]').waitFor({ timeout: 60000 });
await take('branches', moons);
await go(moons.page, 'plan');
await moons.page.click('[data-test=plan-layers]');
await take('section', moons);
await moons.page.click('[data-test=plan-plates]');
await take('plates', moons);
await go(moons.page, 'run');
await moons.page.click('[data-test=run-sky]');
await moons.page.locator('[data-test=sky] tbody tr').nth(3).waitFor();
await take('sky', moons);
const space = await app.open();
await fromStarter(space.page, app.base, 'wading-heron');
await go(space.page, 'train');
await space.page.locator('[data-kind=joint][data-test^=sign-]').first().click();
await space.page.waitForSelector('[data-test=joint-figures]');
await take('train', space);
await go(space.page, 'run');
await take('run-linked', space);
await go(space.page, 'make');
await space.page.click('[data-test=make-solids]');
await space.page.locator('[data-test=space-wheels]').waitFor();
await take('space', space);
const folding = await app.open();
await fromStarter(folding.page, app.base);
await go(folding.page, 'plan');
await folding.page.click('[data-test=plan-fold]');
await folding.page.click('[data-test=fold]');
await folding.page.waitForSelector('[data-test=fold-said]');
await take('folds', folding);

/** The Teeth station with a mesh of a starter rolled, chosen by its name. */
async function teeth(name: string, window: Window, mesh?: RegExp): Promise<void> {
  const { page } = window;
  await go(page, 'teeth');
  if (mesh) {
    await page.locator('[data-test=mesh]').click();
    await page.getByRole('option', { name: mesh }).first().click();
  }
  await page.waitForTimeout(1500);
  await take(name, window);
}
const clock = await app.open();
await fromStarter(clock.page, app.base, 'two-noons');
await teeth('teeth-clock', clock);
const reeds = await app.open();
await fromStarter(reeds.page, app.base, 'sixteen-reeds');
await go(reeds.page, 'train');
await reeds.page.locator('[data-test=sign-cam1]').focus();
await reeds.page.click('[data-test=cam-design]');
await reeds.page.locator('[data-test=cam-figures]').getByText('of its motion').waitFor();
await take('cam', reeds);
const night = await app.open({ dark: true });
await fromStarter(night.page, app.base, 'round-of-kestrels');
await go(night.page, 'run');
await night.page.click('[data-test=run-set]');
await night.page.locator('[data-test=set-turns] input').fill('0.62');
await night.page.keyboard.press('Enter');
await night.page.click('[data-test=run-readings]');
await night.page.click('[data-test=view-side]');
await take('run-side', night);
const phone = await app.open({ width: 390, height: 844 });
await fromStarter(phone.page, app.base);
await phone.page.goto(app.base);
await phone.page.waitForSelector('[data-test=starter-saltreach-tide-clock]');

await phone.page.getByRole('link', { name: 'Saltreach tide clock' }).click();
await go(phone.page, 'run');
await take('run-phone', phone);
await app.close();
