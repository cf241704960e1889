import { AxeBuilder } from '@axe-core/playwright';
import { expect } from 'chai';
import type { Page } from 'playwright-core';

/** The levels that the application keeps everywhere. */
const KEPT = ['wcag2a', 'wcag2aa', 'wcag21aa'];

/**
 * The page has nothing that axe finds fault with. By night only colours are looked at: all else is the same page as by
 * day, where it has been judged. `all` asks good practice too; `part` is the one region that is looked at.
 */
export async function accessible(
  page: Page,
  where: string,
  { dark = false, all = false, part = 'body' } = {},
): Promise<void> {
  await page.waitForTimeout(350); // labels have come to rest
  // No page has frames, which is all that the slower mode is for.
  const axe = new AxeBuilder({ page }).include(part).setLegacyMode();
  if (dark) axe.withRules(['color-contrast', 'link-in-text-block']);
  else if (!all) axe.withTags(KEPT);
  const { violations } = await axe.analyze();
  expect(
    violations.map(v => `${where}: ${v.id}: ${v.nodes.map(n => n.target.join(' ')).join('; ')}`),
  ).to.deep.equal([]);
}
