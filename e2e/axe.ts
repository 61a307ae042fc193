import AxeBuilder from '@axe-core/playwright';
import type { Page } from '@playwright/test';

/**
 * What axe is sure is wrong on a page, a line each. Only what is wrong is written up, and in the page
 * itself, which has no frames: that takes a third of the time.
 *
 * @param within selector of a part to look at alone
 */
export async function axeFindings(page: Page, within?: string): Promise<string[]> {
  const axe = new AxeBuilder({ page }).setLegacyMode(true).options({
    runOnly: ['wcag2a', 'wcag2aa', 'wcag21aa', 'wcag22aa'],
    resultTypes: ['violations'],
  });
  const { violations } = await (within === undefined ? axe : axe.include(within)).analyze();
  return violations.map((v) => `${v.id} ${v.nodes[0]?.html} ${v.nodes[0]?.failureSummary}`);
}
