import { readdirSync, readFileSync } from "node:fs";
import path from "node:path";

const app = path.join(process.cwd(), "app");
const filesCalled = (name: string, root = app): string[] =>
  readdirSync(root, { recursive: true, encoding: "utf8" })
    .filter((f) => path.basename(f) === name)
    .sort();
const source = (file: string) => readFileSync(path.join(app, file), "utf8");

/** What everybody may reach: each gives nothing of a studio away, or wants a code that cannot be guessed. */
const OPEN_HANDLERS = [
  "api/health/route.ts GET",
  "api/people/route.ts POST",
  "api/recovery/route.ts POST",
  "api/session/route.ts POST",
  "api/shared/[code]/card/route.ts GET",
  "api/shared/[code]/colouring/route.ts GET",
  "api/shared/[code]/file/route.ts GET",
  "api/shared/[code]/pictures/[id]/facts/route.ts GET",
  "api/shared/[code]/pictures/[id]/route.ts GET",
];
const OPEN_PAGES = ["join/[code]/page.tsx", "recover/page.tsx", "shared/[code]/page.tsx", "sign-in/page.tsx"];

describe("every handler", () => {
  const exported = filesCalled("route.ts").flatMap((file) =>
    [
      ...source(file).matchAll(/^export (?:const|async function|function) ([A-Z]+)\b(?:\s*=\s*(\w+)\()?/gm),
    ].map(([, method, by]) => ({ name: `${file.split(path.sep).join("/")} ${method}`, by })),
  );
  it("is there to be walked", () => expect(exported.length).toBeGreaterThan(45));
  it("is made by one of the three guards", () =>
    expect(exported.filter((e) => !["route", "personRoute", "openRoute"].includes(e.by!))).toEqual([]));
  it("is open only where it is meant to be", () =>
    expect(exported.filter((e) => e.by === "openRoute").map((e) => e.name)).toEqual(OPEN_HANDLERS));
  it("is exported in no other way", () => {
    const other = filesCalled("route.ts").filter((f) => /export \{|export \*|export default/.test(source(f)));
    expect(other).toEqual([]);
  });
});

describe("every page", () => {
  const pages = filesCalled("page.tsx").map((f) => f.split(path.sep).join("/"));
  it("of a studio asks for the studio itself, or leads to one that does", () => {
    const asks = /currentStudio\(|loadRack\(|loadPiece\(|redirect\(/;
    expect(pages.filter((p) => p.startsWith("(studio)/") && !asks.test(source(p)))).toEqual([]);
  });
  it("outside of one is open only where it is meant to be", () => {
    const open = pages.filter(
      (p) => !p.startsWith("(studio)/") && !/currentVisitor\(|currentStudio\(/.test(source(p)),
    );
    expect(open).toEqual(OPEN_PAGES);
  });
});
