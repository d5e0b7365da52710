import { decodeText } from "@/workers/decode-text";
import { colourTyped } from "./swatchbook/typed-colour";

const bytes = (...values: number[]) => Uint8Array.from(values).buffer;

describe("text of a file whose encoding nobody says", () => {
  it("is UTF-8, UTF-16 by its mark, or else Windows-1252", () => {
    expect(decodeText(new TextEncoder().encode("grün").buffer as ArrayBuffer)).toEqual({
      text: "grün",
      encoding: "UTF-8",
    });
    expect(decodeText(bytes(0x67, 0x72, 0xfc, 0x6e))).toEqual({ text: "grün", encoding: "Windows-1252" });
    expect(decodeText(bytes(0xff, 0xfe, 0x67, 0, 0xfc, 0))).toEqual({ text: "gü", encoding: "UTF-16" });
  });
});

describe("a colour typed by hand", () => {
  it("is hex or three numbers, with whatever between them", () => {
    expect(colourTyped(" C8A27A ")).toBe("#c8a27a");
    expect(colourTyped("#c8a27a")).toBe("#c8a27a");
    expect(colourTyped("70, 12; −30.5")).toEqual({ lab: [70, 12, -30.5] });
  });
  it.each(["", "blue", "70 12", "120 0 0", "70 12 30 4", "#12345"])("is not %j", (text) =>
    expect(colourTyped(text)).toBeUndefined(),
  );
});
