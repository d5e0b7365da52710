import { findJudged, keepJudged } from "@/store/judged-groups";
import { closeDatabase } from "@/store/database";
import { newDemo } from "@/store/copy-studio";
import { expect, test } from "./test";
import { thingsOf } from "./views";

test("a page comes as it is seen: the rack, the picture and the kept groups are there before any script", async ({
  page,
  browser,
  baseURL,
}) => {
  const { kite } = await thingsOf(page);
  const colour = `/pieces/${kite}/colour`;
  // What was never asked is worked out beside the first page, for the next one.
  await expect
    .poll(async () => (await page.request.get(colour)).text(), { timeout: 45_000 })
    .toContain("Seen after");
  const still = await browser.newContext({
    javaScriptEnabled: false,
    baseURL: baseURL!,
    storageState: await page.context().storageState(),
  });
  try {
    const seen = await still.newPage();
    await seen.goto(colour);
    const layers = seen.getByRole("region", { name: "Layers" });
    await expect(layers.getByRole("button", { name: /^Seen after/ }).first()).toHaveText(/^−?\d/);
    const picture = seen.getByTestId("reference").getByRole("img");
    await expect
      .poll(() => picture.evaluate((e) => (e as HTMLImageElement).naturalWidth))
      .toBeGreaterThan(300);
    expect(await picture.evaluate((e) => (e as HTMLImageElement).currentSrc)).toContain("width=");
    await seen.goto(`/pieces/${kite}/steps`);
    await expect(seen.getByRole("region", { name: "Skin" }).getByRole("listitem").first()).toBeVisible();
    await seen.goto("/");
    await expect(seen.getByRole("img", { name: "The Kite Mender, Skin" })).toBeVisible();
    await seen.goto("/rack");
    await expect(seen.locator("[data-marker]").first()).toBeVisible();
  } finally {
    await still.close();
  }
});

test("what was worked out of kept groups is a studio's own, and the oldest of it goes", async ({
  studio,
}) => {
  const other = (await newDemo({ kind: "local" }))!;
  const some = (from: number, count: number) =>
    new Map(Array.from({ length: count }, (_, i) => [`test ${from + i}`, { at: from + i }] as const));
  await keepJudged(studio, some(0, 30));
  await keepJudged(studio, new Map([["test 0", { at: "later" }]]));
  expect((await findJudged(studio, ["test 0", "test 29", "test 30"])).get("test 0")).toEqual({ at: 0 });
  expect(await findJudged(other, ["test 0"])).toEqual(new Map());
  for (let i = 0; i < 2; i++) await keepJudged(studio, some(1000 * (i + 1), 1000));
  const there = await findJudged(studio, [...some(0, 30).keys(), ...some(1000, 2000).keys()]);
  expect(there.size).toBeLessThanOrEqual(2000);
  expect(there.has("test 0")).toBe(false);
  expect(there.has("test 2999")).toBe(true);
  await closeDatabase();
});
