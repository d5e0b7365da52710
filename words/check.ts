/** What was noticed when a predicted colouring was looked over. */
export type Noticed =
  | {
      readonly kind: "merging";
      readonly areas: readonly [string, string];
      readonly share: number;
      readonly deltaE00: number;
    }
  | { readonly kind: "off target"; readonly area: string; readonly deltaE00: number }
  | { readonly kind: "small highlight"; readonly area: string; readonly mm2: number }
  | { readonly kind: "lost highlight"; readonly area: string; readonly darker: number }
  | { readonly kind: "pale cover"; readonly area: string; readonly turn: number }
  | { readonly kind: "flat"; readonly span: number }
  | { readonly kind: "less contrast"; readonly span: number; readonly wanted: number };

/** What was noticed, in a colourist's words; the figure comes after. */
export function noticedInWords(
  n: Noticed,
  nameOf: (id: string) => string,
): { says: string; figure: string; advice: string } {
  switch (n.kind) {
    case "merging":
      return {
        says: `${nameOf(n.areas[0])} and ${nameOf(n.areas[1])} run together along ${n.share > 0.85 ? "all" : n.share > 0.5 ? "most" : "part"} of their border`,
        figure: `${n.deltaE00.toFixed(1)} ΔE00 apart there`,
        advice: "deepen the one that lies behind where they touch, or leave a pale rim",
      };
    case "off target":
      return {
        says: `${nameOf(n.area)} will come out a different colour from the one you picked`,
        figure: `${n.deltaE00.toFixed(1)} ΔE00 over all of it`,
        advice: "plan its group anew, or let it cover another part of the area",
      };
    case "small highlight":
      return {
        says: `The lightest tone of ${nameOf(n.area)} has ${n.mm2 < 0.05 ? "no room" : "hardly any room"}`,
        figure: `${n.mm2.toFixed(1)} mm²`,
        advice: "move its border in Light, or leave that tone out",
      };
    case "lost highlight":
      return {
        says: `The highlight of ${nameOf(n.area)} is covered by darker tones`,
        figure: `${n.darker.toFixed(0)} darker than was picked`,
        advice: "keep a spot white, or lift it with the blender at the end",
      };
    case "pale cover":
      return {
        says: `The colour of ${nameOf(n.area)} is too pale for its underlay: the shadow keeps the underlay's hue`,
        figure: `${n.turn.toFixed(0)}° of hue`,
        advice: "one more coat there, a deeper cover, or a weaker underlay",
      };
    case "flat":
      return {
        says: "The whole picture has little contrast",
        figure: `${n.span.toFixed(0)} in lightness from dark to light`,
        advice: "widen the groups of what should stand out",
      };
    case "less contrast":
      return {
        says: "The whole picture is flatter than its reference",
        figure: `${n.span.toFixed(0)} in lightness instead of ${n.wanted.toFixed(0)}`,
        advice: "deepen the darkest areas, or leave more paper white",
      };
  }
}

/** From so many areas on, of which the same is to be said, it is said once. */
const TOGETHER = 3;
type OfArea = Extract<Noticed, { readonly area: string }>;
const SAID_OF_ALL: Readonly<Record<OfArea["kind"], string>> = {
  "off target": "will come out in other colours than you picked",
  "small highlight": "have hardly any room for their lightest tone",
  "lost highlight": "have their highlight covered by darker tones",
  "pale cover": "are too pale for their underlay: the shadow keeps the underlay's hue",
};
const UNITS: Readonly<Record<OfArea["kind"], string>> = {
  "off target": "ΔE00 over all of it",
  "small highlight": "mm²",
  "lost highlight": "darker than was picked",
  "pale cover": "degrees of hue",
};
const figureOf = (n: OfArea): number => {
  switch (n.kind) {
    case "off target":
      return n.deltaE00;
    case "small highlight":
      return n.mm2;
    case "lost highlight":
      return n.darker;
    case "pale cover":
      return n.turn;
  }
};

/** One thing that is said, of one area, two, or many. */
export type NoticedLine = ReturnType<typeof noticedInWords> & {
  readonly kind: Noticed["kind"];
  readonly areas: readonly string[];
};

/** What was noticed, in the order in which it was; what is the same of many areas is one sentence with all their figures, worst first. */
export function noticedTogether<N extends Noticed & ReturnType<typeof noticedInWords>>(
  noticed: readonly N[],
  nameOf: (id: string) => string,
): NoticedLine[] {
  const said = new Set<string>();
  return noticed.flatMap((n): NoticedLine[] => {
    const same = noticed.filter((o) => o.kind === n.kind && "area" in o) as (N & OfArea)[];
    const areas = "areas" in n ? n.areas : "area" in n ? [n.area] : [];
    if (same.length < TOGETHER) return [{ ...n, areas }];
    if (said.has(n.kind)) return [];
    said.add(n.kind);
    const kind = same[0]!.kind;
    const digits = kind === "off target" || kind === "small highlight" ? 1 : 0;
    const worst = kind === "small highlight" ? 1 : -1;
    const figures = [...same]
      .sort((a, b) => worst * (figureOf(a) - figureOf(b)))
      .map((o) => `${nameOf(o.area)} ${figureOf(o).toFixed(digits)}`);
    return [
      {
        kind,
        areas: same.map((o) => o.area),
        says: `${same.length} areas ${SAID_OF_ALL[kind]}`,
        figure: `${figures.join(", ")} ${UNITS[kind]}`,
        advice: n.advice.replace("its group", "their groups"),
      },
    ];
  });
}
