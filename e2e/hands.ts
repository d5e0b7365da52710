import { expect, type Page } from "@playwright/test";
import type { Piece } from "@/core/piece/piece";

/** Where the focus is: never the page. */
export const focused = (page: Page) =>
  page.evaluate(() => {
    const e = document.activeElement;
    return e && e !== document.body ? e.tagName : "the page";
  });
export const isSomewhere = async (page: Page, after: string) => {
  // Given back a moment after what was there is gone.
  await expect
    .poll(() => focused(page), { message: `focus after ${after}`, timeout: 5000 })
    .not.toBe("the page");
};

/** Prints nothing; says that it was asked. */
export const heedPrinting = (page: Page) =>
  page.addInitScript(() => {
    window.print = () => (document.documentElement.dataset.printed = "yes");
  });
export const isPrinted = (page: Page) => expect(page.locator("html[data-printed]")).toBeAttached();

/** A piece's document without what pages measure by themselves, whenever that comes: what is left, somebody's hand has set. */
export function byHand(document: object) {
  const { setUp, areas, ...piece } = document as Piece;
  const { touches: _, ...set } = setUp;
  return { ...piece, setUp: set, areas: areas.map(({ place, ...area }) => ({ ...area, at: place?.at })) };
}
