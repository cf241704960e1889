import { mkdtemp, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { writeMachine } from '../core/src/machine/index.ts';
import { fromStarter, go, startApp } from '../e2e/app.ts';
import { sixtyWheels } from './sixty-wheels.ts';

/** Runs in the page, as text: frames a second over three seconds. */
const COUNT_FRAMES = `new Promise(resolve => {
  let n = 0;
  const start = performance.now();
  requestAnimationFrame(function tick(now) {
    n += 1;
    if (now - start < 3000) requestAnimationFrame(tick);
    else resolve((n * 1000) / (now - start));
  });
})`;

/** Measures the built application in headless Chromium with software drawing: frames a second, the search, long tasks. */
export async function browserBench(): Promise<void> {
  const app = await startApp();
  const { page } = await app.open();
  await page.goto(app.base);
  const path = join(await mkdtemp(join(tmpdir(), 'tesseron-')), 'sixty.json');
  await writeFile(path, writeMachine(sixtyWheels()));
  const chooser = page.waitForEvent('filechooser');
  await page.click('[data-test=open-file]');
  await (await chooser).setFiles(path);
  await page.waitForSelector('[data-test=station-aims]');
  await go(page, 'run');
  await page.waitForTimeout(500);
  const frames = (): Promise<number> => page.evaluate<number>(COUNT_FRAMES);
  const still = await frames();
  await page.click('[data-test=run]');
  const running = await frames();
  await page.click('[data-test=run]');
  console.log(
    `60 wheels running: ${running.toFixed(0)} frames a second; the same page at rest: ${still.toFixed(0)}; ratio ${(running / still).toFixed(2)}`,
  );

  await fromStarter(page, app.base);
  await go(page, 'counts');
  await page.waitForTimeout(800);
  await page.evaluate(() => {
    const tasks: number[] = [];
    Object.assign(globalThis, { tasks });
    new PerformanceObserver(list => list.getEntries().forEach(e => tasks.push(e.duration))).observe({
      entryTypes: ['longtask'],
    });
  });
  await page.click('[data-test=search]');
  await page.waitForSelector('[data-test=proof]');
  await page.waitForTimeout(500);
  const tasks = await page.evaluate(() =>
    (globalThis as unknown as { tasks: number[] }).tasks.map(Math.round),
  );
  const proof = await page.locator('[data-test=proof]').innerText();
  console.log(
    `search in its worker: ${/in\s+(\d+) ms/.exec(proof)?.[1]} ms; tasks over 50 ms on the page: ${tasks.length === 0 ? 'none' : `${tasks.join(', ')} ms`}`,
  );
  await app.close();
}
