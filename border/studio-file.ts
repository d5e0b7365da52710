import { MEETINGS, type Meeting } from "@/core/chart/layout";
import { MOST_ON_RACK } from "@/core/stock/kinds";
import { PRESSURES, type Pressure } from "@/core/pencil/tooth";
import { VERDICTS, type Verdict } from "@/core/stock/verdicts";
import type { Illuminant } from "@/core/colour/observer";
import { Serial } from "./chart";
import { LIGHTS, readColour } from "./colour";
import {
  Code,
  Flag,
  Id,
  List,
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
} from "./fields";
import { GroupInput } from "./group";
import { InkEventInput } from "./ink-event";
import { EyeAnswerInput, SheetScoreInput } from "./practice";
import { NewPaperInput } from "./paper";
import { BadInput, type Problem } from "./problem";
import { MOST } from "./room";
import { EARLIEST, FileEventsInput, LATEST } from "./work-events";
import { RackFactsInput, RangeInput } from "./rack";
import { NewStudioInput } from "./studio";
import {
  BACKINGS,
  DECISIONS,
  HowInput,
  NewChartInput,
  NewScanInput,
  ProfileInput,
  SOURCES,
} from "./swatchbook";

/** The documents in the zip of a studio. Ids in them only say what belongs to what: what comes in gets ids of its own. */
export const STUDIO_FORMAT = "blendt-studio";

/** Readings in one file of the zip. */
export const READINGS_A_FILE = 5000;

/** A moment, as JSON writes it. */
const When = () =>
  Rule(
    "expected a moment such as 2026-01-31T09:30:00.000Z",
    (v) =>
      typeof v === "string" &&
      /^[12]\d{3}-\d\d-\d\dT\d\d:\d\d:\d\d(\.\d{1,6})?Z$/.test(v) &&
      !Number.isNaN(Date.parse(v)),
  );

/** A colour as it was read: what a chart gives may lie a little beyond the border of what a person can type. */
const Read = () => Numbers(3, -200, 200);

class FilePaper extends NewPaperInput {
  @Id("paper") id!: string;
}

class FileRange extends RangeInput {
  @Id("range") id!: string;
}

class FileThing extends RackFactsInput {
  @Code() code!: string;
  @Id("range") rangeId!: string;
  /** Since when its state holds. */
  @Optional() @Whole(EARLIEST, LATEST, "ms since 1970") stateAt?: number;
}

class FilePicture {
  @Id("picture") id!: string;
  @Text(200) name!: string;
  /** Name of its file in the zip. */
  @Text(300, 1) file!: string;
}

class FileChart extends NewChartInput {
  @Id("chart") id!: string;
  @Serial() serial!: number;
}

class FileTrial {
  @Id("paper") paperId!: string;
  @Stack(1) stack!: string[];
  @Read() predicted!: [number, number, number];
  @OneOf(VERDICTS) verdict!: Verdict;
  @Notes() note!: string;
}

/** `studio.json`: all but what is large. Lists are in their order. */
export class StudioFile {
  @OneOf([STUDIO_FORMAT]) format!: string;
  @Rule("expected version 1 of the file of a studio", (v) => v === 1) version!: 1;
  @One(() => NewStudioInput, 'expected {"name",…}') studio!: NewStudioInput;
  @List(() => FilePaper, 0, MOST.papers) papers!: FilePaper[];
  @List(() => FileRange, 0, MOST.ranges) ranges!: FileRange[];
  @List(() => FileThing, 0, MOST_ON_RACK) rack!: FileThing[];
  @List(() => FilePicture, 0, MOST.pictures) pictures!: FilePicture[];
  @List(() => FileChart, 0, MOST.charts) charts!: FileChart[];
  @List(() => FileTrial, 0, MOST.trials) trials!: FileTrial[];
  @List(() => GroupInput, 0, MOST.groups) groups!: GroupInput[];
  /** What was weighed and filled. */
  @Optional() @List(() => InkEventInput, 0, MOST.weighings) ink: InkEventInput[] = [];
  /** What eyes were asked, whoever it was. */
  @Optional() @List(() => EyeAnswerInput, 0, MOST.answers) eye: EyeAnswerInput[] = [];
  @Optional() @List(() => SheetScoreInput, 0, MOST.practised) practised: SheetScoreInput[] = [];
}

const Bands = () =>
  Rule("expected 36 reflectances from 0 to 1.5", (v) => readColour({ reflectance: v }) !== undefined);

class ToldInput {
  @Read() lab!: [number, number, number];
  @OneOf(LIGHTS) light!: Illuminant;
}

/** What an instrument told of a reading. */
class MeasuredInput extends HowInput {
  @Optional() @Bands() reflectance?: number[];
  @Optional() @One(() => ToldInput, 'expected {"lab","light"}') told?: ToldInput;
}

class FileReading {
  @Stack() stack!: string[];
  @Flag() lift!: boolean;
  @OneOf(BACKINGS) backing!: (typeof BACKINGS)[number];
  @Nullable() @OneOf(PRESSURES) pressure!: Pressure | null;
  @Read() lab!: [number, number, number];
  @Nullable() @Text(7) hex!: string | null;
  /** Left out by what went out before instruments told more than colours. */
  @Nullable() @One(() => MeasuredInput, 'expected {"reflectance","told",…}') measured: MeasuredInput | null =
    null;
  @OneOf(SOURCES) source!: (typeof SOURCES)[number];
  @Nullable() @Within(0, 200, "ΔE00") spread!: number | null;
  @Nullable() @Within(0, 100, "L*") streakiness!: number | null;
  @Nullable() @Within(0, 1) confidence!: number | null;
  @Nullable() @Id("scan, or null") scanId!: string | null;
  @Flag() excluded!: boolean;
  @When() at!: string;
}

class FileBlend {
  @OneOf(MEETINGS) how!: Meeting;
  @Stack() stack!: string[];
  @Stack() over!: string[];
  @One(() => ProfileInput, 'expected {"step","labs"}') profile!: ProfileInput;
  @Nullable() @Id("scan, or null") scanId!: string | null;
  @Flag() excluded!: boolean;
  @When() at!: string;
}

/** `readings/N.json`: readings and long cells of one paper. */
export class ReadingsFile {
  @Id("paper") paperId!: string;
  @List(() => FileReading, 0, READINGS_A_FILE) readings!: FileReading[];
  @List(() => FileBlend, 0, READINGS_A_FILE) blends!: FileBlend[];
}

/** `scans/N.json`: one page of a chart as it was read. */
export class ScanFile extends NewScanInput {
  @Id("scan") id!: string;
  @Rule(
    `expected decisions, each one of ${DECISIONS.join(", ")}`,
    (v) => Array.isArray(v) && v.length <= 1000 && v.every((d) => DECISIONS.includes(d as "open")),
  )
  decisions!: (typeof DECISIONS)[number][];
  @Flag() stored!: boolean;
  @When() at!: string;
}

/** `pieces/N.json`: one piece; its document is read as one that is saved. */
export class PieceFile {
  @Optional() @Whole(1, 2 ** 31 - 1) revision?: number;
  @Rule("expected a piece", (v) => typeof v === "object" && v !== null && !Array.isArray(v))
  document!: object;
  @When() at!: string;
  /** What was done at the desk; left out by what went out before there was such a record. */
  @Optional() @One(() => FileEventsInput, 'expected {"events"}') work?: FileEventsInput;
}

/** What names one thing and what names another: everything that is named must be there, and every name its own. */
export function checkNames(file: StudioFile): void {
  const problems: Problem[] = [];
  const idsOf = (list: "papers" | "ranges" | "pictures" | "charts"): ReadonlySet<string> => {
    const ids = new Set<string>();
    for (const [i, { id }] of file[list].entries()) {
      if (ids.has(id)) problems.push({ path: `${list}[${i}].id`, expected: "expected an id of its own" });
      ids.add(id);
    }
    return ids;
  };
  const own = <T>(list: string, items: readonly T[], field: string, of: (item: T) => unknown) => {
    const seen = new Set<unknown>();
    for (const [i, item] of items.entries()) {
      if (seen.has(of(item)))
        problems.push({ path: `${list}[${i}].${field}`, expected: `expected a ${field} of its own` });
      seen.add(of(item));
    }
  };
  const papers = idsOf("papers");
  const ranges = idsOf("ranges");
  idsOf("pictures");
  own("pictures", file.pictures, "file", (p) => p.file);
  idsOf("charts");
  own("papers", file.papers, "name", (p) => p.name);
  own("ranges", file.ranges, "name", (r) => r.name);
  own("rack", file.rack, "code", (t) => t.code);
  own("charts", file.charts, "serial", (c) => c.serial);
  own("groups", file.groups, "name", (g) => g.name);
  own("ink", file.ink, "id", (e) => e.id);
  own("eye", file.eye, "id", (e) => e.id);
  own("practised", file.practised, "id", (s) => s.id);
  const named = (path: string, id: string, among: ReadonlySet<string>, what: string) => {
    if (!among.has(id)) problems.push({ path, expected: `expected the id of a ${what} of this file` });
  };
  file.rack.forEach((t, i) => named(`rack[${i}].rangeId`, t.rangeId, ranges, "range"));
  file.charts.forEach((c, i) => named(`charts[${i}].paperId`, c.paperId, papers, "paper"));
  file.trials.forEach((t, i) => named(`trials[${i}].paperId`, t.paperId, papers, "paper"));
  file.groups.forEach((g, i) =>
    g.results.forEach((r, j) => named(`groups[${i}].results[${j}].paperId`, r.paperId, papers, "paper")),
  );
  if (problems.length) throw new BadInput(problems);
}
