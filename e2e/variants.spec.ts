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

test("a drawing reaches its variants, which keep their colours, and goes back; all are planned together", async ({
  page,
  request,
}) => {
  const { kite } = await thingsOf(page);
  const made = (await (await page.request.post(`/api/pieces/${kite}/copy`)).json()) as { id: string };
  const name = `By night ${Date.now()}`;
  const { document, revision } = await stored(request, made.id);
  document.name = name;
  document.light = { ...document.light, softness: 0.91 };
  expect((await request.put(`/api/pieces/${made.id}`, { data: { revision, document } })).ok()).toBe(true);
  await open(page, `/pieces/${kite}/variants`);
  const drawing = page.getByRole("region", { name: "One drawing" });
  const row = drawing.getByRole("listitem").filter({ hasText: name });
  await expect(row).toContainText("the light");
  // Of other variants that other tests make, none is touched.
  for (const box of await drawing.getByRole("checkbox").all()) await box.uncheck();
  await row.getByRole("checkbox").check();
  await drawing.getByRole("button", { name: "Give 1 variant this drawing" }).click();
  await expect(drawing.getByRole("status")).toContainText("1 variant has this drawing now.");
  const lightOf = async (id: string) => (await stored(request, id)).document.light;
  const source = await lightOf(kite);
  await expect.poll(() => lightOf(made.id)).toEqual(source);
  expect((await stored(request, made.id)).document.areas.map((a) => a.layers)).toEqual(
    document.areas.map((a) => a.layers),
  );
  await drawing.getByRole("button", { name: "Take it back" }).click();
  await expect.poll(async () => (await lightOf(made.id)).softness).toBe(0.91);

  const together = page.getByRole("region", { name: "Planned together" });
  await together.getByRole("button", { name: "Plan all variants together" }).click();
  await expect(together).toContainText(/\d+ markers for all of them/, {
    timeout: 120_000,
  });
  await page.request.delete(`/api/pieces/${made.id}`);
});
