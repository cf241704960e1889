import { mkdtemp, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Page } from 'playwright-core';

/** Opens a machine from a file of its own. */
export async function openMachine(page: Page, base: string, text: string): Promise<void> {
  await page.goto(base);
  const path = join(await mkdtemp(join(tmpdir(), 'tesseron-')), 'machine.json');
  await writeFile(path, text);
  const chooser = page.waitForEvent('filechooser');
  await page.click('[data-test=open-file]');
  await (await chooser).setFiles(path);
  await page.waitForSelector('[data-test=station-aims]');
}
