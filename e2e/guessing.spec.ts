import { expect, test } from "@playwright/test";
import { closeBrowsers, newBrowser, PASSWORD, startServer, type Server } from "./server";

/** A server of its own: what is tried here bars its names for a while. */
let server: Server;
const SETUP = "abcd-efgh-ijkl-mnop";

test.describe.configure({ mode: "serial" });
test.beforeAll(async ({ request }) => {
  server = await startServer("blendt_guessing", { BLENDT_HOSTS: "studio.test", BLENDT_SETUP_CODE: SETUP });
  const made = await request.post(`${server.url}/api/people`, {
    data: { name: "Wren", password: PASSWORD, code: SETUP },
  });
  expect(made.ok()).toBe(true);
});
test.afterAll(() => server.stop());
test.afterAll(closeBrowsers);

test("guessing is slowed, for names that are nobody's too", async ({ request }) => {
  for (const name of ["nobody", "somebody else"]) {
    const statuses: number[] = [];
    for (let i = 0; i < 12; i++)
      statuses.push(
        (
          await request.post(`${server.url}/api/session`, { data: { name, password: `guess ${i}` } })
        ).status(),
      );
    expect(statuses.slice(0, 10)).toEqual(Array(10).fill(403));
    expect(statuses.slice(10)).toEqual([429, 429]);
    // Signing up under that name forgives nothing.
    await request.post(`${server.url}/api/people`, { data: { name, password: PASSWORD, code: "wrong" } });
    expect(
      (await request.post(`${server.url}/api/session`, { data: { name, password: "guess" } })).status(),
    ).toBe(429);
  }
  // Another name is not in the way of its owner.
  const { status } = await request
    .post(`${server.url}/api/session`, { data: { name: "Wren", password: PASSWORD } })
    .then((a) => ({ status: a.status() }));
  expect(status).toBe(200);
});

test("who has signed in with a browser before is not barred by what strangers try", async ({
  browser,
  request,
}) => {
  const { page } = await newBrowser(browser, server.url);
  const signIn = (from: { readonly post: typeof request.post }, password = PASSWORD) =>
    from.post(`${server.url}/api/session`, { data: { name: "Wren", password } }).then((a) => a.status());
  expect(await signIn(page.request)).toBe(200);
  await page.request.delete(`${server.url}/api/session`);
  // Strangers guess at her name, and at made-up ones until nobody is let try any more.
  for (let i = 0; i < 11; i++) await signIn(request, `guess ${i}`);
  const all = Array.from(
    { length: 250 },
    (_, i) => () =>
      request.post(`${server.url}/api/recovery`, {
        data: { name: `made up ${i}`, code: "abcd-efgh-ijkl", password: "some new password" },
      }),
  );
  for (let i = 0; i < all.length; i += 25) await Promise.all(all.slice(i, i + 25).map((ask) => ask()));
  expect(await signIn(request)).toBe(429);
  expect(await signIn(page.request)).toBe(200);
  // Guessing with such a browser is slowed as well.
  const guesses: number[] = [];
  for (let i = 0; i < 12; i++) guesses.push(await signIn(page.request, `guess ${i}`));
  expect(guesses.slice(-2)).toEqual([429, 429]);
});
