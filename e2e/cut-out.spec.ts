import { readFile } from "node:fs/promises";
import { expect, test } from "./test";
import { open } from "./studio";
import { thingsOf } from "./views";

test("what is cut out goes out as a line in true size, and as a mask; what cannot be cut is said", async ({
  page,
}) => {
  const { kite } = await thingsOf(page);
  await open(page, `/pieces/${kite}/set-up?tab=sheet`);
  const part = page.getByRole("region", { name: "Cut line and mask" });
  await expect(part).toBeVisible({ timeout: 60_000 });
  await part.getByLabel("Round").selectOption({ label: "Brass lamp" });
  const saved = async (button: string) => {
    const coming = page.waitForEvent("download");
    await part.getByRole("button", { name: button }).click();
    const file = await coming;
    return { name: file.suggestedFilename(), text: await readFile(await file.path(), "utf8") };
  };
  const tight = await saved("Cut line (SVG)");
  expect(tight.name).toBe("The Kite Mender cut line.svg");
  expect(tight.text).toMatch(/<svg [^>]*width="[\d.]+mm"/);
  const sizeOf = (svg: string) => {
    const [, d] = / d="([^"]+)"/.exec(svg)!;
    const xs = [...d!.matchAll(/[ML]([\d.]+) /g)].map((m) => Number(m[1]));
    return Math.max(...xs) - Math.min(...xs);
  };
  // The lamp is some centimetres wide; a margin of 5 mm makes it 10 wider.
  expect(sizeOf(tight.text)).toBeGreaterThan(10);
  await part.getByLabel("Outside of it by").fill("5");
  await part.getByLabel("Outside of it by").press("Enter");
  await part.getByLabel("mirrored").check();
  const mask = await saved("Mask to print (SVG)");
  expect(mask.name).toBe("The Kite Mender mask mirrored.svg");
  expect(mask.text).toContain('fill-rule="evenodd"');
  expect(sizeOf(mask.text) - sizeOf(tight.text)).toBeGreaterThan(9);
  expect(sizeOf(mask.text) - sizeOf(tight.text)).toBeLessThan(11);
  await expect(part.getByRole("status")).toContainText(/1 closed line, [\d.]+ (mm|in) in all/);

  // Each by itself, on as few sheets as they find room on.
  await part.getByLabel("Round").selectOption("each");
  const parts = await saved("Mask to print (SVG)");
  expect(parts.name).toMatch(/^The Kite Mender mask mirrored, parts\.(svg|zip)$/);
  const says = part.getByRole("status");
  await expect(says).toContainText(/^\d+ parts on \d+ sheets?\./, { timeout: 60_000 });
  if (parts.name.endsWith("svg")) expect(parts.text).toContain("Brass lamp</text>");
});

test("hostile questions for cut lines are refused by field", async ({ page }) => {
  const labels = {
    width: 4,
    height: 4,
    data: Buffer.from(new Uint16Array(16).fill(1).buffer).toString("base64"),
  };
  const refused = async (question: object) => {
    const answer = await page.request.post("/api/compute/cutLines", { data: question });
    const { problems = [] } = (await answer.json()) as { problems?: { path: string }[] };
    return [answer.status(), problems[0]?.path];
  };
  const good = { labels, areas: [{ id: 1 }] };
  expect((await page.request.post("/api/compute/cutLines", { data: good })).status()).toBe(200);
  for (const [bad, path] of [
    [{ ...good, areas: [] }, "areas"],
    [{ ...good, areas: null }, "areas"],
    [{ ...good, areas: Array(100_000).fill({ id: 1 }) }, "areas"],
    [{ ...good, offset: 1e308 }, "offset"],
    [{ ...good, offset: -1 }, "offset"],
    [{ ...good, apart: null }, "apart"],
    [{ ...good, apart: true, areas: Array(81).fill({ id: 1 }) }, "areas"],
    [{ ...good, offset: 50, mmPerPixel: 0.001 }, "offset"],
    [{ ...good, holes: "<b>" }, "holes"],
  ] as const)
    expect(await refused(bad)).toEqual([422, path]);
});

test("the words of the craft are found, by name and by what is said of them", async ({ page }) => {
  await open(page, "/glossary");
  await expect(page.getByRole("heading", { name: "Words of the craft" })).toBeVisible();
  const find = page.getByRole("searchbox", { name: "Find" });
  await find.fill("wet on");
  await expect(page.getByRole("term")).toHaveCount(2);
  await find.fill("no such thing");
  await expect(page.getByText("No word of the craft holds that.")).toBeVisible();
  await find.fill("");
  expect(await page.getByRole("term").count()).toBeGreaterThan(30);
});
