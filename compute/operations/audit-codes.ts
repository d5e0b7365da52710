import { HueHomes, Key } from "@/border/code-key";
import { CodedColourInput } from "@/border/coded-colour";
import { colourOf } from "@/border/colour";
import { List, Optional } from "@/border/fields";
import { auditCodes as audit, type Finding } from "@/core/codes/audit";
import type { CodeKey } from "@/core/codes/key";
import { operation } from "../operation";

export class AuditCodesQuestion {
  @Key() key!: CodeKey;
  @List(() => CodedColourInput, 0, 6000, '{"code","color"}') inks!: CodedColourInput[];
  /** Hue home of a family in degrees. */
  @Optional() @HueHomes() homes: Record<string, number> = {};
}

/** What codes promise and swatches do not show. */
export const auditCodes = operation(AuditCodesQuestion, ({ key, inks, homes }): { findings: Finding[] } => ({
  findings: audit(
    key,
    inks.map(({ code, color }) => ({ code, lab: colourOf(color).lab })),
    homes,
  ),
}));
