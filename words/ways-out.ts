/** What a way out is made of, whoever worked it out. */
interface Way {
  readonly before: number;
  readonly group?: { readonly tones: readonly { readonly code: string }[]; readonly after: number };
  readonly white?: number;
}

const from = (before: number, after: number) => `${before.toFixed(1)} → ${after.toFixed(1)} ΔE00`;

/** A way out of being off target, as a sentence, its figure, and what its button says; undefined where nothing is offered. */
export function wayInWords(
  { before, group, white }: Way,
  name: string,
): { readonly says: string; readonly figure: string; readonly take: string } | undefined {
  if (white !== undefined)
    return { says: `${name}: bare paper is nearer.`, figure: from(before, white), take: "Leave it white" };
  if (!group) return undefined;
  return {
    says: `${name}: ${group.tones.map((t) => t.code).join(", ")} come nearer.`,
    figure: from(before, group.after),
    take: "Take it",
  };
}
