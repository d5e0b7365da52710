import type { Page } from "@playwright/test";
import PDFDocument from "pdfkit";
import { denseDrawing } from "./dense-drawing";
import { open, savedNotice, stored } from "./studio";
import { expect, test } from "./test";

const drawing = (page: Page) => page.getByTestId("drawing");
interface Said {
  readonly areas: readonly {
    readonly name: string;
    readonly material: string;
    readonly layers: readonly unknown[];
  }[];
}
const areasOf = async (page: Page, id: string) =>
  ((await stored(page.request, id)).document as unknown as Said).areas;

/** Begins a piece, which waits for its drawing. */
async function begun(page: Page, name: string): Promise<string> {
  await open(page, "/");
  await page.getByRole("button", { name: "New piece" }).click();
  await page.getByLabel("Name", { exact: true }).fill(name);
  await page.getByRole("button", { name: "Open it" }).click();
  await page.waitForURL(/\/pieces\/[0-9a-f-]+\/set-up/);
  return page.url().split("/")[4]!;
}

/** Brings the dense drawing to a new piece, and opens its areas. */
async function brought(page: Page, name: string): Promise<string> {
  const id = await begun(page, name);
  await page
    .locator('input[type="file"]')
    .setInputFiles({ name: "bird.png", mimeType: "image/png", buffer: await denseDrawing() });
  await expect(drawing(page)).toBeVisible({ timeout: 60_000 });
  await page.getByRole("tab", { name: /^Areas/ }).click();
  await expect(page.getByText(/shapes are no areas yet/)).toBeVisible({ timeout: 60_000 });
  return id;
}

/** Drags along points in shares of the drawing. */
async function drag(page: Page, points: readonly (readonly [number, number])[]) {
  const box = (await drawing(page).boundingBox())!;
  const at = ([x, y]: readonly [number, number]) => [box.x + x * box.width, box.y + y * box.height] as const;
  await page.mouse.move(...at(points[0]!));
  await page.mouse.down();
  for (const p of points.slice(1)) await page.mouse.move(...at(p), { steps: 6 });
  await page.mouse.up();
}

test("a drawing of three hundred shapes becomes areas in at most twenty actions", async ({ page }) => {
  const id = await brought(page, "Three hundred shapes");
  const proposed = page.getByRole("region", { name: "Proposed areas" });
  await expect(proposed).toBeVisible({ timeout: 60_000 });
  let actions = 0;
  const act = async (what: () => Promise<unknown>) => {
    actions++;
    await what();
  };
  // A proposal is shown in the drawing before it is taken.
  await act(() => proposed.getByRole("listitem").first().getByRole("button").first().click());
  await expect(page.getByRole("button", { name: "Make them one area" })).toBeVisible();
  await act(() => proposed.getByRole("button", { name: /^Take (all|it)/ }).click());
  await expect(savedNotice(page)).toBeVisible();
  const taken = (await areasOf(page, id)).length;
  expect(taken).toBeGreaterThan(2);
  // The reeds, by one stroke round them.
  await act(() => page.getByRole("button", { name: "Draw around" }).click());
  await act(() =>
    drag(page, [
      [0.71, 0.99],
      [0.71, 0.54],
      [0.985, 0.54],
      [0.985, 0.99],
    ]),
  );
  const unite = page
    .getByRole("button", { name: "Make them one area" })
    .or(page.locator("button:enabled", { hasText: /^Join$/ }));
  await act(() => unite.click());
  await expect(savedNotice(page)).toBeVisible();
  // The tail, in the same way.
  await act(() =>
    drag(page, [
      [0.11, 0.66],
      [0.36, 0.53],
      [0.41, 0.6],
      [0.27, 0.87],
      [0.16, 0.8],
    ]),
  );
  await act(() => unite.click());
  await expect(savedNotice(page)).toBeVisible();
  // What is left is made areas as it is.
  const rest = page.getByRole("button", { name: /^Make (areas of all|it an area)/ });
  if (await rest.isVisible()) await act(() => rest.click());
  await expect(page.getByText(/areas on the sheet/)).not.toContainText(/areas? yet/);
  expect(actions).toBeLessThanOrEqual(20);
  // Names that nobody gave are the numbers of the areas.
  const names = (await areasOf(page, id)).map((a) => a.name);
  expect(names).toEqual(names.map((_, i) => `Area ${i + 1}`));
  expect(names.length).toBeLessThan(60);
  await page.request.delete(`/api/pieces/${id}`);
});

/** From a drawing to the printed plan: makes areas of all shapes and opens Steps, as few actions as it takes. */
async function toThePlan(
  page: Page,
  files: readonly { readonly name: string; readonly buffer: Buffer }[],
  colour: (act: (what: () => Promise<unknown>) => Promise<void>) => Promise<void>,
  first: string | RegExp = "Area 1",
): Promise<{ readonly actions: number; readonly id: string }> {
  let actions = 0;
  const act = async (what: () => Promise<unknown>) => {
    actions++;
    await what();
  };
  await open(page, "/");
  await act(() => page.getByRole("button", { name: "New piece" }).click());
  await act(() => page.getByLabel("Name", { exact: true }).fill("From nothing to the plan"));
  await act(() => page.getByRole("button", { name: "Open it" }).click());
  await page.waitForURL(/\/pieces\/[0-9a-f-]+\/set-up/);
  const id = page.url().split("/")[4]!;
  await act(() =>
    page
      .locator('input[type="file"]')
      .setInputFiles(files.map(({ name, buffer }) => ({ name, mimeType: "image/png", buffer }))),
  );
  await expect(drawing(page)).toBeVisible({ timeout: 60_000 });
  await act(() => page.getByRole("tab", { name: /^Areas/ }).click());
  await act(() => page.getByRole("button", { name: /^Take (all|it)/ }).click({ timeout: 60_000 }));
  await act(() => page.getByRole("button", { name: /^Make (areas of all|it an area)/ }).click());
  await colour(act);
  await act(() => page.getByRole("link", { name: "Steps", exact: true }).click());
  await expect(page.getByRole("heading", { name: first }).first()).toBeVisible({ timeout: 60_000 });
  await page.evaluate(() => {
    window.print = () => document.body.setAttribute("data-printed", "");
  });
  await act(() => page.getByRole("button", { name: "Print", exact: true }).click());
  await expect(page.locator("body[data-printed]")).toBeAttached();
  return { actions, id };
}

/** Takes what planning all areas together proposes. */
async function takePlan(page: Page): Promise<void> {
  const take = page.getByRole("button", { name: /^Take \d+ changes?$/ });
  await expect(take).toBeEnabled({ timeout: 90_000 });
  await take.click();
}

test("with a reference, two hundred shapes are a printed plan in at most twelve actions", async ({
  page,
}) => {
  // Both pictures at once, the coloured one first: which is the line is seen by their colour.
  const { actions, id } = await toThePlan(
    page,
    [
      { name: "fish in colour.png", buffer: await denseDrawing(true, "fish") },
      { name: "fish.png", buffer: await denseDrawing(false, "fish") },
    ],
    async (act) => {
      await act(() => page.getByRole("button", { name: "Read colours of all" }).click());
      await act(() => page.getByRole("link", { name: "Plan them together" }).click());
      await act(() => takePlan(page));
    },
  );
  expect(actions).toBeLessThanOrEqual(12);
  const areas = await areasOf(page, id);
  expect(areas.length).toBeLessThan(30);
  expect(areas.every((a) => a.layers.length)).toBe(true);
  await page.request.delete(`/api/pieces/${id}`);
});

test("without a reference, three hundred shapes are a named and printed plan in at most twenty actions", async ({
  page,
}) => {
  const { actions, id } = await toThePlan(
    page,
    [{ name: "bird.png", buffer: await denseDrawing() }],
    async (act) => {
      await act(() => page.getByRole("link", { name: "Colour", exact: true }).click());
      await expect(drawing(page)).toBeVisible({ timeout: 60_000 });
      await act(() => page.getByRole("button", { name: "All areas in a list" }).click());
      const count = (await areasOf(page, page.url().split("/")[4]!)).length;
      const hexes = ["#b98a72", "#8a6f52", "#5d6f86", "#e6d6b4", "#7f93ab #5d6f86 #3b4656", "#c96f4a"];
      const lines = Array.from({ length: count }, (_, i) => `${i + 1} part: ${hexes[i % hexes.length]}`);
      await act(() => page.getByLabel("Names and colours, a line each").fill(lines.join("\n")));
      await expect(page.getByText(`${count} areas understood`)).toBeVisible();
      await act(() => page.getByRole("button", { name: "Take the list" }).click());
      await act(() => page.getByRole("link", { name: "Plan them together" }).click());
      await act(() => takePlan(page));
    },
    /^part/,
  );
  expect(actions).toBeLessThanOrEqual(20);
  const areas = await areasOf(page, id);
  expect(areas.every((a) => a.layers.length && a.name === "part")).toBe(true);
  await page.request.delete(`/api/pieces/${id}`);
});

test("shapes are wiped across, grown by what they are, named together, and undone in one step", async ({
  page,
}) => {
  const id = await brought(page, "Wiped across");
  await page.getByRole("button", { name: "Wipe across" }).click();
  // Across two bricks.
  await drag(page, [
    [0.05, 0.885],
    [0.2, 0.885],
  ]);
  const chosen = page.getByText(/^\d+ shapes? chosen that (is|are) no area yet/);
  await expect(chosen).toBeVisible();
  const count = async () => Number(/^\d+/.exec(await chosen.innerText())![0]);
  const few = await count();
  expect(few).toBeGreaterThan(0);
  await page.getByRole("button", { name: "+ alike" }).click();
  await expect.poll(count).toBeGreaterThan(few + 10);
  await page.getByRole("button", { name: "Make them one area" }).click();
  await expect(savedNotice(page)).toBeVisible();
  expect((await areasOf(page, id)).map((a) => a.name)).toEqual(["Area 1"]);
  await page.getByRole("button", { name: "Undo" }).click();
  await expect.poll(async () => (await areasOf(page, id)).length).toBe(0);
  // Two areas at once get a name and a material.
  await drag(page, [
    [0.05, 0.885],
    [0.2, 0.885],
  ]);
  await expect(chosen).toBeVisible();
  await page.getByRole("button", { name: /^Make (it an area|them areas)$/ }).click();
  await expect.poll(async () => (await areasOf(page, id)).length).toBe(2);
  const list = page.getByRole("list", { name: "Areas" }).getByRole("button", { name: /choose/ });
  await list.nth(0).click();
  await list.nth(1).click({ modifiers: ["Shift"] });
  await page.getByLabel("call them").fill("brick");
  await page.getByRole("button", { name: "Name 2" }).click();
  await page.getByRole("group", { name: "Mend areas" }).getByRole("combobox").selectOption("wood");
  await expect
    .poll(async () => (await areasOf(page, id)).slice(0, 2).map((a) => [a.name, a.material]))
    .toEqual([
      ["brick 1", "wood"],
      ["brick 2", "wood"],
    ]);
  await page.request.delete(`/api/pieces/${id}`);
});

test("with a drawing and no reference, Colour shows it, and areas are chosen in it", async ({ page }) => {
  const id = await brought(page, "No reference");
  await page.getByRole("button", { name: /^Take (all|it)/ }).click();
  await expect(savedNotice(page)).toBeVisible();
  await open(page, `/pieces/${id}/colour`);
  await expect(page.getByRole("button", { name: "Bring a reference" })).toBeVisible();
  await expect(drawing(page)).toBeVisible({ timeout: 60_000 });
  const [first, second] = await page
    .locator("[data-region][data-owner]")
    .evaluateAll((all) => [...new Set(all.map((g) => (g as HTMLElement).dataset.owner!))].slice(0, 2));
  await page.locator(`[data-owner="${second}"]`).first().click({ force: true });
  await expect(page).toHaveURL(new RegExp(`area=${second}`));
  expect(first).not.toBe(second);
  // All three colours in one line.
  await page.getByLabel("Colour or marker").fill("#f6d860 #e3a51f #9a4a14");
  await page.getByRole("button", { name: "Use this colour" }).click();
  await expect(page.getByRole("region", { name: "Layers" }).locator("li").first()).toBeVisible({
    timeout: 60_000,
  });
  await page.request.delete(`/api/pieces/${id}`);
});

test("a picture is dropped anywhere on the page, and pasted", async ({ page }) => {
  const id = await begun(page, "Dropped");
  const svg =
    '<svg xmlns="http://www.w3.org/2000/svg" width="120mm" height="90mm"><text>Words</text><rect x="20" y="20" width="400" height="300" fill="none" stroke="#000" stroke-width="6"/></svg>';
  const give = (kind: "drop" | "paste", name: string, type: string, text: string) =>
    page.evaluate(
      ([kind, name, type, text]) => {
        const data = new DataTransfer();
        data.items.add(new File([text!], name!, { type: type! }));
        const wish = { bubbles: true, cancelable: true };
        document.body.dispatchEvent(
          kind === "drop"
            ? new DragEvent("drop", { ...wish, dataTransfer: data, clientX: 600, clientY: 500 })
            : new ClipboardEvent("paste", { ...wish, clipboardData: data }),
        );
      },
      [kind, name, type, text] as const,
    );
  // What nothing here takes changes nothing, and does not open in place of the page.
  await give("drop", "notes.txt", "text/plain", "words");
  await give("drop", "frame.svg", "image/svg+xml", svg);
  await expect(page.getByTestId("drawing")).toBeVisible();
  await expect(page.getByText("Its file says that it is 120 mm wide. Not drawn: text.")).toBeVisible();
  expect(page.url()).toContain(id);
  await give("paste", "other.svg", "image/svg+xml", svg.replace("120mm", "90mm"));
  await expect(page.getByText("Its file says that it is 90 mm wide.")).toBeVisible();
  await page.request.delete(`/api/pieces/${id}`);
});

test("a page of a PDF is chosen and becomes the line, as large as it is; one that is none is refused", async ({
  page,
}) => {
  const id = await begun(page, "From a PDF");
  const document = new PDFDocument({ size: [283.46, 198.43], margin: 0 });
  const parts: Buffer[] = [];
  document.on("data", (part: Buffer) => parts.push(part));
  const ended = new Promise((done) => document.on("end", done));
  document.text("For the reader").addPage().lineWidth(4).rect(40, 40, 120, 90).stroke().end();
  await ended;
  const give = (buffer: Buffer) =>
    page
      .locator('input[type="file"]')
      .setInputFiles({ name: "stamps.pdf", mimeType: "application/pdf", buffer });
  await give(Buffer.from("%PDF-1.7 and no more"));
  await expect(page.getByRole("alert").filter({ hasText: "stamps.pdf" })).toContainText("damaged, or no PDF");
  await give(Buffer.concat(parts));
  const pages = page.getByRole("dialog", { name: "Which page?" });
  await expect(pages.getByRole("button", { name: /^Page/ })).toHaveCount(2);
  await pages.getByRole("button", { name: "Page 2" }).click();
  await expect(page.getByTestId("drawing")).toBeVisible();
  await expect(page.getByText("Its file says that it is 100 mm wide.")).toBeVisible();
  await page.request.delete(`/api/pieces/${id}`);
});
