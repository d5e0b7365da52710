import { SHOWN, type Shown } from "@/core/piece/shown";
import { OneOf, Rule } from "./fields";

/** A link that is to be made. */
export class ShareInput {
  @Rule(
    `expected what the link shows: at least one of ${SHOWN.join(", ")}, each once`,
    (v) =>
      Array.isArray(v) &&
      v.length > 0 &&
      v.length <= SHOWN.length &&
      new Set(v).size === v.length &&
      v.every((s) => (SHOWN as readonly unknown[]).includes(s)),
  )
  shows!: Shown[];
}

/** What a link shows as a file. */
export class SharedFileInput {
  @OneOf(["pdf", "markdown"]) format!: "pdf" | "markdown";
}
