import { marksInWords, widthsInWords } from "./marks";
import { passWhere } from "./pass";
import { finish } from "@/core/media/finish";

const mark = (kind: "spark" | "line" | "hair" | "dab", width = 0.8) => ({
  kind,
  points: [[0, 0]] as const,
  width,
});

it("marks are counted by kind, with their widths", () => {
  expect(marksInWords([mark("spark")])).toBe("1 spark");
  expect(marksInWords([mark("hair"), mark("spark"), mark("hair"), mark("dab")])).toBe(
    "1 spark, 2 hairs and 1 dab",
  );
  expect(marksInWords([])).toBe("no marks");
  expect(widthsInWords([mark("spark"), mark("line")])).toBe("0.8 mm wide");
  expect(widthsInWords([mark("spark"), mark("line", 12)])).toBe("0.8 to 12 mm wide");
});
it("a finisher says what it sets at its spot, or where it goes as before", () => {
  const zone = { from: 0, to: 1 };
  const spans = { all: zone, light: zone, mids: zone, shadow: zone, edge: zone };
  const laid = {
    school: "layered",
    capacity: 4,
    under: [],
    over: [],
    local: 0,
    spans,
    somethingBeneath: true,
  } as const;
  const where = (marks?: ReturnType<typeof mark>[]) =>
    finish
      .passes([{ medium: "finish", code: "gel", place: "light", ...(marks && { marks }) }], laid)
      .map(passWhere);
  expect(where([mark("spark"), mark("spark")])).toEqual([
    "2 sparks where the picture shows them, 0.8 mm wide",
  ]);
  expect(where([mark("dab")])).toEqual(["1 dab where the picture shows it, 0.8 mm wide"]);
  expect(where([])).toEqual(where());
  expect(where()).toEqual(["in the light"]);
});
