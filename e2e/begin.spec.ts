import type { Page } from "@playwright/test";
import sharp from "sharp";
import { newDemo } from "@/store/copy-studio";
import { unzipSync } from "fflate";
import { expect, test } from "./test";
import { faults } from "./faults";
import { listens, open, pickAt, upload } from "./studio";

/** A swatch sheet of two rows and three columns on a white sheet, photographed straight. */
const COLOURS = ["#e9b9a0", "#d48f6e", "#a65f43", "#c9d8a2", "#9cb56a", "#5f7d3b"];
async function swatchSheet(): Promise<Buffer> {
  const patches = await Promise.all(
    COLOURS.map((background, i) => ({
      input: { create: { width: 120, height: 120, channels: 3 as const, background } },
      left: 100 + 200 * (i % 3),
      top: 100 + 200 * Math.floor(i / 3),
    })),
  );
  return sharp({ create: { width: 700, height: 500, channels: 3, background: "#f5f5f0" } })
    .composite(patches)
    .png()
    .toBuffer();
}

const pointAt = async (page: Page, x: number, y: number) => {
  const box = (await page.getByTestId("sheet-photo").boundingBox())!;
  await page.mouse.click(box.x + (x / 700) * box.width, box.y + (y / 500) * box.height);
};

test("from an empty studio to a first plan: codes typed, a paper, a sheet pointed at, a piece", async ({
  page,
}) => {
  await page.goto("/start");
  await listens(page);
  await page.getByLabel("What it is called").fill("By the window");
  await page.getByLabel("Lengths in").selectOption("in");
  await page.getByLabel("Colouring hand").selectOption("left");
  await page.getByRole("button", { name: "Start your studio" }).click();
  await page.waitForURL(/begin/);
  await listens(page);
  await page.getByLabel(/Type the codes/).fill("clay 2-4 c\nreed 2-4 c");
  await expect(page.getByText("6 markers in 2 families")).toBeVisible();
  // What is typed outlives its page until it is done with.
  await page.waitForTimeout(400);
  await page.reload();
  await listens(page);
  await expect(page.getByLabel(/Type the codes/)).toHaveValue("clay 2-4 c\nreed 2-4 c");
  await page.getByRole("button", { name: "Put them on the rack" }).click();
  await expect(page.getByText("6 markers on the rack")).toBeVisible();
  await expect(page.getByLabel(/Type the codes/)).toHaveValue("");
  const paper = page.getByRole("region", { name: "The paper you colour on" });
  await paper.getByLabel("Name").fill("Card");
  await paper.getByRole("button", { name: "Add the paper" }).click();
  await expect(paper.getByText("Card", { exact: true })).toBeVisible();
  await page.getByRole("button", { name: "Point at the photo" }).click();
  await upload(page, "sheet.png", "image/png", await swatchSheet());
  await expect(page.getByText("2 rows of 3 patches found")).toBeVisible();
  await expect(page.getByRole("textbox", { name: "Columns" })).toHaveValue("3");
  await expect(page.getByRole("button", { name: "Read 6 patches" })).toBeEnabled();
  await page.getByRole("button", { name: "Point at them yourself" }).click();
  await expect(page.getByText("Point at bare paper")).toBeVisible();
  // Aimed half beside the patches, the grid is moved onto them; left where it was aimed, what is read is named and none of it would be kept.
  const top = async () => (await page.getByTestId("sheet-photo").boundingBox())!.y;
  const stands = await top();
  for (const [x, y] of [
    [40, 40],
    [220, 160],
    [620, 160],
    [620, 360],
  ] as const) {
    await pointAt(page, x, y);
    expect(await top()).toBe(stands);
  }
  await expect(page.getByText("6 patches in place, moved onto what lies there")).toBeVisible();
  await page.getByRole("button", { name: "Leave them where you pointed" }).click();
  await page.getByRole("button", { name: "Read 6 patches" }).click();
  await expect(page.getByRole("alert").filter({ hasText: "6 patches are no one colour" })).toBeVisible();
  await expect(page.getByRole("button", { name: /^Keep \d+ reading/ })).toHaveCount(0);
  expect(await top()).toBe(stands);
  // The same with the grid moved onto the patches.
  await page.getByRole("button", { name: "Point again" }).click();
  await pointAt(page, 40, 40);
  await pointAt(page, 190, 130);
  await pointAt(page, 590, 180);
  await pointAt(page, 530, 390);
  await expect(page.getByText("6 patches in place, moved onto what lies there")).toBeVisible();
  expect(await faults(page)).toEqual([]);
  await page.getByRole("button", { name: "Read 6 patches" }).click();
  await page.getByRole("button", { name: "Keep 6 readings" }).click();
  await expect(page.getByText("6 of 6 known on Card")).toBeVisible();
  const rack = (await (await page.request.get("/api/rack?format=json")).json()) as {
    items: { code: string; depth: number; swatches: { lab: number[] }[] }[];
  };
  const read = Object.fromEntries(rack.items.map((m) => [m.code, m.swatches[0]!.lab]));
  // What was painted is what was read: clay2c is #e9b9a0, reed4c #5f7d3b.
  expect(read.clay2c![0]).toBeCloseTo(79.1, 0);
  expect(read.reed4c![0]).toBeCloseTo(48.6, 0);
  expect(rack.items.find((m) => m.code === "clay3c")!.depth).toBe(3);
  await page.getByRole("button", { name: "New piece" }).click();
  await page.getByLabel("Name", { exact: true }).last().fill("First");
  await page.getByRole("button", { name: "Open it" }).click();
  // The tour goes with one's own first piece, stage by stage, until it is dismissed.
  const tour = page.getByRole("region", { name: "A first look round" });
  await expect(tour).toContainText(/1 of 5\s*Set up/);
  expect(await faults(page)).toEqual([]);
  await tour.getByRole("link", { name: "Next: Light" }).click();
  await expect(tour).toContainText(/2 of 5\s*Light/);
  await page.goBack();
  await expect(tour).toContainText("1 of 5");
  await page.getByRole("link", { name: "Go on without a drawing" }).click();
  await page.waitForURL(/colour/);
  await listens(page);
  await expect(tour).toContainText(/3 of 5\s*Colour/);
  await tour.getByRole("button", { name: "No tour" }).click();
  await expect(tour).toHaveCount(0);
  await page.reload();
  await listens(page);
  await expect(page.getByRole("button", { name: "About Colour" })).toBeVisible();
  await expect(tour).toHaveCount(0);
  await page.getByRole("button", { name: "Add area" }).click();
  await page.getByLabel("Name of the area").fill("Skin");
  await page.keyboard.press("Enter");
  await upload(page, "sheet.png", "image/png", await swatchSheet());
  await page.getByTestId("reference").waitFor();
  await pickAt(page, 0.51, 0.32);
  await expect(page.getByRole("region", { name: "Alternatives" }).getByRole("button").first()).toBeVisible({
    timeout: 45_000,
  });
  await expect(page.getByText(/clay[234]c/).first()).toBeVisible();
});

test("colours come from a list, and what is not understood is said by its line", async ({ page }) => {
  await page.goto("/start");
  await listens(page);
  await page.getByLabel("What it is called").fill("By the list");
  await page.getByRole("button", { name: "Start your studio" }).click();
  await page.waitForURL(/begin/);
  await listens(page);
  await page.getByLabel(/Type the codes/).fill("fen 01-12");
  await page.getByRole("button", { name: "Put them on the rack" }).click();
  await expect(page.getByText("12 markers on the rack")).toBeVisible();
  const paper = page.getByRole("region", { name: "The paper you colour on" });
  await paper.getByLabel("Name").fill("Thin");
  await paper.getByRole("button", { name: "Add the paper" }).click();
  await page.getByRole("button", { name: "Type the list" }).click();
  await page.getByLabel(/A line each/).fill("fen01 #f0d0d0\nFEN05; #d06060\nmoor9 #112233\nfen02 blue");
  await expect(
    page.getByText("2 colours of 2 markers understood; not understood: line 3, “moor9” is not on the rack"),
  ).toBeVisible();
  await page.getByRole("button", { name: "Keep 2 readings" }).click();
  await expect(page.getByText("2 of 12 known on Thin")).toBeVisible();
  // Pencils, pens and paints are typed too, each with its colour where one is known.
  await page.getByText("Pencils, pens and other things beside them").click();
  await page.getByLabel("They are").selectOption({ label: "gel pens" });
  await page.getByLabel(/^One a line/).fill("chalk #f8f8f2\ngold thread");
  await expect(page.getByText("2 gel pens, 1 with a colour")).toBeVisible();
  await page.getByRole("button", { name: "Put them beside the markers" }).click();
  await expect(page.getByLabel(/^One a line/)).toHaveValue("");
  const rack = await (await page.request.get("/api/rack?format=csv")).text();
  expect(rack).toMatch(/chalk[^\n]*gel pen/);
  expect(rack).toMatch(/gold thread[^\n]*gel pen/);
});

test("the demo is a copy: it is put back as it was, removed by its name, and fetched again", async ({
  page,
  request,
}) => {
  const studios = async () =>
    (await (await request.get("/api/studios")).json()) as { id: string; name: string; demo: boolean }[];
  const made = (await (
    await request.post("/api/studios", { data: { name: "Mine beside the demo" } })
  ).json()) as {
    id: string;
  };
  // One of its own: those of the workers are needed.
  const { id } = (await newDemo({ kind: "local" }))!;
  expect(((await (await request.post("/api/demo")).json()) as { name: string }).name).toBe(
    "Saltmarsh Studio",
  );
  const within = { "x-blendt-studio": id };
  const pieces = async () => {
    await page.context().addCookies([{ name: "blendt-studio", value: id, url: process.env.BLENDT_URL! }]);
    await open(page, "/");
    return page.getByRole("link", { name: /^Open / }).allTextContents();
  };
  const before = await pieces();
  await request.post("/api/pieces", {
    headers: within,
    data: { version: 1, name: "Added to the demo", paperId: null, pictureId: null, areas: [] },
  });
  expect(await pieces()).toHaveLength(before.length + 1);
  await open(page, "/studio");
  await page.getByRole("button", { name: "Put it back" }).click();
  await page.waitForURL(/\/$/);
  await listens(page);
  expect(await pieces()).toHaveLength(3);
  // Nothing of it is in one's own studio.
  const mine = await request.get("/api/rack?format=json", { headers: { "x-blendt-studio": made.id } });
  expect(mine.status()).toBe(404);
  await open(page, "/studio");
  await page.getByText("It can be fetched again").click();
  await page.getByLabel("Its name, “Saltmarsh Studio”").fill("Saltmarsh Studio");
  await page.getByRole("button", { name: "Remove it" }).click();
  await page.waitForURL(/\/$|begin/);
  expect((await studios()).some((s) => s.id === id)).toBe(false);
  expect((await studios()).some((s) => s.id === made.id)).toBe(true);
});

test("a studio goes out as one zip and comes in again as another, the same in everything", async ({
  request,
}) => {
  const zip = await (await request.get("/api/studio/export")).body();
  const came = await request.post("/api/studios/import", {
    headers: { "content-type": "application/zip" },
    data: zip,
    timeout: 60_000,
  });
  expect(came.status()).toBe(201);
  const { id } = (await came.json()) as { id: string };
  const within = { "x-blendt-studio": id };
  const text = async (url: string, headers?: Record<string, string>) =>
    (await (await request.get(url, headers && { headers })).text()).replace(
      /[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}/g,
      "id",
    );
  for (const format of ["csv", "json", "gpl", "cgats"])
    expect(await text(`/api/rack?format=${format}`, within), format).toBe(
      await text(`/api/rack?format=${format}`),
    );
  expect(await text("/api/groups", within)).toBe(await text("/api/groups"));
  const again = await (await request.get("/api/studio/export", { headers: within })).body();
  // Ids are others, and take as much room.
  expect(Math.abs(again.length - zip.length)).toBeLessThan(zip.length * 0.01);
  for (const [data, says] of [
    [Buffer.from("no zip"), "expected a whole zip file"],
    [zip.subarray(0, zip.length >> 1), "expected a whole zip file"],
    [Buffer.alloc(0), "expected a whole zip file"],
  ] as const) {
    const refused = await request.post("/api/studios/import", {
      headers: { "content-type": "application/zip" },
      data,
    });
    expect(refused.status()).toBe(422);
    expect(await refused.text()).toContain(says);
  }
});

test("a studio that is put back while it goes out goes out whole, as it was at one moment", async ({
  request,
}) => {
  const { id } = (await (await request.post("/api/demo", { data: {} })).json()) as { id: string };
  const headers = { "x-blendt-studio": id };
  const named = (list: readonly string[], folder: string) => list.filter((n) => n.startsWith(folder)).length;
  const zipNow = async () => {
    const answer = await request.get("/api/studio/export", { headers, timeout: 60_000 });
    expect(answer.status()).toBe(200);
    return unzipSync(new Uint8Array(await answer.body()));
  };
  const before = Object.keys(await zipNow());
  const resets = (async () => {
    for (let i = 0; i < 3; i++) expect((await request.put("/api/demo", { headers })).ok()).toBe(true);
  })();
  const zips = await Promise.all([zipNow(), zipNow(), zipNow()]);
  await resets;
  for (const files of [...zips, await zipNow()]) {
    const names = Object.keys(files);
    const said = JSON.parse(new TextDecoder().decode(files["studio.json"]!)) as {
      pictures: { file: string }[];
    };
    for (const { file } of said.pictures) expect(names).toContain(file);
    for (const folder of ["pictures/", "pieces/", "readings/", "other programs/"])
      expect(named(names, folder), folder).toBe(named(before, folder));
  }
});
