import { FormatError } from "@/core/formats/format-error";

/** Bytes that are looked at to tell two-byte text from others. */
const LOOKED_AT = 1024;

/** Two-byte text without its mark: in Latin script every other byte is nothing. */
function unmarked(bytes: ArrayBuffer): "utf-16le" | "utf-16be" | undefined {
  const head = new Uint8Array(bytes, 0, Math.min(LOOKED_AT, bytes.byteLength & ~1));
  const zeros = [0, 0];
  head.forEach((b, i) => b === 0 && zeros[i % 2]!++);
  const most = 0.4 * (head.length / 2);
  if (zeros[1]! > most && zeros[0]! < zeros[1]! / 4) return "utf-16le";
  if (zeros[0]! > most && zeros[1]! < zeros[0]! / 4) return "utf-16be";
  return undefined;
}

/**
 * Text of a file whose encoding nobody says: byte order marks, the pattern of two-byte text, then UTF-8 if it is valid, else Windows-1252.
 * @throws FormatError when it is no text at all
 */
export function decodeText(bytes: ArrayBuffer): { readonly text: string; readonly encoding: string } {
  const head = new Uint8Array(bytes.slice(0, 3));
  if (head[0] === 0xff && head[1] === 0xfe)
    return { text: new TextDecoder("utf-16le").decode(bytes), encoding: "UTF-16" };
  if (head[0] === 0xfe && head[1] === 0xff)
    return { text: new TextDecoder("utf-16be").decode(bytes), encoding: "UTF-16" };
  const wide = unmarked(bytes);
  if (wide) return { text: new TextDecoder(wide).decode(bytes), encoding: "UTF-16 without its mark" };
  if (new Uint8Array(bytes).includes(0))
    throw new FormatError(
      0,
      "it has NUL characters, so it is no text file. Open it in the program it came from and save it as CSV",
    );
  try {
    return { text: new TextDecoder("utf-8", { fatal: true }).decode(bytes), encoding: "UTF-8" };
  } catch {
    return { text: new TextDecoder("windows-1252").decode(bytes), encoding: "Windows-1252" };
  }
}
