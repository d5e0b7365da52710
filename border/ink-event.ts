import { SCALE_KINDS, type ScaleEvent, type ScaleKind } from "@/core/stock/ink-ledger";
import { Code, Flag, Id, OneOf, Optional, Whole, Within } from "./fields";
import { EARLIEST, LATEST } from "./work-events";

/** Something that was found out of a marker's ink. */
export class InkEventInput implements ScaleEvent {
  @Id("ink event") id!: string;
  @Code() code!: string;
  @OneOf(SCALE_KINDS) kind!: ScaleKind;
  /** Grams of what was weighed; ml of what was filled. */
  @Within(0, 1000) amount!: number;
  /** When it happened by the clock of its device. */
  @Whole(EARLIEST, LATEST, "ms since 1970") at!: number;
  /** Whether what was filled in came from a refill in stock. */
  @Optional() @Flag() refill?: boolean;
}
