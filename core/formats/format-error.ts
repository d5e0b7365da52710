/** A file that cannot be read: what is wrong, on which line (from 1; 0 for the whole), and what was expected. */
export class FormatError extends Error {
  constructor(
    readonly line: number,
    readonly expected: string,
  ) {
    super(line ? `line ${line}: ${expected}` : expected);
    this.name = "FormatError";
  }
}
