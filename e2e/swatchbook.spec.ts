import type { Page } from "@playwright/test";
import { expect, test } from "./test";
import sharp from "sharp";
import { demoRange, type SimulatedInk } from "@/sim/demo-range";
import { thinMarker } from "@/sim/paper-stock";
import { seeded } from "@/sim/random";
import { colourSheet } from "@/sim/sheet";
import { benchtop, cgatsFile, readSpectrum } from "@/sim/spectrophotometer";
import { listens, open } from "./studio";

const paperNamed = async (page: Page, name: string): Promise<string> => {
  await open(page, "/swatchbook");
  return (await page.getByRole("link", { name }).first().getAttribute("href"))!;
};

test("a photographed page is read, its doubts decided, and the readings stored", async ({
  page,
  request,
}) => {
  const paper = await paperNamed(page, "Thin marker paper");
  await open(page, `${paper}?tab=read`);
  await page
    .getByRole("listitem")
    .filter({ hasText: "chart-1-page-2.jpg" })
    .getByRole("button", { name: "Read it" })
    .click();
  await expect(page.getByRole("heading", { name: /Chart 1, page 2 of 2/ })).toBeVisible({ timeout: 80_000 });
  const cells = page.locator("[data-cell]");
  expect(await cells.count()).toBeGreaterThan(100);
  await cells.first().click();
  await page.keyboard.press("x");
  await page.getByRole("button", { name: /^Save \d+ readings/ }).click();
  await expect(
    page
      .getByRole("status")
      .filter({ hasText: /stored|readings/ })
      .first(),
  ).toBeVisible();
  const rack = await (await request.get(`/api/papers/${paper.split("/").at(-1)}`)).json();
  expect(rack.markers.filter((m: { swatches: unknown[] }) => m.swatches.length).length).toBeGreaterThan(60);
});

test("a picture of something else is refused in plain words and nothing is stored", async ({ page }) => {
  const paper = await paperNamed(page, "Thin marker paper");
  await open(page, `${paper}?tab=read`);
  const list = page.getByRole("region", { name: "Pages read" }).getByRole("listitem");
  const before = await list.count();
  const buffer = await sharp({ create: { width: 900, height: 700, channels: 3, background: "#88776a" } })
    .png()
    .toBuffer();
  await page
    .getByLabel("Pictures of charts")
    .setInputFiles({ name: "beach.png", mimeType: "image/png", buffer });
  await expect(page.getByRole("alert").filter({ hasText: "No chart is seen" })).toBeVisible({
    timeout: 60_000,
  });
  expect(await list.count()).toBe(before);
});

test("a chart is composed and comes as a PDF", async ({ page, request }) => {
  const paper = await paperNamed(page, "Smooth white card");
  await open(page, `${paper}?tab=chart`);
  await page.getByRole("region", { name: "Compose a chart" }).getByLabel(/^With/).selectOption("one family");
  await page.getByLabel(/^Family/).selectOption("dusk");
  const asked = page.waitForRequest(/\/api\/charts\/[0-9a-f-]+\/pdf/);
  await page.getByRole("button", { name: "Make the PDF" }).click();
  const pdf = await (await request.get((await asked).url())).body();
  expect(pdf.subarray(0, 5).toString()).toBe("%PDF-");
  expect(pdf.length).toBeGreaterThan(8000);
});

test("a stack is tried: predicted, read by hand, judged, and then shown as measured", async ({ page }) => {
  const paper = await paperNamed(page, "Smooth white card");
  await open(page, `${paper}?tab=trials`);
  await page.getByLabel("Try layers, bottom to top").fill("lake2c + clay4m");
  await page.getByRole("button", { name: "Predict and note it" }).click();
  const trial = page.locator('[data-trial="lake2c + clay4m"]');
  await expect(trial).toContainText("not read yet", { timeout: 60_000 });
  await trial.getByLabel("Reading of").fill("62 4 -6");
  await trial.getByRole("button", { name: "Read", exact: true }).click();
  await expect(trial).toContainText(/Read L\* 62.*from the prediction/);
  const kept = page.waitForResponse(
    (r) => r.url().includes("/api/trials/") && r.request().method() === "PATCH",
  );
  await trial.getByLabel("Verdict on").selectOption("nearly");
  expect((await kept).ok()).toBe(true);
  await page.reload();
  await listens(page);
  await expect(trial.getByLabel("Verdict on")).toHaveValue("nearly");
});

test("a long cell is left out of the fit and taken in again; a page of blends is composed", async ({
  page,
}) => {
  const paper = await paperNamed(page, "Smooth white card");
  await open(page, paper);
  const fit = page.getByRole("region", { name: "Fit", exact: true });
  await expect(fit.getByRole("row", { name: /Wet tones run together/ })).toContainText("from 8 cells", {
    timeout: 60_000,
  });
  await page.getByRole("button", { name: "Leave out rose8c over wet rose1m" }).click();
  await expect(fit.getByRole("row", { name: /Wet tones run together/ })).toContainText("from 7 cells", {
    timeout: 60_000,
  });
  await page.getByRole("button", { name: "Take in rose8c over wet rose1m again" }).click();
  await expect(fit.getByRole("row", { name: /Wet tones run together/ })).toContainText("from 8 cells", {
    timeout: 60_000,
  });
  await page.getByRole("tab", { name: /Charts/ }).click();
  await page
    .getByRole("region", { name: "Compose a chart" })
    .getByLabel(/^With/)
    .selectOption("blends, light against dark");
  await expect(page.getByText(/of them known/)).toContainText("on 1 page");
});

test("an instrument's file is looked at before it is kept, and taken back in one step", async ({ page }) => {
  const href = await paperNamed(page, "Thin marker paper");
  await open(page, `${href}?tab=readings`);
  const [first, second] = demoRange();
  const random = seeded(4);
  const bare = colourSheet(thinMarker, []);
  const read = (name: string, coats: SimulatedInk[]) => {
    const sheet = colourSheet(
      thinMarker,
      coats.map((c) => c.recipe),
    );
    return { name, sheet, values: readSpectrum(sheet, bare, benchtop, random) };
  };
  const patches = [
    read("paper", []),
    read(first!.code, [first!]),
    read(`${first!.code} ×2`, [first!, first!]),
    read(second!.code, [second!]),
    read("a note", []),
  ];
  const part = page.getByRole("region", { name: "Colorimeter" });
  const bring = (text: string) =>
    page
      .getByLabel("File of the instrument")
      .setInputFiles({ name: "bench.txt", mimeType: "text/plain", buffer: Buffer.from(text) });
  // Colours without a light are asked about, with the bare paper under each.
  const samples = patches.map((p) => p.sheet);
  await bring(cgatsFile(patches, benchtop, { samples, bands: false, light: "" }));
  await expect(part).toContainText("does not say under which light");
  await expect(part.getByRole("radio", { name: /^D50 bare paper 0\.\d ΔE00/ })).toBeChecked();
  // The same with spectra needs no answer.
  await bring(cgatsFile(patches, benchtop, { samples, light: "" }));
  await expect(part).toContainText("Spectra, 380–730 nm every 10 nm. Measured with M1");
  await expect(part.getByRole("radio")).toHaveCount(0);
  await expect(part.getByRole("list", { name: "Patches of the file" }).getByRole("listitem")).toHaveCount(4);
  await expect(part).toContainText("1 patch not on the rack, and left: a note");
  await part.getByRole("checkbox", { name: /^Take “paper” as the colour/ }).uncheck();
  await part.getByRole("button", { name: "Keep 4 readings" }).click();
  await expect(part.getByRole("status")).toContainText("4 readings kept.");
  // Another condition is not mixed with it unasked.
  const other = { ...benchtop, condition: "M2" as const };
  await bring(cgatsFile(patches, other, { samples, light: "" }));
  const mixing = part.getByRole("checkbox", {
    name: /^Readings on this paper were made with M1, these with M2/,
  });
  await expect(mixing).not.toBeChecked();
  await expect(part.getByRole("button", { name: "Keep 4 readings" })).toBeDisabled();
  await mixing.check();
  await expect(part.getByRole("button", { name: "Keep 4 readings" })).toBeEnabled();
  await part.getByRole("button", { name: "Leave them" }).click();
  const table = page.getByRole("grid", { name: "Readings" });
  await table.getByRole("button", { name: `Spectrum of ${first!.code}`, exact: true }).click();
  await expect(page.getByRole("dialog").getByRole("img", { name: /^Reflectance of/ })).toBeVisible();
  await page.keyboard.press("Escape");
  await part.getByRole("button", { name: "Take them back" }).click();
  await expect(part.getByRole("status")).toContainText("4 readings taken back.");
  await expect(table.getByRole("button", { name: /^Spectrum of/ })).toHaveCount(0);
});
