/** Text of a file whose encoding nobody says: byte order marks, then UTF-8 if it is valid, else Windows-1252. */
export function decodeText(bytes: ArrayBuffer): { readonly text: string; readonly encoding: string } {
  const head = new Uint8Array(bytes.slice(0, 3));
  if (head[0] === 0xff && head[1] === 0xfe)
    return { text: new TextDecoder("utf-16le").decode(bytes), encoding: "UTF-16" };
  if (head[0] === 0xfe && head[1] === 0xff)
    return { text: new TextDecoder("utf-16be").decode(bytes), encoding: "UTF-16" };
  try {
    return { text: new TextDecoder("utf-8", { fatal: true }).decode(bytes), encoding: "UTF-8" };
  } catch {
    return { text: new TextDecoder("windows-1252").decode(bytes), encoding: "Windows-1252" };
  }
}
