import { expect, test } from "./test";
import {
  listens,
  bands,
  layersOf,
  newPiece,
  offeredGroups,
  pickAt,
  savedNotice,
  stored,
  upload,
  openSettings,
} from "./studio";

test("from a picture to a kept, overruled, exported group", async ({ page, request }) => {
  const id = await newPiece(page, "Terracotta pot");

  await test.step("an empty piece says what to do next", async () => {
    await expect(page.getByText("Bring the picture whose colours you want")).toBeVisible();
    await page.getByRole("button", { name: "Add the first area" }).click();
    await expect(
      page.getByText(/^(Point at Area 1 in the picture|Give Area 1 its local colour)/),
    ).toBeVisible();
  });

  await test.step("upload a reference and pick light, local colour and shadow", async () => {
    await upload(page, "pot.png", "image/png", await bands());
    await expect(page.getByTestId("reference")).toBeVisible();
    // Each click is taken for the next place, though nothing has been read yet.
    await pickAt(page, 0.5, 0.5);
    await pickAt(page, 0.3, 0.15);
    await pickAt(page, 0.6, 0.85);
    await expect(page.locator('[data-reading="local"]')).toContainText("lightness 63");
    await expect(page.locator('[data-reading="light"]')).toContainText("lightness 83");
    await expect(page.locator('[data-reading="shadow"]')).toContainText("lightness 37");
  });

  await test.step("the planner offers groups; keep an alternative", async () => {
    await openSettings(page);
    await page.getByLabel("Tones").selectOption("4");
    const groups = await offeredGroups(page);
    await expect.poll(() => groups.count(), { timeout: 45_000 }).toBeGreaterThan(2);
    await expect(page.getByRole("heading", { name: "Proposed group" })).toBeVisible();
    await groups.nth(1).click();
    await expect(page.getByRole("heading", { name: "Alternative 1" })).toBeVisible();
    await page.getByRole("button", { name: "Keep this group" }).click();
    await expect(page.getByRole("heading", { name: "Kept group" })).toBeVisible();
    await expect(savedNotice(page)).toBeVisible();
    expect(layersOf((await stored(request, id)).document.areas[0]!, "tone")).toHaveLength(4);
  });

  const layers = page.getByRole("list", { name: "Last laid first" }).getByRole("listitem");
  const codes = async () => layers.evaluateAll((items) => items.map((i) => i.getAttribute("data-layer")));

  await test.step("overrule a tone with the finder, undo, redo", async () => {
    const before = await codes();
    await page.getByRole("button", { name: `Exchange ${before[0]}` }).click();
    await page.getByRole("combobox", { name: "Family or code" }).fill("soot9c");
    await page.keyboard.press("Enter");
    await expect(layers.first()).toHaveAttribute("data-layer", "soot9c");
    await expect(layers.first()).toContainText("yours");
    await page.getByRole("button", { name: "Undo" }).click();
    await expect.poll(codes).toEqual(before);
    await page.keyboard.press("Control+Shift+Z");
    await expect(layers.first()).toHaveAttribute("data-layer", "soot9c");
    await expect(savedNotice(page)).toBeVisible();
  });

  await test.step("coats and the order of laying, by keyboard too", async () => {
    await page.getByRole("button", { name: "One coat more of soot9c" }).click();
    const before = await codes();
    await page.getByRole("button", { name: /^Move soot9c/ }).focus();
    await page.keyboard.press("Alt+ArrowDown");
    await expect.poll(codes).toEqual([before[1], before[0], ...before.slice(2)]);
    await expect(savedNotice(page)).toBeVisible();
  });

  await test.step("a reload shows the same plan", async () => {
    const before = await codes();
    await page.reload();
    await listens(page);
    await expect.poll(codes).toEqual(before);
    expect(
      layersOf((await stored(request, id)).document.areas[0]!, "tone").find((t) => t.code === "soot9c"),
    ).toEqual({ medium: "tone", code: "soot9c", coats: 2, overruled: true });
  });

  await test.step("steps and supply lists", async () => {
    const used = (await codes()) as string[];
    await page.getByRole("link", { name: "Steps" }).click();
    const steps = page.getByRole("region", { name: "Area 1" }).getByRole("listitem");
    // Five passes at least, whichever of the offered schools lays it.
    await expect(steps.nth(4)).toBeVisible();
    await expect(steps.last()).toContainText("over all, while wet");
    await expect(page.getByText("flammable solvent")).toBeVisible();
    for (const [format, type] of [
      ["CSV", "text/csv"],
      ["Markdown", "text/markdown"],
    ] as const) {
      const href = await page.getByRole("link", { name: format }).getAttribute("href");
      const answer = await request.get(href!);
      expect(answer.headers()["content-type"]).toContain(type);
      const text = await answer.text();
      for (const code of used) expect(text).toContain(code);
    }
  });
});

test("undo and the plan outlive a change of view, also by the browser's history", async ({
  page,
  request,
}) => {
  const id = await newPiece(page, "Back and forth");
  const names = async () => (await stored(request, id)).document.areas.map((a) => a.name);
  await page.getByRole("button", { name: "Add the first area" }).click();
  await page.getByRole("link", { name: "Steps" }).click();
  await expect(page.getByText("There are no steps yet")).toBeVisible();
  await expect.poll(names).toEqual(["Area 1"]);
  await page.goBack();
  await expect(page.getByRole("heading", { name: "Area 1", exact: true })).toBeVisible();
  await page.getByRole("button", { name: "Add area" }).click();
  await page.getByLabel("Name of the area").fill("Second");
  await page.keyboard.press("Enter");
  await expect.poll(names).toEqual(["Area 1", "Second"]);
  await page.getByRole("link", { name: "Steps" }).click();
  await page.getByRole("button", { name: "Undo" }).click();
  await expect.poll(names).toEqual(["Area 1"]);
  await expect(page.getByText("changed elsewhere")).toHaveCount(0);
});

test("a patch is dragged, areas are named, moved, deleted, and undo brings them back", async ({
  page,
  request,
}) => {
  const id = await newPiece(page, "Two areas");
  await upload(page, "pot.png", "image/png", await bands());
  await page.getByRole("button", { name: "Add area" }).click();
  await page.getByLabel("Name of the area").fill("Rim");
  await page.keyboard.press("Enter");
  await page.getByRole("button", { name: "Add area" }).click();
  await page.getByLabel("Name of the area").fill("Belly");
  await page.keyboard.press("Enter");
  await expect(page.getByRole("heading", { name: "Belly" })).toBeVisible();

  const box = (await page.getByTestId("reference").boundingBox())!;
  await page.mouse.move(box.x + 40, box.y + box.height * 0.42);
  await page.mouse.down();
  await page.mouse.move(box.x + 120, box.y + box.height * 0.58, { steps: 4 });
  await page.mouse.up();
  await expect(page.locator('[data-reading="local"]')).toContainText("even");

  const names = page.getByRole("region", { name: "Areas" }).getByRole("listitem");
  await page.getByRole("button", { name: "Change Belly" }).click();
  await page.getByRole("menuitem", { name: "Colour it earlier" }).click();
  await expect(names.first()).toContainText("Belly");
  await page.getByRole("button", { name: "Change Rim" }).click();
  await page.getByRole("menuitem", { name: "Delete" }).click();
  await expect(names).toHaveCount(2);
  await page.keyboard.press("Control+z");
  await expect(names).toHaveCount(3);
  await expect(savedNotice(page)).toBeVisible();
  expect((await stored(request, id)).document.areas.map((a) => a.name)).toEqual(["Belly", "Rim"]);
});

test("files that are no pictures are refused in words, and nothing is lost", async ({ page }) => {
  await newPiece(page, "Wrong file");
  await upload(page, "notes.png", "image/png", Buffer.from("these are notes"));
  await expect(
    page.getByRole("alert").filter({ hasText: "not a PNG, JPEG, WebP, AVIF, GIF, TIFF or SVG picture" }),
  ).toContainText("notes.png");
  await page.getByRole("button", { name: "Dismiss" }).click();
  await upload(page, "half.png", "image/png", (await bands()).subarray(0, 200));
  await expect(page.getByRole("alert").filter({ hasText: "half.png" })).toBeVisible();
  await upload(page, "pot.png", "image/png", await bands());
  await expect(page.getByTestId("reference")).toBeVisible();
});
