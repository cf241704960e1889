import { expect } from 'chai';
import { accessible } from './accessible.ts';
import { type App, fromStarter, go, startApp, type } from './app.ts';

const STATIONS = ['aims', 'counts', 'train', 'teeth', 'plan', 'run', 'make'];

describe('stations', () => {
  let app: App;
  before(async () => (app = await startApp()));
  afterEach(() => app.clear());
  after(() => app.close());

  it('are accessible by day and by night, with their panels open', async () => {
    const night = true;
    const { page, errors } = await app.open();
    await page.goto(app.base);
    await page.waitForSelector('[data-test=starter-saltreach-tide-clock]');
    await accessible(page, 'shelf', { night });
    await fromStarter(page, app.base);
    for (const station of STATIONS) {
      await go(page, station);
      if (station === 'counts') {
        await page.click('[data-test=search]');
        await page.waitForSelector('[data-test=proof]');
      }
      // The frame round a station is the same at all of them: it is judged once.
      const part = `[data-test=station-${station}]`;
      await accessible(page, station, station === 'aims' ? { night } : { night, part });
      if (station === 'make')
        for (const pane of ['parts', 'sheets', 'solids', 'patterns', 'coupons', 'dry', 'files']) {
          await page.click(`[data-test=make-${pane}]`);
          if (pane === 'solids') await page.locator('[data-test=space-wheels]').waitFor();
          if (pane === 'sheets') await page.locator('[data-test=show-sheet]').first().waitFor();
          await accessible(page, `make, ${pane}`, { night, part });
        }
      if (station === 'counts') {
        await page.click('[data-test=show-working]');
        await page.getByRole('dialog').getByText('Ratio, error and drift').waitFor();
        await accessible(page, 'working', { night, part: '[role=dialog]' });
        await page.keyboard.press('Escape');
      }
    }
    await page.locator('canvas, h2').first().click();
    await page.keyboard.press('?');
    await page.getByRole('dialog').getByText('Keys').waitFor();
    await accessible(page, 'keys', { night, part: '[role=dialog]' });
    expect(errors).to.deep.equal([]);
  });

  it('answer to keys: stations, run and stop, steps, undo, and never while typing', async () => {
    const { page } = await app.open();
    await fromStarter(page, app.base);
    await page.locator('h2').first().click();
    for (const [key, station] of [
      ['5', 'plan'],
      ['6', 'run'],
      ['2', 'counts'],
      ['1', 'aims'],
    ] as const) {
      await page.keyboard.press(key);
      await page.waitForSelector(`[data-test=station-${station}]`);
    }
    const turns = async (): Promise<number> =>
      Number.parseFloat(await page.locator('[data-test=drive-turns]').innerText());
    await page.keyboard.press(']');
    await page.keyboard.press(']');
    expect(await turns()).to.equal(0.02);
    await page.keyboard.press('[');
    expect(await turns()).to.equal(0.01);
    await page.keyboard.press('Space');
    await page.waitForFunction(
      () => Number.parseFloat(document.querySelector('[data-test=drive-turns]')?.textContent ?? '0') > 0.02,
    );
    await page.keyboard.press('Space');
    const stopped = await turns();
    await page.waitForTimeout(150);
    expect(await turns()).to.equal(stopped);
    await page.locator('[data-test=machine-name] input').click();
    await page.keyboard.type('5 ');
    await page.waitForTimeout(100);
    expect(await page.locator('[data-test=station-aims]').count()).to.equal(1);
  });

  it('say what is wrong with what is typed, and keep what was there', async () => {
    const { page } = await app.open();
    await fromStarter(page, app.base);
    for (const [text, says] of [
      ['0 h', 'cannot be turned'],
      ['a while', 'cannot be read'],
      ['1 year', 'Say which year'],
    ] as const) {
      await type(page, 'aim-wanted', text);
      await page.locator('[data-test=aim-wanted]').first().getByText(says).waitFor();
    }
    await type(page, 'drive-period', '0');
    await page.locator('[data-test=drive-period]').getByText('A ratio of nought').waitFor();
    await type(page, 'drive-period', '12');
    await page.locator('[data-test=drive-period]').getByText('has no unit').waitFor();
    expect(await page.locator('[data-test=aim-verdict]').first().innerText()).to.match(/^met/);
    await go(page, 'counts');
    await type(page, 'least', '90');
    await type(page, 'most', '20');
    await page.locator('[data-test=search-problem]').getByText('Swap them').waitFor();
    await type(page, 'least', 'many');
    await page.locator('[data-test=least]').getByText('Write a whole number').waitFor();
    await go(page, 'teeth');
    await type(page, 'bore', '300');
    await page.locator('[data-test=finding-bore-through-root]').waitFor();
    await page.locator('[data-test=finding-bore-through-root] [data-test=fix]').click();
    await page.locator('[data-test=finding-bore-through-root]').waitFor({ state: 'detached' });
  });

  it('show the nearest and the reach when a rate is out of reach', async () => {
    const { page } = await app.open();
    await fromStarter(page, app.base);
    await type(page, 'aim-wanted', '12345');
    await go(page, 'counts');
    await page.click('[data-test=search]');
    await page.locator('[data-test=out-of-reach]').getByText('to 69.4').waitFor();
    expect(await page.locator('[data-test=counts-table] tbody tr').count()).to.be.greaterThan(10);
  });

  it('add an idler where the sense asks for it, and the output then turns the right way', async () => {
    const { page } = await app.open();
    await fromStarter(page, app.base);
    await page.locator('[data-test=aim-sense]').first().click();
    await page.getByRole('option', { name: 'against the drive' }).click();
    await page.getByText('turns the wrong way').first().waitFor();
    await go(page, 'counts');
    await page.click('[data-test=search]');
    await page.waitForSelector('[data-test=proof]');
    await page.getByText('idler added').first().waitFor();
    await page.locator('[data-test=choose]').first().click();
    await go(page, 'aims');
    await page.locator('[data-test=aim-verdict]', { hasText: /^met/ }).nth(2).waitFor();
  });

  it('swing an arbor that is dragged about its neighbour, as one step, at the right distance', async () => {
    const { page } = await app.open();
    await fromStarter(page, app.base);
    await go(page, 'plan');
    const canvas = page.locator('[data-test=plan] canvas, canvas[data-test=plan], canvas').first();
    const box = (await canvas.boundingBox())!;
    const row = page.locator('[data-test=axes] tbody tr').nth(1);
    const places = async (): Promise<number[][]> => {
      const rows = await page.locator('[data-test=axes] tbody tr').all();
      const cells = await Promise.all(rows.map(r => r.locator('td.figure').allInnerTexts()));
      return cells.map(c => c.map(t => Number(t.replace('−', '-'))));
    };
    const before = await places();
    // The tide hand's lay arbor, by its place on the drawing: the view fits the round case of 280 mm.
    const scale = (Math.min(box.width, box.height) - 56) / 280;
    const on = (p: number[]): [number, number] => [
      box.x + box.width / 2 + p[0]! * scale,
      box.y + box.height / 2 - p[1]! * scale,
    ];
    const [x, y] = on(before[1]!);
    await page.mouse.move(x, y);
    await page.mouse.down();
    await page.mouse.move(x - 60, y - 40, { steps: 8 });
    await page.mouse.up();
    const after = await places();
    expect(after[1]).to.not.deep.equal(before[1]);
    expect(after[0]).to.deep.equal(before[0]);
    expect(Math.hypot(after[1]![0]! - after[0]![0]!, after[1]![1]! - after[0]![1]!)).to.be.closeTo(96, 0.02);
    await page.click('[data-test=undo]');
    expect(await places()).to.deep.equal(before);
    expect(await row.count()).to.equal(1);
  });

  it('search without holding up the page', async () => {
    const { page } = await app.open();
    await fromStarter(page, app.base);
    await go(page, 'counts');
    await page.locator('[data-test=stages-4] input').check();
    await page.waitForTimeout(500);
    await page.evaluate(() => {
      const seen: (readonly [from: number, to: number])[] = [];
      Object.assign(globalThis, { seen });
      new PerformanceObserver(list =>
        list.getEntries().forEach(e => seen.push([e.startTime, e.startTime + e.duration])),
      ).observe({ entryTypes: ['longtask'] });
    });
    // So many counts take seconds on any machine: drawing the first answer is a small part of that.
    await type(page, 'most', '135');
    await page.waitForSelector('[data-test=cancel]');
    for (let wait = 0; page.workers().length !== 1 && wait < 100; wait++) await page.waitForTimeout(50);
    expect(page.workers().length, 'the search has a worker of its own').to.equal(1);
    const began = await page.evaluate(() => performance.now());
    await page.waitForSelector('[data-test=cancel]', { state: 'detached' });
    const [held, took] = await page.evaluate(since => {
      const { seen } = globalThis as unknown as { seen: [number, number][] };
      // What was typed before the search began held up nothing of it.
      const within = seen.map(([from, to]) => Math.max(0, to - Math.max(from, since)));
      return [within.reduce((sum, t) => sum + t, 0), performance.now() - since] as const;
    }, began);
    // A search on the page itself would hold it up all the while, however fast the machine is.
    expect(held / took, 'of the search, the part in which the page was held up').to.be.below(0.4);
  });

  it('stop a search that is cancelled', async () => {
    const { page } = await app.open();
    await fromStarter(page, app.base);
    await go(page, 'counts');
    // Four stages of up to 1000 teeth keep any machine busy for long enough to be stopped.
    await page.locator('[data-test=stages-4] input').check();
    await type(page, 'most', '1000');
    await page.click('[data-test=cancel]');
    await page.waitForSelector('[data-test=search]');
    expect(await page.locator('[data-test=proof]').count()).to.equal(0);
    await type(page, 'most', '60');
    await page.locator('[data-test=proof]', { hasText: 'from 12 to 60 teeth' }).waitFor();
  });

  it('work at phone width', async () => {
    const { page } = await app.open({ width: 390, height: 844 });
    await fromStarter(page, app.base);
    await go(page, 'run');
    const wide = await page.evaluate(() => document.documentElement.scrollWidth);
    expect(wide).to.be.at.most(390);
    await page.click('[data-test=run]');
    await page.locator('[data-test=reading-tide]').scrollIntoViewIfNeeded();
    await page.locator('[data-test=reading-tide] [data-test=turns]').waitFor();
  });
});
