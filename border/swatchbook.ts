import type { SheetName } from "@/core/chart/layout";
import type { Doubt } from "@/core/chart/doubts";
import type { Profile } from "@/core/chart/profile";
import { MEASUREMENT_CONDITIONS, type MeasurementCondition } from "@/core/formats/measured";
import { PRESSURES, type Pressure } from "@/core/pencil/tooth";
import { VERDICTS, type Verdict } from "@/core/stock/verdicts";
import { ChartLineInput, MeetsInput, MEETS, MOST_LINES, Serial, Sheet } from "./chart";
import type { ColourInput } from "./colour";
import { FEWEST_ALONG, MOST_ALONG } from "./desk";
import {
  Colour,
  Flag,
  Id,
  List,
  Name,
  Notes,
  Nullable,
  Numbers,
  One,
  OneOf,
  Optional,
  Rule,
  Stack,
  Text,
  Whole,
  Within,
  Yes,
} from "./fields";

/** Where a reading came from. */
export const SOURCES = ["chart", "colorimeter", "hand", "picture", "scan"] as const;
/** What a drawdown lies on. */
export const BACKINGS = ["paper", "white", "black"] as const;
/** What is decided about a cell of a chart; "redo" wants it coloured and read anew. */
export const DECISIONS = ["open", "accepted", "excluded", "redo"] as const;

/** How an instrument read a colour. */
export class HowInput {
  @Optional() @OneOf(MEASUREMENT_CONDITIONS) condition?: MeasurementCondition;
  @Optional() @Text(120) filter?: string;
  @Optional() @Text(120) geometry?: string;
  @Optional() @Text(120) backing?: string;
  @Optional() @Text(120) device?: string;
}

class NewReadingInput {
  @Stack() stack!: string[];
  @Colour() color!: ColourInput;
  @OneOf(SOURCES) source!: (typeof SOURCES)[number];
  @Optional() @Flag() lift?: boolean;
  @Optional() @OneOf(BACKINGS) backing?: (typeof BACKINGS)[number];
  @Optional() @Within(0, 200, "ΔE00") spread?: number;
  @Optional() @OneOf(PRESSURES) pressure?: Pressure;
  @Optional()
  @One(() => HowInput, 'expected {"condition","filter","geometry","backing","device"}')
  how?: HowInput;
}

export class AddReadingsInput {
  @List(() => NewReadingInput, 1, 20_000, '{"stack","color","source"}') readings!: NewReadingInput[];
}

/** Readings that came in together, by their moment. */
export class TakeBackInput {
  @Rule(
    "expected the moment at which readings came in, such as 2026-01-31T09:30:00.000Z",
    (v) =>
      typeof v === "string" &&
      /^[12]\d{3}-\d\d-\d\dT\d\d:\d\d:\d\d\.\d{3}Z$/.test(v) &&
      !Number.isNaN(Date.parse(v)),
  )
  at!: string;
}

export class ExcludeInput {
  @Flag() excluded!: boolean;
}

export class NewChartInput {
  @Id("paper") paperId!: string;
  @Name(120) title!: string;
  @Sheet() sheet!: SheetName;
  @List(() => ChartLineInput, 1, MOST_LINES, '{"label","cells"}') lines!: ChartLineInput[];
}

const DOUBTS: readonly Doubt["kind"][] = [
  "glare",
  "uneven",
  "not coloured",
  "lighter than one coat less",
  "unlike before",
];

class DoubtInput implements Doubt {
  @OneOf(DOUBTS) kind!: Doubt["kind"];
  @Within(0, 1000) figure!: number;
}

const FURTHEST = 100_000;
const isPoint = (p: unknown) =>
  Array.isArray(p) && p.length === 2 && p.every((v) => typeof v === "number" && Math.abs(v) <= FURTHEST);
const Corners = (): PropertyDecorator =>
  Rule(
    "expected four corners, each [x, y] in pixels",
    (v) => Array.isArray(v) && v.length === 4 && v.every(isPoint),
  );

const isLab = (v: unknown) =>
  Array.isArray(v) && v.length === 3 && v.every((c) => typeof c === "number" && Math.abs(c) <= 200);

export class ProfileInput implements Profile {
  @Within(0.05, 5, "mm") step!: number;
  @Rule(
    `expected ${FEWEST_ALONG} to ${MOST_ALONG} colours, each [L, a, b]`,
    (v) => Array.isArray(v) && v.length >= FEWEST_ALONG && v.length <= MOST_ALONG && v.every(isLab),
  )
  labs!: [number, number, number][];
}

class CellReadingInput {
  @Whole(0, MOST_LINES) line!: number;
  @Whole(0, 4) place!: number;
  @Stack(1) stack!: string[];
  @Optional() @Yes() lift?: true;
  @Optional() @OneOf(PRESSURES) pressure?: Pressure;
  @Optional() @One(() => MeetsInput, MEETS) meets?: MeetsInput;
  @Optional() @One(() => ProfileInput, 'expected {"step","labs"}') profile?: ProfileInput;
  @Numbers(3, -200, 200) lab!: [number, number, number];
  @Within(0, 200, "ΔE00") spread!: number;
  @Within(0, 100, "L*") streakiness!: number;
  @Within(0, 1) confidence!: number;
  @List(() => DoubtInput, 0, 5, '{"kind","figure"}') doubts!: DoubtInput[];
  @Corners() corners!: [number, number][];
}

const MOST_CELLS = 1000;

/** A page as `readChart` gives it. */
class ReadPageInput {
  @Serial() serial!: number;
  @Whole(0, 200) page!: number;
  @Whole(1, 200) pages!: number;
  @Whole(1, FURTHEST, "pixels") width!: number;
  @Whole(1, FURTHEST, "pixels") height!: number;
  @List(() => CellReadingInput, 0, MOST_CELLS) cells!: CellReadingInput[];
  @Whole(0, 20_000) references!: number;
  @Nullable() @Within(0, 200, "ΔE00") expectedError?: number | null;
  @Corners() marks!: [number, number][];
  @Within(0, 1000) pixelsPerMm!: number;
  @Within(0, 1000) lightResidual!: number;
}

export class NewScanInput {
  @Id("chart") chartId!: string;
  @Id("picture") pictureId!: string;
  @One(() => ReadPageInput, "expected the page as readChart gives it") result!: ReadPageInput;
}

export class DecideScanInput {
  @Rule(
    `expected at most ${MOST_CELLS} decisions, one a cell, each one of ${DECISIONS.join(", ")}`,
    (v) => Array.isArray(v) && v.length <= MOST_CELLS && v.every((d) => DECISIONS.includes(d as "open")),
  )
  decisions!: (typeof DECISIONS)[number][];
  /** Whether accepted cells become readings now. */
  @Optional() @Flag() store = false;
}

export class NewTrialInput {
  @Id("paper") paperId!: string;
  @Stack(1) stack!: string[];
  @Colour() predicted!: ColourInput;
}

export class ChangeTrialInput {
  @Optional() @OneOf(VERDICTS) verdict?: Verdict;
  @Optional() @Notes() note?: string;
}
