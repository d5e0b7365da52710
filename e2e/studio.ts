import { expect, type APIRequestContext, type Locator, type Page } from "@playwright/test";
import sharp from "sharp";
import { newPiece as pieceOf } from "@/core/piece/piece";

export interface StoredPiece {
  readonly id: string;
  readonly revision: number;
  readonly document: {
    name: string;
    light: { softness: number };
    areas: {
      id: string;
      name: string;
      tones: number;
      readings: Record<string, unknown>;
      layers: {
        medium: "tone" | "shadow" | "pencil" | "finish";
        code: string;
        coats: number;
        kind?: string;
        place?: string;
        steps?: unknown[];
        locked?: true;
        overruled?: true;
      }[];
    }[];
  };
}

/** Opens a page and waits until it listens. */
export async function open(page: Page, path: string): Promise<void> {
  await page.goto(path);
  await listens(page);
}

/** Waits until the page that was gone to listens. */
export const listens = (page: Page): Promise<void> =>
  page.locator("html[data-ready]").waitFor({ state: "attached" });

/** Layers of a medium in a stored area. */
export const layersOf = (area: StoredPiece["document"]["areas"][number], medium: string) =>
  area.layers.filter((l) => l.medium === medium);

/** Opens a part of the plan of the area that is shown. */
export const openPart = (page: Page, name: string): Promise<void> =>
  page.getByRole("tablist", { name: "Parts of the plan" }).getByRole("tab", { name }).click();

/** Makes a piece without a drawing and opens its Colour. */
export async function newPiece(page: Page, name: string): Promise<string> {
  const made = await page.request.post("/api/pieces", { data: pieceOf(name, null) });
  expect(made.status()).toBe(201);
  const { id } = (await made.json()) as { id: string };
  await open(page, `/pieces/${id}/colour`);
  return id;
}

export const stored = async (request: APIRequestContext, id: string): Promise<StoredPiece> =>
  (await request.get(`/api/pieces/${id}`)).json();

export const savedNotice = (page: Page): Locator => page.getByRole("status").filter({ hasText: /^Saved$/ });

/** A reference of three flat bands: light, local colour and shadow of a terracotta pot. */
export const bands = (): Promise<Buffer> =>
  sharp({ create: { width: 300, height: 300, channels: 3, background: "#c98a6c" } })
    .composite([
      { input: { create: { width: 300, height: 100, channels: 3, background: "#f0c6a6" } }, left: 0, top: 0 },
      {
        input: { create: { width: 300, height: 100, channels: 3, background: "#7f4a3e" } },
        left: 0,
        top: 200,
      },
    ])
    .png()
    .toBuffer();

export async function upload(page: Page, name: string, mimeType: string, buffer: Buffer): Promise<void> {
  await page.locator('input[type="file"]').setInputFiles({ name, mimeType, buffer });
}

/** Clicks the reference at shares of its width and height. */
export async function pickAt(page: Page, x: number, y: number): Promise<void> {
  const box = (await page.getByTestId("reference").boundingBox())!;
  await page.mouse.click(box.x + x * box.width, box.y + y * box.height);
}

/** Waits until light, local colour and shadow were read. */
export async function allRead(page: Page): Promise<void> {
  for (const place of ["light", "local", "shadow"])
    await expect(page.locator(`[data-reading="${place}"]`)).toContainText("lightness");
}

/** Waits for the planner, then gives the codes of each offered group. */
export async function offeredGroups(page: Page): Promise<Locator> {
  const list = page.getByRole("region", { name: "Alternatives" }).getByRole("button");
  await expect(list.first()).toBeVisible({ timeout: 45_000 });
  // What was planned for fewer picks stays until the next plan is there.
  await expect(page.locator("main [aria-busy=true]")).toHaveCount(0, { timeout: 45_000 });
  return list;
}

/** Where a page that the server drew leads by a link with a name; the page need not be opened for it. */
export async function linkIn(page: Page, path: string, name: string): Promise<string> {
  const html = await (await page.request.get(path)).text();
  // What is said for who does not see it, between the link and its name, is passed over.
  const link = [...html.matchAll(/<a [^>]*href="([^"]+)"[^>]*>((?:(?!<\/a>).)*)<\/a>/gs)].find(
    ([, , inside]) => inside!.replaceAll(/<[^>]*>|<!--.*?-->/g, "").trim() === name,
  );
  expect(link, `a link ${name} in ${path}`).toBeDefined();
  return link![1]!;
}

/** Path of a piece's Colour, as the bench has it. */
export const hrefOf = (page: Page, piece: string): Promise<string> =>
  linkIn(page, `/?find=${encodeURIComponent(piece)}`, `Open ${piece}`);

/** The demo piece. */
export async function openKiteMender(page: Page, stage: "colour" | "steps" = "colour"): Promise<void> {
  await open(page, (await hrefOf(page, "The Kite Mender")).replace("colour", stage));
}

/** Adds an area and names it. */
export const addArea = async (page: Page, name: string) => {
  await page.getByRole("button", { name: "Add area" }).click();
  await page.getByLabel("Name of the area").fill(name);
  await page.keyboard.press("Enter");
};

/** Opens what is set of an area's group: one line otherwise. */
export const openSettings = (page: Page) =>
  page.getByRole("button", { name: /^Settings of the group/ }).click();

/** Gives the area at hand a colour that comes from no picture. */
export async function giveColour(page: Page, text: string): Promise<void> {
  const field = page.getByLabel("Colour or marker");
  const giving = page.getByRole("button", { name: "Give a colour" });
  await field.or(giving).first().waitFor();
  if (!(await field.isVisible())) await giving.click();
  await field.fill(text);
  await page.getByRole("button", { name: "Use this colour" }).click();
}
