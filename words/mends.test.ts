import { mendInWords } from "./mends";

const nameOf = (id: string) => ({ a: "Sea", b: "Sky" })[id] ?? id;
const group = (id: string, codes: readonly string[], under?: number) => ({
  id,
  tones: codes.map((code, i) => ({ code, coats: i + 1 })),
  shade: under ? [{ kind: "underlay", code: "plum4c", coats: under }] : [],
});
const base = { areas: ["a"], off: [7.3, 3.1], figure: [12.4, 2] } as const;

test("each way to mend something is said with what it changes", () => {
  expect(
    mendInWords({ ...base, kind: "small highlight", means: "border", figure: [0.2, 8] }, nameOf),
  ).toEqual({
    says: "Sea: its lightest tone gets more room.",
    figure: "0.2 → 8.0 mm², 7.3 → 3.1 ΔE00",
    take: "Move its border",
  });
  expect(
    mendInWords({ ...base, kind: "small highlight", means: "without lightest", figure: [0.2, 0] }, nameOf)
      .figure,
  ).toBe("7.3 → 3.1 ΔE00");
  expect(
    mendInWords(
      { ...base, kind: "lost highlight", means: "other tone", groups: [group("a", ["sand1l", "sand3m"])] },
      nameOf,
    ),
  ).toMatchObject({
    says: "Sea: sand1l, sand3m ×2.",
    figure: "12 → 2 darker than picked, 7.3 → 3.1 ΔE00",
  });
  const under = (coats?: number) =>
    mendInWords(
      {
        ...base,
        kind: "pale cover",
        means: "underlay",
        figure: [24, 0],
        groups: [group("a", ["sea3m"], coats)],
      },
      nameOf,
    ).says;
  expect(under(1)).toBe("Sea: one coat less of underlay.");
  expect(under()).toBe("Sea: no underlay.");
  expect(
    mendInWords(
      {
        ...base,
        kind: "merging",
        areas: ["a", "b"],
        means: "other group",
        figure: [0.92, 0.1],
        groups: [group("a", ["sea3m"]), group("b", ["sky2l"])],
      },
      nameOf,
    ),
  ).toMatchObject({ says: "Sea: sea3m; Sky: sky2l.", figure: "92 → 10 % of their border, 7.3 → 3.1 ΔE00" });
});
