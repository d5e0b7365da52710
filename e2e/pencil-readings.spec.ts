import sharp from "sharp";
import { layOutChart, type Chart } from "@/core/chart/layout";
import { pdfPages } from "@/fixtures/pdf-pages";
import { expect, test } from "./test";
import { newPiece, open, openKiteMender, savedNotice, stored, openSettings } from "./studio";

test("a pencil strip is entered by hand with its layers and pressure, and stands among the readings", async ({
  page,
  request,
}) => {
  await open(page, "/swatchbook");
  const paper = (await page.getByRole("link", { name: "Smooth white card" }).first().getAttribute("href"))!;
  await open(page, `${paper}?tab=readings`);
  const form = page.getByRole("region", { name: "By hand" });
  await expect(form.getByLabel("pressed")).toHaveCount(0);
  await form.getByLabel("Stack, bottom to top").fill("clay3m + pencil ochre ×3");
  await form.getByLabel("pressed").selectOption("firm");
  await form.getByLabel("Hex or L* a* b*").fill("66 14 30");
  await form.getByRole("button", { name: "Keep" }).click();
  await expect(form.getByRole("status")).toContainText("Kept");
  const rack = (await (await request.get(`/api/papers/${paper.split("/").at(-1)}`)).json()) as {
    strips: { stack: string[]; pressure: string }[];
  };
  expect(rack.strips).toContainEqual(
    expect.objectContaining({
      stack: ["clay3m", "pencil ochre", "pencil ochre", "pencil ochre"],
      pressure: "firm",
    }),
  );
  await page.getByLabel("Filter readings").fill("ochre");
  await expect(page.getByRole("grid", { name: "Readings" })).toContainText("firm");
});

test("what an area is made of and how big it is sets its tones, its school and its scene", async ({
  page,
  request,
}) => {
  const id = await newPiece(page, "Small and furry");
  await page.getByRole("button", { name: "Add the first area" }).click();
  await openSettings(page);
  await expect(page.getByLabel("Tones")).toHaveValue("as needed");
  await page.getByLabel("Tones").selectOption("4");
  await page.getByLabel("Material").selectOption("fur");
  await page.getByLabel("Size, mm²").fill("30");
  await page.getByLabel("Size, mm²").press("Enter");
  await expect(page.getByLabel("Tones")).toHaveValue("2");
  await page.getByLabel("Tones").selectOption("5");
  await expect(page.getByRole("button", { name: "2 suit it" })).toBeVisible();
  await page.getByRole("button", { name: "2 suit it" }).click();
  await expect(page.getByLabel("Tones")).toHaveValue("2");
  await page.getByRole("combobox", { name: /^Shadow/ }).selectOption("cooler");
  await expect(savedNotice(page)).toBeVisible();
  const [area] = (await stored(request, id)).document.areas as unknown as {
    material: string;
    size: number;
    tones: number;
    drift: object;
  }[];
  expect(area).toMatchObject({ material: "fur", size: 30, tones: 2, drift: { light: 0, shadow: -1 } });
  // In a list letters choose from the list.
  await page.getByRole("tab", { name: "Group" }).focus();
  await page.keyboard.press("s");
  await expect(page).toHaveURL(/tab=school/);
  await expect(page.getByText("A school lays a kept group")).toBeVisible();
  await page.keyboard.press("p");
  await expect(page).toHaveURL(/tab=pencil/);
  await page.goBack();
  await expect(page).toHaveURL(/tab=school/);
});

test("neighbours are told, merge when they are too near, and are untold again", async ({ page, request }) => {
  await openKiteMender(page);
  const id = page.url().split("/")[4]!;
  await page.keyboard.press("a");
  await expect(page.getByRole("heading", { name: "All areas" })).toBeVisible();
  type Said = { whole: { neighbours: string[][] | null }; setUp: { touches: unknown[] } };
  const said = async () => (await stored(request, id)).document as unknown as Said;
  const pairs = async () => (await said()).whole.neighbours?.length;
  // What the drawing shows holds until somebody says something else.
  const before = (await said()).setUp.touches.length;
  await page.getByRole("button", { name: /^Sea touches \d/ }).click();
  await page.getByRole("button", { name: "Sea touches another area" }).click();
  await page.getByRole("menuitem", { name: "Spool" }).click();
  await expect(async () => expect(await pairs()).toBe(before + 1)).toPass();
  await page.getByRole("button", { name: "Sea does not touch Spool" }).click();
  await expect(async () => expect(await pairs()).toBe(before)).toPass();
  await page.getByLabel("Least difference between neighbours").fill("60");
  await page.getByLabel("Least difference between neighbours").press("Enter");
  await expect(page.getByRole("region", { name: "Neighbours that run together" })).toContainText(
    /ΔE00 where 60 is wished/,
  );
  await page.getByRole("button", { name: "Undo" }).click();
  // What a plan must keep to is said in sentences.
  const limits = page.getByRole("region", { name: "Limits" });
  await limits.getByRole("button", { name: "Add a sentence" }).click();
  await limits.getByLabel("What the sentence says").selectOption({ label: "… stands out" });
  await limits.getByRole("button", { name: "Add", exact: true }).click();
  await expect(limits.getByRole("button", { name: "No longer: Skin stands out" })).toBeVisible();
  await expect(savedNotice(page)).toBeVisible();
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(limits.getByRole("button", { name: /^No longer/ })).toHaveCount(0);
});

test("strips that tell most are printed as a chart, and a read page of them becomes readings with their pressure", async ({
  page,
  request,
}) => {
  await open(page, "/swatchbook");
  const paper = (await page.getByRole("link", { name: "Smooth white card" }).first().getAttribute("href"))!;
  const paperId = paper.split("/").at(-1)!;
  await open(page, `${paper}?tab=chart`);
  await page.getByLabel("With").selectOption("strips that tell most of your pencils");
  await expect(page.getByText(/^2\d lines on|^3\d lines on/)).toBeVisible({ timeout: 60_000 });
  const [made] = await Promise.all([
    page.waitForResponse((r) => r.url().endsWith("/api/charts") && r.request().method() === "POST"),
    page.getByRole("button", { name: "Make the PDF" }).click(),
  ]);
  const chart = (await made.json()) as Chart & { id: string };
  const [layout] = layOutChart(chart);
  const strips = layout!.cells.filter((c) => c.pressure);
  expect(strips.length).toBeGreaterThan(20);
  const pdf = await request.get(`/api/charts/${chart.id}/pdf`);
  expect(pdfPages(await pdf.body()).sizes).toHaveLength(1);
  const picture = await request.post("/api/pictures", {
    multipart: {
      picture: {
        name: "strips.png",
        mimeType: "image/png",
        buffer: await sharp({ create: { width: 64, height: 64, channels: 3, background: "#eee" } })
          .png()
          .toBuffer(),
      },
    },
  });
  const { id: pictureId } = (await picture.json()) as { id: string };
  const corners = [0, 1, 2, 3].map((i) => [i, i]);
  const cells = layout!.cells.map(({ line, place, stack, lift, pressure }, i) => ({
    line,
    place,
    stack,
    ...(lift && { lift }),
    ...(pressure && { pressure }),
    lab: [40 + (i % 20), 10, 10],
    spread: 0.4,
    streakiness: 0.4,
    confidence: 1,
    doubts: [],
    corners,
  }));
  const { serial, pages } = { serial: chart.serial, pages: 1 };
  const result = {
    serial,
    page: 0,
    pages,
    width: 64,
    height: 64,
    cells,
    references: 8,
    marks: corners,
    pixelsPerMm: 5,
    lightResidual: 0,
  };
  const scan = (change: object) =>
    request.post("/api/scans", { data: { chartId: chart.id, pictureId, result: { ...result, ...change } } });
  // With another pressure it is no page of this chart.
  const other = cells.map((c) =>
    c.pressure ? { ...c, pressure: c.pressure === "firm" ? "light" : "firm" } : c,
  );
  expect((await scan({ cells: other })).status()).toBe(422);
  expect((await scan({ cells: cells.map((c) => ({ ...c, pressure: "hard" })) })).status()).toBe(422);
  const { id } = (await (await scan({})).json()) as { id: string };
  const kept = await request.patch(`/api/scans/${id}`, {
    data: { decisions: cells.map(() => "accepted"), store: true },
  });
  expect(((await kept.json()) as { readings: number }).readings).toBe(cells.length);
  const rack = (await (await request.get(`/api/papers/${paperId}`)).json()) as {
    strips: { stack: string[]; pressure: string }[];
  };
  for (const { stack, pressure } of strips)
    expect(rack.strips).toContainEqual(expect.objectContaining({ stack, pressure }));
});
