import { expect } from 'chai';
import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Page } from 'playwright-core';
import { type App, fromStarter, go, startApp } from './app.ts';

/** The most that a route may load, bytes of compressed script and style as served. */
const SHELF = 230_000;
/** What opening a machine adds to the shelf: the frame and Aims. */
const FRAME = 115_000;
/** What each station adds to an open machine. */
const ADDED = { counts: 60_000, train: 60_000, teeth: 110_000, plan: 160_000, run: 110_000, make: 160_000 };

const DOC = join(import.meta.dirname, '../docs/performance.md');
const [BEGIN, END] = ['<!-- weight: written by e2e/weight.test.ts -->', '<!-- end of weight -->'];
const kB = (bytes: number): string => `${Math.round(bytes / 1000)} kB`;

type Loaded = Readonly<Record<string, number>>;
const loaded = (page: Page): Promise<Loaded> =>
  page.evaluate(() =>
    Object.fromEntries(
      performance
        .getEntriesByType('resource')
        .filter((r): r is PerformanceResourceTiming => /\.(js|css)$/.test(r.name))
        .map(r => [r.name.split('/').at(-1) ?? '', r.encodedBodySize]),
    ),
  );
/** What is loaded beyond what was there before, bytes. */
const without = (now: Loaded, before: Loaded): number =>
  sum(Object.fromEntries(Object.entries(now).filter(([name]) => !(name in before))));
const sum = (of: Loaded): number => Object.values(of).reduce((a, b) => a + b, 0);

describe('the weight of every route', () => {
  let app: App;
  before(async () => {
    app = await startApp();
  });
  afterEach(() => app.clear());
  after(() => app.close());

  it('stays within its limit, and nothing comes from elsewhere', async () => {
    const lines: string[] = [];
    const { page } = await app.open();
    const elsewhere: string[] = [];
    page.on('request', r => {
      if (!r.url().startsWith(app.base) && !/^(blob|data):/.test(r.url())) elsewhere.push(r.url());
    });
    await page.goto(app.base);
    await page.waitForSelector('[data-test=shelf] svg');
    const all = await loaded(page);
    const linked = await page.evaluate(() =>
      [...document.querySelectorAll('script[src], link[rel=modulepreload], link[rel=stylesheet]')]
        .slice(0, document.querySelectorAll('head > *').length)
        .map(e => (e.getAttribute('src') ?? e.getAttribute('href') ?? '').split('/').at(-1) ?? ''),
    );
    const html = await (await page.request.get(app.base)).text();
    const first = Object.fromEntries(
      Object.entries(all).filter(([name]) => linked.includes(name) && html.includes(name)),
    );
    expect(sum(first), 'the shelf itself').to.be.within(50_000, SHELF);
    expect(elsewhere).to.deep.equal([]);
    lines.push(`| shelf, until it shows | ${kB(sum(first))} | ${kB(SHELF)} |`);
    lines.push(`| its previews, a moment later | ${kB(sum(all) - sum(first))} | |`);
    for (const [station, most] of Object.entries(ADDED)) {
      const own = await app.open();
      await fromStarter(own.page, app.base);
      await own.page.waitForLoadState('networkidle');
      const opened = await loaded(own.page);
      if (station === 'counts') {
        const frame = without(opened, all);
        expect(frame, 'the frame and Aims').to.be.below(FRAME);
        lines.push(`| opening a machine adds | ${kB(frame)} | ${kB(FRAME)} |`);
      }
      await go(own.page, station);
      await own.page.waitForLoadState('networkidle');
      const added = without(await loaded(own.page), opened);
      expect(added, station).to.be.below(most);
      lines.push(`| ${station} adds to that | ${kB(added)} | ${kB(most)} |`);
      await own.context.close();
    }
    const text = readFileSync(DOC, 'utf8');
    expect(text).to.include(BEGIN).and.to.include(END);
    if (process.env['TESSERON_WRITE'] === undefined) return;
    const table = ['', '| route | loads | at most |', '| --- | --- | --- |', ...lines, ''].join('\n');
    const [before, after] = [
      text.slice(0, text.indexOf(BEGIN) + BEGIN.length),
      text.slice(text.indexOf(END)),
    ];
    writeFileSync(DOC, `${before}\n${table}\n${after}`);
  });
});
