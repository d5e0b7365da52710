/** Longest name of a piece. */
const LONGEST = 80;

/** The name of a copy: “Kite” gives “Kite, copy”, that “Kite, copy 2”, and so on; a long name is cut. */
export function copyName(name: string): string {
  const known = /^(.*), copy(?: (\d{1,4}))?$/u.exec(name);
  const next = known ? `, copy ${Number(known[2] ?? 1) + 1}` : ", copy";
  let own = "";
  for (const sign of known?.[1] ?? name) {
    if (own.length + sign.length + next.length > LONGEST) break;
    own += sign;
  }
  return own + next;
}
