import { AxeBuilder } from '@axe-core/playwright';
import { expect } from 'chai';
import type { Page } from 'playwright-core';

/** The levels that the application keeps everywhere. */
const KEPT = ['wcag2a', 'wcag2aa', 'wcag21aa'];
/** What differs by night: all else is the same page as by day. */
const COLOURS = ['color-contrast', 'link-in-text-block'];

/**
 * The page has nothing that axe finds fault with, by day, and with `night` its colours by night too. `all` asks good
 * practice as well; `part` is the one region that is looked at.
 */
export async function accessible(
  page: Page,
  where: string,
  { night = false, all = false, part = 'body' } = {},
): Promise<void> {
  await page.waitForTimeout(350); // labels have come to rest
  // No page has frames, which is all that the slower mode is for.
  const axe = (): AxeBuilder => new AxeBuilder({ page }).include(part).setLegacyMode();
  const faults = async (asked: AxeBuilder, when: string): Promise<string[]> =>
    (await asked.analyze()).violations.map(
      v => `${where} by ${when}: ${v.id}: ${v.nodes.map(n => n.target.join(' ')).join('; ')}`,
    );
  expect(await faults(all ? axe() : axe().withTags(KEPT), 'day')).to.deep.equal([]);
  if (!night) return;
  await page.emulateMedia({ colorScheme: 'dark' });
  await page.locator('.v-theme--night').first().waitFor();
  await page.waitForTimeout(350);
  expect(await faults(axe().withRules(COLOURS), 'night')).to.deep.equal([]);
  await page.emulateMedia({ colorScheme: 'light' });
}
