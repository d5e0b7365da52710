import { MOST_SECTIONS } from "@/core/work/problem";
import { Code, Flag, List, Nullable, Numbers, One, OneOf, Optional, Rule, Whole, Within } from "./fields";
import { MOST_AREAS } from "./piece";
import type { PlacedStep } from "@/core/piece/piece";
import { HANDS } from "./studio";
import { Followed, isAreaId, MOST_PASSES, Pins, type AreaIdInput } from "./work-steps";

const WorkId = () => Rule("expected the id of an area, 1 to 60 characters", isAreaId);
const WorkIds = () =>
  Rule(
    `expected a list of at most ${MOST_AREAS} ids of areas`,
    (v) => Array.isArray(v) && v.length <= MOST_AREAS && v.every(isAreaId),
  );

class WorkPassInput {
  @Code() code!: string;
  @Within(0, 1e6, "mm²") mm2!: number;
  @Within(0.01, 30, "coats") coats!: number;
  /** Into the pass before it, while that is wet. */
  @Optional() @Flag() wet = false;
  /** Onto what is dry. */
  @Optional() @Flag() dry = false;
}

class WorkAreaInput {
  @WorkId() id!: AreaIdInput;
  /** Size of the area; each pass says itself what it covers. */
  @Optional() @Within(0, 1e6, "mm²") mm2?: number;
  @Optional() @WorkIds() touches: AreaIdInput[] = [];
  /** Left, top, right, bottom of what holds it. */
  @Nullable() @Numbers(4, -1e6, 1e6) box: [number, number, number, number] | null = null;
  @Optional() @WorkIds() after: AreaIdInput[] = [];
  @List(() => WorkPassInput, 0, MOST_PASSES, '{"code","mm2","coats","wet","dry"}') passes!: WorkPassInput[];
}

class WorkDeskInput {
  @Within(0.01, 1e5, "mm² of one coat a second") speed!: number;
  @Within(0, 3600, "seconds") change!: number;
  @Within(0, 1e6, "seconds") openTime!: number;
  @Within(0, 1e6, "seconds") dryTime!: number;
  @Nullable() @OneOf(HANDS) hand: (typeof HANDS)[number] | null = null;
}

class WorkDoneInput {
  @WorkId() area!: AreaIdInput;
  @Whole(0, MOST_SECTIONS - 1) section!: number;
  @Whole(0, MOST_PASSES - 1) pass!: number;
  @Within(-1e9, 1e9, "seconds") end!: number;
}

/** What is to be laid, by whom, and what lies already. */
export class WorkOrderQuestion {
  @List(() => WorkAreaInput, 0, MOST_AREAS, '{"id","touches","passes",…}') areas!: WorkAreaInput[];
  @One(() => WorkDeskInput, 'expected {"speed","change","openTime","dryTime"}') desk!: WorkDeskInput;
  /** Seconds that a change of marker is worth. */
  @Within(0, 1e5, "seconds") worth!: number;
  @Optional() @WorkIds() first: AreaIdInput[] = [];
  @Optional()
  @List(() => WorkDoneInput, 0, 10_000, '{"area","section","pass","end"}')
  done: WorkDoneInput[] = [];
  /** Sections of areas, by id. */
  @Nullable()
  @Rule(
    `expected {"id":n,…}, each a whole number from 1 to ${MOST_SECTIONS}, or null`,
    (v) =>
      typeof v === "object" &&
      v !== null &&
      !Array.isArray(v) &&
      Object.keys(v).length <= MOST_AREAS &&
      Object.values(v).every(
        (n) => Number.isInteger(n) && (n as number) >= 1 && (n as number) <= MOST_SECTIONS,
      ),
  )
  cuts: Record<string, number> | null = null;
  /** Steps that are to come before others: they are planned around. */
  @Optional() @Pins() pins: [PlacedStep, PlacedStep][] = [];
  /** The whole order as somebody has put it: it is timed, and what breaks is told. */
  @Nullable() @Followed() follow: PlacedStep[] | null = null;
  /** How long to look for better orders. */
  @Optional() @Within(0.05, 60, "seconds") seconds = 2;
}
