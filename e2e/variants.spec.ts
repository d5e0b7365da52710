import { expect, test } from "./test";
import { open, savedNotice, stored } from "./studio";
import { thingsOf } from "./views";

test("variants of one drawing stand side by side, and an area of one is taken over into another, and back", async ({
  page,
  request,
}) => {
  const { kite } = await thingsOf(page);
  await open(page, `/pieces/${kite}/whole`);
  await page.getByRole("link", { name: "Variants", exact: true }).click();
  await page.waitForURL(/variants$/);
  await expect(page.getByText("No other piece has this drawing.")).toBeVisible();
  await page.getByRole("button", { name: "New variant" }).click();
  await page.waitForURL((url) => url.pathname.endsWith("/colour") && !url.pathname.includes(kite));
  const copy = new URL(page.url()).pathname.split("/")[2]!;

  // The variant's skin is another.
  const { document, revision } = await stored(request, copy);
  const before = (await stored(request, kite)).document.areas.find((a) => a.name === "Skin")!.layers;
  const skin = document.areas.find((a) => a.name === "Skin")!;
  const tones = ["rust5m", "rust6m", "rust8m"].map((code) => ({ medium: "tone" as const, code, coats: 1 }));
  skin.layers = [...skin.layers.filter((l) => l.medium !== "tone"), ...tones];
  document.name = "Deep skin";
  const saved = await request.put(`/api/pieces/${copy}`, { data: { revision, document } });
  expect(saved.ok()).toBe(true);
  const deep = (await stored(request, copy)).document.areas.find((a) => a.name === "Skin")!.layers;

  await open(page, `/pieces/${kite}/variants`);
  await expect(
    page.getByText(/^2 pieces, \d+ things in hand for all of them, \d+ in every one$/),
  ).toBeVisible();
  await expect(page.getByRole("figure")).toHaveCount(2);
  const rows = page.getByRole("region", { name: "Areas of all variants" });
  // All but the skin is as in this one.
  await expect(rows.getByRole("button", { name: /^Take / })).toHaveCount(1);
  await rows.getByRole("button", { name: "Take Skin from Deep skin" }).click();
  await expect(savedNotice(page)).toBeVisible();
  await expect(rows.getByRole("button", { name: /^Take / })).toHaveCount(0);
  const layersNow = async () =>
    (await stored(request, kite)).document.areas.find((a) => a.name === "Skin")!.layers;
  await expect.poll(layersNow).toEqual(deep);
  await page.getByRole("button", { name: "Undo" }).click();
  await expect.poll(layersNow).toEqual(before);
  await expect(rows.getByRole("button", { name: "Take Skin from Deep skin" })).toBeVisible();

  // What is put away, and what is of another drawing, is no variant.
  expect((await request.patch(`/api/pieces/${copy}`, { data: { archived: true } })).ok()).toBe(true);
  await open(page, `/pieces/${kite}/variants`);
  await expect(page.getByText("No other piece has this drawing.")).toBeVisible();
  await page.request.delete(`/api/pieces/${copy}`);
});
