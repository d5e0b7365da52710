/** Characters of a password; how good it is beyond its length is its owner's business. */
export const SHORTEST_PASSWORD = 10;
export const LONGEST_PASSWORD = 200;

/** How the same name is recognised whatever its capitals. */
export const sameName = (name: string): string => name.normalize("NFKC").toLowerCase();
