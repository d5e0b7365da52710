import { expect, test } from "./test";
import type { WorkEvent } from "@/core/work/record";
import { open, openKiteMender } from "./studio";

test("a photo of the sheet is laid under the drawing and read against the plan; one of something else is refused", async ({
  page,
}) => {
  await openKiteMender(page);
  await page.getByRole("link", { name: "Check" }).click();
  const colouring = page.getByTestId("colouring");
  await expect(colouring).toBeVisible({ timeout: 60_000 });
  await expect(page.getByText(/^Updating/)).toHaveCount(0, { timeout: 60_000 });
  // The sheet as it will look, scanned with its margin: what is read from it is what was planned.
  const scan = (darkened: boolean) =>
    colouring.evaluate((e, dark) => {
      const drawn = e instanceof HTMLCanvasElement ? e : e.querySelector("canvas")!;
      const margin = Math.round(0.08 * drawn.width);
      const canvas = document.createElement("canvas");
      [canvas.width, canvas.height] = [drawn.width + 2 * margin, drawn.height + 2 * margin];
      const on = canvas.getContext("2d")!;
      on.fillStyle = "#f7f6f2";
      on.fillRect(0, 0, canvas.width, canvas.height);
      on.drawImage(drawn, margin, margin);
      if (dark) {
        on.globalCompositeOperation = "multiply";
        on.fillStyle = "#a08c78";
        on.fillRect(
          margin + 0.5 * drawn.width,
          margin + 0.55 * drawn.height,
          drawn.width / 4,
          drawn.height / 4,
        );
      }
      return canvas.toDataURL("image/jpeg", 0.9).split(",")[1]!;
    }, darkened);
  const part = page.getByRole("region", { name: "As it lies" });
  const file = part.locator("input[type=file]");
  const take = async (darkened: boolean) =>
    file.setInputFiles({
      name: darkened ? "dark.jpg" : "scan.jpg",
      mimeType: "image/jpeg",
      buffer: Buffer.from(await scan(darkened), "base64"),
    });
  await take(false);
  await expect(part.getByText(/^All \d+ places lie as planned/)).toBeVisible({ timeout: 60_000 });
  await part.getByText("Every place that was read").click();
  expect(await part.getByRole("row").count()).toBeGreaterThan(5);
  await part.getByRole("button", { name: "Compare in the picture" }).click();
  await expect(page.getByAltText("The sheet as it lies, from your photo")).toBeVisible();
  await expect(page.getByLabel("with")).toHaveValue("sheet");

  // Part of it came out darker: that is told, with what mends it, and waits at the desk until it is laid.
  await page.getByLabel("Compare").selectOption("one");
  await take(true);
  const otherwise = part.getByRole("list", { name: "What came out otherwise" });
  await expect(otherwise.getByRole("listitem").first()).toContainText("Darker", { timeout: 60_000 });
  await otherwise.getByRole("button", { name: "Mend it so" }).first().click({ timeout: 60_000 });
  await expect(part.getByText(/^Waits at the desk/)).toBeVisible();
  const id = page.url().split("/")[4]!;
  await expect
    .poll(async () => {
      const answer = await page.request.get(`/api/pieces/${id}/work`);
      return ((await answer.json()) as { events: WorkEvent[] }).events.some((e) => e.kind === "mend");
    })
    .toBe(true);
  const desk = await page.context().newPage();
  await open(desk, `/desk/${id}`);
  const toMend = desk.getByRole("region", { name: "To mend" });
  await expect(toMend.getByRole("listitem")).toHaveCount(1);
  await toMend.getByRole("button", { name: "Laid" }).click();
  await expect(toMend).toHaveCount(0);
  await desk.close();

  const grey = await page.evaluate(() => {
    const canvas = document.createElement("canvas");
    [canvas.width, canvas.height] = [900, 700];
    const on = canvas.getContext("2d")!;
    on.fillStyle = "#999";
    on.fillRect(0, 0, 900, 700);
    return canvas.toDataURL("image/png").split(",")[1]!;
  });
  await file.setInputFiles({ name: "wall.png", mimeType: "image/png", buffer: Buffer.from(grey, "base64") });
  await expect(part.getByRole("alert")).toContainText("No line is seen in the photo", { timeout: 60_000 });
  await part.getByRole("button", { name: "Put away" }).click();
  await expect(part.getByRole("row")).toHaveCount(0);
});
