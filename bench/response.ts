import type { Page } from 'playwright-core';
import { writeMachine } from '../core/src/document/machine/index.ts';
import { type App, fromStarter, go } from '../e2e/app.ts';
import { openMachine } from './open-machine.ts';
import { ninetyWheels } from './ninety-wheels.ts';

/** Panes of every station, by the tabs that show them; the first is there when the station opens. */
const PANES: Readonly<Record<string, readonly string[]>> = {
  aims: [],
  counts: ['pane-why', 'pane-goals', 'pane-compare', 'pane-machine'],
  train: [],
  teeth: [],
  plan: ['plan-room', 'plan-layers', 'plan-fold', 'plan-plates', 'plan-play'],
  run: ['run-set', 'run-dials', 'run-sky', 'run-drift', 'run-again', 'run-speeds', 'run-pictures'],
  make: [
    ...[
      'make-parts',
      'make-sheets',
      'make-solids',
      'make-patterns',
      'make-coupons',
      'make-dry',
      'make-files',
    ],
  ],
};

/** A task of the page that took over 50 ms: how long, and when it began after the click that led to it. */
interface Task {
  readonly ms: number;
  readonly after: number;
}

/** What opening something took: when it was first drawn after the click, and every long task. */
interface Opening {
  readonly drawn: number;
  readonly tasks: readonly Task[];
}

const watchTasks = (page: Page): Promise<void> =>
  page.evaluate(() => {
    const tasks: { start: number; ms: number }[] = [];
    Object.assign(globalThis, { tasks, clicked: 0 });
    new PerformanceObserver(list =>
      list.getEntries().forEach(e => tasks.push({ start: e.startTime, ms: e.duration })),
    ).observe({ entryTypes: ['longtask'] });
  });

/** Runs in the page: notes when something is there and the frame that shows it has been painted. */
const NOTE_DRAWN = `selector => {
  const all = globalThis;
  all.tasks.length = 0;
  all.clicked = performance.now();
  all.drawn = NaN;
  const look = () => {
    if (!document.querySelector(selector)) return requestAnimationFrame(look);
    const { port1, port2 } = new MessageChannel();
    port1.onmessage = () => (all.drawn = performance.now());
    requestAnimationFrame(() => port2.postMessage(0));
  };
  requestAnimationFrame(look);
}`;

/** Opens something, waits until it has come to rest, and tells when it was drawn and the long tasks it led to. */
async function opened(page: Page, shows: string, act: () => Promise<void>, settle = 2500): Promise<Opening> {
  await page.evaluate(`(${NOTE_DRAWN})(${JSON.stringify(shows)})`);
  await act();
  await page.waitForTimeout(settle);
  return page.evaluate(() => {
    const all = globalThis as unknown as {
      tasks: { start: number; ms: number }[];
      clicked: number;
      drawn: number;
    };
    const tasks = all.tasks.map(t => ({ ms: Math.round(t.ms), after: Math.round(t.start - all.clicked) }));
    return { drawn: Math.round(all.drawn - all.clicked), tasks };
  });
}

/** Every station and pane of the open machine: when it is first drawn, long tasks after that, and nodes of the page. */
async function openings(page: Page): Promise<void> {
  await watchTasks(page);
  const nodes = (): Promise<number> => page.evaluate(() => document.querySelectorAll('*').length);
  const say = async (what: string, { drawn, tasks }: Opening): Promise<void> => {
    const later = tasks.filter(t => t.after >= drawn);
    console.log(
      `${what.padEnd(22)} first drawn at ${drawn} ms; tasks over 50 ms after that: ${
        later.length === 0 ? 'none' : later.map(t => `${t.ms} ms (at ${t.after})`).join(', ')
      }; ${await nodes()} nodes`,
    );
  };
  for (const [station, panes] of Object.entries(PANES)) {
    await say(station, await opened(page, `[data-test=station-${station}]`, () => go(page, station)));
    for (const pane of panes) {
      const shows = `[data-test=${pane}][aria-selected=true]`;
      await say(`  ${pane}`, await opened(page, shows, () => page.click(`[data-test=${pane}]`)));
    }
  }
}

/** Runs in the page: ms from an act to the end of the frame that shows it, laid out and painted. */
const FRAME_AFTER = `act => new Promise(resolve => {
  const start = performance.now();
  const { port1, port2 } = new MessageChannel();
  port1.onmessage = () => resolve(performance.now() - start);
  act();
  requestAnimationFrame(() => port2.postMessage(0));
})`;

/** Types a number into a field and leaves it; ms until the page has drawn what follows. */
async function edited(page: Page, field: string, value: number): Promise<number> {
  return page.evaluate<number>(
    `(${FRAME_AFTER})(() => {
      const input = document.querySelector('[data-test=${field}] input');
      input.focus();
      input.value = '${value}';
      input.dispatchEvent(new Event('input', { bubbles: true }));
      input.dispatchEvent(new Event('change', { bubbles: true }));
    })`,
  );
}

/** A frame of the page at rest, ms: the mean of sixty. */
const atRest = (page: Page): Promise<number> =>
  page.evaluate<number>(`new Promise(resolve => {
    let n = 0;
    const start = performance.now();
    requestAnimationFrame(function tick() {
      if (++n < 60) requestAnimationFrame(tick);
      else resolve((performance.now() - start) / n);
    });
  })`);

/** Undoes, by its key; ms until the page has drawn what follows. */
const undone = (page: Page): Promise<number> =>
  page.evaluate<number>(
    `(${FRAME_AFTER})(() =>
      document.body.dispatchEvent(new KeyboardEvent('keydown', { key: 'z', ctrlKey: true, bubbles: true })))`,
  );

/** How soon an edit is drawn and how long a station takes to open, for a small machine and for one of 90 wheels. */
export async function responseBench(app: App): Promise<void> {
  const small = await app.open();
  await fromStarter(small.page, app.base);
  await editing(small.page, 'the tide clock');
  const large = await app.open();
  await openMachine(large.page, app.base, writeMachine(ninetyWheels()));
  await editing(large.page, '90 wheels');
  await openings(large.page);
  await app.clear();
}

/** A changed count at Teeth and its undo, each the best of five, beside a frame of the same page at rest. */
async function editing(page: Page, name: string): Promise<void> {
  await go(page, 'teeth');
  await page.waitForTimeout(2500);
  const rest = await atRest(page);
  const [edits, undos]: [number[], number[]] = [[], []];
  for (const count of [31, 32, 33, 34, 35]) {
    edits.push(await edited(page, 'teeth-count', count));
    await page.waitForTimeout(700);
    undos.push(await undone(page));
    await page.waitForTimeout(700);
  }
  const says = (of: readonly number[]): string =>
    `${Math.min(...of).toFixed(0)} ms (${(Math.min(...of) / rest).toFixed(1)} frames at rest, ${rest.toFixed(1)} ms)`;
  console.log(`${name}: a changed count is drawn in ${says(edits)}, its undo in ${says(undos)}`);
}
