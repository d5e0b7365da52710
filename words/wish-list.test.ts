import { sumOf, wishCells, wishMarkdown, type WishRow } from "./wish-list";

const row = (code: string, price = "", nearest = ""): WishRow => ({
  code,
  name: "",
  kind: "marker",
  price,
  nearest,
});

test("a list of wishes has a box for each, what is nearest, and what it comes to", () => {
  expect(wishMarkdown("Saltmarsh", [row("sand4d", "3,50", "sand5m"), row("clay9c", "4")])).toBe(
    [
      "# Saltmarsh: wished for",
      "",
      "- [ ] `sand4d`, 3,50 (nearest owned: `sand5m`)",
      "- [ ] `clay9c`, 4",
      "",
      "Together 7.50.",
      "",
    ].join("\n"),
  );
  expect(wishMarkdown("S", [row("a")])).not.toMatch(/Together/);
  expect(wishCells(row("a", "2", "b"))).toEqual(["a", "", "marker", "2", "b"]);
});

test("prices that are none count for nothing", () => {
  expect(sumOf([row("a", "free"), row("b", " 2.5 "), row("c", "")])).toBe(2.5);
  expect(sumOf([row("a", "1e999"), row("b")])).toBeUndefined();
});
