import AxeBuilder from '@axe-core/playwright';
import { expect, type Page } from '@playwright/test';

/** What depends on colours alone. */
const ofColours = ['color-contrast', 'link-in-text-block'];

/**
 * Axe finds nothing: on the whole page or, where only a piece of it has changed since, in what `within` (CSS)
 * names. On the dark sheet, which has the markup of the light one, only what depends on colours is asked.
 */
export async function expectNoViolations(page: Page, within?: string): Promise<void> {
  // The rule for targets of 24 pixels (WCAG 2.2, 2.5.8) is off unless it is asked for.
  const axe = new AxeBuilder({ page }).options({ rules: { 'target-size': { enabled: true } } });
  if (within) axe.include(within);
  if ((await page.locator('html').getAttribute('data-sheet')) === 'dark') axe.withRules(ofColours);
  const { violations } = await axe.analyze();
  expect(violations.map(({ id, nodes }) => [id, nodes.map((node) => node.target.join(' '))])).toEqual([]);
}
