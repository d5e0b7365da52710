import type { Area, Piece } from "@/core/piece/piece";

/** One marker that a piece needs. */
export interface Supply {
  readonly code: string;
  readonly owned: boolean;
  /** full, fine, low or dry; empty for a code that the rack does not know. */
  readonly state: string;
  /** Names of the areas that use it. */
  readonly areas: readonly string[];
}

/** Everything that an area's plan takes in hand: what lies under the shadow, the group, what goes over it, pencils. */
function codesOf({ group, shadow, pencil }: Area): string[] {
  const pencils = pencil?.steps.flatMap((s) => s.layers.map((l) => l.code)) ?? [];
  return [
    ...(group?.tones.map((t) => t.code) ?? []),
    ...(shadow ? [shadow.code] : []),
    ...(pencil?.base ? [pencil.base] : []),
    ...pencils,
  ];
}

/** Markers and pencils that a piece's plans need, in the order in which they are first used. */
export function suppliesOf(
  piece: Piece,
  rack: readonly { readonly code: string; readonly owned: boolean; readonly state: string }[],
): Supply[] {
  const known = new Map(rack.map((m) => [m.code, m]));
  const areas = new Map<string, string[]>();
  for (const code of piece.whole.underlay) areas.set(code, ["underlay of the whole"]);
  for (const area of piece.areas)
    for (const code of codesOf(area)) {
      const names = areas.get(code) ?? [];
      if (!names.includes(area.name)) names.push(area.name);
      areas.set(code, names);
    }
  return [...areas].map(([code, names]) => ({
    code,
    owned: known.get(code)?.owned ?? false,
    state: known.get(code)?.state ?? "",
    areas: names,
  }));
}

const cell = (text: string) => text.replaceAll("\\", "\\\\").replaceAll("|", "\\|").replaceAll("\n", " ");

/** What to do about a marker. */
export const needOf = ({ owned, state }: Supply): string =>
  !owned ? "to buy" : state === "dry" ? "refill: dry" : state === "low" ? "running low" : "ready";

/** Supply list as a Markdown table. */
export function suppliesMarkdown(piece: Piece, paper: string, supplies: readonly Supply[]): string {
  const rows = supplies.map((s) => `| \`${cell(s.code)}\` | ${needOf(s)} | ${cell(s.areas.join(", "))} |`);
  const title = `# ${piece.name}: supply list\n\nPaper: ${paper}. ${supplies.length} marker${supplies.length === 1 ? "" : "s"}.\n\n`;
  return `${title}| marker | state | used in |\n| --- | --- | --- |\n${rows.join("\n")}${rows.length ? "\n" : ""}`;
}
