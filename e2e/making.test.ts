import { expect } from 'chai';
import { execFileSync } from 'node:child_process';
import { mkdtemp, readFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Page } from 'playwright-core';
import { derive, wheelPlane } from '../core/src/derive/index.ts';
import { flatten, type Path, signedArea } from '../core/src/geometry/index.ts';
import { wheelThickness } from '../core/src/layout/index.ts';
import { readMachine } from '../core/src/machine/index.ts';
import { must } from '../core/src/result/index.ts';
import { solidParts } from '../core/src/solid/index.ts';
import { type App, fromStarter, go, startApp } from './app.ts';

async function save(page: Page, button: string, nth = 0): Promise<{ name: string; text: string }> {
  const download = page.waitForEvent('download');
  await page.locator(`[data-test=${button}]`).nth(nth).click();
  const file = await download;
  return { name: file.suggestedFilename(), text: await readFile(await file.path(), 'utf8') };
}

async function type(page: Page, field: string, text: string): Promise<void> {
  const input = page.locator(`[data-test=${field}] input`).first();
  await input.fill(text);
  await input.press('Enter');
}

describe('making and setting', () => {
  let app: App;
  before(async () => (app = await startApp()));
  afterEach(() => app.clear());
  after(() => app.close());

  it('saves each wheel at its own size, and the parts list with its counts', async () => {
    const { page } = await app.open();
    await fromStarter(page, app.base);
    await go(page, 'make');
    const wheel = await save(page, 'save-wheel', 0);
    expect(wheel.name).to.equal('saltreach-tide-clock_tide-hand-wheel-1_kerf-0.2.svg');
    expect(Number(/width="([\d.]+)mm"/.exec(wheel.text)?.[1])).to.be.closeTo(127.5 + 0.2 + 4, 0.05);
    expect(wheel.text, 'and says so').to.match(/Compensated once, for Laser: outlines 0\.100 mm outside/);
    await page.uncheck('[data-test=compensate]');
    const plain = await save(page, 'save-wheel', 0);
    expect(plain.name).to.equal('saltreach-tide-clock_tide-hand-wheel-1.svg');
    expect(Number(/width="([\d.]+)mm"/.exec(plain.text)?.[1])).to.be.closeTo(127.5 + 4, 0.05);
    expect(wheel.text.match(/<path/g)?.length).to.equal(1);
    const parts = await save(page, 'save-parts');
    const wheels = parts.text.split('\r\n').filter(l => /^[^,]* wheel \d,/.test(l));
    expect(wheels.length).to.equal(12);
    expect(parts.text).to.match(/Moon-age dial wheel 2,Moon-age dial lay arbor,105,1\.5/);
  });

  it('shows the cautions of the chosen way of making', async () => {
    const { page } = await app.open();
    await fromStarter(page, app.base);
    await go(page, 'make');
    await page.locator('[data-test=cautions]', { hasText: 'PVC' }).waitFor();
    await page.locator('[data-test=process]').click();
    await page.getByRole('option', { name: 'saw and drill' }).click();
    await page.locator('[data-test=cautions]', { hasText: 'No gloves' }).waitFor();
    expect(await page.locator('[data-test=cautions]').innerText()).to.not.include('PVC');
    await page.click('[data-test=undo]');
    await page.locator('[data-test=cautions]', { hasText: 'PVC' }).waitFor();
  });

  it('sizes the teeth by an outside diameter, shows the working, and moves the centres', async () => {
    const { page } = await app.open();
    await fromStarter(page, app.base);
    await go(page, 'teeth');
    await page.locator('[data-test=sized-by]').click();
    await page.getByRole('option', { name: 'outside diameter of Tide hand wheel 1 (83)' }).click();
    await type(page, 'outside', '170');
    await page.getByText('2.0000 mm').first().waitFor();
    await page.click('[data-test=module-working]');
    await page.getByRole('dialog').getByText('Module from the outside diameter').waitFor();
    await page.keyboard.press('Escape');
    await page.locator('[data-test=mesh-figures]', { hasText: '128.000 mm' }).waitFor();
    await page.click('[data-test=centre-working]');
    await page.getByRole('dialog').getByText('2.00000 · (83 + 45) / 2').waitFor();
    await page.keyboard.press('Escape');
    await page.locator('[data-test=undercut-working]').first().click();
    await page.getByRole('dialog').getByText('Least teeth without undercut').waitFor();
  });

  it('lets a count be changed, and says what no longer fits, until it is undone', async () => {
    const { page } = await app.open();
    await fromStarter(page, app.base);
    await go(page, 'train');
    await page.click('[data-test=bar-wheel1]');
    await type(page, 'count-wheel1', '80');
    await page.locator('[data-test=rates]', { hasText: '176/189' }).waitFor();
    await go(page, 'plan');
    await page.locator('[data-test=finding-centres-disagree]').waitFor();
    await page.click('[data-test=findings]');
    await page.locator('[data-test=findings-panel]', { hasText: 'drifts too far' }).waitFor();
    await page.keyboard.press('Escape');
    await page.click('[data-test=undo]');
    await page.locator('[data-test=finding-centres-disagree]').waitFor({ state: 'detached' });
  });

  it('lists the history, and goes to any step of it', async () => {
    const { page } = await app.open();
    await fromStarter(page, app.base);
    for (const name of ['One', 'Two', 'Three']) await type(page, 'machine-name', name);
    await page.click('[data-test=history]');
    const panel = page.locator('[data-test=history-panel]');
    expect(await panel.getByRole('listitem').count()).to.equal(4);
    await panel.getByRole('button', { name: 'Name the machine' }).first().click();
    await page.locator('h1', { hasText: 'One' }).waitFor();
    await panel.getByRole('button', { name: 'Name the machine' }).nth(2).click();
    await page.locator('h1', { hasText: 'Three' }).waitFor();
    await panel.getByRole('button', { name: 'Opened' }).click();
    await page.locator('h1', { hasText: 'Saltreach tide clock' }).waitFor();
  });

  it('shows the working of an output’s drift where it is judged', async () => {
    const { page } = await app.open();
    await fromStarter(page, app.base);
    await page.locator('[data-test=aim-working]').first().click();
    await page.getByRole('dialog').getByText('913/945 = 0.966137566138').waitFor();
  });

  it('runs a crank without a period: only ratios, and no dates', async () => {
    const { page, errors } = await app.open();
    await page.goto(app.base);
    await page.fill('[data-test=new-name] input', 'Crank');
    await page.press('[data-test=new-name] input', 'Enter');
    await page.waitForSelector('[data-test=station-aims]');
    await page.getByLabel('at any speed').check();
    await page.click('[data-test=add-aim]');
    await type(page, 'aim-wanted', '235/19');
    await page.getByText('235/19 = 12.3684211 turns per turn of the drive').waitFor();
    await type(page, 'aim-wanted', '24 h');
    await page.getByText('The drive has no period of its own, so').first().waitFor();
    expect(await page.locator('[data-test=date]').count()).to.equal(0);
    expect(errors).to.deep.equal([]);
  });

  it('stays what it is when a period is picked from the known ones', async () => {
    const { page } = await app.open();
    await fromStarter(page, app.base);
    await page.locator('[data-test=aim-known]').first().click();
    await page.fill('[data-test=library-search] input', 'synodic month');
    await page.getByRole('button', { name: /Take Synodic month/ }).click();
    expect(await page.locator('[data-test=aim-wanted] input').first().inputValue()).to.equal(
      '29.530588853 d ± 0.17 s',
    );
    await page.locator('[data-test=aim-verdict]', { hasText: 'missed' }).first().waitFor();
    await page.click('[data-test=undo]');
    await page.locator('[data-test=aim-verdict]', { hasText: /^met/ }).nth(2).waitFor();
  });

  it('scrubs the time by hand, forwards and back, and returns to nought', async () => {
    const { page } = await app.open();
    await fromStarter(page, app.base);
    const ruler = page.getByRole('slider', { name: /Turns of the drive/ });
    const box = (await ruler.boundingBox())!;
    const turns = async (): Promise<number> =>
      Number.parseFloat((await page.locator('[data-test=drive-turns]').innerText()).replace('−', '-'));
    await page.mouse.move(box.x + box.width / 2, box.y + 10);
    await page.mouse.down();
    await page.mouse.move(box.x + box.width / 2 - 45, box.y + 10, { steps: 4 });
    await page.mouse.up();
    expect(await turns()).to.be.closeTo(0.5, 0.02);
    expect(await page.locator('[data-test=date]').innerText()).to.match(/^2026-01-01 0[56]:/);
    await ruler.press('ArrowLeft');
    expect(await turns()).to.be.closeTo(0.49, 0.02);
    await page.click('[data-test=reset]');
    expect(await turns()).to.equal(0);
  });

  it('makes solids: one part as STL, all as 3MF, which programs that are not ours find closed and whole', async () => {
    const { page, errors } = await app.open();
    await fromStarter(page, app.base);
    await go(page, 'make');
    await page.locator('[data-test=solids] summary').click();
    const [stl] = await Promise.all([page.waitForEvent('download'), page.locator('[data-test=save-stl]').first().click()]); // prettier-ignore
    expect(stl.suggestedFilename()).to.match(/\.stl$/);
    const folder = await mkdtemp(join(tmpdir(), 'tesseron-'));
    const one = join(folder, 'part.stl');
    await stl.saveAs(one);
    const report = execFileSync('admesh', [one], { encoding: 'utf8' });
    expect(report).to.match(/Total disconnected facets\s*:\s*0\s+0/);
    expect(report).to.match(/Degenerate facets\s*:\s*0/);
    const volume = Number(/Volume\s*:\s*([\d.]+)/.exec(report)![1]);
    // The tide hand's first wheel: 83 teeth of module 1.5, 6 mm of plywood; area by the shoelace formula, bore out.
    const machine = must(
      readMachine(await readFile(join(import.meta.dirname, '../demo/saltreach-tide-clock.json'), 'utf8')),
    );
    const d = derive(machine);
    const plane = must(wheelPlane(d, machine.wheels[0]!));
    const area = (paths: readonly Path[]): number => paths.reduce((sum, p) => sum + Math.abs(signedArea(flatten(p, d.chordError))), 0); // prettier-ignore
    const exact =
      (area([plane.outline]) - area(plane.holes)) * wheelThickness(machine.stack, machine.wheels[0]!);
    expect(volume / exact).to.be.closeTo(1, 1e-4);

    const [all] = await Promise.all([page.waitForEvent('download'), page.click('[data-test=save-3mf]')]);
    const whole = join(folder, 'all.3mf');
    await all.saveAs(whole);
    const info = execFileSync('assimp', ['info', whole], { encoding: 'utf8' });
    const parts = solidParts(d);
    // It tells equal bodies as one mesh; every object that is placed has a node, once a copy.
    const nodes = info.match(/Object_\d+/g) ?? [];
    expect(new Set(nodes).size, info).to.equal(parts.length);
    expect(nodes.length).to.equal(parts.reduce((n, p) => n + p.number, 0));
    expect(info).to.match(/Minimum point\s*\(0\.0+ 0\.0+ /);
    await page.click('[data-test=save-3mf]');
    await page.click('[data-test=solids-cancel]');
    await page.locator('[data-test=solids-cancel]').waitFor({ state: 'detached' });
    expect(errors).to.deep.equal([]);
  });

  it('tells what a cutter cannot reach, and compensates for the process that is chosen and measured', async () => {
    const { page, errors } = await app.open();
    await fromStarter(page, app.base);
    await go(page, 'make');
    await page.click('[data-test=process]');
    await page.getByRole('option', { name: 'router' }).click();
    await type(page, 'process-cutter', '3');
    await page
      .getByRole('button', { name: /^Tide hand wheel 1/ })
      .first()
      .click();
    await page.locator('[data-test=uncut]', { hasText: 'larger fillet' }).waitFor();
    const dxf = await save(page, 'save-wheel-dxf');
    expect(dxf.name).to.equal('saltreach-tide-clock_tide-hand-wheel-1_cutter-3.dxf');
    await type(page, 'process-cutter', '0.6');
    await page.locator('[data-test=file-note]', { hasText: '0.300 mm outside' }).waitFor();
    await page.click('[data-test=process]');
    await page.getByRole('option', { name: 'printer' }).click();
    await type(page, 'process-outlineGrowth', '0.1');
    await type(page, 'process-holeShrink', '0.3');
    await page.locator('[data-test=file-note]', { hasText: 'outlines 0.100 mm inside, holes 0.150 mm larger all round' }).waitFor(); // prettier-ignore
    await page.locator('[data-test=solids] summary').click();
    const [stl] = await Promise.all([page.waitForEvent('download'), page.locator('[data-test=save-stl]').first().click()]); // prettier-ignore
    expect(stl.suggestedFilename()).to.include('print-0.1-0.3');
    await page.click('[data-test=undo]');
    await page.click('[data-test=undo]');
    await page.locator('[data-test=file-note]', { hasText: 'not compensated' }).waitFor();
    expect(errors).to.deep.equal([]);
  });
});
