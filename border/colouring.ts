import { Id, Rule } from "./fields";

/** What a picture of a piece that comes in was made of. */
export class ColouringInput {
  @Rule(
    "expected the name of what the picture was made of: letters, digits and hyphens",
    (v) => typeof v === "string" && /^[0-9a-z-]{3,60}$/.test(v),
  )
  name!: string;
  @Id("picture") line!: string;
}

/** Bytes and pixels of such a picture. */
export const MOST_COLOURING_BYTES = 3 * 1024 * 1024;
export const MOST_COLOURING_PIXELS = 4_000_000;
