import { chroma, hue, hueTurn, type Lab } from "@/core/colour/lab";
import type { SheetDoubt, SheetRefused } from "@/core/sheet/read-sheet";

const percent = (share: number) => `${Math.max(1, Math.round(100 * share))} %`;

/** Why a photo is not read as one of a finished sheet, and what to do about it. */
export function sheetRefusalInWords(why: SheetRefused): string {
  switch (why.kind) {
    case "no line":
      return "The drawing has too little line to be found by in a photo.";
    case "another drawing":
      return `This drawing is not seen in the photo: only ${percent(why.met)} of its line is met. Is it a photo of this piece? Show the whole sheet, sharp and in even light, or point at its four corners.`;
    case "too dark":
      return "The photo is too dark for its colours to be read. Use more light, or expose longer.";
    case "too bright":
      return "The photo is overexposed: most of it is at the end of the scale. Take it again a little darker.";
    case "blurred":
      return "No line is seen in the photo: it is blurred, or shows something else. Hold the camera still and let it focus on the sheet.";
    case "too little of it":
      return `Only ${percent(why.share)} of the drawing is in the photo. Step back until all of the sheet is seen.`;
    case "too small":
      return `The sheet is too small in the photo (${why.perMm.toFixed(1)} pixels a millimetre). Go nearer, or take a larger photo.`;
  }
}

/** What makes a photo of a sheet less sure, and what would help. */
export function sheetDoubtInWords(d: SheetDoubt): string {
  switch (d.kind) {
    case "glare":
      return `A lamp is mirrored on ${percent(d.share)} of the sheet; that part is left out`;
    case "shadow":
      return `A shadow lies on ${percent(d.share)} of what is known, perhaps of the hand or the camera`;
    case "blurred":
      return `The line is met within ${d.mm.toFixed(1)} mm only: the photo is not sharp, or the sheet curls more than is evened out`;
    case "part of the sheet":
      return `${percent(1 - d.share)} of the drawing lies outside of the photo`;
    case "uneven light":
      return `The light is uneven by ${percent(d.by)} beyond what could be evened out`;
    case "few known colours":
      return d.count
        ? "Few colours in the photo are known, so its camera is taken for an ordinary one: colours may be 2 to 3 ΔE00 off"
        : "No colour in the photo is known, not even the paper: colours may be far off";
    case "clipped":
      return `${percent(d.share)} of the sheet is overexposed`;
  }
}

/** Difference, in its own unit, that is worth a word. */
const WORTH = 2.5;

/** How what lies differs from what was planned, most telling first. */
export function liesInWords(lies: Lab, plan: Lab): string {
  const says: [by: number, word: string][] = [
    [lies[0] - plan[0], lies[0] > plan[0] ? "lighter" : "darker"],
    [chroma(lies) - chroma(plan), chroma(lies) > chroma(plan) ? "stronger" : "greyer"],
  ];
  const turn =
    Math.abs(hueTurn(hue(plan), hue(lies))) * (Math.PI / 180) * Math.min(chroma(lies), chroma(plan));
  // Of two hues the warmer is the one nearer to orange.
  const fromOrange = (lab: Lab) => Math.abs(hueTurn(ORANGE, hue(lab)));
  if (turn > WORTH) says.push([turn, fromOrange(lies) < fromOrange(plan) ? "warmer" : "cooler"]);
  const words = says.filter(([by]) => Math.abs(by) > WORTH).sort((a, b) => Math.abs(b[0]) - Math.abs(a[0]));
  return words.length ? words.map(([, w]) => w).join(", ") : "a little off";
}
/** Hue angle of the warmest orange, degrees. */
const ORANGE = 60;
