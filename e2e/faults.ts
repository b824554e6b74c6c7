import { AxeBuilder } from '@axe-core/playwright';
import type { Page } from '@playwright/test';

/** Everything in the first theme; in the other the colours, since nothing else differs. */
async function faultsOf(page: Page, theme: string, within: string): Promise<readonly string[]> {
  // Only what is wrong is asked for: listing all that is right takes longer than finding out.
  const axe = new AxeBuilder({ page })
    .include(within)
    .options({ resultTypes: ['violations'] })
    // Without frames there is nothing to put together in a page of its own.
    .setLegacyMode();
  const { violations } = await (
    theme === 'dim'
      ? axe.withTags(['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa'])
      : axe.withRules(['color-contrast'])
  ).analyze();
  return violations.map(
    ({ id, nodes }) => `${id}: ${nodes.map(({ html }) => html.slice(0, 120)).join(' | ')}`,
  );
}

/** What is wrong with a page as it stands, in one theme and the other. */
export async function faultsInBoth(page: Page, within = 'body'): Promise<readonly string[]> {
  const faults: string[] = [];
  for (const theme of ['dim', 'paper']) {
    await page.evaluate((name) => (document.documentElement.dataset['theme'] = name), theme);
    await page.waitForFunction(() =>
      document.getAnimations().every(({ effect }) => effect?.getTiming().iterations === Infinity),
    );
    faults.push(...(await faultsOf(page, theme, within)).map((fault) => `${theme}: ${fault}`));
  }
  return faults;
}
