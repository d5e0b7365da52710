/** A text as itself in Markdown, on one line: what would mean something there is escaped. */
export const plainly = (text: string): string =>
  text.replace(/[\s\p{Cc}]+/gu, " ").replace(/[\\`*_{}[\]<>()|~&]/g, (c) => `\\${c}`);

/** A code as code, where it has nothing in it that ends one. */
export const asCode = (code: string): string =>
  /[`|\\\s\p{Cc}]/u.test(code) ? plainly(code) : `\`${code}\``;
