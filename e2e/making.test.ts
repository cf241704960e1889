import { expect } from 'chai';
import { execFileSync } from 'node:child_process';
import { unzipSync } from 'fflate';
import { mkdtemp, readFile, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Page } from 'playwright-core';
import { derive, wheelPlane } from '../core/src/state/derive/index.ts';
import { flatten, type Path, signedArea } from '../core/src/ground/geometry/index.ts';
import { wheelThickness } from '../core/src/place/layout/index.ts';
import { readMachine } from '../core/src/document/machine/index.ts';
import { must } from '../core/src/ground/result/index.ts';
import { solidParts } from '../core/src/making/solid/index.ts';
import { type App, fromStarter, go, startApp, choose, slideTo } from './app.ts';

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
    await page.click('[data-test=make-parts]');
    const wheel = await save(page, 'save-wheel', 0);
    expect(wheel.name).to.equal('saltreach-tide-clock_tide-hand-wheel-1_kerf-0.2.svg');
    expect(Number(/width="([\d.]+)mm"/.exec(wheel.text)?.[1])).to.be.closeTo(127.5 + 0.2 + 4, 0.05);
    expect(wheel.text, 'and says so').to.match(/Compensated once, for Laser: outlines 0\.100 mm outside/);
    await page.uncheck('[data-test=compensate] input');
    const plain = await save(page, 'save-wheel', 0);
    expect(plain.name).to.equal('saltreach-tide-clock_tide-hand-wheel-1.svg');
    expect(Number(/width="([\d.]+)mm"/.exec(plain.text)?.[1])).to.be.closeTo(127.5 + 4, 0.05);
    expect(wheel.text.match(/<path/g)?.length).to.equal(1);
    await page.click('[data-test=make-files]');
    const parts = await save(page, 'save-parts');
    const wheels = parts.text.split('\r\n').filter(l => /^[^,]* wheel \d,/.test(l));
    expect(wheels.length).to.equal(12);
    expect(parts.text).to.match(/Moon-age dial wheel 2,Moon-age dial lay arbor,105,1\.5/);
  });

  it('shows the cautions of every tool, and makes parts by the one that is chosen', async () => {
    const { page } = await app.open();
    await fromStarter(page, app.base);
    await go(page, 'make');
    await page.locator('[data-test=cautions]', { hasText: 'PVC' }).waitFor();
    await page.click('[data-test=add-saw]');
    await page.locator('[data-test=cautions]', { hasText: 'No gloves' }).waitFor();
    expect(await page.locator('[data-test=cautions]').innerText()).to.not.include('PVC');
    await page.locator('[data-test=usual-tool] input').nth(1).check();
    await type(page, 'process-kerf', '1.2');
    await page.click('[data-test=make-parts]');
    await page.locator('[data-test=parts] button.plain').first().click();
    await page.locator('[data-test=file-note]', { hasText: '0.600 mm outside' }).waitFor();
    await choose(page, 'part-process', 'Laser');
    await page.locator('[data-test=file-note]', { hasText: '0.100 mm outside' }).waitFor();
    await page.locator('[data-test=part-number] input').first().fill('3');
    await page.locator('[data-test=part-number] input').first().press('Enter');
    await page.click('[data-test=make-files]');
    await page
      .locator('[data-test=parts-table] tr', { hasText: 'Tide hand wheel 1' })
      .locator('td')
      .nth(1)
      .getByText('3')
      .waitFor();
    for (let i = 0; i < 5; i++) await page.click('[data-test=undo]');
    await page.click('[data-test=make-tools]');
    await page.locator('[data-test=cautions]', { hasText: 'PVC' }).waitFor();
    expect(await page.locator('[data-test=tool]').count()).to.equal(1);
  });

  it('sizes the teeth by an outside diameter, shows the working, and moves the centres', async () => {
    const { page } = await app.open();
    await fromStarter(page, app.base);
    await go(page, 'teeth');
    await page.locator('[data-test=sized-by]').click();
    await page.getByRole('option', { name: 'outside diameter of Tide hand wheel 1' }).click();
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

  it(
    'makes solids: one part as STL, beds of all as 3MF, which programs that are not ours ' +
      'find closed and whole',
    async () => {
      const { page, errors } = await app.open();
      await fromStarter(page, app.base);
      await go(page, 'make');
      await page.click('[data-test=make-parts]');
      const [stl] = await Promise.all([
        page.waitForEvent('download'),
        page.locator('[data-test=save-stl]').first().click(),
      ]);
      expect(stl.suggestedFilename()).to.match(/\.stl$/);
      const folder = await mkdtemp(join(tmpdir(), 'tesseron-'));
      const one = join(folder, 'part.stl');
      await stl.saveAs(one);
      const report = execFileSync('admesh', [one], { encoding: 'utf8' });
      expect(report).to.match(/Total disconnected facets\s*:\s*0\s+0/);
      expect(report).to.match(/Degenerate facets\s*:\s*0/);
      const volume = Number(/Volume\s*:\s*([\d.]+)/.exec(report)![1]);
      // The tide hand's first wheel: area by the shoelace formula, bore out, times its thickness.
      const machine = must(
        readMachine(await readFile(join(import.meta.dirname, '../demo/saltreach-tide-clock.json'), 'utf8')),
      );
      const d = derive(machine);
      const plane = must(wheelPlane(d, machine.wheels[0]!));
      const area = (paths: readonly Path[]): number =>
        paths.reduce((sum, p) => sum + Math.abs(signedArea(flatten(p, d.chordError))), 0);
      const exact =
        (area([plane.outline]) - area(plane.holes)) * wheelThickness(machine.stack, machine.wheels[0]!);
      expect(volume / exact).to.be.closeTo(1, 1e-4);
      await page.click('[data-test=make-tools]');
      await page.click('[data-test=add-printer]');
      await page.locator('[data-test=usual-tool] input').nth(1).check();
      await type(page, 'bed-width', '600');
      await type(page, 'bed-depth', '600');
      await page.click('[data-test=make-solids]');
      const [all] = await Promise.all([page.waitForEvent('download'), page.click('[data-test=save-3mf]')]);
      const whole = join(folder, 'all.3mf');
      await all.saveAs(whole);
      const info = execFileSync('assimp', ['info', whole], { encoding: 'utf8' });
      const parts = solidParts(d).filter(p => !['rod', 'pin', 'key'].includes(p.kind));
      // It tells equal bodies as one mesh; every object that is placed has a node, once a copy.
      const nodes = info.match(/Object_\d+/g) ?? [];
      expect(new Set(nodes).size, info).to.equal(parts.length);
      expect(nodes.length).to.equal(parts.reduce((n, p) => n + p.number, 0));
      expect(info).to.match(/Minimum point\s*\([\d.]+ [\d.]+ -?0\.0+/);
      await page.click('[data-test=save-3mf]');
      await page.click('[data-test=solids-cancel]');
      await page.locator('[data-test=solids-cancel]').waitFor({ state: 'detached' });
      expect(errors).to.deep.equal([]);
    },
  );

  it('tells what a cutter cannot reach, and compensates for the tool that is chosen and measured', async () => {
    const { page, errors } = await app.open();
    await fromStarter(page, app.base);
    await go(page, 'make');
    await page.click('[data-test=add-router]');
    await page.locator('[data-test=usual-tool] input').nth(1).check();
    await type(page, 'process-cutter', '3');
    await page.locator('[data-test=finding-corner-too-sharp]').first().waitFor();
    await page.click('[data-test=make-parts]');
    await page.locator('[data-test=parts] button.plain').first().click();
    await page.locator('[data-test=uncut]', { hasText: 'larger fillet' }).waitFor();
    const dxf = await save(page, 'save-wheel-dxf');
    expect(dxf.name).to.equal('saltreach-tide-clock_tide-hand-wheel-1_cutter-3.dxf');
    await page.click('[data-test=make-tools]');
    await page.click('[data-test=add-printer]');
    await page.locator('[data-test=usual-tool] input').nth(2).check();
    await type(page, 'process-outlineGrowth', '0.1');
    await type(page, 'process-holeShrink', '0.3');
    await page.click('[data-test=make-parts]');
    await page.locator('[data-test=parts] button.plain').first().click();
    await page
      .locator('[data-test=file-note]', {
        hasText: 'outlines 0.100 mm inside, holes 0.150 mm larger all round',
      })
      .waitFor();
    const [stl] = await Promise.all([
      page.waitForEvent('download'),
      page.locator('[data-test=save-stl]').first().click(),
    ]);
    expect(stl.suggestedFilename()).to.include('print-0.1-0.3');
    await page.click('[data-test=undo]');
    await page.click('[data-test=undo]');
    await page.locator('[data-test=file-note]', { hasText: 'not compensated' }).waitFor();
    expect(errors).to.deep.equal([]);
  });

  it(
    'lays parts on sheets, writes them, and finds in a dry run of the written file that the ' +
      'finished parts drop out',
    async () => {
      const { page, errors } = await app.open();
      await fromStarter(page, app.base, 'round-of-kestrels');
      await go(page, 'make');
      await page.click('[data-test=make-sheets]');
      await page.locator('[data-test=show-sheet]').first().waitFor();
      const partsOn = async (): Promise<number> =>
        Number(/(\d+) parts/.exec(await page.locator('[data-test=batch]').first().innerText())?.[1]);
      const once = await partsOn();
      const sheet = await save(page, 'save-sheet-dxf');
      expect(sheet.name).to.match(/^round-of-kestrels_laser-birch-plywood-4-mm_sheet-1_kerf-0\.2\.dxf$/);
      expect(sheet.text).to.include('ENGRAVE');
      await page.click('[data-test=make-dry]');
      await page.click('[data-test=dry-own]');
      await page.locator('[data-test=dry-judged]').waitFor();
      const off = await page.locator('[data-test=dry-judged] tbody td:nth-child(2)').allInnerTexts();
      expect(off.length).to.be.above(3);
      for (const o of off) expect(Number.parseFloat(o), o).to.be.below(0.06);
      const folder = await mkdtemp(join(tmpdir(), 'tesseron-'));
      await writeFile(join(folder, 'sheet.dxf'), sheet.text);
      const chosen = page.waitForEvent('filechooser');
      await page.click('[data-test=dry-choose]');
      await (await chosen).setFiles(join(folder, 'sheet.dxf'));
      await page.getByText('Every line is closed, none is cut twice').waitFor();
      await writeFile(join(folder, 'bad.stl'), 'no body at all');
      const again = page.waitForEvent('filechooser');
      await page.click('[data-test=dry-choose]');
      await (await again).setFiles(join(folder, 'bad.stl'));
      await page.locator('[data-test=dry-problem]', { hasText: 'This STL file cannot be read' }).waitFor();
      await page.click('[data-test=make-sheets]');
      await type(page, 'sheet-sets', '4');
      await page.locator('[data-test=batch]', { hasText: `${4 * once} parts` }).waitFor();
      expect(errors).to.deep.equal([]);
    },
  );

  it('shows the machine in space, running, apart, cut open, without what hides the inside', async () => {
    const { page, errors } = await app.open();
    await fromStarter(page, app.base, 'two-noons');
    await go(page, 'make');
    await page.click('[data-test=make-solids]');
    await page.locator('[data-test=space-wheels]').waitFor({ timeout: 60_000 });
    expect(Number(await page.locator('[data-test=space]').getAttribute('data-triangles'))).to.be.above(5000);
    const picture = async (): Promise<string> => {
      await page.waitForTimeout(600);
      return (await page.locator('[data-test=space]').screenshot()).toString('base64');
    };
    const before = await picture();
    await slideTo(page, 'space-apart', 0.6);
    const apart = await picture();
    expect(apart).to.not.equal(before);
    await page.check('[data-test=space-open] input');
    const open = await picture();
    expect(open).to.not.equal(apart);
    await page.uncheck('[data-test="space-dials and hands"] input');
    const bare = await picture();
    expect(bare).to.not.equal(open);
    await page.click('[data-test=step-on]');
    expect(await picture(), 'it turns').to.not.equal(bare);
    const [png] = await Promise.all([page.waitForEvent('download'), page.click('[data-test=space-picture]')]);
    expect((await readFile(await png.path())).subarray(1, 4).toString()).to.equal('PNG');
    expect(errors).to.deep.equal([]);
  });

  it('prints paper patterns in which poppler finds the drill, the strip and the square', async () => {
    const { page, errors } = await app.open();
    await fromStarter(page, app.base, 'ossel-brine-pump');
    await go(page, 'make');
    await page.click('[data-test=make-patterns]');
    const [pdf] = await Promise.all([page.waitForEvent('download'), page.click('[data-test=save-pdf]')]);
    expect(pdf.suggestedFilename()).to.equal('ossel-brine-pump_patterns_a4.pdf');
    const text = execFileSync('pdftotext', [await pdf.path(), '-'], { encoding: 'utf8' });
    expect(text).to.match(/drill 9 mm or 23\/64 in/);
    expect(text).to.include('each side must be 100 mm');
    await type(page, 'strip-diameter', '50');
    await page.click('[data-test=strip-show]');
    await page.locator('[data-test=file-note]', { hasText: 'A part is 15.708 mm long' }).waitFor();
    const [strip] = await Promise.all([page.waitForEvent('download'), page.click('[data-test=strip-pdf]')]);
    expect(execFileSync('pdftotext', [await strip.path(), '-'], { encoding: 'utf8' })).to.match(/\b7\b/);
    expect(errors).to.deep.equal([]);
  });

  it('fits a tool from its coupons, says how sure it is, and takes nothing back that was not measured', async () => {
    const { page, errors } = await app.open();
    await fromStarter(page, app.base);
    await go(page, 'make');
    await page.click('[data-test=make-coupons]');
    const coupon = await save(page, 'coupon-svg');
    expect(coupon.text.match(/data-role="cut"/g)?.length, 'ten strips').to.equal(10);
    const note = async (value: string): Promise<void> => {
      await type(page, 'reading-comb', value);
      await page.click('[data-test=note-reading]');
    };
    await note('58.1');
    await page.locator('[data-test=fitted]', { hasText: 'not known how sure' }).waitFor();
    await note('58.3');
    await page.locator('[data-test=fitted]', { hasText: '0.180 mm' }).waitFor();
    await page.locator('[data-test=fitted]', { hasText: '2 readings' }).waitFor();
    await page.click('[data-test=take-fitted]');
    await page.click('[data-test=make-tools]');
    expect(await page.locator('[data-test=process-kerf] input').inputValue()).to.equal('0.18');
    await page.click('[data-test=undo]');
    await page.waitForFunction(
      () => document.querySelector<HTMLInputElement>('[data-test=process-kerf] input')?.value === '0.2',
    );
    expect(errors).to.deep.equal([]);
  });

  it('writes everything as one archive, and lists what is made and bought', async () => {
    const { page, errors } = await app.open();
    await fromStarter(page, app.base, 'ossel-brine-pump');
    await go(page, 'make');
    await page.click('[data-test=make-files]');
    await page.locator('[data-test=hardware]', { hasText: 'peg' }).waitFor();
    const [zip] = await Promise.all([page.waitForEvent('download'), page.click('[data-test=save-archive]')]);
    const files = Object.keys(unzipSync(await readFile(await zip.path())));
    expect(files).to.include.members([
      'ossel-brine-pump.json',
      'working.txt',
      'read-me.txt',
      'lists/parts.csv',
      'lists/hardware.csv',
    ]);
    await page.locator('[data-test=archive-said]', { hasText: `${files.length} files` }).waitFor();
    await page.click('[data-test=save-archive]');
    await page.click('[data-test=archive-cancel]');
    await page.locator('[data-test=archive-cancel]').waitFor({ state: 'detached' });
    await page.locator('[data-test=archive-said]').waitFor({ state: 'detached' });
    expect(errors).to.deep.equal([]);
  });
});
