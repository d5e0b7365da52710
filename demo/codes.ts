import type { CodeKey } from "@/core/codes/key";
import { secondFamilies } from "@/sim/second-range";
import { demoFamilies } from "./markers";

const asWords = (families: readonly string[]) => families.map((f) => ({ written: f, name: f }));

/** Family word, depth 1 to 9, clarity. */
export const saltmarshKey: CodeKey = {
  parts: [
    { kind: "words", means: "family", words: asWords(demoFamilies) },
    { kind: "digits", means: "depth", least: 1, most: 1, rising: true },
    {
      kind: "words",
      means: "greyness",
      words: [
        { written: "c", name: "clear" },
        { written: "m", name: "muted" },
        { written: "d", name: "dusky" },
      ],
    },
  ],
  examples: ["clay3m", "soot9c", "lake8c"],
};

/** Paleness, a dot, family, and how greyed. */
export const skerryKey: CodeKey = {
  parts: [
    { kind: "digits", means: "depth", least: 2, most: 2, rising: false },
    { kind: "separator", text: "." },
    { kind: "words", means: "family", words: asWords(secondFamilies) },
    {
      kind: "words",
      means: "greyness",
      optional: true,
      words: [
        { written: ".x", name: "greyed" },
        { written: ".xx", name: "very grey" },
      ],
    },
  ],
  examples: ["65.kelp", "35.coral.xx"],
};
