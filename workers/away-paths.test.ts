import { isDeskPage, isDeskThing, isScript, keyOfScript } from "./away-paths";

const ID = "0f8fad5b-d9cb-469f-a165-70867728950e";

describe("what is kept for the desk", () => {
  it("is its page, its rack and its pictures", () => {
    expect(isDeskPage(`/desk/${ID}`)).toBe(true);
    expect(isDeskPage("/have")).toBe(true);
    expect(isDeskPage("/haven")).toBe(false);
    for (const path of [
      `/api/papers/${ID}`,
      `/api/pictures/${ID}`,
      `/api/pictures/${ID}/facts`,
      `/api/pictures/${ID}/drawing`,
      `/api/pieces/${ID}/colouring`,
    ])
      expect(isDeskThing(path)).toBe(true);
    expect(isScript("/_next/static/chunks/a.js")).toBe(true);
  });
  it("tells workers apart that begin with one script", () => {
    const script = "https://x.example/_next/static/chunks/begin.js";
    const [one, two] = ["#params=a", "#params=b"].map((h) => keyOfScript(script + h));
    expect(one).not.toBe(two);
    expect([one, two].some((k) => k!.includes("#"))).toBe(false);
    expect(keyOfScript(script)).toBe(script);
  });
  it("is nothing that says who somebody is, and nothing that others make", () => {
    for (const path of [
      "/",
      "/studio",
      `/pieces/${ID}/steps`,
      "/sign-in",
      `/desk/${ID}/..`,
      `/desk/x`,
      `/shared/desk/${ID}`,
    ])
      expect(isDeskPage(path)).toBe(false);
    for (const path of [
      "/api/session",
      "/api/studio/export",
      `/api/pieces/${ID}`,
      `/api/pieces/${ID}/work`,
      `/api/shared/x/pictures/${ID}`,
    ])
      expect(isDeskThing(path)).toBe(false);
  });
});
