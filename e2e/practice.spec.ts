import type { EyeAnswer } from "@/core/practice/schedule";
import { expect, test } from "./test";
import { open } from "./studio";

test("the eye is asked of one's own markers, by keys and by hand; answers are kept, once, and offline too", async ({
  page,
}) => {
  const answers = async () =>
    ((await (await page.request.get("/api/practice")).json()) as { answers: EyeAnswer[] }).answers;
  await open(page, "/practice");
  const before = (await answers()).length;
  const eye = page.getByRole("region", { name: "The eye" });
  await eye.getByRole("button", { name: "Find the twin" }).click();
  await eye.getByRole("button", { name: "Begin" }).click();
  await expect(eye.getByText("Which of these comes nearest to the one above?")).toBeVisible({
    timeout: 60_000,
  });
  await expect(eye.getByText("Which of these comes nearest to the one above?")).toBeFocused();
  await page.keyboard.press("2");
  await expect(eye.getByRole("status")).toContainText(
    /^(Right|Not this time)\. .+ is nearer than the next by/,
  );
  // What was chosen once stays chosen.
  await expect(eye.getByRole("button", { name: "Choice 2" })).toHaveAttribute("aria-pressed", "true");
  await expect.poll(async () => (await answers()).length).toBe(before + 1);

  // Without a studio in reach it is kept here, and sent when the page comes back.
  await page.route("**/api/practice", (r) => r.abort());
  await eye.getByRole("button", { name: "Order by lightness" }).click();
  await expect(eye.getByText("Darkest first: choose them one after the other.")).toBeVisible();
  const choices = eye.getByRole("button", { name: /^Choice/ });
  await choices.first().click();
  // The same again takes it back.
  await choices.first().click();
  await expect(choices.first()).toHaveAttribute("aria-pressed", "false");
  for (let i = 0; i < (await choices.count()); i++) await choices.nth(i).click();
  await expect(eye.getByText("It stays on this device.")).toBeVisible();
  expect((await answers()).length).toBe(before + 1);
  await page.unroute("**/api/practice");
  await page.reload();
  await expect.poll(async () => (await answers()).length).toBe(before + 2);
  const csv = await page.request.get("/api/practice/csv");
  expect((await csv.text()).trim().split("\r\n")).toHaveLength(before + 3);
});

test("answers are read strictly: by field, and each once", async ({ page }) => {
  await open(page, "/practice");
  const sound = {
    id: crypto.randomUUID(),
    at: Date.now(),
    kind: "twin",
    family: "rust",
    right: true,
    seconds: 3,
    level: 0.2,
  };
  const send = async (answers: unknown) => {
    const reply = await page.request.post("/api/practice", { data: { answers } });
    return [
      reply.status(),
      reply.status() === 204 ? "" : ((await reply.json()) as { message: string }).message,
    ];
  };
  expect(await send([sound, sound])).toEqual([204, ""]);
  expect(await send([sound])).toEqual([204, ""]);
  for (const [field, value] of Object.entries({
    id: "x",
    at: 1e308,
    kind: "smell",
    family: "\0",
    right: 1,
    seconds: -1,
    level: 1e308,
  })) {
    const [status, message] = await send([{ ...sound, [field]: value }]);
    expect([field, status]).toEqual([field, 422]);
    expect(message).toContain(`answers[0].${field}`);
  }
  expect((await send([]))[0]).toBe(422);
  expect((await send(Array.from({ length: 501 }, () => sound)))[0]).toBe(422);
  expect((await send(null))[0]).toBe(422);
});
