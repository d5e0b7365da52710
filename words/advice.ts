import type { Advice } from "@/core/group/advice";

/** A sentence with its number. */
export function adviceInWords(a: Advice): string {
  switch (a.kind) {
    case "step too wide": {
      const remedy = a.fix ? `put ${a.fix.code} between: you own it.` : "no owned marker lies between.";
      return `A step of ${a.deltaL.toFixed(0)} in lightness from ${a.pair.join(" to ")}: an edge will show; ${remedy}`;
    }
    case "step too narrow":
      return `A step of ${a.deltaL.toFixed(1)} in lightness from ${a.pair.join(" to ")}: hardly seen (under ${a.narrowest}); leave out ${a.fix?.code ?? a.pair[1]}.`;
    case "twins":
      return `${a.pair.join(" to ")}: twins on this paper, ${a.deltaE00.toFixed(1)} ΔE00 apart; one of them is enough.`;
    case "mud":
      return `The blend ${a.pair.join(" to ")} loses ${a.chromaLost.toFixed(0)} of colour strength on the way: lay a thin coat of ${a.pair[0]} over the seam, or choose neighbours in hue.`;
    case "uneven steps":
      return `The widest step is ${a.ratio.toFixed(1)} times the narrowest: blend longest at ${a.at}.`;
    case "capacity":
      return `${Number(a.coats.toFixed(1))} coats lie where the paper holds ${a.holds}: uptake stops and it bleeds. Fewer tones or coats, or a school that lays less over each other.`;
    case "light end":
      return `The light end comes ${a.deltaE00.toFixed(1)} ΔE00 from what was read${farther(a.deltaL)}.`;
    case "shadow end":
      return `The shadow end comes ${a.deltaE00.toFixed(1)} ΔE00 from what was read${farther(a.deltaL)}.`;
    case "contrast":
      return `Contrast ${a.contrast.toFixed(0)} where ${a.wanted.toFixed(0)} is wanted: the area will look flat.`;
    case "local colour":
      return `As laid, the local colour is ${a.deltaE00.toFixed(1)} ΔE00 off: ${a.deltaE00 < 8 ? "a visible difference" : "a different colour to the eye"}.`;
  }
}

/** L* that is worth a word. */
const WORTH = 2;
const farther = (deltaL: number): string =>
  Math.abs(deltaL) < WORTH ? "" : `, too ${deltaL > 0 ? "light" : "dark"} by ${Math.abs(deltaL).toFixed(0)}`;
