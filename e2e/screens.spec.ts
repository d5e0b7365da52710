import { expect, test } from "./test";
import { open, openKiteMender, openPart } from "./studio";

test("a rack's table is sorted by any column, down and up again", async ({ page }) => {
  await open(page, "/rack?view=table");
  const table = page.getByRole("grid", { name: "Rack" });
  const heading = (name: string) => table.getByRole("columnheader", { name, exact: true });
  const lightness = () =>
    table
      .getByRole("row")
      .evaluateAll((rows) =>
        rows.slice(1, 12).map((r) => Number(r.querySelectorAll('[role="gridcell"]')[4]!.textContent)),
      );
  await heading("Lightness").getByRole("button").click();
  await expect(heading("Lightness")).toHaveAttribute("aria-sort", "ascending");
  expect(await lightness()).toEqual([...(await lightness())].sort((a, b) => a - b));
  await heading("Lightness").getByRole("button").click();
  await expect(heading("Lightness")).toHaveAttribute("aria-sort", "descending");
  expect(await lightness()).toEqual([...(await lightness())].sort((a, b) => b - a));
  await heading("Lightness").getByRole("button").click();
  await expect(heading("Lightness")).toHaveAttribute("aria-sort", "none");
});

test("views of the rack are tabs that the arrows walk, and the address names", async ({ page }) => {
  await open(page, "/rack");
  const tabs = page.getByRole("tablist", { name: "View" });
  await tabs.getByRole("tab", { name: "Tracks" }).focus();
  await page.keyboard.press("ArrowRight");
  await expect(tabs.getByRole("tab", { name: "Table" })).toBeFocused();
  await expect(page).toHaveURL(/view=table/);
  await tabs.getByRole("tab", { name: "Gaps and twins" }).click();
  await expect(page.getByRole("heading", { name: /^Gaps \(\d+\)/ })).toBeVisible();
  await page.goBack();
  await expect(tabs.getByRole("tab", { name: "Table" })).toHaveAttribute("aria-selected", "true");
});

test("edits of the rack that follow each other at once arrive in their order", async ({ page, request }) => {
  await open(page, "/rack?view=table");
  await page.getByLabel("Filter by code").fill("tarn1c");
  const state = page.getByLabel("State of tarn1c");
  const standing = page.getByLabel("Standing of tarn1c");
  await standing.selectOption("owned");
  for (const s of ["low", "dry", "full", "low", "fine", "dry"]) await state.selectOption(s);
  const stored = async () => {
    const file = (await (await request.get("/api/rack?format=json")).json()) as {
      items: { code: string; state: string }[];
    };
    return file.items.find((i) => i.code === "tarn1c")!.state;
  };
  await expect.poll(stored).toBe("dry");
  for (let i = 0; i < 3; i++) await page.getByRole("button", { name: "Undo" }).click();
  await expect(state).toHaveValue("full");
  await expect.poll(stored).toBe("full");
  for (let i = 0; i < 4; i++) await page.getByRole("button", { name: "Undo" }).click();
});

test("a paper is changed in place, wrong numbers are kept within limits, and it says that it was saved", async ({
  page,
  request,
}) => {
  const { id } = (await (
    await request.post("/api/papers", {
      data: { name: `Screen ${Date.now()}`, color: "#f0f0f0", capacity: 4 },
    })
  ).json()) as { id: string };
  await open(page, `/swatchbook/${id}`);
  const facts = page.getByRole("region", { name: "Facts" });
  await facts.getByLabel("Weight, g/m²").fill("5");
  await facts.getByLabel("Weight, g/m²").press("Enter");
  await expect(facts.getByRole("status")).toHaveText("Saved");
  await facts.getByLabel("Grain, 0 to 1").fill("0,4");
  await facts.getByLabel("Grain, 0 to 1").press("Enter");
  const paper = async () =>
    ((await (await request.get(`/api/papers/${id}`)).json()) as { paper: object }).paper;
  await expect.poll(paper).toMatchObject({ weight: 20, grain: 0.4 });
  await facts.getByLabel("Bare colour, hex or L* a* b*").fill("mauve");
  await facts.getByLabel("Bare colour, hex or L* a* b*").blur();
  await expect(facts.getByRole("alert")).toContainText("“mauve” is no colour");
  await expect(page.getByText("usual values of a smooth card stand in")).toBeVisible();
});

test("a paper darker than paper gets says so", async ({ page, request }) => {
  const { id } = (await (
    await request.post("/api/papers", {
      data: { name: `Pitch ${Date.now()}`, color: { lab: [20, 80, -100] }, capacity: 4 },
    })
  ).json()) as { id: string };
  const readings = [1, 2].map((n) => ({
    stack: Array<string>(n).fill("clay1c"),
    color: { lab: [18 - n, 70, -90] },
    source: "hand",
  }));
  await request.post(`/api/papers/${id}/readings`, { data: { readings } });
  await open(page, `/swatchbook/${id}`);
  await expect(page.getByRole("alert").filter({ hasText: "No sheet can have this colour" })).toBeVisible();
});

test("a colour is picked from a photo: white first, then the swatch", async ({ page, request }) => {
  await open(page, "/swatchbook");
  const paper = (await page.getByRole("link", { name: "Smooth white card" }).first().getAttribute("href"))!;
  const stack = ["lake4c", "clay2c"];
  const made = await request.post("/api/trials", {
    data: { paperId: paper.split("/").at(-1), stack, predicted: { lab: [60, 0, 0] } },
  });
  expect(made.status()).toBe(201);
  await open(page, `${paper}?tab=trials`);
  await page
    .locator('[data-trial="lake4c + clay2c"]')
    .getByRole("button", { name: "Pick from a photo" })
    .click();
  const sharp = (await import("sharp")).default;
  const photo = await sharp({ create: { width: 400, height: 300, channels: 3, background: "#e8e4dc" } })
    .composite([
      {
        input: { create: { width: 200, height: 300, channels: 3, background: "#a08070" } },
        left: 200,
        top: 0,
      },
    ])
    .png()
    .toBuffer();
  await page
    .getByLabel("Photo of the trial")
    .setInputFiles({ name: "trial.png", mimeType: "image/png", buffer: photo });
  const image = page.getByRole("img", { name: /^The photo/ });
  const at = async (x: number) => {
    const box = (await image.boundingBox())!;
    await image.click({ position: { x: x * box.width, y: box.height / 2 } });
  };
  await expect(page.getByText("Click on bare paper beside the swatch.")).toBeVisible();
  await at(0.2);
  await expect(page.getByText("Now click on the swatch.")).toBeVisible();
  await at(0.8);
  await expect(page.getByText(/^L\* \d+.*Click again for another place\.$/)).toBeVisible();
  await page.getByRole("button", { name: "Take it" }).click();
  await expect(page.locator('[data-trial="lake4c + clay2c"]')).toContainText(/Read L\* \d+/);
});

test("conflicts can be left for later, and decided then", async ({ page, context }) => {
  await openKiteMender(page);
  const other = await context.newPage();
  await open(other, page.url());
  await page.getByLabel("Name of this area").fill("Skin of hers");
  await page.getByLabel("Name of this area").press("Enter");
  await expect(page.getByRole("status").filter({ hasText: /^Saved$/ })).toBeVisible();
  await other.getByLabel("Size, mm²").fill("700");
  await other.getByLabel("Size, mm²").press("Enter");
  const told = other.getByRole("dialog", { name: "This piece was changed elsewhere" });
  await expect(told.getByRole("heading")).toBeVisible();
  await told.getByRole("button", { name: "Close" }).click();
  await expect(told).toHaveCount(0);
  await expect(other.getByRole("alert").filter({ hasText: "changed elsewhere" })).toBeVisible();
  await openPart(other, "School");
  await other.getByRole("button", { name: "Decide" }).click();
  await other.getByRole("button", { name: "Reload theirs" }).click();
  await expect(other.getByLabel("Name of this area")).toHaveValue("Skin of hers");
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(page.getByLabel("Name of this area")).toHaveValue("Skin");
});
