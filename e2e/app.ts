import { type Browser, type BrowserContext, chromium, type Page } from 'playwright-core';
import { unzipSync } from 'fflate';
import { readFile } from 'node:fs/promises';
import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { join } from 'node:path';
import { createApp } from '../server/src/create-app.ts';

const FLAGS = [
  '--no-sandbox',
  '--disable-gpu',
  '--disable-quic',
  '--no-first-run',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
];

/** The built application behind its own server, and a browser to drive it. */
export interface App {
  readonly base: string;
  /** A window of its own storage, with every error of the page collected. */
  readonly open: (options?: { width?: number; height?: number; dark?: boolean }) => Promise<Window>;
  /** Closes every window: one left open keeps drawing, and slows what comes after it. */
  readonly clear: () => Promise<void>;
  readonly close: () => Promise<void>;
}

export interface Window {
  readonly context: BrowserContext;
  readonly page: Page;
  readonly errors: string[];
}

export async function startApp(): Promise<App> {
  const root = join(import.meta.dirname, '../web/dist');
  const server: Server = createServer(createApp({ root, report: error => console.error(error) }).callback());
  await new Promise<void>(resolve => server.listen(0, '127.0.0.1', resolve));
  const base = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
  const browser: Browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: FLAGS });
  return {
    base,
    async open({ width = 1280, height = 800, dark = false } = {}) {
      const context = await browser.newContext({
        viewport: { width, height },
        colorScheme: dark ? 'dark' : 'light',
        acceptDownloads: true,
      });
      await context.addInitScript(() => {
        for (const name of ['showSaveFilePicker', 'showOpenFilePicker', 'showDirectoryPicker'])
          Reflect.deleteProperty(globalThis, name);
      });
      context.setDefaultTimeout(90_000); // a busy machine may be slow, and is not wrong for it
      const page = await context.newPage();
      const errors: string[] = [];
      watch(page, errors);
      context.on('page', p => watch(p, errors));
      return { context, page, errors };
    },
    async clear() {
      await Promise.all(browser.contexts().map(c => c.close()));
    },
    async close() {
      await browser.close();
      server.close();
    },
  };
}

function watch(page: Page, errors: string[]): void {
  page.on('pageerror', e => errors.push(e.message));
  page.on('console', m => {
    if (m.type() === 'error') errors.push(m.text());
  });
}

/** Makes a machine from the starter and waits until its first station shows. */
export async function fromStarter(page: Page, base: string, starter = 'saltreach-tide-clock'): Promise<void> {
  await page.goto(base);
  await page.click(`[data-test=starter-${starter}]`);
  await page.waitForSelector('[data-test=station-aims]');
}

export async function go(page: Page, station: string): Promise<void> {
  await page.click(`nav a[href$="/${station}"]`);
  await page.waitForSelector(`[data-test=station-${station}]`);
}

/** Moves the thumb of a slider to a value by the arrow keys. */
export async function slideTo(page: Page, test: string, value: number): Promise<void> {
  const thumb = page.locator(`[data-test=${test}] [role=slider]`);
  await thumb.focus();
  const now = async (): Promise<number> => Number(await thumb.getAttribute('aria-valuenow'));
  for (let at = await now(); Math.abs(at - value) > 1e-6;) {
    await page.keyboard.press(value > at ? 'ArrowRight' : 'ArrowLeft');
    const next = await now();
    if (next === at) throw new Error(`the slider ${test} stays at ${at}`);
    at = next;
  }
}

/** Takes an option of a choice by its name. */
export async function choose(page: Page, test: string, option: string | RegExp): Promise<void> {
  await page.locator(`[data-test=${test}]`).first().click();
  await page.getByRole('option', { name: option }).click();
}

/** Makes an empty machine of that name and waits until its first station shows. */
export async function emptyMachine(page: Page, base: string, name: string): Promise<void> {
  await page.goto(base);
  await page.fill('[data-test=new-name] input', name);
  await page.click('[data-test=new-machine]');
  await page.waitForSelector('[data-test=station-aims]');
}

/** Types into a field and enters it. */
export async function type(page: Page, test: string, text: string): Promise<void> {
  const input = page.locator(`[data-test=${test}] input`).first();
  await input.fill(text);
  await input.press('Enter');
}

/** Inserts a ready arrangement at Train, on the drive or on an arbor, with one of its fields filled in. */
export async function arrange(
  page: Page,
  id: string,
  on: string | undefined,
  field: string,
  text: string,
): Promise<void> {
  await page.click('[data-test=add-ready]');
  await page.click(`[data-test=ready-${id}]`);
  if (on) await choose(page, 'ready-on', on);
  await page.locator(`[data-test=ready-field-${field}] input`).fill(text);
  await page.click('[data-test=ready-add]');
  await page.locator('[data-test=ready]').waitFor({ state: 'detached' });
}

/** The machine and all files of the archive that Make writes. */
export async function archive<T>(
  page: Page,
): Promise<{ readonly machine: T; readonly files: Readonly<Record<string, Uint8Array>> }> {
  await go(page, 'make');
  await page.click('[data-test=make-files]');
  const [zip] = await Promise.all([
    page.waitForEvent('download'),
    page.locator('[data-test=save-archive]').click(),
  ]);
  const files = unzipSync(await readFile(await zip.path()));
  const name = Object.keys(files).find(n => /^[^/]*\.json$/.test(n)) ?? '';
  return { machine: JSON.parse(new TextDecoder().decode(files[name])) as T, files };
}
