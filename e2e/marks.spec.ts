import type { Page } from "@playwright/test";
import { expect, test } from "./test";
import { open, savedNotice, stored } from "./studio";
import { thingsOf } from "./views";

interface Marked {
  readonly name: string;
  readonly layers: readonly {
    readonly code: string;
    readonly marks?: readonly { kind: string; points: readonly (readonly number[])[]; width: number }[];
  }[];
}

/** Marks of an area as they are stored. */
const marksOn = async (page: Page, id: string, area: string) => {
  const areas = (await stored(page.request, id)).document.areas as unknown as readonly Marked[];
  return areas.find((a) => a.name === area)!.layers.flatMap((l) => l.marks ?? []);
};

/** A copy of the demo's first piece, for what changes it. */
async function copied(page: Page): Promise<string> {
  const { kite } = await thingsOf(page);
  const { document } = await stored(page.request, kite);
  const made = await page.request.post("/api/pieces", { data: { ...document, name: `Marks ${Date.now()}` } });
  expect(made.status()).toBe(201);
  return ((await made.json()) as { id: string }).id;
}

test("sparks and strokes are set at their spots, seen in the colouring, said in Steps, moved and taken back", async ({
  page,
}) => {
  const id = await copied(page);
  await open(page, `/pieces/${id}/light?tab=marks`);
  await expect(page.getByTestId("colouring")).toBeVisible({ timeout: 60_000 });
  const panel = page.getByRole("tabpanel", { name: "Marks" });
  const row = panel.getByRole("listitem").filter({ hasText: "Shawl" });

  // A dot by a click, a stroke by dragging; both lie on the area that they begin on.
  await panel.getByRole("group", { name: "Kind of mark" }).getByRole("button", { name: "Spark" }).click();
  const canvas = page.getByTestId("colouring");
  const colourAt = (x: number, y: number) =>
    canvas.evaluate(
      (c: HTMLCanvasElement, [u, v]) => [
        ...c.getContext("2d")!.getImageData(Math.floor(u! * c.width), Math.floor(v! * c.height), 1, 1).data,
      ],
      [x, y],
    );
  const box = (await canvas.boundingBox())!;
  const at = (x: number, y: number) => [box.x + x * box.width, box.y + y * box.height] as const;
  const before = await colourAt(0.72, 0.6);
  await panel.getByRole("slider", { name: "Width" }).focus();
  for (let i = 0; i < 12; i++) await page.keyboard.press("ArrowRight");
  await page.mouse.click(...at(0.72, 0.6));
  await expect.poll(() => marksOn(page, id, "Shawl")).toHaveLength(1);
  await expect(row).toContainText("1 spark, 2.0 mm wide");
  await panel.getByRole("group", { name: "Kind of mark" }).getByRole("button", { name: "Hair" }).click();
  await page.mouse.move(...at(0.7, 0.7));
  await page.mouse.down();
  for (let i = 1; i <= 8; i++) await page.mouse.move(...at(0.7 + 0.005 * i, 0.7 + 0.004 * i));
  await page.mouse.up();
  await expect(row).toContainText("1 spark and 1 hair");
  // It is painted white where it was teal.
  await expect.poll(() => colourAt(0.72, 0.6), { timeout: 30_000 }).not.toEqual(before);
  await expect.poll(async () => Math.min(...(await colourAt(0.72, 0.6)))).toBeGreaterThan(225);

  // Pointed at, it is moved by keys, mirrored, taken away; undo brings each back.
  await page.keyboard.press("Escape");
  await page.mouse.click(...at(0.72, 0.6));
  const chosen = panel.getByRole("region", { name: "Chosen mark" });
  await expect(chosen.getByRole("heading")).toHaveText("Spark on Shawl");
  const [[x]] = (await marksOn(page, id, "Shawl"))[0]!.points as [[number, number]];
  await chosen.getByRole("button", { name: "Left" }).focus();
  await page.keyboard.press("Enter");
  await expect.poll(async () => (await marksOn(page, id, "Shawl"))[0]!.points[0]![0]).toBeLessThan(x);
  await chosen.getByRole("button", { name: /^Mirror it/ }).click();
  await expect(row).toContainText("2 sparks and 1 hair");
  await chosen.getByRole("button", { name: "Take it away" }).click();
  await expect(row).toContainText("1 spark and 1 hair");
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(row).toContainText("2 sparks and 1 hair");
  await expect(savedNotice(page)).toBeVisible();

  await open(page, `/pieces/${id}/steps`);
  await expect(
    page.getByText(/2 sparks and 1 hair where the picture shows them, 2\.0 mm wide/),
  ).toBeVisible();
  await page.request.delete(`/api/pieces/${id}`);
});

test("where forms mirror the light is found and shown before it is taken, once", async ({ page }) => {
  const id = await copied(page);
  await open(page, `/pieces/${id}/light?tab=marks`);
  await expect(page.getByTestId("colouring")).toBeVisible({ timeout: 60_000 });
  const panel = page.getByRole("tabpanel", { name: "Marks" });
  for (const [code, area] of [
    ["gel white", "Brass lamp"],
    ["gel white", "Lamp glass"],
  ] as const) {
    const away = panel.getByRole("button", { name: `Take all of ${code} away from ${area}` });
    if (await away.count()) await away.click();
  }
  await expect(panel.getByText("Nothing yet.")).toBeVisible();
  await panel.getByRole("button", { name: "Find where the light is mirrored" }).click();
  await expect(panel.getByText(/places? where the light is mirrored, on .*Brass lamp/)).toBeVisible({
    timeout: 60_000,
  });
  expect(await marksOn(page, id, "Brass lamp")).toEqual([]);
  await panel.getByRole("button", { name: /^Set \d marks? with/ }).click();
  await expect.poll(async () => (await marksOn(page, id, "Brass lamp")).length).toBeGreaterThan(0);
  // One step of undo for all of them; and what is set is not found again.
  await panel.getByRole("button", { name: "Find where the light is mirrored" }).click();
  await expect(panel.getByText(/^Nothing there mirrors the light/)).toBeVisible({ timeout: 60_000 });
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(panel.getByText("Nothing yet.")).toBeVisible();
  await page.request.delete(`/api/pieces/${id}`);
});

test("spots are scattered over an area, set in a row along a stroke, and the rim of the light is set where edges face it", async ({
  page,
}) => {
  const id = await copied(page);
  await open(page, `/pieces/${id}/light?tab=marks`);
  const canvas = page.getByTestId("colouring");
  await expect(canvas).toBeVisible({ timeout: 60_000 });
  const panel = page.getByRole("tabpanel", { name: "Marks" });
  const box = (await canvas.boundingBox())!;
  const at = (x: number, y: number) => [box.x + x * box.width, box.y + y * box.height] as const;
  const count = async () => (await marksOn(page, id, "Shawl")).length;
  const before = await count();
  await page.mouse.click(...at(0.72, 0.6));
  const scatter = panel.getByRole("group", { name: "Scatter" });
  await expect(scatter.getByRole("button", { name: "Shawl" })).toBeEnabled({ timeout: 30_000 });
  await scatter.getByRole("button", { name: "its shadow" }).click();
  await expect.poll(count, { timeout: 30_000 }).toBeGreaterThan(before + 10);
  const scattered = await count();
  const spots = (await marksOn(page, id, "Shawl")).slice(before);
  expect(spots.every((m) => m.kind === "spark" && m.points.length === 1)).toBe(true);

  // A stroke of dots.
  await panel.getByLabel("In a row, along a stroke").check();
  await panel.getByRole("group", { name: "Kind of mark" }).getByRole("button", { name: "Spark" }).click();
  await page.mouse.move(...at(0.66, 0.62));
  await page.mouse.down();
  for (let k = 1; k <= 6; k++) await page.mouse.move(...at(0.66 + k * 0.02, 0.62 + k * 0.01));
  await page.mouse.up();
  await expect.poll(count).toBeGreaterThan(scattered + 2);
  const row = await count();
  await page.keyboard.press("Escape");
  await page.mouse.click(...at(0.72, 0.6));
  await panel.getByRole("button", { name: /^Rim of the light/ }).click();
  await expect.poll(count, { timeout: 30_000 }).toBeGreaterThan(row);
  const rim = (await marksOn(page, id, "Shawl")).slice(row);
  expect(rim.every((m) => m.kind === "line" && m.points.length > 1)).toBe(true);
  await savedNotice(page).waitFor();
});

test("hostile marks are refused by field", async ({ page }) => {
  const id = await copied(page);
  const { document, revision } = await stored(page.request, id);
  const [area] = document.areas;
  const put = async (mark: unknown) => {
    const marks = Array.isArray(mark) ? mark : [mark];
    const layers = [{ medium: "finish", code: "gel white", place: "light", marks }];
    const answer = await page.request.put(`/api/pieces/${id}`, {
      data: { revision, document: { ...document, areas: [{ ...area, layers }] } },
    });
    const { problems = [] } = (await answer.json().catch(() => ({}))) as { problems?: { path: string }[] };
    return [
      answer.status(),
      problems[0]?.path.replace(/^.*layers\.0\.?/, "").replace(/^.*layers\[0\]\.?/, ""),
    ];
  };
  const good = { kind: "spark", points: [[0.5, 0.5]], width: 1 };
  for (const [bad, path] of [
    [{ ...good, points: [] }, /points/],
    [{ ...good, points: null }, /points/],
    [{ ...good, points: [[1e308, 0]] }, /points/],
    [{ ...good, points: Array(100_000).fill([0.1, 0.1]) }, /points/],
    [{ ...good, width: 1e308 }, /width/],
    [{ ...good, width: 0 }, /width/],
    [{ ...good, kind: "<b>" }, /kind/],
    [Array(301).fill(good), /marks/],
    [null, /marks/],
  ] as const) {
    const [status, where] = await put(bad);
    expect([status, String(where)]).toEqual([422, expect.stringMatching(path)]);
  }
  await page.request.delete(`/api/pieces/${id}`);
});
