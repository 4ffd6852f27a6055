import AxeBuilder from '@axe-core/playwright';
import { expect, type Page } from '@playwright/test';

/** Axe finds nothing: on the whole page or, where only a piece of it has changed since, in what `within` (CSS) names. */
export async function expectNoViolations(page: Page, within?: string): Promise<void> {
  const axe = new AxeBuilder({ page });
  if (within) axe.include(within);
  const { violations } = await axe.analyze();
  expect(violations.map(({ id, nodes }) => [id, nodes.map((node) => node.target.join(' '))])).toEqual([]);
}
