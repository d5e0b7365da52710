import { anchorOf, termsFor } from "./glossary";
import { GLOSSARY, TERM_PICTURES } from "./glossary-terms";

const terms = GLOSSARY.flatMap((g) => g.terms);

describe("the glossary", () => {
  it("explains each word once, with an anchor of its own", () => {
    const anchors = terms.map(anchorOf);
    expect(new Set(anchors).size).toBe(terms.length);
    expect(anchors.every((a) => /^[a-z0-9]+(-[a-z0-9]+)*$/.test(a))).toBe(true);
  });
  it("says of each what it is and when it matters, in whole sentences", () => {
    for (const { says, matters } of terms)
      for (const text of [says, matters]) expect(text).toMatch(/^[A-Z“].{15,}[.]$/);
  });
  it("has a use for every picture", () => {
    const used = new Set(terms.flatMap((t) => t.picture ?? []));
    expect(TERM_PICTURES.filter((p) => !used.has(p))).toEqual([]);
  });
  it("finds by name first, else by what is said, and all of it for no words", () => {
    const found = (words: string) => termsFor(words).flatMap((g) => g.terms.map((t) => t.term));
    expect(found("wet on")).toEqual(["Wet on wet", "Wet on dry"]);
    expect(found("VIOLET")).toEqual(["Underlay", "Hint"]);
    expect(found("nothing of the kind")).toEqual([]);
    expect(termsFor("  ")).toBe(GLOSSARY);
  });
});
