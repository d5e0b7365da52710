export const signed = (v: number, digits = 0): string => {
  const text = Math.abs(v).toFixed(digits);
  return v < 0 && Number(text) !== 0 ? `−${text}` : text;
};
/** So many of something; long numbers are parted. */
export const counted = (n: number, one: string, many = `${one}s`): string =>
  `${n < 10_000 ? n : n.toLocaleString("en")} ${n === 1 ? one : many}`;
/** Names one after the other: "hull, mast and sail". */
export const listed = (names: readonly string[]): string =>
  names.length < 2 ? names.join("") : `${names.slice(0, -1).join(", ")} and ${names.at(-1)}`;
export const coatsInWords = (n: number): string => counted(n, "coat");
export const labInWords = ([L, a, b]: readonly [number, number, number]): string =>
  `L* ${signed(L)}  a* ${signed(a)}  b* ${signed(b)}`;
