/** Base64 of bytes, in stretches that an argument list can take. */
function base64Of(bytes: Uint8Array): string {
  const STRETCH = 0x8000;
  let text = "";
  for (let i = 0; i < bytes.length; i += STRETCH)
    text += String.fromCharCode(...bytes.subarray(i, i + STRETCH));
  return btoa(text);
}

/** An answer as JSON: planes of bytes and of 16-bit numbers (little-endian) in base64. */
export const asJson = (output: unknown): string =>
  JSON.stringify(output, (_, value: unknown) =>
    ArrayBuffer.isView(value)
      ? base64Of(new Uint8Array(value.buffer, value.byteOffset, value.byteLength))
      : value,
  );
