import type { KnownChart, ReadPage } from "@/core/chart/read-chart";
import { readChart as readPage } from "@/core/chart/read-chart";
import { ChartRefused } from "@/core/chart/refusal";
import { deltaE00 } from "@/core/colour/delta-e00";
import type { Lab } from "@/core/colour/lab";
import { auditCodes as audit, type Finding } from "@/core/codes/audit";
import { parseCode as parse, type ParsedCode, type UnreadCode } from "@/core/codes/key";
import { fitLifting, liftedLab, type Lifting } from "@/core/ink/fit-lifting";
import { seenLab } from "@/core/ink/desk";
import { stackLab } from "@/core/ink/stack";
import { substitutesFor } from "@/core/stock/substitute";
import { twinPairs, type TwinPair } from "@/core/ink/twins";
import { deskOf, placeOf } from "./desk-memory";
import { colourOf } from "./inputs/colour";
import type {
  AuditCodesInput,
  FitPaperInput,
  ParseCodeInput,
  ReadChartInput,
  SubstituteInput,
  TwinsInput,
} from "./inputs/swatchbook";
import { seen, type SeenColour } from "./predict";
import { BadInput } from "./problem";

/** Bytes of a base64 text; undefined when it is none. */
function bytesOf(base64: string): Uint8Array | undefined {
  try {
    return Uint8Array.from(atob(base64), (c) => c.charCodeAt(0));
  } catch {
    return undefined;
  }
}

/** Reads a page of a chart from a picture. A picture that cannot be trusted is a {@link BadInput} that says why. */
export function* readChart({ image, charts, asked }: ReadChartInput): Generator<number, ReadPage> {
  const rgb = bytesOf(image.rgb);
  if (rgb?.length !== image.width * image.height * 3)
    throw new BadInput([
      {
        path: "image.rgb",
        expected: `expected ${image.width * image.height * 3} bytes in base64, three a pixel; found ${rgb?.length ?? "no base64"}`,
      },
    ]);
  const known = charts.map(({ paper, known: colours, ...chart }): KnownChart => ({
    ...chart,
    paper: colourOf(paper).lab,
    known: colours.map((k) => ({ stack: k.stack, lab: colourOf(k.color).lab })),
  }));
  try {
    return yield* readPage({ width: image.width, height: image.height, rgb }, known, asked);
  } catch (e) {
    if (e instanceof ChartRefused) throw new BadInput([{ path: "", expected: e.message }]);
    throw e;
  }
}

export interface FitPaperOutput {
  readonly fit: {
    readonly k1: number;
    readonly k2: number;
    readonly depth: number;
    readonly crowding: number;
    readonly uptake: readonly number[];
  };
  readonly lifting: Lifting;
  /** Median ΔE00 between the paper's readings and the model's coats, and on how many inks and readings it rests. */
  readonly residual: number;
  readonly inks: number;
  readonly readings: number;
  /** Every ink's coats by the model, from none to the most, and what the blender leaves of two. */
  readonly curves: readonly {
    readonly code: string;
    readonly coats: readonly SeenColour[];
    readonly lifted: SeenColour;
    /** ΔE00 of each reading from the model. */ readonly off: readonly number[];
  }[];
}

/** Fits a paper to its swatches and lift cells, and draws every ink's coats. */
export function fitPaper(input: FitPaperInput): FitPaperOutput {
  const desk = deskOf(input);
  const lifts = input.lifts.map((l, i) => ({
    spectrum: desk.inks[placeOf(desk, l.code, `lifts[${i}].code`)]!.spectrum,
    coats: l.coats,
    lab: colourOf(l.color).lab,
  }));
  const lifting = fitLifting(desk.paper, lifts);
  const { k1, k2, depth, crowding, uptake } = desk.paper.fit;
  return {
    fit: { k1, k2, depth, crowding, uptake },
    lifting,
    residual: desk.residual,
    inks: desk.inks.length,
    readings: desk.inks.reduce((sum, i) => sum + i.coats.length, 0),
    curves: desk.inks.map((ink) => {
      const coats = Array.from({ length: input.curveCoats + 1 }, (_, n): Lab =>
        stackLab(desk.paper, Array<typeof ink.spectrum>(n).fill(ink.spectrum)),
      );
      return {
        code: ink.code,
        coats: coats.map(seen),
        lifted: seen(liftedLab(desk.paper, ink.spectrum, 2, lifting.blender)),
        off: ink.coats.map((r, n) => deltaE00(r.lab, coats[n + 1] ?? r.lab)),
      };
    }),
  };
}

/** Every pair of inks that cannot be told apart in one coat. */
export const twins = ({ inks }: TwinsInput): { pairs: TwinPair[] } => ({
  pairs: twinPairs(inks.map(({ code, color }) => ({ code, lab: colourOf(color).lab }))),
});

/** Codes as their key reads them. */
export const parseCode = ({ key, codes }: ParseCodeInput): { codes: (ParsedCode | UnreadCode)[] } => ({
  codes: codes.map((c) => parse(key, c)),
});

/** What codes promise and swatches do not show. */
export const auditCodes = ({ key, inks, homes }: AuditCodesInput): { findings: Finding[] } => ({
  findings: audit(
    key,
    inks.map(({ code, color }) => ({ code, lab: colourOf(color).lab })),
    homes,
  ),
});

export interface SubstituteOutput {
  readonly tones: readonly {
    readonly wanted: SeenColour;
    readonly substitutes: readonly (SeenColour & {
      readonly code: string;
      readonly coats: number;
      readonly deltaE00: number;
      readonly closeness: string;
    })[];
  }[];
}

/** For each tone the inks that come nearest to it on this paper. */
export function substitute(input: SubstituteInput): SubstituteOutput {
  const desk = deskOf(input);
  const among = [...new Set(input.among)].map((code, i) => placeOf(desk, code, `among[${i}]`));
  return {
    tones: input.tones.map((tone, t) => {
      const stack = tone.map((code, c) => placeOf(desk, code, `tones[${t}][${c}]`));
      const wanted = seenLab(desk, stack);
      const others = among.filter((i) => !stack.includes(i));
      return {
        wanted: seen(wanted),
        substitutes: substitutesFor(desk, wanted, others, input.top).map(
          ({ ink, coats, lab, deltaE00: off, closeness }) => ({
            code: desk.inks[ink]!.code,
            coats,
            ...seen(lab),
            deltaE00: off,
            closeness,
          }),
        ),
      };
    }),
  };
}
