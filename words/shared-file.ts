import { asCode, plainly } from "./plainly";

/** A chapter of steps as a guide has it. */
interface Chapter {
  readonly title: string;
  readonly note: string;
  readonly steps: readonly { readonly mark: string; readonly code: string; readonly says: string }[];
}

/** A shared piece as Markdown: what its link shows of steps, things to lay ready and notes. */
export function sharedMarkdown({
  name,
  studio,
  paper,
  chapters,
  supplies,
  notes,
}: {
  readonly name: string;
  readonly studio: string;
  readonly paper: string;
  /** None where the link does not show them. */
  readonly chapters: readonly Chapter[];
  readonly supplies: readonly { readonly code: string; readonly used: readonly string[] }[];
  /** Notes that stand in no chapter. */
  readonly notes: readonly { readonly area: string; readonly note: string }[];
}): string {
  const lines = [`# ${plainly(name)}`, "", `Shown by ${plainly(studio)}, on ${plainly(paper)}.`];
  for (const { title, note, steps } of chapters) {
    lines.push("", `## ${plainly(title)}`, "");
    if (note) lines.push(plainly(note), "");
    for (const s of steps) lines.push(`- ${plainly(s.mark)}: ${asCode(s.code)} ${plainly(s.says)}`);
  }
  if (supplies.length) {
    lines.push("", "## Lay ready", "");
    for (const s of supplies) lines.push(`- ${asCode(s.code)}: ${plainly(s.used.join(", "))}`);
  }
  if (notes.length) {
    lines.push("", "## Notes", "");
    for (const n of notes) lines.push(`- **${plainly(n.area)}**: ${plainly(n.note)}`);
  }
  return `${lines.join("\n")}\n`;
}
