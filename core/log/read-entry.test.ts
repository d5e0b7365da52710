import fc from "fast-check";
import { MOST_ENTERED, readEntry } from "./read-entry";

const codes = ["rust2c", "rust3m", "rust4m", "plum3c", "35.brine.xx", "reed-1"];

describe("an entry by hand", () => {
  it("says what was laid on what, how often, and what came of it", () =>
    expect(readEntry("skin: rust2c, rust3m ×2, RUST4m; too red; next time plum under it", codes)).toEqual({
      subject: "skin",
      tones: [
        { code: "rust2c", coats: 1 },
        { code: "rust3m", coats: 2 },
        { code: "rust4m", coats: 1 },
      ],
      note: "too red; next time plum under it",
      unknown: [],
    }));
  it.each([
    ["rust2c×3", [3]],
    ["rust2c x 2", undefined],
    ["rust2c x2", [2]],
    ["2x rust2c + rust3m", [2, 1]],
    ["35.brine.xx*2 reed-1", [2, 1]],
    ["rust2c ×99", [12]],
  ])("reads %s", (line, coats) => {
    const { tones, note } = readEntry(line, codes);
    if (coats) expect(tones.map((t) => t.coats)).toEqual(coats);
    else expect(note).toBe(line);
  });
  it("tells what looks like a code and is none, and takes a sentence with a code in it for a note", () => {
    expect(readEntry("sky: lake9c rust2c", codes)).toMatchObject({
      unknown: ["lake9c"],
      tones: [{ code: "rust2c" }],
    });
    expect(readEntry("next time plum3c under it", codes)).toMatchObject({
      tones: [],
      note: "next time plum3c under it",
    });
  });
  it("loses no word of any line, and takes so many tones at most", () => {
    fc.assert(
      fc.property(fc.string({ maxLength: 200 }), (line) => {
        const { subject, tones, note, unknown } = readEntry(line, codes);
        const said = [subject, note, ...tones.map((t) => t.code), ...unknown].join(" ").toLowerCase();
        for (const word of line
          .toLowerCase()
          .split(/[\s,;:+×x*\n\d]+/)
          .filter((w) => w.length > 1))
          expect(said).toContain(word);
      }),
    );
    expect(readEntry("rust2c ".repeat(60), codes).tones).toHaveLength(MOST_ENTERED);
  });
});
