import AxeBuilder from "@axe-core/playwright";
import type { Page } from "@playwright/test";

const EVERYTHING = ["wcag2a", "wcag2aa", "wcag21a", "wcag21aa", "wcag22a", "wcag22aa", "best-practice"];

/**
 * What axe finds wrong with a page as it is now, each kind with its places; of some rules only, if they are named.
 * @param within selector of the part that is looked at; all of the page when it is left out
 */
export async function faults(page: Page, only?: readonly string[], within?: string): Promise<string[]> {
  // One page and no frames: what is only for those costs half the time.
  const axe = new AxeBuilder({ page })
    .setLegacyMode(true)
    .options({ resultTypes: ["violations"], iframes: false });
  if (within) axe.include(within);
  const { violations } = await (only ? axe.withRules([...only]) : axe.withTags(EVERYTHING)).analyze();
  return violations.map((v) => `${v.id}: ${v.nodes.map((n) => n.html.slice(0, 120)).join(" | ")}`);
}
