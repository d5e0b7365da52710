"use client";
import { Link } from "@/ui/kit/link";
import { useStudio } from "@/ui/studio/studio-context";
import { STAGES, type StageSlug } from "@/words/stages";
import { useTour } from "./use-tour";

/** Five short steps through one's own first piece, a stage each: what it is for and what comes first there. */
export function Tour({ pieceId, stage }: { readonly pieceId: string; readonly stage: StageSlug }) {
  const studio = useStudio();
  const { on, end } = useTour(pieceId, studio !== undefined && !studio.demo);
  if (!on) return null;
  const at = STAGES.findIndex((s) => s.slug === stage);
  const { name, says, first } = STAGES[at]!;
  const next = STAGES[at + 1];
  return (
    <section
      aria-label="A first look round"
      className="screen-only flex flex-wrap items-center gap-x-4 gap-y-1 border-b border-line bg-panel px-4 py-1.5 text-[15px]"
    >
      <span className="text-soft">
        {at + 1} of {STAGES.length}
      </span>
      <p className="m-0 min-w-0 flex-1 basis-[32ch]">
        <strong>{name}.</strong> {says} <span className="text-soft">{first}</span>
      </p>
      <span className="ml-auto flex gap-2">
        {next && (
          <Link className="button min-h-9 py-0" href={`/pieces/${pieceId}/${next.slug}`}>
            Next: {next.name}
          </Link>
        )}
        <button className="button min-h-9 py-0" onClick={end}>
          {next ? "No tour" : "Done"}
        </button>
      </span>
    </section>
  );
}
