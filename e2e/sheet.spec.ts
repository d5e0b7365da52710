import { expect, test } from "./test";
import { openKiteMender } from "./studio";

test("a photo of the sheet is laid under the drawing and read against the plan; one of something else is refused", async ({
  page,
}) => {
  await openKiteMender(page);
  await page.getByRole("link", { name: "Check" }).click();
  const colouring = page.getByTestId("colouring");
  await expect(colouring).toBeVisible({ timeout: 60_000 });
  await expect(page.getByText(/^Updating/)).toHaveCount(0, { timeout: 60_000 });
  // The sheet as it will look, scanned: what is read from it is what was planned.
  const scan = await colouring.evaluate((e) => {
    const canvas = e instanceof HTMLCanvasElement ? e : e.querySelector("canvas")!;
    return canvas.toDataURL("image/jpeg", 0.9).split(",")[1]!;
  });
  const part = page.getByRole("region", { name: "As it lies" });
  const file = part.locator("input[type=file]");
  await file.setInputFiles({ name: "scan.jpg", mimeType: "image/jpeg", buffer: Buffer.from(scan, "base64") });
  await expect(part.getByRole("status").filter({ hasText: "areas lie" })).toBeVisible({ timeout: 60_000 });
  expect(await part.getByRole("row").count()).toBeGreaterThan(5);
  await part.getByRole("button", { name: "Compare in the picture" }).click();
  await expect(page.getByAltText("The sheet as it lies, from your photo")).toBeVisible();
  await expect(page.getByLabel("with")).toHaveValue("sheet");

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
