import { expect, test } from "./test";
import { open, savedNotice, stored } from "./studio";
import { thingsOf } from "./views";

test("variants of one drawing stand side by side, and an area of one is taken over into another, and back", async ({
  page,
  request,
}) => {
  const { kite } = await thingsOf(page);
  const name = `Deep skin ${Date.now()}`;
  await open(page, `/pieces/${kite}/whole`);
  await page.getByRole("link", { name: "Variants", exact: true }).click();
  await page.waitForURL(/variants$/);
  await page.getByRole("button", { name: "New variant" }).click();
  await page.waitForURL((url) => url.pathname.endsWith("/colour") && !url.pathname.includes(kite));
  const copy = new URL(page.url()).pathname.split("/")[2]!;

  // The variant's skin is another.
  const { document, revision } = await stored(request, copy);
  const before = (await stored(request, kite)).document.areas.find((a) => a.name === "Skin")!.layers;
  const skin = document.areas.find((a) => a.name === "Skin")!;
  const tones = ["rust5m", "rust6m", "rust8m"].map((code) => ({ medium: "tone" as const, code, coats: 1 }));
  skin.layers = [...skin.layers.filter((l) => l.medium !== "tone"), ...tones];
  document.name = name;
  const saved = await request.put(`/api/pieces/${copy}`, { data: { revision, document } });
  expect(saved.ok()).toBe(true);
  const deep = (await stored(request, copy)).document.areas.find((a) => a.name === "Skin")!.layers;

  await open(page, `/pieces/${kite}/variants`);
  // Others of this studio may have been copied by other tests.
  await expect(
    page.getByText(/^\d+ pieces, \d+ things in hand for all of them, \d+ in every one$/),
  ).toBeVisible();
  const figure = page.getByRole("figure").filter({ hasText: name });
  await expect(figure).toHaveCount(1);
  await expect(figure.getByRole("img")).toBeVisible();
  const rows = page.getByRole("region", { name: "Areas of all variants" });
  // All but the skin is as in this one.
  const offers = rows.getByRole("button", { name: `from ${name}` });
  await expect(offers).toHaveCount(1);
  await offers.click();
  await expect(savedNotice(page)).toBeVisible();
  await expect(offers).toHaveCount(0);
  const layersNow = async () =>
    (await stored(request, kite)).document.areas.find((a) => a.name === "Skin")!.layers;
  await expect.poll(layersNow).toEqual(deep);
  await page.getByRole("button", { name: "Undo" }).click();
  await expect.poll(layersNow).toEqual(before);
  await expect(offers).toHaveCount(1);

  // What is put away, and what is of another drawing, is no variant.
  expect((await request.patch(`/api/pieces/${copy}`, { data: { archived: true } })).ok()).toBe(true);
  await open(page, `/pieces/${kite}/variants`);
  await expect(page.getByRole("heading", { name: "Variants of one drawing" })).toBeVisible();
  await expect(figure).toHaveCount(0);
  await page.request.delete(`/api/pieces/${copy}`);
});
