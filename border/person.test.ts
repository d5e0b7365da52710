import { isToldApart, sameName } from "./person";

describe("names by which people sign in", () => {
  it("are the same whatever their capitals and widths", () => {
    expect(sameName("ＭＡＲＥ")).toBe(sameName("mare"));
    expect(sameName("Ánna")).toBe(sameName("A\u0301NNA"));
  });
  it("are refused where they are drawn as another's, and taken in any script that reads as itself", () => {
    for (const name of ["mаre", "сор", "аrе", "Ηanna", "ΑΝΟΥ", "ѕ"]) expect(isToldApart(name)).toBe(false);
    for (const name of ["Mare", "Вера", "Ирина", "Ελένη", "Zoë 2", "花子", "नीला", "Dora-Lu", "مريم"])
      expect(isToldApart(name)).toBe(true);
  });
});
