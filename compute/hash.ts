/** Two independent 32-bit sums (FNV-1a with other primes), so that different contents do not meet by accident. */
const [PRIME_A, PRIME_B] = [0x01000193, 0x85ebca6b];

/** A short name for JSON content: the same content has the same name, in the worker and on the server alike. */
export function hashOf(content: unknown): string {
  const text = JSON.stringify(content) ?? "";
  let [a, b] = [0x811c9dc5, 0x9747b28c];
  for (let i = 0; i < text.length; i++) {
    const c = text.charCodeAt(i);
    a = Math.imul(a ^ c, PRIME_A);
    b = Math.imul(b ^ c, PRIME_B) + i;
  }
  return `${text.length.toString(36)}-${(a >>> 0).toString(36)}-${(b >>> 0).toString(36)}`;
}
