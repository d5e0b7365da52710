import { MATERIALS, type Material } from "@/core/group/material";
import { SCHOOLS, type School } from "@/core/group/school";
import { FEWEST_TONES, MOST_TONES } from "@/core/group/tone";
import type { KeptTone } from "@/core/piece/piece";
import { VERDICTS, type Verdict } from "@/core/stock/verdicts";
import { Id, List, Name, Notes, Nullable, One, OneOf, Optional, Rule, Texts } from "./fields";
import { KeptToneInput } from "./piece";
import { wrong } from "./problem";
import { plain, readAs } from "./read-as";
import { TONE } from "./tone";

class ResultInput {
  @Id("paper") paperId!: string;
  @OneOf(VERDICTS) verdict!: Verdict;
  @Notes() note!: string;
}

/** A kept group as it comes in; all but name and tones may be left out. */
export class GroupInput {
  @Name() name!: string;
  @Optional() @Texts(20, 40) tags: string[] = [];
  @List(() => KeptToneInput, FEWEST_TONES, MOST_TONES, TONE) tones!: KeptTone[];
  @Optional() @OneOf(MATERIALS) material: Material = "other";
  @Nullable() @OneOf(SCHOOLS) school: School | null = null;
  @Nullable() @One(() => KeptToneInput, `expected ${TONE}, or null`) underlay: KeptTone | null = null;
  @Optional() @List(() => ResultInput, 0, 100, '{"paperId","verdict","note"}') results: ResultInput[] = [];
  @Optional() @Notes() notes = "";
}

export class ChangeGroupInput {
  @Optional() @Name() name?: string;
  @Optional() @Texts(20, 40) tags?: string[];
  @Optional() @List(() => ResultInput, 0, 100, '{"paperId","verdict","note"}') results?: ResultInput[];
  @Optional() @Notes() notes?: string;
}

/** The format of a file of kept groups. */
export const GROUPS_FORMAT = "blendt-groups";

class GroupsFileInput {
  @OneOf([GROUPS_FORMAT]) format!: string;
  @Rule("expected version 1 of a file of groups", (v) => v === 1) version!: 1;
  @List(() => GroupInput, 1, 2000, '{"name","tones"}') groups!: GroupInput[];
}

/**
 * Kept groups of a file, or one group by itself.
 * @throws BadInput with every field that is wrong
 */
export function readGroups(value: unknown): GroupInput[] {
  const isFile = typeof value === "object" && value !== null && Object.hasOwn(value, "groups");
  const groups = isFile ? readAs(GroupsFileInput, value).groups : [readAs(GroupInput, value)];
  const first = new Map<string, number>();
  for (const [i, { name }] of groups.entries()) {
    if (first.has(name))
      throw wrong(
        `groups[${i}].name`,
        `expected a name of its own; groups[${first.get(name)}] is called that too`,
      );
    first.set(name, i);
  }
  return plain(groups) as GroupInput[];
}
