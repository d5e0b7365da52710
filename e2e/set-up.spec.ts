import type { Page } from "@playwright/test";
import { expect, test } from "./test";
import { hrefOf, open, savedNotice, stored } from "./studio";

/** The part of a stored piece that Set up decides. */
interface SetUpDocument {
  readonly setUp: {
    readonly line: {
      readonly corners: unknown;
      readonly width: number | null;
      readonly proof: boolean | null;
    } | null;
    readonly gap: number;
    readonly cuts: readonly unknown[];
    readonly order: readonly string[] | null;
    readonly touches: readonly unknown[];
  };
  readonly areas: readonly {
    readonly id: string;
    readonly name: string;
    readonly white: boolean;
    readonly readings: Record<string, unknown>;
    readonly place: { readonly at: readonly unknown[]; readonly mm2: number } | null;
  }[];
}
const documentOf = async (page: Page, id: string) =>
  (await stored(page.request, id)).document as unknown as SetUpDocument;

async function fresh(page: Page, name: string): Promise<string> {
  await open(page, "/");
  await page.getByRole("button", { name: "New piece" }).click();
  await page.getByLabel("Name", { exact: true }).fill(name);
  await page.getByRole("button", { name: "Open it" }).click();
  await page.waitForURL(/\/pieces\/[0-9a-f-]+\/set-up/);
  return page.url().split("/")[4]!;
}

const drawing = (page: Page) => page.getByTestId("drawing");
const settled = async (page: Page) => {
  await expect(page.getByText("Looking again…")).toHaveCount(0, { timeout: 30_000 });
  await expect(savedNotice(page)).toBeVisible();
};

/** Two rooms with a door between them, and a lamp on a wall. */
const SVG = `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 400 300">
  <g fill="#fff" stroke="#000" stroke-width="3">
    <rect id="parlour" x="40" y="40" width="150" height="200"/><rect id="kitchen" x="190" y="40" width="160" height="200"/>
    <path d="M190 130V131" stroke="#fff" stroke-width="5"/><circle id="lamp" cx="270" cy="120" r="30"/>
  </g></svg>`;
const asFile = (text: string) => ({
  name: "rooms.svg",
  mimeType: "image/svg+xml",
  buffer: Buffer.from(text),
});

test("from a fresh photo of a stamped sheet to named areas with sizes", async ({ page }) => {
  const id = await fresh(page, "Stamped");
  await page.getByRole("button", { name: /^Take stamped sheet on the table/ }).click();
  await expect(drawing(page)).toBeVisible({ timeout: 30_000 });
  await expect(page.getByText("The sheet was found by itself.")).toBeVisible();
  await page.getByRole("radio", { name: /Stamped/ }).check();
  await page.getByLabel("Its ink is alcohol-proof").selectOption("no");
  await expect(page.getByText(/dissolves ink that is not alcohol-proof/)).toBeVisible();
  await page.getByRole("tab", { name: "Sheet" }).click();
  await page.getByLabel("Size of the sheet").selectOption("A5");
  await settled(page);
  await page.getByRole("tab", { name: /^Areas/ }).click();
  await page.getByRole("button", { name: /^Make areas of all/ }).click();
  await expect(page.getByText(/^\d\d areas on the sheet/)).toBeVisible();
  const name = page.getByLabel("Name of area 1", { exact: true });
  await name.fill("Night sky");
  await name.press("Enter");
  await settled(page);
  await expect
    .poll(async () => (await documentOf(page, id)).areas.every((a) => a.place && a.place.mm2 > 0.5))
    .toBe(true);
  const kept = await documentOf(page, id);
  expect(kept.setUp.line!.corners).not.toBeNull();
  expect(kept.areas.length).toBeGreaterThan(20);
  expect(kept.areas[0]!.name).toBe("Night sky");
  expect(kept.setUp.touches.length).toBeGreaterThan(20);
  // Colour knows the size without anybody typing it.
  await page.getByRole("link", { name: "Colour" }).click();
  await page.waitForURL(/colour/);
  await expect(page.getByLabel("Size, mm²")).toHaveAttribute(
    "placeholder",
    String(Math.round(kept.areas[0]!.place!.mm2)),
  );
  await withoutPiece(page, id);
});

test("a drawing in SVG brings its names; areas are joined, split, given parts and undone", async ({
  page,
}) => {
  const id = await fresh(page, "Rooms");
  await page.locator('input[type="file"]').setInputFiles(asFile(SVG));
  await expect(drawing(page)).toBeVisible({ timeout: 30_000 });
  await page.getByRole("tab", { name: /^Areas/ }).click();
  await page.getByRole("button", { name: "Make areas of all 3" }).click();
  await settled(page);
  const names = async () => (await documentOf(page, id)).areas.map((a) => a.name).sort();
  await expect.poll(names).toEqual(["Kitchen", "Lamp", "Parlour"]);

  // Join: two chosen in the drawing.
  const box = (await drawing(page).boundingBox())!;
  const at = (x: number, y: number) => ({
    position: { x: (box.width * x) / 400, y: (box.height * y) / 300 },
  });
  await drawing(page).click(at(100, 180));
  const several = page.getByRole("button", { name: "Several" });
  await several.click();
  await drawing(page).click(at(270, 200));
  await several.click();
  await page.getByRole("button", { name: "Join" }).click();
  await expect.poll(async () => (await names()).length).toBe(2);
  await page.keyboard.press("Escape");
  await page.getByRole("button", { name: /^Undo/ }).click();
  await expect.poll(async () => (await names()).length).toBe(3);

  // Split the parlour by a line from wall to wall; the new part becomes an area.
  await page.getByRole("button", { name: "Split by a line" }).click();
  await drawing(page).click(at(38, 150));
  await drawing(page).click(at(192, 150));
  await drawing(page).press("Enter");
  await expect(page.getByRole("button", { name: "Make it an area" })).toBeVisible({ timeout: 30_000 });
  await page.getByRole("button", { name: "Make it an area" }).click();
  await expect.poll(async () => (await names()).length).toBe(4);
  expect((await documentOf(page, id)).setUp.cuts).toHaveLength(1);

  // The lamp is handed to the kitchen by its parts.
  await page.getByRole("button", { name: "Choose Kitchen" }).click();
  await page.getByRole("button", { name: "Edit its parts" }).click();
  await drawing(page).click(at(270, 120));
  await expect
    .poll(async () => (await documentOf(page, id)).areas.find((a) => a.name === "Kitchen")!.place!.at.length)
    .toBe(2);
  await page.keyboard.press("Escape");
  await expect
    .poll(async () => (await documentOf(page, id)).areas.find((a) => a.name === "Lamp")!.place)
    .toBeNull();
});

/** Lets a picture lie loose in the studio again. */
const withoutPiece = async (page: Page, id: string) => {
  await page.goto("/");
  expect((await page.request.delete(`/api/pieces/${id}`)).ok()).toBe(true);
};

test("the same by keys alone: chosen in the list, pointed at with the crosshair", async ({ page }) => {
  const id = await fresh(page, "By keys");
  await page.locator('input[type="file"]').setInputFiles(asFile(SVG));
  await expect(drawing(page)).toBeVisible({ timeout: 30_000 });
  await page.getByRole("tab", { name: "Line" }).focus();
  await page.keyboard.press("ArrowRight");
  await page.keyboard.press("ArrowRight");
  const make = page.getByRole("button", { name: "Make areas of all 3" });
  await make.focus();
  await page.keyboard.press("Enter");
  await expect(page.getByText(/^3 areas on the sheet/)).toBeVisible();
  const choose = page.getByRole("button", { name: "Choose Lamp" });
  await choose.focus();
  await page.keyboard.press("Space");
  await page.getByLabel("stays white").focus();
  await page.keyboard.press("Space");
  await expect
    .poll(async () => (await documentOf(page, id)).areas.find((a) => a.name === "Lamp")?.white)
    .toBe(true);
  // A cut through the parlour, point by point.
  await page.getByRole("button", { name: "Split by a line" }).focus();
  await page.keyboard.press("Enter");
  await drawing(page).focus();
  for (let i = 0; i < 11; i++) await page.keyboard.press("Shift+ArrowLeft");
  await page.keyboard.press("Space");
  for (let i = 0; i < 12; i++) await page.keyboard.press("Shift+ArrowRight");
  await page.keyboard.press("Space");
  await page.keyboard.press("Enter");
  await expect.poll(async () => (await documentOf(page, id)).setUp.cuts.length).toBe(1);
  await expect(page.getByText(/shapes? (is not an area|are no areas) yet/)).toBeVisible({ timeout: 30_000 });
});

test("an area that vanished keeps its plan and is offered its successor's place", async ({ page }) => {
  const id = await fresh(page, "Gone");
  await page.locator('input[type="file"]').setInputFiles(asFile(SVG));
  await expect(drawing(page)).toBeVisible({ timeout: 30_000 });
  await page.getByRole("tab", { name: /^Areas/ }).click();
  await page.getByRole("button", { name: "Make areas of all 3" }).click();
  await settled(page);
  const gap = page.getByLabel("Close gaps up to, mm");
  await gap.fill("0");
  await gap.press("Enter");
  const lost = page.getByRole("alert").filter({ hasText: "has no place of its own any more" });
  await expect(lost).toBeVisible({ timeout: 30_000 });
  await expect(lost).toContainText("Its plan is kept.");
  expect((await documentOf(page, id)).areas).toHaveLength(3);
  await page.getByRole("button", { name: /^Undo/ }).click();
  await expect(lost).toHaveCount(0, { timeout: 30_000 });
});

test("what is no picture, empty or all dark is said plainly", async ({ page }) => {
  await fresh(page, "Bad input");
  const input = page.locator('input[type="file"]');
  await input.setInputFiles({ name: "a.png", mimeType: "image/png", buffer: Buffer.from("no picture") });
  await expect(
    page.getByRole("alert").filter({ hasText: "is not a PNG, JPEG, WebP, AVIF, GIF, TIFF or SVG" }),
  ).toBeVisible();
  const plain = (fill: string) =>
    asFile(
      `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 40 30"><rect width="40" height="30" fill="${fill}"/></svg>`,
    );
  await input.setInputFiles(plain("#fff"));
  await expect(page.getByText(/No line was found/)).toBeVisible({ timeout: 30_000 });
});

test("the demo: a reference lies under the line, colours are read from it, order is pointed at", async ({
  page,
}) => {
  const href = await hrefOf(page, "Tin Ferry");
  const id = href.split("/")[2]!;
  await open(page, `/pieces/${id}/set-up?tab=areas`);
  await expect(drawing(page)).toBeVisible({ timeout: 30_000 });
  await expect(page.getByText(/^19 areas on the sheet/)).toBeVisible();
  await page.getByRole("tab", { name: "Reference" }).click();
  await expect(page.getByAltText("Reference tin-ferry.png")).toBeVisible();
  await page.getByRole("tab", { name: "Order" }).click();
  await page.getByRole("button", { name: "Point at a pair" }).click();
  // The flag before the hull: the sheet is 210 × 148 mm, the drawing lies in its middle.
  const box = (await drawing(page).boundingBox())!;
  const at = (x: number, y: number) => ({
    position: {
      x: (box.width * (24 + (162 * x) / 1200)) / 210,
      y: (box.height * (6.5 + (135 * y) / 1000)) / 148,
    },
  });
  await drawing(page).click(at(249, 280));
  await expect(page.getByText("Click what lies behind it.")).toBeVisible();
  await drawing(page).click(at(231, 608));
  await expect.poll(async () => (await documentOf(page, id)).setUp.order?.length).toBe(19);
  const { setUp, areas } = await documentOf(page, id);
  const [flag, hull] = ["Flag", "Hull"].map((n) => setUp.order!.indexOf(areas.find((a) => a.name === n)!.id));
  expect(flag).toBe(hull! - 1);
  await page.getByRole("button", { name: "Guess from the line" }).click();
  await expect.poll(async () => (await documentOf(page, id)).setUp.order).toBeNull();
});

test("a sheet to trace is a PDF in true size", async ({ page }) => {
  const href = await hrefOf(page, "The Kite Mender");
  await open(page, href.replace("colour", "set-up?tab=sheet"));
  await expect(drawing(page)).toBeVisible({ timeout: 30_000 });
  const waiting = page.waitForEvent("download");
  await page.getByRole("button", { name: "Mirrored (PDF)" }).click();
  const file = await waiting;
  expect(file.suggestedFilename()).toBe("The Kite Mender mirrored.pdf");
  const bytes = await file.createReadStream().then(async (s) => {
    const parts: Buffer[] = [];
    for await (const p of s) parts.push(p as Buffer);
    return Buffer.concat(parts).toString("latin1");
  });
  // 210 × 148 mm in points.
  expect(bytes).toMatch(/MediaBox \[0 0 595\.27\d* 419\.52\d*\]/);
});
