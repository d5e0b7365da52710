import { plainly, asCode } from "./plainly";
import { clockInWords } from "./work";

/** A step of an order of work as it goes out. */
export interface OrderRow {
  readonly step: number;
  /** Seconds since the beginning; how long it takes; until when it is wet, where it is ink. */
  readonly start: number;
  readonly seconds: number;
  readonly wetUntil: number | null;
  readonly code: string;
  readonly area: string;
  /** "2 of 3"; empty where an area is not cut. */
  readonly part: string;
  readonly how: string;
  readonly mm2: number;
}

export const ORDER_COLUMNS = [
  ...["step", "start", "seconds", "wet until", "marker", "area", "part", "how", "mm²"],
] as const;

/** Cells of a row, in the order of {@link ORDER_COLUMNS}. */
export const orderCells = (r: OrderRow): string[] => [
  String(r.step),
  clockInWords(r.start),
  String(Math.max(1, Math.round(r.seconds))),
  r.wetUntil === null ? "" : clockInWords(r.wetUntil),
  r.code,
  r.area,
  r.part,
  r.how,
  r.mm2.toFixed(r.mm2 < 10 ? 1 : 0),
];

/** An order of work as a Markdown list to tick, a heading for each marker that is taken up. */
export function orderMarkdown(name: string, sum: string, rows: readonly OrderRow[]): string {
  const lines = [`# ${plainly(name)}: order of work`, "", `${plainly(sum)}.`];
  rows.forEach((r, i) => {
    if (r.code !== rows[i - 1]?.code) lines.push("", `## ${asCode(r.code)}`, "");
    const wet = r.wetUntil === null ? "" : `, wet until ${clockInWords(r.wetUntil)}`;
    const part = r.part && ` part ${r.part}`;
    lines.push(`- [ ] ${clockInWords(r.start)} **${plainly(r.area)}**${part}: ${plainly(r.how)}${wet}`);
  });
  return `${lines.join("\n")}\n`;
}
