declare module "wawoff2" {
  /** TrueType or OpenType of a WOFF2. */
  export function decompress(woff2: Uint8Array): Promise<Uint8Array>;
}
