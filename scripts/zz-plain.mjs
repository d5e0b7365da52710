import { chromium } from "@playwright/test";
const browser = await chromium.launch({ executablePath: "/usr/bin/chromium-headless-shell", args: ["--no-sandbox","--disable-gpu"] });
const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
page.on("console", (m) => m.type() === "error" && console.log("console:", m.text().slice(0, 300)));
page.on("pageerror", (e) => console.log("pageerror", String(e).slice(0, 300)));
const { id } = await (await page.request.post("http://localhost:3000/api/demo", { data: {} })).json();
await page.context().addCookies([{ name: "blendt-studio", value: id, url: "http://localhost:3000" }]);
const html = await (await page.request.get("http://localhost:3000/?find=" + (process.argv[2] ?? "kite"))).text();
const piece = /\/pieces\/([\w-]+)\//.exec(html)[1];
console.log(piece);
await page.goto(`http://localhost:3000/pieces/${piece}/check`);
await page.waitForSelector("html[data-ready]");
await page.waitForFunction(() => !document.body.innerText.match(/Updating|Laying every pass|Looking it over/), null, { timeout: 60000 });
await page.waitForTimeout(1500);
const scan = await page.getByTestId("colouring").evaluate((e) => {
  const c = e instanceof HTMLCanvasElement ? e : e.querySelector("canvas");
  const out = document.createElement("canvas"); const m = Math.round(0.08 * c.width); out.width = c.width + 2 * m; out.height = c.height + 2 * m;
  const g = out.getContext("2d"); g.fillStyle = "#f7f6f2"; g.fillRect(0, 0, out.width, out.height); g.drawImage(c, m, m); g.translate(m, m);
  g.globalCompositeOperation = "multiply";
  
  g.globalCompositeOperation = "screen";
  
  return out.toDataURL("image/jpeg", 0.92).split(",")[1];
});
const part = page.getByRole("region", { name: "As it lies" });
const t = Date.now();
await part.locator("input[type=file]").setInputFiles({ name: "scan.jpg", mimeType: "image/jpeg", buffer: Buffer.from(scan, "base64") });
await part.getByRole("status").filter({ hasText: /places? .*(came out|lie as planned)/ }).waitFor({ timeout: 90000 });
console.log("told after", Date.now() - t);
await page.waitForTimeout(4000);
await part.scrollIntoViewIfNeeded();
await part.evaluate((e) => e.scrollIntoView());
await page.screenshot({ path: "/tmp/a1.png" });
await part.locator("summary").click(); console.log((await part.innerText()).slice(0, 6000)); await browser.close(); process.exit();
const b = part.getByRole("button", { name: "Mend it so" }).first();
if (await b.count()) {
  await b.click();
  await page.waitForTimeout(500);
  await page.screenshot({ path: "/tmp/a2.png" });
  await page.goto(`http://localhost:3000/desk/${piece}`);
  await page.waitForSelector("html[data-ready]");
  await page.waitForTimeout(6000);
  await page.screenshot({ path: "/tmp/a3.png" });
}
await browser.close();
