import { expect } from 'chai';
import type { Locator, Page } from 'playwright-core';
import { accessible } from './accessible.ts';
import { type App, fromStarter, go, startApp, choose } from './app.ts';

async function type(page: Page, field: string, text: string): Promise<void> {
  const input = page.locator(`[data-test=${field}] input`).first();
  await input.fill(text);
  await input.press('Enter');
}
async function start(page: Page, base: string, wanted?: string): Promise<void> {
  await page.goto(base);
  await page.fill('[data-test=new-name] input', 'By hand');
  await page.press('[data-test=new-name] input', 'Enter');
  await page.waitForSelector('[data-test=station-aims]');
  if (wanted !== undefined) {
    await page.click('[data-test=add-aim]');
    await type(page, 'aim-wanted', wanted);
  }
  await go(page, 'train');
}
async function drag(page: Page, from: Locator, to: { x: number; y: number }): Promise<void> {
  const box = (await from.boundingBox())!;
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
  await page.mouse.down();
  await page.mouse.move((box.x + to.x) / 2, (box.y + to.y) / 2);
  await page.mouse.move(to.x, to.y);
  await page.mouse.up();
}
const middle = async (l: Locator): Promise<{ x: number; y: number }> => {
  const box = (await l.boundingBox())!;
  return { x: box.x + box.width / 2, y: box.y + box.height / 2 };
};
const rates = (page: Page): Promise<string> => page.locator('[data-test=rates]').innerText();
const says = (page: Page, text: string | RegExp): Promise<void> =>
  page.locator('[data-test=rates]', { hasText: text }).waitFor();
const bar = (page: Page, name: string): Locator =>
  page.getByRole('button', { name: new RegExp(`^${name}[, ]`) });

describe('a train built on its drawing', () => {
  let app: App;
  before(async () => (app = await startApp()));
  afterEach(() => app.clear());
  after(() => app.close());

  it(
    'grows by the keyboard alone: wheels, arbors, an idler, counts typed in, layers, and ' +
      'all of it undone',
    async () => {
      const { page, errors } = await app.open();
      await start(page, app.base);
      await page.click('[data-test=first-wheel]');
      await bar(page, 'Drive wheel').focus();
      await page.keyboard.press('2');
      await page.keyboard.type('4');
      await page.keyboard.press('Enter');
      await bar(page, 'Drive wheel, 24').waitFor();
      await page.keyboard.press('n');
      await says(page, 'Drive onward');
      await page.getByRole('button', { name: 'Drive onward wheel, 24' }).focus();
      await page.keyboard.press('Enter');
      await page.locator('[data-test=typed-count] input').fill('60');
      await page.keyboard.press('Enter');
      await says(page, '↻ 2/5');
      await page.keyboard.press('i');
      await says(page, '↺ 2/5');
      await page.keyboard.press('Shift+ArrowUp');
      await page.getByRole('button', { name: 'Drive wheel, 24 teeth, layer 2' }).waitFor();
      // Over the mesh to its other wheel.
      await page.keyboard.press('ArrowLeft');
      await page.keyboard.press('ArrowLeft');
      await page.keyboard.press('s');
      await page
        .locator('[data-test=finding-contradiction]')
        .or(page.locator('[data-test=finding-locked]'))
        .waitFor();
      for (let i = 0; i < 6; i++) await page.click('[data-test=undo]');
      expect(await page.locator('[data-test=rates] tbody tr').count()).to.equal(1);
      expect(errors).to.deep.equal([]);
    },
  );

  it(
    'follows the pointer: to another layer, into mesh, out to a new arbor, an arbor onto ' +
      'another’s axis; refusals say why',
    async () => {
      const { page, errors } = await app.open();
      await start(page, app.base);
      await page.click('[data-test=first-wheel]');
      const first = bar(page, 'Drive wheel');
      const at = await middle(first);
      await drag(page, first, { x: at.x + 420, y: at.y });
      await says(page, 'Drive onward');
      await page.getByRole('button', { name: 'Drive onward, ↻ 1' }).click();
      await page.click('[data-test=add-wheel]');
      await page.locator('[data-test=wheel-tools]').waitFor();
      await page.click('[data-test=drive-new]');
      await says(page, 'Drive onward 2');
      const second = page.getByRole('button', { name: /^Drive onward 2, / });
      await drag(page, second, await middle(page.getByRole('button', { name: /^Drive, / })));
      await page.waitForFunction(
        () => document.querySelectorAll('[data-test=elevation] .ground').length === 2,
      );
      await drag(
        page,
        page.getByRole('button', { name: /^Drive onward, / }),
        await middle(page.getByRole('button', { name: /^Drive, / })),
      );
      await page.locator('[data-test=refusal]', { hasText: 'would stand on one line' }).waitFor();
      const own = bar(page, 'Drive onward wheel, 30');
      const up = await middle(own.last());
      await drag(page, own.last(), { x: up.x, y: up.y - 150 });
      await page
        .getByRole('button', { name: /layer [3-9]$/ })
        .first()
        .waitFor();
      expect(errors).to.deep.equal([]);
    },
  );

  it('reaches a mesh by arrows, and the wheel beyond it', async () => {
    const { page, errors } = await app.open();
    await start(page, app.base);
    await page.click('[data-test=first-wheel]');
    await bar(page, 'Drive wheel').focus();
    await page.keyboard.press('n');
    await says(page, 'Drive onward');
    await bar(page, 'Drive wheel').focus();
    await page.keyboard.press('ArrowRight');
    await page.locator('[data-test=mesh-tools]').waitFor();
    const focused = await page.evaluate(() => document.activeElement?.getAttribute('data-kind'));
    expect(focused).to.equal('joint');
    await page.keyboard.press('ArrowRight');
    await page.locator('[data-test=wheel-tools]', { hasText: 'Drive onward wheel' }).waitFor();
    expect(errors).to.deep.equal([]);
  });

  it('says what goes before it is deleted, and brings it back', async () => {
    const { page, errors } = await app.open();
    await fromStarter(page, app.base);
    await go(page, 'train');
    await page.getByRole('button', { name: /^Moon-age dial lay arbor,/ }).click();
    await page.keyboard.press('x');
    const panel = page.locator('[data-test=deletion]');
    expect(await panel.innerText()).to.match(
      /Arbors:.*Moon-age dial lay arbor; Moon-age dial[\s\S]*Outputs left without an arbor: Moon-age dial/,
    );
    await page.click('[data-test=delete-keep]');
    await page.keyboard.press('Escape');
    await page.locator('[data-test=rates] tbody tr').nth(6).waitFor();
    expect(await page.locator('[data-test=rates] tbody tr').count()).to.equal(7);
    await page.getByRole('button', { name: /^Moon-age dial lay arbor,/ }).click();
    await page.click('[data-test=delete]');
    await page.click('[data-test=delete-go]');
    await page.waitForFunction(() => document.querySelectorAll('[data-test=rates] tbody tr').length === 5);
    await page.click('[data-test=undo]');
    await page.waitForFunction(() => document.querySelectorAll('[data-test=rates] tbody tr').length === 7);
    expect(errors).to.deep.equal([]);
  });

  it('fills open counts towards an output, and the output is met', async () => {
    const { page, errors } = await app.open();
    await start(page, app.base, '2501/4704');
    await page.click('[data-test=add-ready]');
    await page.click('[data-test=ready-add]');
    await page.getByRole('button', { name: /^Reduction output,/ }).click();
    await choose(page, 'serves', 'Output 1');
    for (const wheel of ['Drive wheel', 'Reduction arbor 1 wheel', 'Reduction output wheel']) {
      await bar(page, wheel).first().dblclick();
      await page.locator('[data-test=typed-count] input').fill('30-100');
      await page.keyboard.press('Enter');
      await bar(page, `${wheel}, open`).waitFor();
    }
    await bar(page, 'Reduction arbor 1 wheel, 15').click();
    await type(page, 'count-wheel3', '41');
    await page.click('[data-test=fill-blanks]');
    await page.locator('[data-test=fills] tbody tr').first().waitFor();
    expect(await page.locator('[data-test=blanks]').innerText()).to.include(
      'All ways within the ranges were weighed',
    );
    await page
      .getByRole('button', { name: /^Take / })
      .first()
      .click();
    await says(page, '2501/4704');
    expect(await page.locator('[data-test=blanks]').count()).to.equal(0);
    expect(errors).to.deep.equal([]);
  });

  it('a count that cannot be read is refused with a sentence, and the old one stays', async () => {
    const { page } = await app.open();
    await fromStarter(page, app.base);
    await go(page, 'train');
    await page.locator('[data-test=bar-wheel1]').dblclick();
    await page.locator('[data-test=typed-count] input').fill('many');
    await page.keyboard.press('Enter');
    await page.locator('[data-test=refusal]', { hasText: 'Type a whole number such as 24' }).waitFor();
    await bar(page, 'Tide hand wheel 1, 83').waitFor();
  });

  it('replaces a stage by what a search finds', async () => {
    const { page, errors } = await app.open();
    await start(page, app.base);
    await page.click('[data-test=add-ready]');
    await type(page, 'ready-field-stages', '20:60');
    await page.click('[data-test=ready-add]');
    await bar(page, 'Reduction output wheel').click();
    await page.keyboard.press('r');
    await type(page, 'stage-ratio', '0.2345');
    await page.click('[data-test=find-stage]');
    await page.locator('[data-test=stage-found] button').first().click();
    await page.waitForFunction(() => document.querySelectorAll('[data-test=rates] tbody tr').length === 3);
    expect(await rates(page)).to.match(/Reduction output lay arbor 1/);
    expect(errors).to.deep.equal([]);
  });

  it('inserts every ready arrangement, as offered, and says what is wrong with counts that cannot be', async () => {
    const { page, errors } = await app.open();
    await start(page, app.base);
    for (const id of [
      'compound',
      'cascade',
      'branches',
      'motion-work',
      'orrery-arm',
      'differential',
      'sun-and-planet',
    ]) {
      await page.click('[data-test=add-ready]');
      await page.click(`[data-test=ready-${id}]`);
      await page.locator('[data-test=ready-rates] tbody tr').first().waitFor();
      if (id === 'cascade') {
        await page.locator('[data-test=ready-field-pairs] input').fill('20:40, 24:37');
        await page.locator('[data-test=ready-problem]', { hasText: 'need equal sums' }).waitFor();
        await page.locator('[data-test=ready-field-pairs] input').fill('20:40, 24:36');
      }
      await page.click('[data-test=ready-add]');
      await page.locator('[data-test=ready]').waitFor({ state: 'detached' });
      if (id === 'orrery-arm') await says(page, 'ground ↺ 254/19');
      await page.click('[data-test=undo]');
    }
    expect(errors).to.deep.equal([]);
  });

  it('changes modes: the crank of a demonstration drive turns what the clock turned', async () => {
    const { page, errors } = await app.open();
    await start(page, app.base);
    await page.click('[data-test=add-ready]');
    await page.click('[data-test=ready-demonstration]');
    await page.click('[data-test=ready-add]');
    await says(page, /Crank\s*↻ 3/);
    await choose(page, 'mode', 'demonstrate');
    await says(page, /Train arbor\s*↻ 1\/3/);
    await page.locator('[data-test=finding-slips]').waitFor();
    expect(errors).to.deep.equal([]);
  });

  it('finds a set with two rings for an output', async () => {
    const { page, errors } = await app.open();
    await start(page, app.base, '1/100');
    await page.click('[data-test=add-planetary]');
    await choose(page, 'planetary-rings', /two rings/);
    await choose(page, 'planetary-aim', 'Output 1');
    const found = page.locator('[data-test=planetary-found]');
    await found.locator('tbody tr').nth(3).waitFor();
    await found.getByRole('button').first().click();
    await page.locator('[data-test=planetary-says]', { hasText: '↺ 1/100' }).waitFor();
    await page.click('[data-test=planetary-build]');
    await says(page, '1/100');
    await page.locator('nav', { hasText: 'Train' }).waitFor();
    expect(errors).to.deep.equal([]);
  });

  it('is accessible with a wheel, an arbor and a mesh chosen, by day and by night', async () => {
    const { page } = await app.open();
    const part = '[data-test=station-train]';
    await fromStarter(page, app.base, 'round-of-kestrels');
    await go(page, 'train');
    await page.locator('[data-kind=wheel]').first().click();
    await accessible(page, 'wheel', { night: true, part });
    await page.locator('[data-test=wheel-tools]').getByText('in mesh with').first().click();
    await accessible(page, 'mesh', { night: true, part });
    await page.locator('[data-kind=member]').nth(1).click();
    await accessible(page, 'arbor', { night: true, part });
  });
});
