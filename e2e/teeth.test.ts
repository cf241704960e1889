import { expect } from 'chai';
import { readFile } from 'node:fs/promises';
import type { Page } from 'playwright-core';
import { accessible } from './accessible.ts';
import {
  type App,
  archive,
  arrange,
  choose,
  emptyMachine,
  fromStarter,
  go,
  slideTo,
  startApp,
} from './app.ts';

const figure = async (page: Page, row: string): Promise<string> => {
  const cell = page.locator('[data-test=roll-figures] tr', { hasText: row }).locator('td').first();
  await page.waitForFunction(name => {
    const rows = [...document.querySelectorAll('[data-test=roll-figures] tr')];
    const found = rows.find(r => r.textContent?.includes(name))?.querySelector('td');
    return found !== undefined && found?.textContent?.trim() !== '–';
  }, row);
  return cell.innerText();
};
const first = (text: string): number => Number.parseFloat(text.replace('−', '-'));
async function type(page: Page, test: string, text: string): Promise<void> {
  const input = page.locator(`[data-test=${test}] input`).first();
  await input.fill(text);
  await input.press('Enter');
}

describe('teeth, rolled', () => {
  let app: App;
  before(async () => (app = await startApp()));
  afterEach(() => app.clear());
  after(() => app.close());

  it('measures the mesh on its outlines, tries centres and thickness, and keeps what is wanted', async () => {
    const { page, errors } = await app.open();
    await fromStarter(page, app.base);
    await go(page, 'teeth');
    expect(first(await figure(page, 'contact ratio'))).to.be.within(1.6, 2);
    const play = first(await figure(page, 'play'));
    expect(play).to.be.within(0.09, 0.12);
    const shown = page.locator('[data-test=play-here]');
    const before = await page.locator('[data-test=close-up]').getAttribute('aria-label');
    await page.locator('[data-test=close-up]').focus();
    for (let i = 0; i < 6; i++) await page.keyboard.press('ArrowUp');
    expect(first(await shown.innerText())).to.be.within(0.09, 0.13);
    expect(before).to.match(/places of contact/);
    await slideTo(page, 'try-apart', 0.2);
    await page.waitForFunction(() => {
      const text = document.querySelector('[data-test=roll-figures]')?.textContent ?? '';
      return /play\s*0\.2[2-9]/.test(text);
    });
    await slideTo(page, 'try-thicker', 0.15);
    await page.waitForFunction(
      () => !/overlap\s*0\.0000/.test(document.querySelector('[data-test=roll-figures]')?.textContent ?? ''),
    );
    await slideTo(page, 'try-thicker', 0);
    await page.click('[data-test=keep-apart]');
    expect(await page.locator('[data-test=spread] input').inputValue()).to.equal('0.2');
    await page.keyboard.press('Control+z');
    await page.click('[data-test=roll-all]');
    await page.waitForSelector('[data-test=roll-findings]');
    expect(errors).to.deep.equal([]);
  });

  it('rolls clock teeth, and shows what pointed leaves cost', async () => {
    const { page, errors } = await app.open();
    await fromStarter(page, app.base, 'two-noons');
    await go(page, 'teeth');
    const eased = first(await figure(page, 'uneven by'));
    await choose(page, 'clock-tip', 'high ogive');
    await page.waitForFunction(was => {
      const row = [...document.querySelectorAll('[data-test=roll-figures] tr')].find(r =>
        r.textContent?.includes('uneven by'),
      );
      return Number.parseFloat(row?.querySelector('td')?.textContent ?? '0') > 4 * was;
    }, eased);
    await page.click('[data-test=roll-all]');
    await page.locator('[data-test=roll-findings]', { hasText: 'turn unevenly' }).waitFor();
    await choose(page, 'tooth-form', 'involute');
    await page.waitForSelector('[data-test=pressure-angle]');
    await choose(page, 'tooth-form', 'lantern pinion and wheel');
    await page.waitForSelector('[data-test=pin]');
    expect(first(await figure(page, 'play'))).to.be.within(0.03, 0.1);
    await choose(page, 'tooth-form', 'reducer: lobes in pins');
    await page.locator('[role=alert]', { hasText: 'runs within a ring' }).waitFor();
    expect(errors).to.deep.equal([]);
  });

  it('designs pegs and bevels: says which way of driving binds, and saves the strip for the blank', async () => {
    const { page, errors } = await app.open();
    await fromStarter(page, app.base, 'ossel-brine-pump');
    await go(page, 'teeth');
    await choose(page, 'mesh', /Upright peg wheel/);
    const verdict = page.locator('[data-test=peg-figures] tr', { hasText: 'verdict' });
    expect(await verdict.innerText()).to.match(/runs\s+runs/);
    await page.locator('[data-test=teeth-count] input').nth(0).fill('5');
    await page.locator('[data-test=teeth-count] input').nth(0).press('Enter');
    await page.locator('[data-test=teeth-count] input').nth(1).fill('10');
    await page.locator('[data-test=teeth-count] input').nth(1).press('Enter');
    await verdict.getByText('binds').waitFor();
    expect(await verdict.innerText()).to.match(/binds\s+runs/);
    await page.getByText('binds when Upright peg wheel (5) drives').first().waitFor();
    await choose(page, 'mesh', /Upright bevel/);
    expect(await page.locator('[data-test=bevel-figures]').innerText()).to.contain('40.236°');
    const file = page.waitForEvent('download');
    await page.locator('[data-test=save-strip]').first().click();
    const svg = await readFile(await (await file).path(), 'utf8');
    expect(svg).to.match(
      /Wrap round the outside of the turned blank, 94\.107 mm across; a line for every tooth, 22 in all/,
    );
    await type(page, 'shaft-angle', '60');
    await page.locator('[data-test=bevel-figures]', { hasText: '40.236°' }).waitFor({ state: 'detached' });
    expect(errors).to.deep.equal([]);
  });

  it('gives a wheel its bore and its spokes, and takes them back', async () => {
    const { page, errors } = await app.open();
    await fromStarter(page, app.base);
    await go(page, 'teeth');
    await choose(page, 'bore-shape', 'hexagon');
    await choose(page, 'web', /^spokes/);
    await page.locator('[data-test=web-number]').first().waitFor();
    await page.locator('[data-test=mark] input').first().check();
    await type(page, 'bolts', '5');
    await page.locator('[data-test=bolt-circle]').first().waitFor();
    await page.click('[data-test=undo]');
    await page.locator('[data-test=bolt-circle]').first().waitFor({ state: 'detached' });
    await page.keyboard.press('Control+z');
    await page.keyboard.press('Control+z');
    await page.locator('[data-test=web-number]').first().waitFor({ state: 'detached' });
    expect(errors).to.deep.equal([]);
  });

  it('lets a hub stand out, says what it strikes, and makes it as high as there is room', async () => {
    const { page, errors } = await app.open();
    await emptyMachine(page, app.base, 'Hub');
    await go(page, 'train');
    await arrange(page, 'compound', undefined, 'stages', '15:60, 15:60');
    await go(page, 'teeth');
    await choose(page, 'mesh', /Reduction arbor 1 wheel \(60\)/);
    await page.locator('[data-test=hub]').nth(1).click();
    await page.getByRole('option', { name: 'in front' }).click();
    await go(page, 'plan');
    await page.getByText('strikes what lies beside it').first().waitFor();
    await page.getByRole('button', { name: 'Make its hub 1.0 mm high' }).first().click();
    await page.getByText('strikes what lies beside it').first().waitFor({ state: 'detached' });
    const { files } = await archive(page);
    expect(Object.keys(files).join('\n')).to.include('parts/hub-reduction-arbor-1-wheel');
    expect(errors).to.deep.equal([]);
  });

  it('is accessible with clock teeth, pegs and bevels, by day and by night', async () => {
    const { page } = await app.open();
    const asked = { night: true, all: true, part: '[data-test=station-teeth]' };
    for (const starter of ['two-noons', 'ossel-brine-pump']) {
      await fromStarter(page, app.base, starter);
      await go(page, 'teeth');
      await page.waitForTimeout(200);
      await accessible(page, starter, asked);
    }
    await choose(page, 'mesh', /Upright bevel/);
    await accessible(page, 'bevel', asked);
  });
});
