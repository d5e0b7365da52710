"use client";
import { shortName } from "@/border/names";
import { CloudOff } from "lucide-react";
import { Link } from "@/ui/kit/link";
import { useRouter } from "next/navigation";
import { useState } from "react";
import type { PaperSheet } from "@/store/papers";
import { Modal } from "@/ui/kit/modal";
import { PaperSelect } from "@/ui/kit/paper-select";
import { UndoButtons } from "@/ui/kit/undo-buttons";
import { messageOf } from "@/ui/send";
import { useUndoKeys } from "@/ui/use-keys";
import { STAGES, type StageSlug } from "@/words/stages";
import type { SaveState } from "./autosave";
import { LeftDrafts } from "./left-drafts";
import { useHistory, usePiece, usePieceHandles, useRun, useSaveState } from "./piece-context";
import { StageHelp } from "./stage-help";
import { Tour } from "./tour";

/** Name, stages, paper, undo and the state of saving, over every view of a piece. */
export function PieceHeader({
  stage,
  papers,
}: {
  readonly stage: StageSlug;
  readonly papers: readonly PaperSheet[];
}) {
  const { id } = usePieceHandles();
  const piece = usePiece();
  const run = useRun();
  const { undo, redo, canUndo, canRedo } = useHistory();
  const [name, setName] = useState<string>();
  useUndoKeys(undo, redo);
  const commit = () => {
    const next = name?.trim();
    if (next && next !== piece.name) run({ type: "rename piece", name: shortName(next, 80) });
    setName(undefined);
  };
  return (
    <>
      <section
        aria-label="This piece"
        className="screen-only flex min-h-12 flex-wrap items-center gap-x-4 border-b border-line px-4 min-[760px]:gap-y-1"
      >
        <input
          aria-label="Name of the piece"
          className="min-h-11 w-56 min-w-0 border max-[759px]:w-0 max-[759px]:flex-1 border-transparent bg-transparent px-1 text-[19px] font-semibold hover:border-line"
          value={name ?? piece.name}
          maxLength={80}
          onChange={(e) => setName(e.target.value)}
          onBlur={commit}
          onKeyDown={(e) => e.key === "Enter" && e.currentTarget.blur()}
        />
        <nav
          aria-label="Stages"
          className="flex max-[759px]:order-last max-[759px]:-mx-2 max-[759px]:basis-full"
        >
          {STAGES.map((s) => (
            <Link
              key={s.slug}
              href={`/pieces/${id}/${s.slug}`}
              aria-current={s.slug === stage ? "step" : undefined}
              className={`px-2 py-2.5 text-[16px] min-[420px]:px-3 ${s.slug === stage ? "border-b-3 border-text font-semibold" : "border-b-3 border-transparent text-soft hover:border-line"}`}
            >
              {s.name}
            </Link>
          ))}
        </nav>
        {/* On a phone the paper is chosen where the sheet is. */}
        <div
          className={
            stage === "set-up" ? "max-[759px]:order-last max-[759px]:basis-full" : "max-[759px]:hidden"
          }
        >
          <PaperSelect
            says="Paper"
            papers={papers}
            chosen={piece.paperId ?? papers[0]?.id}
            onChoose={(id) => run({ type: "choose paper", paperId: id })}
          />
        </div>
        <div className="ml-auto flex items-center gap-1">
          <SaveNotice />
          <StageHelp stage={stage} />
          <UndoButtons undo={undo} redo={redo} canUndo={canUndo} canRedo={canRedo} />
        </div>
      </section>
      <Tour pieceId={id} stage={stage} />
      <LeftDrafts />
    </>
  );
}

function SaveNotice() {
  const state = useSaveState();
  const { autosave } = usePieceHandles();
  const router = useRouter();
  const [trouble, setTrouble] = useState<string>();
  const [later, setLater] = useState<SaveState>();
  const copy = () =>
    autosave!.keepAsCopy().then(
      (id) => router.push(`/pieces/${id}/colour`),
      (e: unknown) => setTrouble(messageOf(e)),
    );
  if (state.kind === "conflict" || state.kind === "gone") {
    const gone = state.kind === "gone";
    if (later === state)
      return (
        <p
          role="alert"
          className="m-0 flex items-center gap-2 border border-strong bg-panel px-2 py-1 text-[14px]"
        >
          <CloudOff size={17} aria-hidden />
          <span>
            <strong>Not saved:</strong> {gone ? "deleted" : "changed"} elsewhere. Your changes stay in this
            browser.
          </span>
          <button className="button" onClick={() => setLater(undefined)}>
            Decide
          </button>
        </p>
      );
    return (
      <Modal
        open
        title={gone ? "This piece was deleted elsewhere" : "This piece was changed elsewhere"}
        onClose={() => setLater(state)}
      >
        <p className="mt-0">
          {gone ? "It is no longer in the studio." : "Another tab or device saved it since you opened it."}{" "}
          Your changes here are not lost; nothing was overwritten.
        </p>
        {trouble && <p role="alert">{trouble}</p>}
        <div className="flex flex-wrap gap-2">
          {!gone && (
            <button className="button button-main" onClick={() => autosave!.takeTheirs()}>
              Reload theirs
            </button>
          )}
          <button className={`button ${gone ? "button-main" : ""}`} onClick={() => void copy()}>
            Keep mine as a copy
          </button>
        </div>
      </Modal>
    );
  }
  if (state.kind === "waiting" || state.kind === "refused")
    return (
      <p
        role="alert"
        className="m-0 flex items-center gap-2 border border-strong bg-panel px-2 py-1 text-[14px]"
      >
        <CloudOff size={17} aria-hidden />
        {state.kind === "waiting" ? (
          <span>
            <strong>Not saved yet.</strong> {state.message} Your changes are kept in this browser and will be
            saved.
          </span>
        ) : (
          <span>
            <strong>Not saved.</strong> {state.message}
          </span>
        )}
        <button className="button" onClick={() => autosave?.tryNow()}>
          Try now
        </button>
      </p>
    );
  if (state.kind === "looking")
    return (
      <span role="status" className="px-2 text-[14px] text-soft">
        Looking only: nothing is kept
      </span>
    );
  return (
    <span role="status" className="px-2 text-[14px] text-soft">
      {state.kind === "saving" ? "Saving…" : "Saved"}
    </span>
  );
}
