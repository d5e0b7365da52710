import AxeBuilder from "@axe-core/playwright";
import { writeFileSync } from "node:fs";
import { test } from "./test";
import { open } from "./studio";
import { thingsOf, viewsOf } from "./views";
const only = process.env.ONLY;
for (const half of [0, 1])
  test("try" + half, async ({ page }) => {
    test.setTimeout(900_000);
    const views = viewsOf(await thingsOf(page)).filter(
      (v, i) => i % 2 === half && (!only || v.name.includes(only)),
    );
    const out: string[] = [];
    const t0 = Date.now();
    for (const v of views) {
      try {
        await page.setViewportSize({ width: 1280, height: 800 });
        await open(page, v.path);
        await v.then?.(page);
        await page.waitForTimeout(700);
        for (const width of [1280, 360, 320]) {
          if (width < 1280) await page.setViewportSize({ width, height: 800 });
          const side = await page.evaluate(() => {
            const w = document.documentElement.clientWidth;
            if (document.documentElement.scrollWidth <= w) return "";
            return (
              document.documentElement.scrollWidth -
              w +
              " " +
              [...document.querySelectorAll("body *")]
                .filter((e) => {
                  const r = e.getBoundingClientRect();
                  if (r.right <= w + 0.5 || !r.width) return false;
                  for (let p = e.parentElement; p; p = p.parentElement)
                    if (getComputedStyle(p).overflowX !== "visible") return false;
                  return true;
                })
                .slice(0, 4)
                .map(
                  (e) =>
                    e.tagName +
                    "." +
                    String(e.className).slice(0, 60) +
                    ":" +
                    (e.textContent ?? "").slice(0, 30),
                )
                .join(" || ")
            );
          });
          if (side) out.push(`${width} ${v.name}: SIDEWAYS ${side}`);
          if (width === 320) continue;
          const r = await new AxeBuilder({ page })
            .withTags(["wcag2a", "wcag2aa", "wcag21a", "wcag21aa", "wcag22a", "wcag22aa", "best-practice"])
            .analyze();
          for (const x of r.violations)
            out.push(
              `${width} ${v.name}: ${x.id} x${x.nodes.length} ${x.nodes
                .slice(0, 2)
                .map(
                  (n) =>
                    n.html.slice(0, 160) +
                    " | " +
                    (n.any[0]?.message ?? n.all[0]?.message ?? n.none[0]?.message ?? ""),
                )
                .join("\n      ")}`,
            );
        }
      } catch (e) {
        out.push(`${v.name}: FAILED ${String(e).slice(0, 300)}`);
      }
      writeFileSync(`/tmp/wk/axe${half}.txt`, out.join("\n") + "\n" + (Date.now() - t0) + "\n");
    }
  });
