import { deltaE00 } from "@/core/colour/delta-e00";
import { chroma, hue, hueTurn, type Lab } from "@/core/colour/lab";
import { TWIN } from "@/core/ink/twins";
import { isRead, parseCode, type CodeKey, type ParsedCode, type UnreadCode } from "./key";

/** An ink whose code and swatch can be compared. */
export interface CodedSwatch {
  readonly code: string;
  /** One coat on the paper at hand. */
  readonly lab: Lab;
}

export type FindingKind =
  | "does not read"
  | "deeper code, lighter swatch"
  | "greyer code, purer swatch"
  | "hue far from its family"
  | "neighbours are twins";

/** Something that a code promises and the swatch does not show. */
export interface Finding {
  readonly kind: FindingKind;
  readonly codes: readonly string[];
  /** L*, C*, degrees or ΔE00. */
  readonly figure: number;
  readonly unread?: UnreadCode;
  /** Of a hue that is far off: its family, and both hues in degrees. */
  readonly home?: { readonly family: string; readonly at: number; readonly hue: number };
}

/** Limits: readings differ by less than these without anybody being wrong. */
const LIGHTER = 0.8;
const PURER = 2.5;
const FAR_HUE = 28;
/** Below this chroma a hue says nothing. */
const HUE_CHROMA = 9;

type Read = CodedSwatch & { readonly parsed: ParsedCode };

/** Hue home of a family from its own swatches: the direction of their summed chroma. Undefined for greys. */
export function hueHome(labs: readonly Lab[]): number | undefined {
  const coloured = labs.filter((l) => chroma(l) > HUE_CHROMA);
  if (coloured.length < 2) return undefined;
  const [x, y] = coloured.reduce(([a, b], l) => [a + l[1] / chroma(l), b + l[2] / chroma(l)], [0, 0]) as [
    number,
    number,
  ];
  return Math.hypot(x, y) < coloured.length / 3 ? undefined : hue([0, x, y]);
}

/** Pairs of neighbours in a list sorted by what `by` says. */
function neighbours(list: readonly Read[], by: (r: Read) => number): [Read, Read][] {
  const sorted = [...list].sort((a, b) => by(a) - by(b));
  return sorted.slice(1).flatMap((r, i) => (by(r) > by(sorted[i]!) ? [[sorted[i]!, r] as [Read, Read]] : []));
}

function groupsOf(list: readonly Read[], key: (r: Read) => string): Read[][] {
  const out = new Map<string, Read[]>();
  for (const r of list) out.set(key(r), [...(out.get(key(r)) ?? []), r]);
  return [...out.values()];
}

/**
 * Compares what codes promise with what swatches show: unreadable codes, deeper codes that are lighter, greyer codes that are purer, hues far
 * from their family's home, and neighbours that nobody can tell apart. Worst first within each kind.
 * @param homes hue homes that were given, in degrees; families without one get their swatches' own
 */
export function auditCodes(
  key: CodeKey,
  swatches: readonly CodedSwatch[],
  homes: Readonly<Record<string, number | undefined>> = {},
): Finding[] {
  const results = swatches.map((s) => ({ ...s, parsed: parseCode(key, s.code) }));
  const read = results.filter((r): r is Read => isRead(r.parsed));
  const unread = results.flatMap(({ code, parsed }): Finding[] =>
    isRead(parsed)
      ? []
      : [
          {
            kind: "does not read",
            codes: [code],
            figure: 0,
            unread: parsed,
          },
        ],
  );
  const depth: Finding[] = [];
  const twins: Finding[] = [];
  for (const track of groupsOf(
    read.filter((r) => r.parsed.depth !== undefined),
    (r) => `${r.parsed.family}|${r.parsed.greyness}|`,
  ))
    for (const [pale, deep] of neighbours(track, (r) => r.parsed.depth!)) {
      const lighter = deep.lab[0] - pale.lab[0];
      const apart = deltaE00(pale.lab, deep.lab);
      if (lighter > LIGHTER)
        depth.push({
          kind: "deeper code, lighter swatch",
          codes: [pale.code, deep.code],
          figure: lighter,
        });
      if (apart < TWIN)
        twins.push({
          kind: "neighbours are twins",
          codes: [pale.code, deep.code],
          figure: apart,
        });
    }
  const grey: Finding[] = [];
  for (const track of groupsOf(
    read.filter((r) => r.parsed.greyness !== undefined),
    (r) => `${r.parsed.family}|${r.parsed.depth}|`,
  ))
    for (const [clear, dull] of neighbours(track, (r) => r.parsed.greyness!)) {
      const purer = chroma(dull.lab) - chroma(clear.lab);
      if (purer > PURER)
        grey.push({
          kind: "greyer code, purer swatch",
          codes: [clear.code, dull.code],
          figure: purer,
        });
    }
  const far: Finding[] = [];
  for (const family of groupsOf(
    read.filter((r) => r.parsed.family !== undefined),
    (r) => r.parsed.family!,
  )) {
    const name = family[0]!.parsed.family!;
    const home = homes[name] ?? hueHome(family.map((r) => r.lab));
    if (home === undefined) continue;
    for (const r of family) {
      const turn = hueTurn(home, hue(r.lab));
      if (chroma(r.lab) > HUE_CHROMA && Math.abs(turn) > FAR_HUE)
        far.push({
          kind: "hue far from its family",
          codes: [r.code],
          figure: Math.abs(turn),
          home: { family: name, at: home, hue: hue(r.lab) },
        });
    }
  }
  const worst = (a: Finding, b: Finding) => b.figure - a.figure;
  return [
    ...unread,
    ...depth.sort(worst),
    ...far.sort(worst),
    ...grey.sort(worst),
    ...twins.sort((a, b) => a.figure - b.figure),
  ];
}
