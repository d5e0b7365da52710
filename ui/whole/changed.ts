import { plainTones, tonesOfGroup } from "@/compute/kept-groups";
import type { GroupOutput } from "@/compute/group-output";
import { tonesOf, type Area, type KeptTone } from "@/core/piece/piece";
import { sameShade } from "@/ui/piece/group/shown-group";

const sameCodes = (a: readonly KeptTone[], b: readonly KeptTone[]) =>
  a.length === b.length && a.every((t, i) => t.code === b[i]!.code && t.coats === b[i]!.coats);

/** What an area would be built of with a group: its tones, those that were locked locked as before; and whether it is built so already. */
export function changedTo(area: Area, group: GroupOutput, had: readonly KeptTone[] = tonesOf(area)) {
  const locked = new Set(tonesOf(area).flatMap((t) => (t.locked ? [t.code] : [])));
  const tones = tonesOfGroup(group).map((tone): KeptTone =>
    locked.has(tone.code) ? { ...tone, locked: true } : tone,
  );
  return { tones, same: sameCodes(plainTones(had), plainTones(tones)) && sameShade(group.shade, area) };
}
