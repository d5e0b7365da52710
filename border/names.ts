const graphemes = new Intl.Segmenter("en", { granularity: "grapheme" });

/** A text that came along with a file as it may be kept and shown: without control characters, never cut within what is seen as one sign. */
export function shortName(text: string, most: number): string {
  let out = "";
  // What is cut off is not looked at: a name may be megabytes long.
  const plain = text
    .slice(0, 8 * most)
    .replace(/\p{Surrogate}/gu, "\ufffd")
    .replace(/\p{Cc}+/gu, " ")
    .trim();
  for (const { segment } of graphemes.segment(plain)) {
    if (out.length + segment.length > most) break;
    out += segment;
  }
  return out.trim();
}
