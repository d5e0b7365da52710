import type { MeasuredFile, MeasuredHow } from "@/core/formats/measured";
import type { PatchDoubt } from "@/core/chart/measured-patches";
import { counted } from "./numbers";

/** What about a patch wants a look, in words; the figure comes after. */
export function doubtInWords(doubt: PatchDoubt): string {
  switch (doubt.kind) {
    case "far":
      return `far from what is known of it, ${doubt.deltaE00.toFixed(1)} ΔE00: another patch, or another light?`;
    case "no bare paper":
      return `not the bare paper as it is known, ${doubt.deltaE00.toFixed(1)} ΔE00`;
    case "uneven":
      return `its readings differ by ${doubt.spread.toFixed(1)} ΔE00`;
  }
}

const CONDITIONS = {
  M0: "M0, the instrument's lamp",
  M1: "M1, daylight with its ultraviolet",
  M2: "M2, without ultraviolet",
  M3: "M3, polarised",
} as const;

/** How a file was measured, as far as it says, in one sentence. */
export function howInWords({ condition, filter, geometry, backing, device }: MeasuredHow): string {
  const parts = [
    condition && CONDITIONS[condition],
    geometry && `geometry ${geometry}`,
    filter && filter !== condition && `filter ${filter}`,
    backing && `on ${backing}`,
    device && `by ${device}`,
  ].filter(Boolean);
  return parts.length ? `Measured with ${parts.join("; ")}.` : "";
}

/** What of the readings counts. */
export function takenInWords({ samples, bands, how }: MeasuredFile): string {
  const spectra = samples.filter((s) => s.reflectance).length;
  if (!spectra)
    return how.light
      ? `Colours under ${how.light}, as the file says.`
      : "Colours; the file does not say under which light.";
  const { from, to, step, held } = bands!;
  const beyond = held[0] + held[1];
  return `${spectra === samples.length ? "Spectra" : `${spectra} of ${samples.length} with spectra`}, ${from}–${to} nm${step ? ` every ${step} nm` : ""}${
    beyond ? `; the ${counted(beyond, "band")} beyond hold its last value` : ""
  }.`;
}
