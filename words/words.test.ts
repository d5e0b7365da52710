import type { Advice } from "@/core/group/advice";
import type { Caution } from "@/core/group/caution";
import { MATERIALS } from "@/core/group/material";
import { SCHOOLS } from "@/core/group/school";
import { adviceInWords } from "./advice";
import { cautionInWords } from "./caution";
import { doubtInWords, refusalInWords } from "./chart";
import { differenceInWords } from "./difference";
import { whyInWords } from "./material";
import { coatsInWords, counted, labInWords, signed } from "./numbers";
import { spreadInWords } from "./patch";
import { shortfallInWords } from "./pencil";
import { SCHOOL_WORDS } from "./school";
import { colourInWords } from "./colour";
import type { Piece } from "@/core/piece/piece";
import type { Supply } from "@/core/stock/supplies";
import { suppliesMarkdown, usesInWords } from "./supplies";

describe("numbers", () => {
  it("have a true minus, and none before nothing", () => {
    expect(signed(-3.4)).toBe("−3");
    expect(signed(-0.2)).toBe("0");
    expect(signed(2.25, 1)).toBe("2.3");
    expect(labInWords([70, -12.4, 30])).toBe("L* 70  a* −12  b* 30");
  });
  it("are counted with their noun", () => {
    expect([counted(1, "tone"), counted(2, "tone"), counted(2, "box", "boxes")]).toEqual([
      "1 tone",
      "2 tones",
      "2 boxes",
    ]);
    expect(coatsInWords(1)).toBe("1 coat");
  });
});

describe("a supply list", () => {
  const list = (name: string, code: string, area: string) =>
    suppliesMarkdown({ name } as Piece, "Card", [
      { code, areas: [area], owned: true, state: "full" } as unknown as Supply,
    ]);
  it("is Markdown in which names mean nothing", () => {
    const text = list("Kite\n# <b>x</b>", "a|`b\n", "[Sea](javascript:1) | *wet*");
    expect(text.split("\n").filter((l) => l.startsWith("#"))).toHaveLength(1);
    expect(text).toContain("\\<b\\>x\\</b\\>");
    expect(text).toContain("| a\\|\\`b  | ready | \\[Sea\\]\\(javascript:1\\) \\| \\*wet\\* |");
  });
  it("shows codes as they are written", () =>
    expect(list("Kite", "clay3m", "Sea")).toContain("| `clay3m` | ready | Sea |"));
});

describe("advice", () => {
  const pair = ["clay1c", "clay7m"] as const;
  const cases: readonly (readonly [Advice, RegExp])[] = [
    [
      { kind: "step too wide", pair, deltaL: 31.6 },
      /^A step of 32 in lightness from clay1c to clay7m.*no owned marker/,
    ],
    [
      {
        kind: "step too wide",
        pair,
        deltaL: 31.6,
        fix: { kind: "insert", after: 0, code: "clay3m", coats: 1 },
      },
      /put clay3m between: you own it\.$/,
    ],
    [{ kind: "twins", pair, deltaE00: 0.84 }, /twins on this paper, 0\.8 ΔE00 apart/],
    [{ kind: "mud", pair, chromaLost: 17.2 }, /loses 17 of colour strength.*thin coat of clay1c/],
    [{ kind: "contrast", contrast: 12.2, wanted: 30 }, /^Contrast 12 where 30 is wanted/],
    [{ kind: "local colour", deltaE00: 6.24 }, /local colour is 6\.2 ΔE00 off: a visible difference/],
  ];
  it.each(cases)("%j says its number and what to do", (advice, says) =>
    expect(adviceInWords(advice)).toMatch(says),
  );
});

describe("cautions", () => {
  it("speak of one grey or of several", () => {
    const greys = [
      { code: "soot3c", b: -2 },
      { code: "soot5c", b: -3 },
    ];
    const caution = (n: number) =>
      ({ kind: "grey temperature", scene: "warm", greys: greys.slice(0, n) }) as Caution;
    expect(cautionInWords(caution(1))).toBe(
      "soot3c (b* −2) is a cool grey in a warm scene: it will look like another light.",
    );
    expect(cautionInWords(caution(2))).toContain("are cool greys");
  });
});

describe("a chart", () => {
  it("is refused with the figure where there is one", () => {
    expect(refusalInWords({ reason: "blurred", figure: undefined })).toMatch(/^The picture is blurred/);
    expect(refusalInWords({ reason: "wrong page", figure: "it says chart 3" })).toMatch(
      / \(it says chart 3\)$/,
    );
  });
  it("says what is doubtful about a cell, also of pages that were read by earlier versions", () => {
    expect(doubtInWords({ kind: "glare", figure: 0.12 })).toContain("12 %");
    expect(doubtInWords({ kind: "glare", figure: 0 })).toContain("beside it glares");
    expect(doubtInWords({ kind: "uneven", figure: 2.34 })).toContain("2.3 within it");
    const old = { kind: "uneven", figure: 0, message: "as it was said" } as const;
    expect(doubtInWords(old)).toBe("as it was said");
  });
});

describe("groups", () => {
  it("differ in words that are worth saying", () => {
    const same = { contrast: 1, warmth: -2, chroma: 0, markers: 0, shared: 3, apart: 1.234 };
    expect(differenceInWords(same)).toBe("much the same look; 3 of the same markers, 1.2 ΔE00 apart");
    expect(differenceInWords({ ...same, contrast: -8, warmth: 5, markers: 0, shared: 0 })).toMatch(
      /^less contrast by 8, warmer by 5; other markers/,
    );
    expect(differenceInWords({ ...same, markers: -1, school: "dark second", shadow: "underlay" })).toMatch(
      /^laid dark second; an underlay makes the shadow; 1 fewer to pull out; much the same look/,
    );
  });
});

describe("everything that is named", () => {
  it.each(MATERIALS)("%s has its reason", (m) => expect(whyInWords[m]).toMatch(/\.$/));
  it.each(SCHOOLS)("%s has its order and what it suits", (s) => {
    expect(SCHOOL_WORDS[s].order).toMatch(/\.$/);
    expect(SCHOOL_WORDS[s].suits.length).toBeGreaterThan(5);
  });
  it("a patch is even, mixed, or should be picked smaller", () =>
    expect([0.3, 3, 12].map(spreadInWords)).toEqual([
      "even",
      "a little mixed",
      "mixed: pick a smaller patch",
    ]));
  it("a value out of reach says why", () => {
    expect(shortfallInWords({ kind: "no white pencil" })).toContain("no white pencil");
    expect(shortfallInWords({ kind: "darkest too light", code: "pencil sloe", lightness: 23.3 })).toContain(
      "lightness 23",
    );
  });
  it("uses are told once an area, with what they are there", () => {
    const use = { piece: "Kite", pieceId: "p", area: "Skin", areaId: "a", coats: 1 };
    expect(
      usesInWords([
        { ...use, medium: "tone" },
        { ...use, medium: "tone" },
        { ...use, medium: "pencil" },
        { ...use, area: "", medium: "underlay of the whole" },
      ]),
    ).toBe("Skin (Kite), Skin (Kite, pencil), the underlay of Kite");
    const many = Array.from({ length: 11 }, (_, i) => ({
      ...use,
      area: `Kelp ${i}`,
      medium: "tone" as const,
    }));
    expect(usesInWords(many)).toMatch(/Kelp 7 \(Kite\) and 3 more$/);
  });
});

describe("a colour that is heard", () => {
  it("has a plain name", () => {
    for (const [lab, name] of [
      [[97, 0, 1], "white"],
      [[50, 1, -2], "grey"],
      [[5, 0, 0], "black"],
      [[53, 80, 67], "red"],
      [[88, 5, 20], "light muted yellow"],
      [[40, 18, 35], "brown"],
      [[25, 10, 22], "dark brown"],
      [[32, 20, -60], "dark violet"],
      [[60, -10, -30], "blue"],
      [[55, -40, 30], "green"],
    ] as const)
      expect(colourInWords(lab)).toBe(name);
  });
  it("has one whatever it is", () => {
    for (let h = 0; h < 360; h += 3)
      for (const L of [0, 30, 60, 100])
        expect(
          colourInWords([L, 40 * Math.cos((h * Math.PI) / 180), 40 * Math.sin((h * Math.PI) / 180)]),
        ).toMatch(/[a-z]/);
  });
});
