import { sharedMarkdown } from "./shared-file";

const bare = { name: "Kite", studio: "Saltmarsh", paper: "Card", chapters: [], supplies: [], notes: [] };

describe("a shared piece as Markdown", () => {
  it("says what is shown, and has no heading for what is not", () => {
    expect(sharedMarkdown(bare)).toBe("# Kite\n\nShown by Saltmarsh, on Card.\n");
    const all = sharedMarkdown({
      ...bare,
      chapters: [{ title: "Skin", note: "thin", steps: [{ mark: "1", code: "rust2c", says: "all over" }] }],
      supplies: [{ code: "rust2c", used: ["Skin", "Hair"] }],
      notes: [{ area: "Sea", note: "later" }],
    });
    expect(all.split("\n").filter(Boolean)).toEqual([
      "# Kite",
      "Shown by Saltmarsh, on Card.",
      "## Skin",
      "thin",
      "- 1: `rust2c` all over",
      "## Lay ready",
      "- `rust2c`: Skin, Hair",
      "## Notes",
      "- **Sea**: later",
    ]);
  });
  it("takes nothing in it for markup", () => {
    const said = sharedMarkdown({
      ...bare,
      name: "<b>*x*</b>\n# y",
      notes: [{ area: "[a](http://b)", note: "`c`\n\n- d" }],
    });
    expect(said).toContain("# \\<b\\>\\*x\\*");
    expect(said.split("\n").filter((l) => l.startsWith("#"))).toHaveLength(2);
    expect(said).toContain("\\[a\\]\\(http://b\\)");
  });
});
