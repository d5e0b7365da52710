/** Characters of a password; how good it is beyond its length is its owner's business. */
export const SHORTEST_PASSWORD = 10;
export const LONGEST_PASSWORD = 200;

/** How the same name is recognised whatever its capitals. */
export const sameName = (name: string): string => name.normalize("NFKC").toLowerCase();

/** Small letters of other scripts that look like Latin ones. */
const LOOKS = /^[аеорсухіјѕһԁԛԝьοανρτυικχϲϳ\p{N} ._-]+$/u;

/** Whether a name can be told from one in Latin letters: it does not mix scripts that share shapes, nor is it made of such shapes alone. */
export function isToldApart(name: string): boolean {
  const same = sameName(name);
  const scripts = [/\p{Script=Latin}/u, /\p{Script=Cyrillic}/u, /\p{Script=Greek}/u].filter((s) =>
    s.test(same),
  );
  return scripts.length <= 1 && (!/[\p{Script=Cyrillic}\p{Script=Greek}]/u.test(same) || !LOOKS.test(same));
}
