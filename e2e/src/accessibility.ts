import { AxeBuilder } from '@axe-core/webdriverjs';
import type { Browser } from './browser';

/** What axe finds wrong on the page now, by WCAG 2.2 A and AA; empty when nothing. */
async function accessibilityFaults(browser: Browser): Promise<string[]> {
  const { violations } = await new AxeBuilder(browser.driver)
    .options({ preload: false })
    .withTags(['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa'])
    .analyze();
  return violations.flatMap((v) =>
    v.nodes.map((node) => `${v.id}: ${node.target.join(' ')} (${node.failureSummary?.replace(/\s+/g, ' ')})`),
  );
}

/** Expects axe to find nothing wrong on the page now. */
export async function expectAccessible(browser: Browser): Promise<void> {
  expect(await accessibilityFaults(browser)).toEqual([]);
}
