import { expect } from 'chai';
import DxfParser from 'dxf-parser/dist/dxf-parser.js';
import { readFile } from 'node:fs/promises';
import type { Page } from 'playwright-core';
import { accessible } from './accessible.ts';
import { type App, fromStarter, go, startApp, choose } from './app.ts';

async function type(page: Page, test: string, text: string): Promise<void> {
  const input = page.locator(`[data-test=${test}] input`).first();
  await input.fill(text);
  await input.press('Enter');
}
const pane = (page: Page, name: string): Promise<void> => page.click(`[data-test=plan-${name}]`);
async function save(page: Page, test: string): Promise<string> {
  const [download] = await Promise.all([page.waitForEvent('download'), page.click(`[data-test=${test}]`)]);
  return readFile(await download.path(), 'utf8');
}

describe('the layout', () => {
  let app: App;
  before(async () => (app = await startApp()));
  afterEach(() => app.clear());
  after(() => app.close());

  it('folds a train into its case, shows what differs side by side, and takes one as one step', async () => {
    const { page, errors } = await app.open();
    await fromStarter(page, app.base);
    await go(page, 'plan');
    await pane(page, 'fold');
    await page.click('[data-test=fold]');
    await page.waitForSelector('[data-test=fold-said]');
    const choices = page.locator('[data-test=folds] li');
    expect(await choices.count()).to.be.at.least(3);
    await accessible(page, 'plan', { all: true, part: '[data-test=station-plan]' });
    const axes = async (): Promise<string> => {
      await pane(page, 'places');
      await page.locator('[data-test=axes] tbody tr').nth(1).waitFor();
      await page.waitForFunction(() => !document.querySelector('[data-test=more-rows]'));
      return page.locator('[data-test=axes]').innerText();
    };
    const before = await axes();
    await pane(page, 'fold');
    await page.click('[data-test=fold]');
    await page.waitForSelector('[data-test=fold-said]');
    await choices.nth(1).getByRole('button', { name: 'Take this' }).click();
    expect(await axes()).to.not.equal(before);
    for (const code of ['wheels-strike', 'wheel-strikes-arbor', 'outside-envelope', 'tubes-cannot-nest'])
      expect(await page.locator(`[data-test=finding-${code}]`).count(), code).to.equal(0);
    await page.click('[data-test=undo]');
    expect(await axes()).to.equal(before);
    expect(errors).to.deep.equal([]);
  });

  it('can be stopped while it folds, and says why a room is too small', async () => {
    const { page } = await app.open();
    await fromStarter(page, app.base);
    await go(page, 'plan');
    await pane(page, 'fold');
    await choose(page, 'fold-effort', 'thoroughly');
    await page.click('[data-test=fold]');
    await page.click('[data-test=fold-stop]');
    await page.locator('[data-test=fold-stop]').waitFor({ state: 'detached' });
    await pane(page, 'room');
    await type(page, 'region-diameter', '120');
    await page.locator('[data-test=finding-outside-envelope]').first().waitFor();
    await pane(page, 'fold');
    await page.click('[data-test=fold]');
    await page
      .locator('[data-test=fold-problem]', { hasText: 'mm across and the envelope only 120.0 mm' })
      .waitFor();
  });

  it('finds layers, shows the section, and lets a wheel be moved to another layer by hand', async () => {
    const { page, errors } = await app.open();
    await fromStarter(page, app.base, 'quartet-of-moons');
    await go(page, 'plan');
    await pane(page, 'layers');
    await page.locator('[data-test=height]', { hasText: '45.4 mm high' }).waitFor();
    const wheel = page.locator('[data-test=section] rect[role=button]').first();
    await wheel.focus();
    await page.keyboard.press('ArrowUp');
    await page
      .locator('[data-test=finding-tubes-cannot-nest], [data-test=finding-wheels-in-one-place]')
      .first()
      .waitFor();
    await page.click('[data-test=find-layers]');
    await page.locator('[data-test=layers-said]', { hasText: '8 layers, and no fewer will do' }).waitFor();
    await page.click('[data-test=fit-bores]');
    await page.waitForFunction(() => document.querySelectorAll('[data-test^=finding-]').length === 0);
    const rows = await page.locator('[data-test=tubes] tbody tr').allInnerTexts();
    expect(rows.some(r => /Callisto[\s\S]*9\.70[\s\S]*11\.30/.test(r) || /11\.30/.test(r))).to.equal(true);
    await accessible(page, 'plan', { all: true, part: '[data-test=station-plan]' });
    expect(errors).to.deep.equal([]);
  });

  it('drags a wheel of the section to another layer', async () => {
    const { page } = await app.open();
    await fromStarter(page, app.base, 'quartet-of-moons');
    await go(page, 'plan');
    await pane(page, 'layers');
    const wheel = page.locator('[data-test=section] rect[role=button]').first();
    const box = (await wheel.boundingBox())!;
    const before = await page.locator('[data-test=layer-table]').innerText();
    await page.mouse.move(box.x + 4, box.y + box.height / 2);
    await page.mouse.down();
    await page.mouse.move(box.x + 4, box.y - 70, { steps: 5 });
    await page.mouse.up();
    expect(await page.locator('[data-test=layer-table]').innerText()).to.not.equal(before);
    await page.click('[data-test=undo]');
    expect(await page.locator('[data-test=layer-table]').innerText()).to.equal(before);
  });

  it('places an axis in other ways, and says what a way needs', async () => {
    const { page } = await app.open();
    await fromStarter(page, app.base);
    await go(page, 'plan');
    const row = page.locator('[data-test=axes] tbody tr').nth(1);
    const at = (): Promise<string[]> => row.locator('td.figure').allInnerTexts();
    await row.getByRole('button').click();
    const before = await at();
    for (const [kind, said] of [
      ['given by x and y', 'given'],
      ['so far from another', 'so far from'],
      ['on a line', 'on a line'],
      ['at a mesh, in', 'by a mesh'],
    ] as const) {
      await choose(page, 'place-kind', new RegExp(kind));
      await page
        .locator('[data-test=axes] tbody tr', { hasText: said })
        .nth(kind.startsWith('at a mesh') ? 1 : 0)
        .waitFor();
      expect(await at(), kind).to.deep.equal(before);
    }
    await choose(page, 'place-kind', /between two axes/);
    await page.locator('[data-test=place-problem]', { hasText: 'fewer than two other axes' }).waitFor();
    await row.locator('[data-test=lock] input').check();
    await page.locator('[data-test=undo]').click();
    expect(await row.locator('[data-test=lock] input').isChecked()).to.equal(false);
  });

  it('reads an envelope from a drawing, and says what is wrong with one', async () => {
    const { page } = await app.open();
    await fromStarter(page, app.base);
    await go(page, 'plan');
    await pane(page, 'room');
    const give = async (name: string, text: string): Promise<void> => {
      const [chooser] = await Promise.all([
        page.waitForEvent('filechooser'),
        page.click('[data-test=open-border]'),
      ]);
      await chooser.setFiles({ name, mimeType: 'image/svg+xml', buffer: Buffer.from(text) });
    };
    const svg = (inside: string, size: string): string =>
      `<svg xmlns="http://www.w3.org/2000/svg" ${size}>${inside}</svg>`;
    await give(
      'open.svg',
      svg('<path d="M-150-150H150V150H-150V-140"/>', 'width="300mm" viewBox="0 0 300 300"'),
    );
    await page.locator('[data-test=border-problem]', { hasText: 'The border is open' }).waitFor();
    await page.click('[data-test=join-border]');
    await page.locator('[data-test=region-kind]', { hasText: 'open.svg' }).waitFor();
    await give('unit.svg', svg('<rect x="-6" y="-6" width="12" height="12"/>', 'viewBox="0 0 12 12"'));
    await page.locator('[data-test=border-problem]', { hasText: 'measures 12 by 12' }).waitFor();
    await page.click('[data-test=units-inch]');
    await page.locator('[data-test=region-kind]', { hasText: 'unit.svg' }).waitFor();
    await give('none.svg', 'no drawing');
    await page.locator('[data-test=border-problem]', { hasText: 'cannot be read' }).waitFor();
    await page.locator('[data-test=add-keep-out]').click();
    await page.locator('[data-test=keep-out]', { hasText: 'Kept free 1' }).waitFor();
    await accessible(page, 'plan', { all: true, part: '[data-test=station-plan]' });
  });

  it('drills a template whose holes stand where the screen says, and lists the rods and spacers to cut', async () => {
    const { page } = await app.open();
    await fromStarter(page, app.base, 'quartet-of-moons');
    await go(page, 'plan');
    await pane(page, 'plates');
    const rows = page.locator('[data-test=holes] tbody tr');
    const second = (await rows.nth(1).locator('td.figure').allInnerTexts()).map(t =>
      Number(t.replace('−', '-')),
    );
    const dxf = new DxfParser().parseSync(await save(page, 'template-dxf'))!;
    const circles = dxf.entities.filter(e => e.type === 'CIRCLE');
    expect(circles.length).to.equal(await rows.count());
    expect(
      circles.some(
        c => Math.abs(c.center!.x - second[0]!) < 0.01 && Math.abs(2 * c.radius! - second[2]!) < 0.01,
      ),
    ).to.equal(true);
    expect(await save(page, 'template-svg')).to.match(/data-role="drill"/);
    expect(await save(page, 'holes-csv')).to.match(/^plate,hole,for/);
    await choose(page, 'bearing-fit', /H8\/f7/);
    await page.locator('[data-test=allowance]', { hasText: 'ISO 286' }).waitFor();
    await page.click('[data-test=add-pillar]');
    expect(await page.locator('[data-test=pillar]').count()).to.equal(5);
    await accessible(page, 'plan', { all: true, part: '[data-test=station-plan]' });
    await go(page, 'make');
    await page.click('[data-test=make-files]');
    expect(await save(page, 'save-parts')).to.match(/tube, Callisto[\s\S]*spacer[\s\S]*front plate/);
  });

  it('adds up the play of every mesh at the outputs, in their own units, as centres are spread', async () => {
    const { page, errors } = await app.open();
    await fromStarter(page, app.base);
    await go(page, 'plan');
    await pane(page, 'play');
    const first = page.locator('[data-test=lost]').first();
    const degrees = async (): Promise<number> =>
      Number.parseFloat((await first.locator('summary strong').innerText()).replace('−', '-'));
    const before = await degrees();
    expect(await first.locator('summary').innerText()).to.match(/second|minute/);
    await type(page, 'spread-all', '0.2');
    await page.waitForFunction(
      b =>
        Number.parseFloat(document.querySelector('[data-test=lost] summary strong')?.textContent ?? '0') > b,
      before,
    );
    await page.locator('[data-test=play] tbody tr', { hasText: '0.24' }).first().waitFor();
    await accessible(page, 'plan', { all: true, part: '[data-test=station-plan]' });
    expect(errors).to.deep.equal([]);
  });
});
