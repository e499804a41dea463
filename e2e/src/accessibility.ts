import { AxeBuilder } from '@axe-core/webdriverjs';
import type { Browser } from './browser';

const LEVELS = ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa'];

/** What axe finds wrong on the page now, by WCAG 2.2 A and AA or by some of its rules; empty when nothing. */
export async function accessibilityFaults(browser: Browser, rules?: readonly string[]): Promise<string[]> {
  const axe = new AxeBuilder(browser.driver)
    .options({ preload: false, resultTypes: ['violations'] })
    .setLegacyMode(true);
  const { violations } = await (rules ? axe.withRules([...rules]) : axe.withTags(LEVELS)).analyze();
  return violations.flatMap((v) =>
    v.nodes.map((node) => `${v.id}: ${node.target.join(' ')} (${node.failureSummary?.replace(/\s+/g, ' ')})`),
  );
}

/** Expects axe to find nothing wrong on the page now. */
export async function expectAccessible(browser: Browser): Promise<void> {
  expect(await accessibilityFaults(browser)).toEqual([]);
}
