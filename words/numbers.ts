export const signed = (v: number, digits = 0): string => {
  const text = Math.abs(v).toFixed(digits);
  return v < 0 && Number(text) !== 0 ? `−${text}` : text;
};
export const counted = (n: number, one: string, many = `${one}s`): string => `${n} ${n === 1 ? one : many}`;
export const coatsInWords = (n: number): string => counted(n, "coat");
export const labInWords = ([L, a, b]: readonly [number, number, number]): string =>
  `L* ${signed(L)}  a* ${signed(a)}  b* ${signed(b)}`;
