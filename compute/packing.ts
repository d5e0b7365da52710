/** Bytes made small, as browsers and servers alike can do it. */
export const deflated = (bytes: Uint8Array<ArrayBuffer>): Promise<Blob> =>
  new Response(new Blob([bytes]).stream().pipeThrough(new CompressionStream("deflate"))).blob();

/** The bytes again; undefined when they were never deflated, or are more than expected: no more than that is unpacked. */
export async function inflated(small: Blob, most: number): Promise<Uint8Array | undefined> {
  const reader = small.stream().pipeThrough(new DecompressionStream("deflate")).getReader();
  const parts: Uint8Array[] = [];
  let long = 0;
  try {
    for (;;) {
      const { done, value } = await reader.read();
      if (done) break;
      if ((long += value.length) > most) {
        await reader.cancel();
        return undefined;
      }
      parts.push(value);
    }
  } catch {
    return undefined;
  }
  const out = new Uint8Array(long);
  let at = 0;
  for (const part of parts) {
    out.set(part, at);
    at += part.length;
  }
  return out;
}
