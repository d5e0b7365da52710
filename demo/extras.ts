import { converter, parse } from "culori";
import type { RackRow } from "@/store/rack";

/** Made-up pencils: code, hue and body colour. */
const pencils = [
  ["pencil chalk", "light", "#f4f2ec"],
  ["pencil shell", "light", "#edd9c4"],
  ["pencil slate", "grey", "#5d6168"],
  ["pencil fog", "grey", "#a9adb0"],
  ["pencil brick", "red", "#9c4a36"],
  ["pencil berry", "red", "#7c2f48"],
  ["pencil ochre", "yellow", "#b98a3c"],
  ["pencil straw", "yellow", "#dcc27a"],
  ["pencil moss", "green", "#5f6f3a"],
  ["pencil pine", "green", "#2f4f45"],
  ["pencil ink", "blue", "#2c3a62"],
  ["pencil sky", "blue", "#8db0cf"],
  ["pencil heath", "violet", "#6b5484"],
  ["pencil umber", "brown", "#4d3a2e"],
] as const;

/** Body colour of each pencil, for its drawdowns. */
export const pencilBodies: ReadonlyMap<string, string> = new Map(pencils.map(([code, , body]) => [code, body]));

/** What stands on the rack beside the markers: pencils, finishers and water-based pens. */
export const demoExtras: readonly RackRow[] = [
  ...pencils.map(([code, hue]) => ({ code, family: `${hue} pencils`, kind: "pencil" as const, place: "tin on the sill" })),
  { code: "gel white", family: "finishers", kind: "gel pen", place: "jar", notes: "Sparks only, on dry ink." },
  { code: "gouache white", family: "finishers", kind: "gouache", place: "jar" },
  { code: "paint white", family: "finishers", kind: "paint marker", state: "low", place: "jar" },
  { code: "liner 03", family: "finishers", kind: "liner", proof: true, nib: "0.3 mm", place: "jar" },
  { code: "liner 05 brown", family: "finishers", kind: "liner", proof: false, nib: "0.5 mm", place: "jar", notes: "Smears under marker: only on top." },
  { code: "blender", family: "finishers", kind: "blender", nib: "brush", place: "jar" },
  { code: "wash teal", family: "water-based", kind: "water pen", place: "second drawer", nib: "brush" },
  { code: "wash umber", family: "water-based", kind: "water pen", place: "second drawer", nib: "brush" },
];

const linear = converter("lrgb");
const lab = converter("lab65");
/** How much of what lies beneath an even, firm drawdown still shows. */
const SHOWS = 0.32;

/** Lab of a pencil drawn down evenly over white or black paper, as the studio read it by hand. */
export function drawdown(body: string, backing: "white" | "black"): [number, number, number] {
  const own = linear(parse(body)!);
  const under = backing === "white" ? 0.86 : 0.035;
  const seen = lab({ mode: "lrgb", r: own.r * (1 - SHOWS) + under * SHOWS, g: own.g * (1 - SHOWS) + under * SHOWS, b: own.b * (1 - SHOWS) + under * SHOWS });
  return [seen.l, seen.a, seen.b];
}
