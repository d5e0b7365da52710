import { shortName } from "@/border/names";
import type { Area, PictureReading, Place } from "@/core/piece/piece";
import { readingsLike } from "./like-area";

/** What a line says of an area. */
export interface ListedArea {
  readonly id: string;
  readonly name?: string;
  readonly readings?: Area["readings"];
}

export interface AreaList {
  /** Each area once: the last line that names it counts. */
  readonly areas: readonly ListedArea[];
  readonly problems: readonly { readonly line: number; readonly why: string }[];
}

/** Lines that are read; a piece has no more areas than that. */
const MOST_LINES = 500;
const LONGEST_LINE = 300;
const LONGEST_NAME = 74;
/** "1", "2-5", "3, 7": areas by their numbers, then what they are called from now on. */
const NUMBERS = /^(\d{1,3}(?:\s*[-–]\s*\d{1,3})?(?:\s*,\s*\d{1,3}(?:\s*[-–]\s*\d{1,3})?)*)(?:\s+(.*))?$/;

/** Areas that the head of a line means, and their new name; undefined when there is no such area. */
function meant(
  head: string,
  areas: readonly Area[],
): { readonly areas: readonly Area[]; readonly name?: string } | undefined {
  const named = areas.filter((a) => a.name.toLowerCase() === head.toLowerCase());
  if (named.length) return { areas: named };
  const [, numbers, name] = NUMBERS.exec(head) ?? [];
  if (!numbers) return undefined;
  const found: Area[] = [];
  for (const part of numbers.split(",")) {
    const [from, to = from] = part.split(/[-–]/).map((n) => Number(n.trim()));
    if (!from || !to || to < from || to > areas.length) return undefined;
    found.push(...areas.slice(from - 1, to));
  }
  return { areas: found, ...(name && { name: shortName(name, LONGEST_NAME) }) };
}

/**
 * Names and colours of areas as a list: a line each with the number, numbers or name of areas, a new name after a number, and after a colon (or a
 * tab) their colours: one, or light, local and shadow, or like another area. "2-5 petal: #f6d860 #e3a51f #9a4a14" makes petal 1 to petal 4.
 * @param colours reads what stands after the colon; undefined when it is no colour
 */
export function readAreaList(
  text: string,
  areas: readonly Area[],
  colours: (text: string) => { readonly [P in Place]?: PictureReading } | undefined,
): AreaList {
  const said = new Map<string, ListedArea>();
  // A line may go by what a line before it said.
  let now = areas;
  const problems: { line: number; why: string }[] = [];
  const lines = text.split(/\r?\n/);
  if (lines.length > MOST_LINES) problems.push({ line: MOST_LINES + 1, why: `at most ${MOST_LINES} lines` });
  lines.slice(0, MOST_LINES).forEach((raw, i) => {
    const line = raw.slice(0, LONGEST_LINE).trim();
    if (!line) return;
    const parted = /^([^:\t]*)[:\t](.*)$/.exec(line);
    const [head, rest] = parted ? [parted[1]!.trim(), parted[2]!.trim()] : [line, ""];
    const of = meant(head, now);
    if (!of) return problems.push({ line: i + 1, why: `there is no area “${head.slice(0, 30)}”` });
    const readings = rest ? (readingsLike(rest, now) ?? colours(rest)) : undefined;
    if (rest && !readings) return problems.push({ line: i + 1, why: `“${rest.slice(0, 30)}” is no colour` });
    if (!readings && !of.name)
      return problems.push({ line: i + 1, why: "neither a new name nor a colour is given" });
    of.areas.forEach((a, n) => {
      const name = of.name && (of.areas.length > 1 ? `${of.name} ${n + 1}` : of.name);
      said.set(a.id, {
        ...said.get(a.id),
        id: a.id,
        ...(name && { name }),
        ...(readings && { readings }),
      });
    });
    now = now.map((a) => {
      const own = said.get(a.id);
      return own ? { ...a, name: own.name ?? a.name, readings: { ...a.readings, ...own.readings } } : a;
    });
    return undefined;
  });
  return { areas: [...said.values()], problems };
}
