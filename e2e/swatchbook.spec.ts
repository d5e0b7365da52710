import type { Page } from "@playwright/test";
import { expect, test } from "./test";
import sharp from "sharp";
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
  await page.getByRole("button", { name: /^Store \d+ readings/ }).click();
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
