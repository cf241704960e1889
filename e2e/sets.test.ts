import { expect } from 'chai';
import type { Page } from 'playwright-core';
import { derive } from '../core/src/state/derive/index.ts';
import { readMachine } from '../core/src/document/machine/index.ts';
import { must } from '../core/src/ground/result/index.ts';
import { type App, archive, arrange, choose, emptyMachine, go, startApp, type } from './app.ts';

/** A bearing of five planets as it is begun: sun 36, planets 14, ring 64. */
async function bearing(page: Page, app: App): Promise<void> {
  await emptyMachine(page, app.base, 'Bearing');
  await go(page, 'train');
  await page.click('[data-test=add-planetary]');
  await type(page, 'planetary-sun', '36');
  await type(page, 'planetary-planet', '14');
  await type(page, 'planetary-planets', '5');
  await page.click('[data-test=planetary-build]');
  await page.locator('[data-test=planetary]').waitFor({ state: 'detached' });
  await page.click('[data-test^=open-set-]');
  await page.waitForSelector('[data-test=set-panel]');
}

const value = (page: Page, test: string): Promise<string> =>
  page.locator(`[data-test=${test}] input`).first().inputValue();

describe('sets that stay sets', function () {
  this.timeout(180_000);
  let app: App;
  before(async () => (app = await startApp()));
  afterEach(() => app.clear());
  after(() => app.close());

  it('a bearing of 5 becomes one of 10 in two edits; refused with a sentence, undone, let go, kept again', async () => {
    const { page, errors } = await app.open();
    await bearing(page, app);
    await type(page, 'set-planets', '10');
    await page.locator('[data-test=set-refused]', { hasText: 'overlap' }).waitFor();
    await type(page, 'set-sun', '41');
    await page.locator('[data-test=set-says]', { hasText: 'equal places' }).waitFor();
    expect(await value(page, 'set-ring')).to.equal('69');
    await type(page, 'set-planets', '10');
    await page.locator('[data-test=set-refused]').waitFor({ state: 'detached' });
    expect(await value(page, 'set-planets')).to.equal('10');
    // Other counts of the same ratio, taken from a list.
    await page.locator('[data-test=set-search] summary').click();
    const found = page.locator('[data-test=set-search-found] tbody tr');
    await type(page, 'set-search-ratio', '1/4');
    await type(page, 'set-search-planets', '3-5');
    await found.nth(5).waitFor();
    await type(page, 'set-search-outside', '20');
    await page
      .locator('[data-test=set-search-problem]', { hasText: 'larger than the outside allowed' })
      .waitFor();
    await type(page, 'set-search-outside', '400');
    await found.first().getByRole('button').click();
    await page.waitForFunction(
      () => document.querySelector<HTMLInputElement>('[data-test=set-sun] input')?.value !== '41',
    );
    await page.click('[data-test=undo]');
    // A count typed at the wheel itself is followed as well.
    await go(page, 'teeth');
    await page.locator('[data-test=set-panel]').waitFor();
    expect(await value(page, 'set-sun')).to.equal('41');
    await page.keyboard.press('Control+z');
    await page.waitForFunction(
      () => document.querySelector<HTMLInputElement>('[data-test=set-planets] input')?.value === '5',
    );
    await choose(page, 'mesh', /ring/);
    // Teeth outside the ring of 69: too few leave no rim, which is mended.
    await type(page, 'teeth-outside', '70');
    const enough = page.getByRole('button', { name: /outside.*: 80 teeth/ });
    await enough.click();
    await enough.waitFor({ state: 'detached' });
    expect(await value(page, 'teeth-outside')).to.equal('80');
    await page.click('[data-test=set-loose]');
    await page.locator('[data-test=set-panel]').waitFor({ state: 'detached' });
    await go(page, 'train');
    await page.click('[data-test=keep-sets]');
    await page.waitForSelector('[data-test^=open-set-]');
    expect(errors).to.deep.equal([]);
  });

  it('eight bodies as a cascade, from an empty machine to an archive with an arm and a ball for each', async () => {
    const { page, errors } = await app.open();
    await emptyMachine(page, app.base, 'Eight');
    await go(page, 'train');
    const pairs = Array.from({ length: 8 }, () => '20:40, 24:36').join(', ');
    await arrange(page, 'cascade', undefined, 'pairs', pairs);
    await go(page, 'run');
    await page.click('[data-test=run-dials]');
    for (let i = 1; i <= 8; i++) {
      await choose(page, 'add-on', new RegExp(`Cascade output ${i}$`));
      await page.click('[data-test=add-body]');
      await type(page, 'body-distance', String(14 + 11 * i));
    }
    await go(page, 'plan');
    await page.click('[data-test=plan-plates]');
    await page.locator('[data-test=plates] input').check();
    await page.click('[data-test=plan-layers]');
    await page.click('[data-test=find-layers]');
    await page.click('[data-test=fit-bores]');
    await page.waitForTimeout(500);
    const { machine, files } = await archive<{ members: { id: string; name: string }[] }>(page);
    const names = Object.keys(files);
    for (let i = 1; i <= 8; i++)
      expect(
        names.filter(n => n.includes(`arm-cascade-output-${i}`)),
        names.join('\n'),
      ).to.have.length.above(0);
    const text = (end: string): string => new TextDecoder().decode(files[names.find(n => n.endsWith(end))!]);
    expect(
      text('hardware.csv').match(/^ball,/gm),
      'balls are bought where no printer makes them',
    ).to.have.length(1);
    expect(text('hardware.csv')).to.match(/^ball,.*,8,/m);
    // Each tube stands out past the next by the arm that sits on it.
    const d = derive(must(readMachine(JSON.stringify(machine))));
    expect(d.findings.filter(f => f.severity !== 'note')).to.deep.equal([]);
    const tops = machine.members
      .filter(m => m.name.startsWith('Cascade output'))
      .map(m => d.layout.spans.of.get(m.id)!.whole.to)
      .sort((a, b) => a - b);
    tops.slice(1).forEach((t, i) => expect(t - tops[i]!).to.be.closeTo(2, 1e-6));
    expect(errors).to.deep.equal([]);
  });

  it('a reducer of two discs on pins, from an empty machine to its files; changed as one, undone', async () => {
    const { page, errors } = await app.open();
    await emptyMachine(page, app.base, 'Reducer');
    await go(page, 'train');
    await page.click('[data-test=add-ready]');
    await page.click('[data-test=ready-reducer]');
    await choose(page, 'ready-field-discs', /two/);
    await choose(page, 'ready-field-ring', /standing in a plate/);
    await page
      .locator('[data-test=ready-rates] tr', { hasText: 'Reducer output' })
      .getByText('1/15')
      .waitFor();
    await page.click('[data-test=ready-add]');
    await page.locator('[data-test=ready]').waitFor({ state: 'detached' });
    await page.locator('[data-kind=wheel]').first().click();
    await type(page, 'reducer-lobes', '12');
    await page.locator('[data-test=reducer-says]', { hasText: '1/12' }).waitFor();
    expect(await value(page, 'reducer-pins')).to.equal('13');
    await type(page, 'reducer-pins', '12');
    await page.locator('[data-test=reducer-refused]', { hasText: 'fewer lobes than pins' }).waitFor();
    // The same panel at Teeth; what turns is changed there.
    await go(page, 'teeth');
    await choose(page, 'reducer-turns', /^the ring/);
    await page.locator('[data-test=reducer-says]', { hasText: '1/13' }).waitFor();
    await page.click('[data-test=undo]');
    await page.locator('[data-test=reducer-says]', { hasText: '1/12' }).waitFor();
    await type(page, 'reducer-outside', '80');
    await page.locator('[data-test=reducer-says]', { hasText: '80.0 mm across' }).waitFor();
    await go(page, 'plan');
    await page.click('[data-test=plan-plates]');
    await page.locator('[data-test=plates] input').check();
    await go(page, 'make');
    await page.click('[data-test=make-tools]');
    await page.click('[data-test=add-printer]');
    await page.locator('[data-test=usual-tool] input').nth(1).check();
    const { machine, files } = await archive(page);
    const names = Object.keys(files).join('\n');
    for (const part of ['eccentric', 'output-plate', 'plate-of-pins', 'lobed-disc-opposite'])
      expect(names, names).to.include(part);
    const d = derive(must(readMachine(JSON.stringify(machine))));
    expect(d.findings.filter(f => f.severity !== 'note')).to.deep.equal([]);
    expect(errors).to.deep.equal([]);
  });
});
