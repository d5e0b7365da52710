import type { Lab } from "@/core/colour/lab";
import type { Pressure } from "@/core/pencil/tooth";
import type { PaperStock } from "@/sim/paper-stock";
import { colourSheet } from "@/sim/sheet";
import { drawdownOn, drawOver, hand, teeth, waxPencils, type contrastCard } from "@/sim/wax";
import { seenBy } from "./seen-by";
import type { RackRow } from "@/store/rack";

/** What stands on the rack beside the markers: pencils, finishers and water-based pens. */
export const demoExtras: readonly RackRow[] = [
  ...waxPencils.map(({ code, family }) => ({
    code,
    family: `${family} pencils`,
    kind: "pencil" as const,
    place: "tin on the sill",
  })),
  {
    code: "gel white",
    family: "finishers",
    kind: "gel pen",
    place: "jar",
    notes: "Sparks only, on dry ink.",
  },
  { code: "gouache white", family: "finishers", kind: "gouache", place: "jar" },
  { code: "paint white", family: "finishers", kind: "paint marker", state: "low", place: "jar" },
  { code: "liner 03", family: "finishers", kind: "liner", proof: true, nib: "0.3 mm", place: "jar" },
  {
    code: "liner 05 brown",
    family: "finishers",
    kind: "liner",
    proof: false,
    nib: "0.5 mm",
    place: "jar",
    notes: "Smears under marker: only on top.",
  },
  { code: "blender", family: "finishers", kind: "blender", nib: "brush", place: "jar" },
  { code: "wash teal", family: "water-based", kind: "water pen", place: "second drawer", nib: "brush" },
  { code: "wash umber", family: "water-based", kind: "water pen", place: "second drawer", nib: "brush" },
];

/** Every pencil drawn down evenly and firmly over white and over black, as the studio read it. */
export const demoDrawdowns = (): { code: string; backing: keyof typeof contrastCard; lab: Lab }[] =>
  waxPencils.flatMap((p) =>
    (["white", "black"] as const).map((backing) => ({
      code: p.code,
      backing,
      lab: seenBy(drawdownOn(p, backing)),
    })),
  );

const STRENGTHS = [
  [3, "light"],
  [2, "medium"],
  [2, "firm"],
] as const;

/** Strips of each pencil on the bare paper, one entry of the stack a layer. */
export const demoStrips = (stock: PaperStock): { stack: string[]; pressure: Pressure; lab: Lab }[] => {
  const sheet = colourSheet(stock, []);
  return waxPencils.flatMap((pencil) =>
    STRENGTHS.map(([layers, pressure]) => ({
      stack: Array<string>(layers).fill(pencil.code),
      pressure,
      lab: seenBy(drawOver(sheet, teeth[stock.name]!, [{ pencil, layers, pressure: hand[pressure] }])),
    })),
  );
};
