import { SYMPTOMS, type Symptom } from "@/core/repair/symptom";
import type { EventOf, WorkEvent, WorkEventKind } from "@/core/work/record";
import { LONGEST_LINE, MOST_ENTERED } from "@/core/log/read-entry";
import { MOST_SECTIONS } from "@/core/work/problem";
import type { Point } from "@/core/algebra/point";
import { BEYOND, Points } from "./set-up";
import {
  Code,
  Flag,
  Id,
  List,
  ListOfKinds,
  Numbers,
  OneOf,
  Optional,
  Stack,
  Text,
  Whole,
  Within,
  type Document,
} from "./fields";

/** The earliest and latest moment that a device may tell, ms: 2000 to 2199. */
export const [EARLIEST, LATEST] = [946_684_800_000, 7_258_118_399_000];
/** Passes of an area in an order of work. */
const MOST_PASSES = 200;
/** Events that are sent at once, and that one piece may have. */
export const MOST_SENT = 500;
export const MOST_EVENTS = 20_000;
/** Places that are kept of one photo. */
export const MOST_COMPARED = 400;
/** Photos of one piece. */
export const MOST_PHOTOS = 50;

class EventInput {
  @Id("event") id!: string;
  @OneOf([
    "begun",
    "paused",
    "finished",
    "done",
    "part",
    "skipped",
    "added",
    "mend",
    "exchanged",
    "entered",
    "noted",
    "photographed",
    "compared",
    "undone",
  ])
  kind!: WorkEventKind;
  /** When it happened by the clock of its device. */
  @Whole(EARLIEST, LATEST, "ms since 1970") at!: number;
}

class StepInput extends EventInput {
  @Text(60, 1) area!: string;
  @Whole(0, MOST_SECTIONS - 1) section!: number;
  @Whole(1, MOST_SECTIONS) of!: number;
  @Whole(0, MOST_PASSES - 1) pass!: number;
}

class DoneInput extends StepInput {
  @Code() code!: string;
  @Within(0, 30, "coats") coats!: number;
  @Within(0, 1e6, "mm²") mm2!: number;
}

class PartInput extends DoneInput {
  @Within(0, 1) share!: number;
}

class AddedInput extends EventInput {
  @Text(60, 1) area!: string;
  @Stack(1) codes!: string[];
  @Within(0, 1) from!: number;
  @Within(0, 1) to!: number;
  @Flag() wet!: boolean;
  @Optional() @OneOf(SYMPTOMS) symptom?: Symptom;
  @Optional() @Id("event") mends?: string;
}

class MendInput extends EventInput {
  @Text(60, 1) area!: string;
  @OneOf(["ink", "blender", "pencil", "opaque"]) with!: EventOf<"mend">["with"];
  @Stack(1) codes!: string[];
  @Within(0, 1) from!: number;
  @Within(0, 1) to!: number;
  @Text(2000, 1) says!: string;
}

class ExchangedInput extends EventInput {
  @Code() code!: string;
  @Code() by!: string;
}

class EnteredToneInput {
  @Code() code!: string;
  @Whole(1, 12, "coats") coats!: number;
}

class EnteredInput extends EventInput {
  @Text(LONGEST_LINE, 1) line!: string;
  @Text(80) subject!: string;
  @List(() => EnteredToneInput, 0, MOST_ENTERED, '{"code","coats"}') tones!: EnteredToneInput[];
  @Text(LONGEST_LINE) note!: string;
}

class NotedInput extends EventInput {
  @Text(2000, 1) note!: string;
  @Optional() @Text(60, 1) area?: string;
  @Optional() @Id("event") mends?: string;
}

class PhotographedInput extends EventInput {
  @Id("picture") pictureId!: string;
  @Optional() @Text(2000) note?: string;
  @Optional() @Points(4, 4, BEYOND) corners?: [Point, Point, Point, Point];
}

class ComparedPlaceInput {
  @Text(60, 1) area!: string;
  @Whole(1, 30) zone!: number;
  @Whole(1, 30) of!: number;
  @Numbers(3, -200, 200) planned!: [number, number, number];
  @Numbers(3, -200, 200) lies!: [number, number, number];
}

class ComparedInput extends EventInput {
  @Id("event") photo!: string;
  @List(() => ComparedPlaceInput, 1, MOST_COMPARED, '{"area","zone","of","planned","lies"}')
  places!: ComparedPlaceInput[];
}

class UndoneInput extends EventInput {
  @Id("event") undoes!: string;
}

const KINDS: Readonly<Record<WorkEventKind, () => Document<object>>> = {
  begun: () => EventInput,
  paused: () => EventInput,
  finished: () => EventInput,
  done: () => DoneInput,
  part: () => PartInput,
  skipped: () => StepInput,
  added: () => AddedInput,
  mend: () => MendInput,
  exchanged: () => ExchangedInput,
  entered: () => EnteredInput,
  noted: () => NotedInput,
  photographed: () => PhotographedInput,
  compared: () => ComparedInput,
  undone: () => UndoneInput,
};

/** What happened at the desk since it was last told. */
export class EventsInput {
  @ListOfKinds("kind", KINDS, MOST_SENT) events!: WorkEvent[];
}

/** The same in the file of a studio, where all of a piece stand. */
export class FileEventsInput {
  @ListOfKinds("kind", KINDS, MOST_EVENTS) events!: WorkEvent[];
}
