/** Two independent 32-bit sums (FNV-1a with other primes), so that different contents do not meet by accident. */
const [PRIME_A, PRIME_B] = [0x01000193, 0x85ebca6b];

/** Fields in the order of their names: a database gives a document back with its fields in an order of its own. */
function inOrder(_: string, value: unknown): unknown {
  if (typeof value !== "object" || value === null || Array.isArray(value)) return value;
  const fields = value as Readonly<Record<string, unknown>>;
  const names = Object.keys(fields);
  // Most objects are made in the same order each time; only those that are not cost a copy.
  if (names.every((n, i) => i === 0 || names[i - 1]! <= n)) return value;
  return Object.fromEntries(names.sort().map((n) => [n, fields[n]]));
}

/** A short name for JSON content: the same content has the same name, in the worker and on the server alike, whatever order its fields are in. */
export function hashOf(content: unknown): string {
  const text = JSON.stringify(content, inOrder) ?? "";
  let [a, b] = [0x811c9dc5, 0x9747b28c];
  for (let i = 0; i < text.length; i++) {
    const c = text.charCodeAt(i);
    a = Math.imul(a ^ c, PRIME_A);
    b = Math.imul(b ^ c, PRIME_B) + i;
  }
  return `${text.length.toString(36)}-${(a >>> 0).toString(36)}-${(b >>> 0).toString(36)}`;
}
