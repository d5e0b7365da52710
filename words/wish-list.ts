import { asCode, plainly } from "./plainly";
import { moneyInWords } from "./purchases";

/** Something that is wished for, as it goes out on a list. */
export interface WishRow {
  readonly code: string;
  readonly name: string;
  readonly kind: string;
  /** As it was written down; nothing where nobody knows it. */
  readonly price: string;
  /** The nearest that is owned, where that is known. */
  readonly nearest: string;
}

export const WISH_COLUMNS = ["code", "name", "kind", "price", "nearest owned"] as const;

/** Cells of a row, in the order of {@link WISH_COLUMNS}. */
export const wishCells = (r: WishRow): string[] => [r.code, r.name, r.kind, r.price, r.nearest];

/** What the priced ones come to; undefined where none has a price. */
export function sumOf(rows: readonly Pick<WishRow, "price">[]): number | undefined {
  const known = rows.map((r) => Number(r.price.replace(",", ".").trim() || NaN)).filter(Number.isFinite);
  return known.length ? known.reduce((a, b) => a + b, 0) : undefined;
}

/** A list of wishes as Markdown, with boxes to tick. */
export function wishMarkdown(studio: string, rows: readonly WishRow[]): string {
  const sum = sumOf(rows);
  return [
    `# ${plainly(studio)}: wished for`,
    "",
    ...rows.map(
      (r) =>
        `- [ ] ${asCode(r.code)}${r.name ? ` ${plainly(r.name)}` : ""}${r.price ? `, ${plainly(r.price)}` : ""}${r.nearest ? ` (nearest owned: ${asCode(r.nearest)})` : ""}`,
    ),
    ...(sum === undefined ? [] : ["", `Together ${moneyInWords(sum)}.`]),
    "",
  ].join("\n");
}
