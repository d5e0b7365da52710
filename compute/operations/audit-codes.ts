import { HueHomes, Key } from "@/border/code-key";
import { CodedColourInput } from "@/border/coded-colour";
import { colourOf } from "@/border/colour";
import { List, Optional } from "@/border/fields";
import { auditCodes as audit, type Finding } from "@/core/codes/audit";
import type { CodeKey } from "@/core/codes/key";
import { findingInWords } from "@/words/codes";
import { operation } from "../operation";

export class AuditCodesQuestion {
  @Key() key!: CodeKey;
  @List(() => CodedColourInput, 0, 6000, '{"code","color"}') inks!: CodedColourInput[];
  /** Hue home of a family in degrees. */
  @Optional() @HueHomes() homes: Record<string, number> = {};
}

/** Something that a code promises and the swatch does not show, in words. */
export interface FoundCode extends Pick<Finding, "kind" | "codes" | "figure"> {
  readonly message: string;
}

/** What codes promise and swatches do not show. */
export const auditCodes = operation(AuditCodesQuestion, ({ key, inks, homes }): { findings: FoundCode[] } => {
  const swatches = inks.map(({ code, color }) => ({ code, lab: colourOf(color).lab }));
  return {
    findings: audit(key, swatches, homes).map((f) => ({
      kind: f.kind,
      codes: f.codes,
      figure: f.figure,
      message: findingInWords(key, f),
    })),
  };
});
