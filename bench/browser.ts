import { readdir } from 'node:fs/promises';
import { join } from 'node:path';
import type { Page } from 'playwright-core';
import { writeMachine } from '../core/src/document/machine/index.ts';
import { fromStarter, go, startApp } from '../e2e/app.ts';
import { openMachine } from './open-machine.ts';
import { responseBench } from './response.ts';
import { ninetyWheels } from './ninety-wheels.ts';
import { linkedWheels } from './linked-wheels.ts';
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

/**
 * Measures the built application in headless Chromium with software drawing: frames a second, the search, long
 * tasks.
 */
export async function browserBench(): Promise<void> {
  const app = await startApp();
  const { page } = await app.open();
  await openMachine(page, app.base, writeMachine(sixtyWheels()));
  await go(page, 'run');
  await page.waitForTimeout(500);
  const frames = (): Promise<number> => page.evaluate<number>(COUNT_FRAMES);
  const still = await frames();
  await page.click('[data-test=run]');
  const running = await frames();
  await page.click('[data-test=run]');
  console.log(
    `60 wheels running: ${running.toFixed(0)} frames a second; the same page at rest: ` +
      `${still.toFixed(0)}; ratio ${(running / still).toFixed(2)}`,
  );

  await openMachine(page, app.base, writeMachine(linkedWheels()));
  await go(page, 'run');
  await page.waitForTimeout(2000);
  const linkedStill = await frames();
  await page.click('[data-test=run]');
  const linked = await frames();
  await page.click('[data-test=run]');
  console.log(
    `60 wheels, 12 linkages, 20 cams running: ${linked.toFixed(0)} frames a second (20 wanted); the same page at ` +
      `rest: ${linkedStill.toFixed(0)}; ratio ${(linked / linkedStill).toFixed(2)}`,
  );

  await planDrag(page);
  await ninetyRunning(page, app.base);
  await trainEdit(page, app.base);
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
    `search in its worker: ${/in\s+(\d+) ms/.exec(proof)?.[1]} ms; tasks over 50 ms on the ` +
      `page: ${tasks.length === 0 ? 'none' : `${tasks.join(', ')} ms`}`,
  );
  await freshWorkers(page);
  await responseBench(app);
  await app.close();
}

interface SamplingNode {
  readonly selfSize: number;
  readonly children: readonly SamplingNode[];
}

/** Ninety wheels running, in plan and cut open: frames a second, and what is allocated for a frame. */
async function ninetyRunning(page: Page, base: string): Promise<void> {
  await openMachine(page, base, writeMachine(ninetyWheels()));
  await go(page, 'run');
  const client = await page.context().newCDPSession(page);
  const all = (n: SamplingNode): number => n.selfSize + n.children.reduce((sum, c) => sum + all(c), 0);
  for (const view of ['plan', 'side', 'cut']) {
    await page.click(`[data-test=view-${view}]`);
    await page.waitForTimeout(500);
    const still = await page.evaluate<number>(COUNT_FRAMES);
    await page.click('[data-test=run]');
    await client.send('HeapProfiler.startSampling', {
      samplingInterval: 8192,
      includeObjectsCollectedByMajorGC: true,
      includeObjectsCollectedByMinorGC: true,
    });
    const running = await page.evaluate<number>(COUNT_FRAMES);
    const { profile } = await client.send('HeapProfiler.stopSampling');
    await page.click('[data-test=run]');
    const kilobytes = all(profile.head as unknown as SamplingNode) / 1024 / (running * 3);
    console.log(
      `90 wheels running, ${view}: ${running.toFixed(0)} frames a second; the same page at ` +
        `rest: ${still.toFixed(0)}; ratio ${(running / still).toFixed(2)}; about ` +
        `${kilobytes.toFixed(0)} kB allocated a frame`,
    );
  }
}

/** Drags an axis of the sixty wheels in the plan, everything following, and counts frames meanwhile. */
async function planDrag(page: Page): Promise<void> {
  await go(page, 'plan');
  await page.waitForTimeout(800);
  const canvas = page.locator('[data-test=plan] canvas').first();
  const box = await canvas.boundingBox();
  if (!box) return;
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
  const still = await page.evaluate<number>(COUNT_FRAMES);
  await page.mouse.move(x, y);
  await page.mouse.down();
  const counted = page.evaluate<number>(COUNT_FRAMES);
  let done = false;
  void counted.then(() => (done = true));
  for (let i = 0; !done; i++) await page.mouse.move(x + 60 * Math.sin(i / 9), y + 60 * Math.cos(i / 7));
  const dragging = await counted;
  await page.mouse.up();
  console.log(
    `60 wheels dragged in the plan: ${dragging.toFixed(0)} frames a second; the same page at ` +
      `rest: ${still.toFixed(0)}; ratio ${(dragging / still).toFixed(2)}`,
  );
}

/** Runs in the page, as text: a new worker answers one question, then the same again; then another is cancelled. */
const WORKER = `async ([url, stages, least, most, front]) => {
  const target = { num: 1n * 10000000000000000n, den: 18808476n * 1000000000n };
  const query = { target, least, most, stages: [stages], coaxial: 'none', top: 20, front };
  const start = performance.now();
  const worker = new Worker(url, { type: 'module' });
  const ask = run => new Promise(resolve => {
    worker.onmessage = e => 'answer' in e.data && resolve(e.data.answer.ok && e.data.answer.value.proven);
    worker.postMessage({ run, request: { kind: 'counts', query } });
  });
  const proven = await ask(1);
  const fresh = performance.now() - start;
  for (let i = 2; i < 6; i++) await ask(i);
  const again = performance.now();
  await ask(6);
  const warm = performance.now() - again;
  worker.onmessage = null;
  worker.postMessage({ run: 7, request: { kind: 'counts', query } });
  await new Promise(r => setTimeout(r, 30));
  const stop = performance.now();
  worker.postMessage({ cancel: true });
  await new Promise(resolve => {
    worker.onmessage = e => e.data.run === 8 && resolve();
    worker.postMessage({ run: 8, request: { kind: 'counts', query: { ...query, stages: [1] } } });
  });
  const cancelled = performance.now() - stop;
  worker.terminate();
  return { fresh, warm, proven, cancelled };
}`;

/** What a search takes in a worker that has just been made, once it is warm, and until it hears a cancel. */
async function freshWorkers(page: Page): Promise<void> {
  const assets = await readdir(join(import.meta.dirname, '../web/dist/assets'));
  const url = `/assets/${assets.find(f => f.startsWith('search.worker'))}`;
  for (const [name, ...asked] of [
    ['three stages, 10…120, front and top 20', 3, 10, 120, true],
    ['four stages, 12…100, top 20', 4, 12, 100, false],
  ] as const) {
    const { fresh, warm, proven, cancelled } = await page.evaluate<{
      fresh: number;
      warm: number;
      proven: boolean;
      cancelled: number;
    }>(`(${WORKER})(${JSON.stringify([url, ...asked])})`);
    console.log(
      `${name}: ${fresh.toFixed(0)} ms in a fresh worker, its start included; ` +
        `${warm.toFixed(0)} ms once warm; ratio ${(fresh / warm).toFixed(1)}; ` +
        `${proven ? 'proven' : 'not proven'}; cancel heard and the next question answered ` +
        `after ${cancelled.toFixed(0)} ms`,
    );
  }
}

/**
 * Runs in the page, as text: presses a key on the chosen wheel, and waits for the frame after the drawing has
 * changed.
 */
const EDIT = `key => new Promise(resolve => {
  const bar = document.activeElement;
  const svg = document.querySelector('[data-test=elevation]');
  const start = performance.now();
  const seen = new MutationObserver(() => {
    seen.disconnect();
    requestAnimationFrame(() => resolve(performance.now() - start));
  });
  seen.observe(svg, { subtree: true, attributes: true, childList: true });
  bar.dispatchEvent(new KeyboardEvent('keydown', { key, shiftKey: true, bubbles: true }));
})`;

/** An edit at Train on ninety wheels, from the key to the frame that shows it. */
async function trainEdit(page: Page, base: string): Promise<void> {
  await openMachine(page, base, writeMachine(ninetyWheels()));
  await go(page, 'train');
  await page.locator('[data-kind=wheel]').nth(8).click();
  await page.waitForTimeout(500);
  const press = (key: string): Promise<number> => page.evaluate<number>(`(${EDIT})('${key}')`);
  const times = [];
  for (let i = 0; i < 6; i++) times.push(await press(i % 2 === 0 ? 'ArrowUp' : 'ArrowDown'));
  const least = Math.min(...times);
  console.log(
    `90 wheels at Train, an edit to its drawn frame: best ${least.toFixed(0)} ms, all ` +
      `${times.map(t => t.toFixed(0)).join(', ')} ms; one frame at rest: 17 ms; ratio ` +
      `${(17 / least).toFixed(2)}`,
  );
}
