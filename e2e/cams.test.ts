import { expect } from 'chai';
import { accessible } from './accessible.ts';
import { readFile } from 'node:fs/promises';
import { type App, choose, emptyMachine, go, startApp, type } from './app.ts';

describe('cams', () => {
  let app: App;
  before(async () => {
    app = await startApp();
  });
  afterEach(() => app.clear());
  after(() => app.close());

  it('are made, designed in every way of saying a motion, judged, mended, and exported as points', async () => {
    const { page, errors } = await app.open();
    await emptyMachine(page, app.base, 'Tappet');
    await go(page, 'train');
    await page.locator('[data-test=rates] button').first().click();
    await page.click('[data-test=join-open]');
    await choose(page, 'join-kind', /Cam under a slide/);
    await type(page, 'join-radius', '30');
    await page.click('[data-test=join-make]');
    const course = page.locator('[data-test=joint-figures]');
    await course.getByText('15.000 mm').first().waitFor();

    await page.click('[data-test=cam-design]');
    const panel = page.locator('[data-test=cam-panel]');
    const figures = page.locator('[data-test=cam-figures]');
    await figures.getByText(/within 0\.00\d+ mm of its motion/).waitFor();
    await accessible(page, 'cam', { part: '[data-test=cam-panel]' });
    await type(page, 'segment-over-0', '40');
    await figures.getByText(/ – 15/).waitFor();
    await page
      .getByText(/presses sideways/)
      .first()
      .waitFor();
    await page.click('[data-test=segment-split-0]');
    expect(await panel.locator('[data-test^=segment-over-]').count()).to.equal(5);
    await page.click('[data-test=segment-drop-1]');
    await type(page, 'cam-stroke', '5');
    await page.getByText(/presses sideways/).waitFor({ state: 'detached' });

    // Along the chart by keyboard, then through points.
    await page.locator('[data-test=cam-handle-0]').focus();
    await page.keyboard.press('ArrowUp');
    await choose(page, 'cam-motion', /Through points/);
    await page.click('[data-test=point-add]');
    await choose(page, 'cam-motion', /The Sun/);
    await type(page, 'sky-scale', '0.5');
    await figures.getByText(/-?7\.1\d+ – 8\.2\d* mm/).waitFor();
    const [download] = await Promise.all([
      page.waitForEvent('download'),
      page.click('[data-test=cam-save-lift]'),
    ]);
    const rows = (await readFile(await download.path(), 'utf8')).split('\r\n');
    expect(rows).to.have.length(363);
    // About the third of November the Sun is 16.4 minutes ahead (Meeus, ch. 28): the 303rd degree of the year.
    expect(Number(rows[304]!.split(',')[1])).to.be.closeTo(8.2, 0.05);
    const [outline] = await Promise.all([
      page.waitForEvent('download'),
      page.click('[data-test=cam-save-points]'),
    ]);
    const points = (await readFile(await outline.path(), 'utf8')).split('\r\n').slice(1, -1);
    expect(points).to.have.length(720);
    const out = points.map(row => Math.hypot(...(row.split(',').map(Number) as [number, number])));
    expect(Math.max(...out) - Math.min(...out), 'the eccentricity of the outline').to.be.closeTo(15.3, 0.4);
    await choose(page, 'cam-motion', /waves/);
    await page.click('[data-test=wave-add]');
    await panel.getByRole('button', { name: 'Close' }).click();

    // Chosen by its sign on the drawing, by keyboard too.
    await page.locator('[data-test=rates] button').first().click();
    await page.locator('[data-test^=sign-]').focus();
    await course.waitFor();
    expect(await page.locator('[data-test^=sign-]').getAttribute('aria-pressed')).to.equal('true');

    // Another follower, a groove; undone.
    await choose(page, 'joint-kept', 'groove');
    await choose(page, 'joint-touch', 'flat');
    await page.click('[data-test=undo]');
    expect(errors).to.deep.equal([]);
  });

  it('take their motion from a table or a drawn line, and say what cannot be read', async () => {
    const { page, errors } = await app.open();
    await emptyMachine(page, app.base, 'Drawn');
    await go(page, 'train');
    await page.locator('[data-test=rates] button').first().click();
    await page.click('[data-test=join-open]');
    await choose(page, 'join-kind', /Cam under an arm/);
    await type(page, 'join-radius', '30');
    await page.click('[data-test=join-make]');
    await page.click('[data-test=cam-design]');
    const open = async (name: string, text: string): Promise<void> => {
      const [chooser] = await Promise.all([
        page.waitForEvent('filechooser'),
        page.click('[data-test=cam-read]'),
      ]);
      await chooser.setFiles({ name, mimeType: 'text/plain', buffer: Buffer.from(text) });
    };
    await open('bad.csv', 'angle,lift\n0,0\n90,much\n');
    await page.getByText('Line 3 reads “90,much”').waitFor();
    await open('good.csv', 'angle,lift\n0,0\n90,10\n180,4\n');
    await page.getByText('Line 3 reads').waitFor({ state: 'detached' });
    expect(await page.locator('[data-test=point-lift-1] input').inputValue()).to.equal('10');
    const svg = (d: string): string =>
      `<svg xmlns="http://www.w3.org/2000/svg" width="72mm" height="20mm" viewBox="0 0 72 20"><path d="${d}"/></svg>`;
    await open('back.svg', svg('M0 20 L40 10 L30 5 L72 20'));
    await page.getByText('turns back at').waitFor();
    await open('line.svg', svg('M0 20 L36 11 L72 20'));
    await page.getByText(/ – 9\.\d* °/).waitFor();
    expect(errors).to.deep.equal([]);
  });
});
