import { differenceWords } from "./closeness";
import { liesInWords } from "./sheet";
import type { Lab } from "@/core/colour/lab";
import type { Cause, Explained } from "@/core/sheet/why";
import { coatsInWords } from "./numbers";

/** Something that would make a place come out as it was read. */
export interface WhyOff {
  readonly kind: Cause["kind"];
  /** The planned marker that it is about, and the one that may have been taken instead. */
  readonly code?: string;
  readonly instead?: string;
  /** ΔE00 that it leaves unexplained. */
  readonly left: number;
  readonly says: string;
}

const SHARE_WORDS: readonly (readonly [share: number, word: string])[] = [
  [0.3, "about a quarter of it"],
  [0.6, "about half of it"],
  [0.9, "most of it"],
  [Infinity, "all of it"],
];
const shareInWords = (share: number) => SHARE_WORDS.find(([to]) => share <= to)![1];

/** A cause in words: of what lies, never of who laid it. */
export function byWhatInWords(cause: Cause, codeOf: (ink: number) => string): WhyOff {
  const { kind, left } = cause;
  switch (cause.kind) {
    case "fewer":
    case "more": {
      const code = codeOf(cause.ink);
      const lies = cause.planned + (cause.kind === "fewer" ? -1 : 1);
      const says =
        lies === 0
          ? `as if ${code} were not there yet`
          : `as ${coatsInWords(lies)} of ${code} would look, where ${coatsInWords(cause.planned)} ${cause.planned === 1 ? "was" : "were"} planned`;
      return { kind, left, code, says };
    }
    case "lighter tone":
      return { kind, left, says: `as if the lighter tone beside it covered ${shareInWords(cause.share)}` };
    case "darker tone":
      return { kind, left, says: `as if the darker tone beside it covered ${shareInWords(cause.share)}` };
    case "other ink": {
      const [code, instead] = [codeOf(cause.ink), codeOf(cause.instead)];
      return { kind, left, code, instead, says: `as ${instead} would look in place of ${code}` };
    }
  }
}

/** What is said of a place that was read against its plan. */
export function whyInWords(
  { off, within, doubt }: Pick<Explained, "off" | "within" | "doubt">,
  causes: readonly WhyOff[],
  { lies, planned }: { readonly lies: Lab; readonly planned: Lab },
): string {
  if (within)
    return off < 2
      ? "As planned."
      : `${sentence(liesInWords(lies, planned))}, which may as well be the photo or the prediction.`;
  const how = `${sentence(liesInWords(lies, planned))}: ${differenceWords(off)}.`;
  if (!causes.length)
    return `${how} Nothing simple explains it${doubt > 2.5 ? "; the prediction is unsure here too" : ""}.`;
  return `${how} It looks ${causes.map((c) => c.says).join(", or ")}.`;
}

const sentence = (words: string) => `${words[0]!.toUpperCase()}${words.slice(1)}`;
